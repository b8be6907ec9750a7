import { readLength } from '../units/entry';
import { formatFigure } from '../units/length';
import { clauseFieldAt, clauseFields, NAME_PATTERN, type ClauseField, type ClauseValue } from './fields';
import { LEVELS, PUBLISHED_LEVELS, type Level, type LevelWords } from './levels';
import { GOAL_ROWS, GOAL_SIZES } from './published';
import {
  AS_PUBLISHED,
  asGoalRow,
  type ClauseProblem,
  type LevelIntent,
  type OwnRow,
  type Standard,
  type StandardDocument,
  type Stated,
} from './standard';
import { templateProblem } from './template';

/** Standards that build on one another, at most. */
export const MOST_LAYERS = 6;

const known = new WeakMap<StandardDocument, Standard>();

/** A standard ready to be asked: as published where there is none. */
export function standardOf(document: StandardDocument | undefined): Standard {
  if (!document) return AS_PUBLISHED;
  const standard = known.get(document) ?? resolve(document);
  known.set(document, standard);
  return standard;
}

/** A standard and those that it builds on, nearest first. */
export function layersOf(document: StandardDocument): StandardDocument[] {
  const layers: StandardDocument[] = [];
  for (let one: StandardDocument | undefined = document; one && layers.length < MOST_LAYERS; one = one.over)
    layers.push(one);
  return layers;
}

function resolve(document: StandardDocument): Standard {
  const layers = layersOf(document);
  const problems: ClauseProblem[] = [];
  const rows = layers.flatMap((layer) => ownRows(layer, problems));
  const goalRows = rows.map(asGoalRow);
  const said = new Map<string, Stated>();
  for (const layer of layers) {
    const { id, name, version, clauses } = layer;
    for (const [at, clause] of Object.entries(clauses)) {
      const tell = (message: string, isLeftOut: boolean) =>
        problems.push({ by: name, at, message, isLeftOut });
      const field = clauseFieldAt(at, goalRows);
      if (!field) {
        tell(`There is no place “${at}” in a standard; what it says is kept and not used.`, true);
        continue;
      }
      const read = readClause(field, clause.value);
      if (typeof read === 'object') {
        tell(`${field.title}: ${read.problem}`, true);
        continue;
      }
      if (!clause.clause?.trim() && !clause.reason?.trim())
        tell(`${field.title}: neither clause nor reason is given.`, false);
      if (!said.has(at)) said.set(at, { ...clause, value: read, by: { id, name, version } });
    }
  }
  if (layersOf(document).at(-1)?.over)
    problems.push({
      by: document.name,
      at: '',
      message: `It builds on more than ${MOST_LAYERS - 1} others; the farthest are not used.`,
      isLeftOut: true,
    });
  return {
    document,
    levels: levelsOf(layers),
    rows,
    problems,
    stated: (at) => said.get(at) ?? null,
    places: [...said.keys()].sort(),
  };
}

function ownRows({ name, rows = [] }: StandardDocument, problems: ClauseProblem[]): OwnRow[] {
  return rows.filter((row) => {
    const tell = (message: string) => {
      problems.push({ by: name, at: `goals/${row.id}`, message, isLeftOut: true });
      return false;
    };
    if (Object.values(GOAL_ROWS).some(({ id }) => id === row.id))
      return tell(`The row “${row.id}” is called as a published one; give it another id.`);
    if (!NAME_PATTERN.test(row.id))
      return tell(`“${row.id}” cannot name a row: small letters, digits and hyphens, a letter first.`);
    if (!row.form && !row.families?.length)
      return tell(`${row.title}: it says neither a lead form nor families, so it holds for nothing.`);
    for (const [what, band] of Object.entries({ pitch: row.pitch, size: row.size, height: row.height }))
      if (band && band[0] !== null && band[1] !== null && band[0] >= band[1])
        return tell(`${row.title}: its ${what} runs from ${band[0]} up to ${band[1]}, which is nothing.`);
    return true;
  });
}

/**
 * Reads what a clause says by its field.
 * @returns the value, lengths in mm; or why it cannot be meant
 */
