import { SaxesParser } from 'saxes';
import { fail, ok, type Result } from '../units/result';

/** An element of an XML file; names are without their prefix. */
export interface XmlNode {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly XmlNode[];
}

/** Most elements that are read, and how deep they may lie in each other. */
const MOST_NODES = 2_000_000;
const DEEPEST = 100;

/**
 * Reads the elements of an XML file. Entities of its own are not expanded, so that a small file stays small.
 * @param wanted branches that are kept; others are skipped as they come
 * @returns the root, or where and why it cannot be read
 */
export function readXml(
  text: string,
  wanted: (name: string) => boolean = () => true,
): Result<XmlNode, string> {
  interface Open extends XmlNode {
    readonly children: XmlNode[];
  }
  const parser = new SaxesParser({ position: true });
  const open: Open[] = [];
  let [count, skipped]: [number, number] = [0, 0];
  let root: XmlNode | null = null;
  let wrong: string | null = null;
  const refuse = (why: string) => {
    wrong ??= `${why} (line ${parser.line})`;
  };
  parser.on('error', (error) => refuse(error.message.replace(/^\d+:\d+: /, '')));
  parser.on('doctype', (doctype) => {
    if (/<!ENTITY/i.test(doctype)) refuse('It declares entities of its own, which are not read');
  });
  parser.on('opentag', ({ name, attributes }) => {
    if (wrong !== null) return;
    const plain = name.replace(/^.*:/, '');
    if (skipped > 0 || !wanted(plain)) {
      skipped += 1;
      return;
    }
    count += 1;
    if (count > MOST_NODES) return refuse(`It has more than ${MOST_NODES} elements`);
    if (open.length >= DEEPEST) return refuse(`Its elements lie more than ${DEEPEST} deep in each other`);
    const node: Open = {
      name: plain,
      attributes: { ...(attributes as Record<string, string>) },
      children: [],
    };
    open.at(-1)?.children.push(node);
    root ??= node;
    open.push(node);
  });
  parser.on('closetag', () => {
    if (wrong !== null) return;
    if (skipped > 0) skipped -= 1;
    else open.pop();
  });
  // in pieces, so that a fault ends the reading where it lies
  for (let at = 0; at < text.length && wrong === null; at += PIECE) parser.write(text.slice(at, at + PIECE));
  if (wrong === null) parser.close();
  if (wrong !== null) return fail(`This is no whole XML file: ${wrong}.`);
  return root ? ok(root) : fail('This is no XML file: it has no elements.');
}

const PIECE = 65_536;

/** The children of a name. */
export const all = (node: XmlNode | undefined, name: string): readonly XmlNode[] =>
  node?.children.filter((child) => child.name === name) ?? [];

/** The first child of a name. */
export const one = (node: XmlNode | undefined, name: string): XmlNode | undefined =>
  node?.children.find((child) => child.name === name);

/** Every element of a name, wherever it lies. */
export function* everywhere(node: XmlNode, name: string): Generator<XmlNode> {
  for (const child of node.children) {
    if (child.name === name) yield child;
    yield* everywhere(child, name);
  }
}
