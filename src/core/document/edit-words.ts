import type { Field, RecordField } from './fields';
import { CHOICES } from './intent';
import { COMPOSITION } from './pieces';
import type { Stage } from './stage';

// What a place of a document is called, in words: for undo, for what a variant has of its own, and for lists
// of differences.

const PLACES: Readonly<Record<string, string>> = {
  '/name': 'name',
  '/level': 'level',
  '/process': 'process',
  '/ownProcess': 'process',
  '/standard': 'house standard',
  '/notes': 'notes',
  '/approvals': 'approvals',
  '/package': 'package',
  '/package/family': 'package family',
  '/package/unit': 'unit of the datasheet',
  '/package/source': 'source',
};

const OVERRIDES = (CHOICES as RecordField).fields['overrides'] as Field;

const keysOf = (at: string): string[] =>
  at
    .split('/')
    .slice(1)
    .map((key) => key.replaceAll('~1', '/').replaceAll('~0', '~'));

/** What a place is called by the labels of a table of fields. @param at a JSON pointer */
export function tableWords(table: Field, at: string): string {
  return PLACES[at] ?? walked(table, keysOf(at));
}

/** What a place is called; a part of it that nobody named stands as it is. @param at a JSON pointer */
export function placeWords(at: string): string {
  const known = PLACES[at];
  if (known !== undefined) return known;
  const keys = keysOf(at);
  const [first, second, third = ''] = keys;
  if (first === 'waivers') return `accepted finding ${second ?? ''}`.trimEnd();
  // a decision is told by what is decided, and not by that it overrides the process
  if (first === 'overrides' && second !== undefined) return walked(OVERRIDES, keys.slice(1));
  if (first !== 'package') return walked(CHOICES, keys);
  if (second === 'dimensions') return `dimension ${third}`.trimEnd();
  if (second === 'options') return `choice ${third}`.trimEnd();
  return walked(COMPOSITION, keys.slice(1));
}

/** The stage of the Bench where a place of a document is entered. @param at a JSON pointer */
export function stageOfPlace(at: string): Stage {
  const keys = at.split('/').slice(1);
  const [first] = keys;
  if (first === 'package') return 'measure';
  if (first === 'level' || first === 'process' || first === 'ownProcess' || first === 'standard')
    return 'land';
  if (first === 'waivers') return 'prove';
  let field: Field | undefined = CHOICES;
  let stage: Stage = 'release';
  for (const key of keys) {
    field =
      field?.kind === 'record'
        ? ((field as RecordField).fields[key] as Field | undefined)
        : field?.kind === 'map' || field?.kind === 'list'
          ? (field.of as Field)
          : undefined;
    if (field?.kind === 'record') stage = (field as RecordField).stage ?? stage;
  }
  return stage;
}

/** A label within a sentence: a symbol in it stays as it is. */
const lowered = (label: string): string =>
  label.replace(/^\p{Lu}(?=\p{Ll}| )/u, (first) => first.toLowerCase());

/** The labels on the way through the tables of fields, with the keys that a person or a package chose. */
function walked(start: Field, keys: readonly string[]): string {
  const words: string[] = [];
  let field: Field | undefined = start;
  for (const key of keys) {
    if (field?.kind === 'record') {
      field = (field as RecordField).fields[key] as Field | undefined;
      // what only holds others has no name of its own
      if (field?.label) words.push(lowered(field.label));
      else if (!field || !['record', 'map', 'list'].includes(field.kind)) words.push(key);
    } else {
      const inner: Field | undefined =
        field?.kind === 'map' || field?.kind === 'list' ? (field.of as Field) : undefined;
      field = inner;
      words.push(key);
    }
  }
  // a label often says what it belongs to: it is not said twice
  return words.filter((word, i) => i === 0 || words[i - 1] !== word).join(' ') || (keys.at(-1) ?? '');
}

/** What several places are called, each once, the first few. */
export function placesWords(
  places: readonly string[],
  most = 3,
  wordsOf: (at: string) => string = placeWords,
): string {
  const words = [...new Set(places.map(wordsOf))];
  const more = words.length > most ? ` and ${words.length - most} more` : '';
  return words.slice(0, most).join(', ') + more;
}

/** Longest value that is written out. */
const LONG = 60;

/** A value of a document in a few words: an entry as it was typed. */
export function valueWords(value: unknown): string {
  if (value === undefined) return 'none';
  if (typeof value !== 'object' || value === null) return String(value);
  const { text } = value as { text?: unknown };
  if (typeof text === 'string') return text;
  const words = JSON.stringify(value);
  return words.length > LONG ? `${words.slice(0, LONG)}…` : words;
}