export function readClause(
  { at, kind, limits, of }: ClauseField,
  value: ClauseValue,
): ClauseValue | { readonly problem: string } {
  const shown = `“${String(value)}”`;
  switch (kind) {
    case 'flag':
      return typeof value === 'boolean' ? value : { problem: `${shown} is neither true nor false.` };
    case 'choice':
      return of?.includes(value as string)
        ? value
        : { problem: `${shown} is none of ${(of ?? []).join(', ')}.` };
    case 'order': {
      const items = typeof value === 'string' ? value.split(/[\s,;]+/).filter(Boolean) : [];
      const stranger = items.find((item) => !of?.includes(item));
      if (items.length === 0 || stranger)
        return { problem: `${stranger ? `“${stranger}”` : shown} is none of ${(of ?? []).join(', ')}.` };
      return [...new Set(items)].join(', ');
    }
    case 'text': {
      if (typeof value !== 'string' || value.trim() === '' || value.length > 200)
        return { problem: `${shown} is not a text of 1 to 200 letters.` };
      const wrong = at.startsWith('names/')
        ? templateProblem(value, at === 'names/padstack' ? ['standard'] : null)
        : null;
      return wrong === null ? value.trim() : { problem: `${shown}: ${wrong}` };
    }
    default: {
      const number = kind === 'length' ? lengthOf(value) : value;
      if (typeof number === 'string') return { problem: `${shown}: ${number}` };
      if (typeof number !== 'number' || !Number.isFinite(number))
        return { problem: `${shown} is not a ${kind === 'length' ? 'length' : 'number'}.` };
      if (kind === 'count' && !Number.isInteger(number))
        return { problem: `${shown} is not a whole number.` };
      const [least, most] = limits ?? [-Infinity, Infinity];
      if (number < least || number > most)
        return { problem: `${shown} is outside of what can be meant, ${range(least, most, kind)}.` };
      return number;
    }
  }
}

function range(least: number, most: number, kind: ClauseField['kind']): string {
  const unit = kind === 'length' ? ' mm' : '';
  return `${formatFigure(least, 0, 4)} to ${formatFigure(most, 0, 4)}${unit}`;
}

/** A length as a clause writes it, in mm: a number, or an entry text; goals may be less than nothing. */
function lengthOf(value: ClauseValue): number | string {
  if (typeof value !== 'string') return value as number;
  const [, minus = '', rest = ''] = /^\s*([-−–]?)\s*(.*)$/s.exec(value) ?? [];
  const read = readLength(rest, 'mm');
  if (!read.ok) return read.error;
  return minus ? -read.value : read.value;
}

function levelsOf(layers: readonly StandardDocument[]): LevelWords[] {
  const said = (id: Level): LevelIntent =>
    Object.assign({}, ...[...layers].reverse().map(({ levels }) => levels?.[id] ?? {})) as LevelIntent;
  const published = PUBLISHED_LEVELS.map((words): LevelWords => {
    const { from: _, ...own } = said(words.id);
    return { ...words, ...own };
  });
  const own = said('D');
  if (!layers.some(({ levels }) => levels?.D)) return published;
  const { title = 'own', purpose = '', letter = 'H', from = 'B' } = own;
  return [...published, { id: 'D', title, purpose, letter, from }];
}

/** Every field of a standard: those that are always there, of its own rows, and of level D where it has one. */
export function fieldsOf(standard: Standard): ClauseField[] {
  const own = standard.rows.map(asGoalRow);
  const ofRows = own.flatMap((row) =>
    [
      ...GOAL_SIZES.flatMap((size) => LEVELS.map((level) => `goals/${row.id}/${size}/${level}`)),
      `rounding/${row.id}`,
    ]
      .map((at) => clauseFieldAt(at, own))
      .filter((field) => field !== null),
  );
  const usual = [...clauseFields(), ...ofRows];
  if (!standard.levels.some(({ id }) => id === 'D')) return usual;
  return usual.flatMap((field) => {
    if (!field.at.endsWith('/C')) return [field];
    const ofD = clauseFieldAt(field.at.replace(/C$/, 'D'), own);
    return ofD ? [field, ofD] : [field];
  });
}

/** The field at a place of a standard; `null` where it has none there. */
export function fieldIn({ rows }: Standard, at: string): ClauseField | null {
  return clauseFieldAt(at, rows.map(asGoalRow));
}

/** The fields at which a standard says something, in the order in which they are listed. */
export function statedFields(standard: Standard): ClauseField[] {
  const order = new Map(fieldsOf(standard).map(({ at }, i) => [at, i]));
  const rank = (at: string) => order.get(at) ?? order.size;
  return [...standard.places]
    .sort((a, b) => rank(a) - rank(b) || (a < b ? -1 : 1))
    .flatMap((at) => fieldIn(standard, at) ?? []);
}
