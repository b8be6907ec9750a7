// The reference of the package's face as one page of Markdown, from the docstrings.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Pages of this name are of whole functions and types; longer names are of their members, which their tables tell. */
const WHOLE = /\(\.\/tapis\.([a-z0-9_]+)\.md\)/g;

/**
 * @param root folder of the project
 * @param model folder with the model of the face
 */
export function faceReference(root, model) {
  const folder = mkdtempSync(join(tmpdir(), 'tapis-face-'));
  const command = join(root, 'node_modules/@microsoft/api-documenter/bin/api-documenter');
  const made = spawnSync(process.execPath, [command, 'markdown', '-i', model, '-o', folder], {
    encoding: 'utf8',
  });
  if (made.status !== 0) throw new Error(made.stdout + made.stderr);
  const page = (name) => readFileSync(join(folder, `${name}.md`), 'utf8').replaceAll('\r\n', '\n');
  const begin = page('tapis');
  const names = [...new Set([...begin.matchAll(WHOLE)].map(([, name]) => name))];
  const anchors = new Map(
    names.map((name) => [name, anchorOf(/^## (.+)$/m.exec(page(`tapis.${name}`))?.[1] ?? name)]),
  );
  const bare = (text) =>
    text
      .replace(/^<!--.*-->\n+\[Home\].*\n+/, '')
      .replaceAll('<!-- -->', '')
      // members stand in the tables of what they are members of
      .replaceAll(/\[([^\]]*)\]\(\.\/tapis\.[a-z0-9_]+\.[a-z0-9_]+\.md\)/g, '$1')
      .replaceAll(WHOLE, (_, name) => `(#${anchors.get(name)})`)
      .replaceAll(/\b([A-Z]\w+)\\?_2\b/g, '$1')
      .replaceAll(/\n{3,}/g, '\n\n')
      .trim();
  const parts = names.filter((name) => existsSync(join(folder, `tapis.${name}.md`)));
  return [
    '# Reference of the package',
    'Made from the docstrings; [the page on the package](../package.md) has five examples.',
    bare(begin).replace(/^## tapis package\s+/, ''),
    ...parts.map((name) =>
      bare(page(`tapis.${name}`)).replaceAll(/^## (Parameters|Properties)$/gm, '### $1'),
    ),
    '',
  ].join('\n\n');
}

/** As the pages of the documentation make anchors of headings. */
const anchorOf = (words) =>
  words
    .toLowerCase()
    .replaceAll(/\\?_2/g, '')
    .replaceAll(/[^\p{L}\p{N}]+/gu, '-')
    .replaceAll(/^-|-$/g, '');
