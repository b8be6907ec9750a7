import { parse, type DefaultTreeAdapterMap } from 'parse5';
import type { Cell, Grid, GridRow } from './grid';

type Node = DefaultTreeAdapterMap['node'];
type Element = DefaultTreeAdapterMap['element'];

/** Most cells of a table that are read, and the widest merging. */
const MOST_CELLS = 20_000;
const WIDEST = 60;

/** The tables of an HTML text, such as one from the clipboard, with the text between them. */
export function gridsOfHtml(html: string): Grid[] {
  const grids: Grid[] = [];
  const words: string[] = [];
  walk(parse(html), (node) => {
    if (isElement(node)) {
      if (['script', 'style', 'template', 'head'].includes(node.tagName)) return false;
      if (node.tagName === 'table' && !inside(node)) {
        grids.push(gridOf(node));
        return false;
      }
    }
    if (node.nodeName === '#text') words.push((node as DefaultTreeAdapterMap['textNode']).value.trim());
    return true;
  });
  const context = words.filter((word) => word !== '').join(' ');
  return grids.map((grid) => ({ ...grid, context: `${grid.context} ${context}`.trim() }));
}

const isElement = (node: Node): node is Element => 'tagName' in node;

/** Whether a table holds tables of its own: it lays a page out and is no table of values. */
function inside(table: Element): boolean {
  let found = false;
  walk(table, (one) => {
    found ||= one !== table && isElement(one) && one.tagName === 'table';
    return !found;
  });
  return found;
}

/**
 * Goes through a node and what lies in it, in order; tags may lie deeper in each other than calls may.
 * @param enter whether to go into a node
 */
function walk(from: Node, enter: (node: Node) => boolean): void {
  const waiting = [from];
  for (let node = waiting.pop(); node; node = waiting.pop()) {
    if (!enter(node) || !('childNodes' in node)) continue;
    for (let i = node.childNodes.length - 1; i >= 0; i -= 1) waiting.push(node.childNodes[i] as Node);
  }
}

function descendants(node: Node): Element[] {
  const found: Element[] = [];
  walk(node, (one) => {
    if (isElement(one)) found.push(one);
    return true;
  });
  return found;
}

function gridOf(table: Element): Grid {
  const lines = descendants(table).filter(({ tagName }) => tagName === 'tr');
  const context = descendants(table)
    .filter(({ tagName }) => tagName === 'caption')
    .map(textOf)
    .join(' ');
  const rows: GridRow[] = [];
  /** Cells of rows above that reach further down, by column. */
  let hanging: { cell: Cell; left: number }[] = [];
  let count = 0;
  for (const line of lines) {
    const row: Cell[] = hanging.map(({ cell }) => ({ ...cell, repeats: true }));
    const next = hanging.map(({ cell, left }) => ({ cell, left: left - 1 }));
    let column = 0;
    for (const child of line.childNodes) {
      if (!isElement(child) || !['td', 'th'].includes(child.tagName)) continue;
      while (row.some((cell) => column >= cell.column && column < cell.column + cell.span)) column += 1;
      const span = spanOf(child, 'colspan');
      const cell: Cell = { text: textOf(child), column, span, area: null, sure: 1 };
      const down = spanOf(child, 'rowspan') - 1;
      if (down > 0) next.push({ cell, left: down });
      row.push(cell);
      column += span;
      count += 1;
      if (count > MOST_CELLS) break;
    }
    rows.push(row.filter(({ text }) => text !== '').sort((a, b) => a.column - b.column));
    hanging = next.filter(({ left }) => left > 0);
  }
  const columns = Math.max(0, ...rows.flatMap((row) => row.map((cell) => cell.column + cell.span)));
  return { rows, columns, context };
}

function spanOf({ attrs }: Element, name: string): number {
  const value = Number(attrs.find((attribute) => attribute.name === name)?.value ?? 1);
  return Number.isInteger(value) && value > 0 ? Math.min(value, WIDEST) : 1;
}

/** The text of a cell; raised digits are footnotes and not part of a number. */
function textOf(node: Node): string {
  const parts: string[] = [];
  walk(node, (one) => {
    if (one.nodeName === '#text') parts.push((one as DefaultTreeAdapterMap['textNode']).value);
    if (isElement(one)) {
      if (one.tagName === 'br') parts.push(' ');
      // 4.90 with a raised 1 is no 4.901
      if (one.tagName === 'sup' && /^[\s\d),*†‡(]+$/.test(parts.length > 0 ? plainOf(one) : '')) return false;
    }
    return true;
  });
  return parts.join('').replace(/\s+/g, ' ').trim();
}

function plainOf(node: Node): string {
  const parts: string[] = [];
  walk(node, (one) => {
    if (one.nodeName === '#text') parts.push((one as DefaultTreeAdapterMap['textNode']).value);
    return true;
  });
  return parts.join('');
}
