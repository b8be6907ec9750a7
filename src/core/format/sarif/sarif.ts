import { findNodeAtLocation, parseTree, type Node } from 'jsonc-parser';
import { RULES } from '../../check/rules';
import type { TapisDocument } from '../../document/document';
import { applyEdits } from '../../document/edit';
import type { Finding, Remedy, Severity } from '../../document/finding';
import { writeDocument } from '../../document/write';
import type { CheckedFile } from '../checked-file';

// Findings in the Static Analysis Results Interchange Format (OASIS, SARIF 2.1.0): the rules that were held
// against, what was found, where in the file it was entered, and the remedies as replacements of its text.

export const LEVELS: Readonly<Record<Severity, 'error' | 'warning' | 'note'>> = {
  stop: 'error',
  caution: 'warning',
  note: 'note',
};

interface Rule {
  readonly id: string;
  readonly title: string;
  readonly source: string;
  readonly severity: Severity;
}

/** Writes what was found in files as a SARIF log. */
export function writeSarif(files: readonly CheckedFile[]): string {
  const rules = new Map<string, Rule>(RULES.map((rule) => [rule.id, rule]));
  for (const { report } of files)
    for (const finding of [...report.findings, ...report.waived.map((one) => one.finding)])
      if (!rules.has(finding.rule)) rules.set(finding.rule, { ...finding, id: finding.rule });
  const indexes = new Map([...rules.keys()].map((id, i) => [id, i]));
  return logOf({
    rules: [...rules.values()].map(({ id, title, source, severity }) => ({
      id,
      name: title,
      shortDescription: { text: title },
      help: { text: source },
      defaultConfiguration: { level: LEVELS[severity] },
    })),
    paths: files.map(({ path }) => path),
    mimeType: 'application/json',
    results: () => files.flatMap((file, index) => resultsOf(file, index, indexes)),
  });
}

interface Log {
  readonly rules: readonly object[];
  readonly paths: readonly string[];
  readonly mimeType: string;
  /** @param where the place of a file in the log, by its path */
  readonly results: (where: (path: string) => object) => readonly object[];
}

/** A log of one run. */
export function logOf({ rules, paths, mimeType, results }: Log): string {
  const indexes = new Map(paths.map((path, i) => [path, i]));
  const where = (path: string) => ({ uri: uriOf(path), index: indexes.get(path) ?? -1 });
  const log = {
    $schema: 'https://json.schemastore.org/sarif-2.1.0.json',
    version: '2.1.0',
    runs: [
      {
        tool: { driver: { name: 'Tapis', rules } },
        artifacts: paths.map((path) => ({ location: { uri: uriOf(path) }, mimeType })),
        columnKind: 'utf16CodeUnits',
        results: results(where),
      },
    ],
  };
  return `${JSON.stringify(log, null, 2)}\n`;
}

/** A relative path as a URI; one from the root as a file's. */
function uriOf(path: string): string {
  const parts = path.replaceAll('\\', '/').split('/').map(encodeURIComponent).join('/');
  return path.startsWith('/') ? `file://${parts}` : parts;
}

function resultsOf(file: CheckedFile, index: number, indexes: ReadonlyMap<string, number>): object[] {
  const { path, text, compiled, report } = file;
  const tree = parseTree(text);
  const artifactLocation = { uri: uriOf(path), index };
  const resultOf = (finding: Finding) => ({
    ruleId: finding.rule,
    ruleIndex: indexes.get(finding.rule) ?? -1,
    level: LEVELS[finding.severity],
    message: { text: finding.message },
    locations: [
      {
        physicalLocation: { artifactLocation, region: regionOf(finding, text, tree, compiled.document) },
        ...logicalLocations(finding),
      },
    ],
    properties: { source: finding.source, ...(finding.measured ? { measured: finding.measured } : {}) },
  });
  const fixesOf = (remedies: readonly Remedy[]) => {
    const fixes = remedies.flatMap((remedy) => fixOf(remedy, text, compiled.document, artifactLocation));
    return fixes.length > 0 ? { fixes } : {};
  };
  return [
    ...report.findings.map((finding) => ({ ...resultOf(finding), ...fixesOf(finding.remedies) })),
    ...report.waived.map(({ finding, waiver }) => ({
      ...resultOf(finding),
      suppressions: [{ kind: 'inSource', justification: waiver.reason }],
    })),
  ];
}

/** Lands and dimensions that a finding speaks of. */
function logicalLocations({ place }: Finding): object {
  const lands = (place.lands ?? []).map((name) => ({
    name,
    kind: 'element',
    fullyQualifiedName: `land ${name}`,
  }));
  const dimensions = (place.dimensions ?? []).map((name) => ({
    name,
    kind: 'member',
    fullyQualifiedName: `dimension ${name}`,
  }));
  const all = [...lands, ...dimensions];
  return all.length > 0 ? { logicalLocations: all } : {};
}

/** Where in a file's text something is; SARIF counts lines and columns from 1. */
function regionOf({ place }: Finding, text: string, tree: Node | undefined, document: TapisDocument): object {
  const [symbol] = place.dimensions ?? [];
  const pointer = place.field ?? (symbol === undefined ? '/package' : `/package/dimensions/${symbol}`);
  const path = pathIn(document, pointer);
  const node = tree && (findNodeAtLocation(tree, path) ?? findNodeAtLocation(tree, ['package']) ?? tree);
  const offset = node?.parent?.type === 'property' ? node.parent.offset : (node?.offset ?? 0);
  const lines = text.slice(0, offset).split('\n');
  return { startLine: lines.length, startColumn: (lines.at(-1)?.length ?? 0) + 1 };
}

/** The keys to a place; an item of a list is addressed by its id in a document, and by its index in JSON. */
function pathIn(document: TapisDocument, pointer: string): (string | number)[] {
  const path: (string | number)[] = [];
  let at: unknown = document;
  for (const part of pointer.split('/').slice(1)) {
    const key = part.replaceAll('~1', '/').replaceAll('~0', '~');
    if (Array.isArray(at)) {
      const index = at.findIndex((item: unknown) => (item as { id?: unknown } | null)?.id === key);
      path.push(index);
      at = at[index] as unknown;
    } else {
      path.push(key);
      at = (at as Record<string, unknown> | undefined)?.[key];
    }
  }
  return path;
}

/** A remedy as a replacement of the lines that it changes. */
function fixOf(remedy: Remedy, text: string, document: TapisDocument, artifactLocation: object): object[] {
  if (remedy.edits.length === 0) return [];
  const [was, is] = [text, writeDocument(applyEdits(document, remedy.edits))].map((one) =>
    one.split('\n'),
  ) as [string[], string[]];
  let first = 0;
  while (first < was.length && first < is.length && was[first] === is[first]) first += 1;
  let same = 0;
  while (
    same < was.length - first &&
    same < is.length - first &&
    was[was.length - 1 - same] === is[is.length - 1 - same]
  )
    same += 1;
  const last = was.length - same;
  // whole lines: from the beginning of the first to the beginning of the line after the last
  const end =
    last < was.length
      ? { endLine: last + 1, endColumn: 1 }
      : { endLine: was.length, endColumn: (was.at(-1)?.length ?? 0) + 1 };
  const inserted = is.slice(first, is.length - same);
  const insertedContent = {
    text: inserted.join('\n') + (last < was.length && inserted.length > 0 ? '\n' : ''),
  };
  return [
    {
      description: { text: remedy.label },
      artifactChanges: [
        {
          artifactLocation,
          replacements: [
            { deletedRegion: { startLine: first + 1, startColumn: 1, ...end }, insertedContent },
          ],
        },
      ],
    },
  ];
}
