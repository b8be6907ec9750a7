import { readEntry, readLength as readOneLength, type EntryScope } from '../units/entry';
import { isNotGiven } from '../units/entry-text';
import { formatNumber, MM_PER, toMm, type LengthUnit } from '../units/length';
import { fail, ok, type Result } from '../units/result';
import type { Toleranced } from '../units/toleranced';
import { pointerKey } from './edit';
import type {
  AmountField,
  Field,
  Intent,
  LengthField,
  Read,
  RecordField,
  SeriesField,
  TolerancedField,
} from './fields';
import type { Finding, Stage } from './finding';

/** What was read, and what of it could not be used. */
export interface FieldsRead<F> {
  readonly value: Read<F>;
  readonly problems: readonly Finding[];
}

/** Where the reader stands: what is read, under which name, in which unit. */
interface Spot {
  readonly at: string;
  /** What the remedy removes. */
  readonly mend: string;
  readonly label: string;
  readonly unit: LengthUnit;
  readonly symbols: Symbols;
  readonly stage: Stage;
  readonly otherwise: NonNullable<RecordField['otherwise']>;
}

/** What entries may refer to. */
export type Symbols = EntryScope['symbols'];
const NO_SYMBOLS: Symbols = new Map();

const OTHERWISE = {
  words: 'The computed value stands until it is mended.',
  remedy: 'Take the computed value',
} as const;

/**
 * Reads a part of a document by its table. An entry that cannot be used is left out, and told.
 * @param at JSON pointer of the part
 * @param unit of plain numbers
 * @param symbols what toleranced lengths, amounts and series may refer to
 */
export function readFields<F extends Field>(
  field: F,
  intent: Intent<F> | undefined,
  at: string,
  unit: LengthUnit,
  symbols: Symbols = NO_SYMBOLS,
): FieldsRead<F> {
  const problems: Finding[] = [];
  const spot: Spot = { at, mend: at, label: '', unit, symbols, stage: 'release', otherwise: OTHERWISE };
  return { value: read(field, intent, spot, problems) as Read<F>, problems };
}

function read(field: Field, raw: unknown, spot: Spot, problems: Finding[]): unknown {
  if (raw === undefined) return nothingOf(field);
  switch (field.kind) {
    case 'length':
      return readLength(
        field,
        raw,
        spot,
        problems,
        (text) => readOneLength(text, spot.unit),
        (mm) => mm,
      );
    case 'toleranced':
      return readLength(
        field,
        raw,
        spot,
        problems,
        (text) => readLimits(text, spot),
        ({ nom }) => nom,
      );
    case 'amount':
      return readAmount(field, raw, spot, problems);
    case 'series':
      return readSeries(field, raw, spot, problems);
    case 'notation': {
      if (typeof raw !== 'string' || raw.trim() === '') return null;
      const result = field.read(raw, spot.unit);
      if (result.ok) return result.value;
      problems.push(cannotUse(spot, result.error.found, result.error.reason));
      return null;
    }
    case 'record':
      return readRecord(field, asRecord(raw), spot, problems);
    case 'map':
      return new Map(
        Object.entries(asRecord(raw)).map(([key, value]) => [
          key,
          read(field.of as Field, value, { ...spot, at: `${spot.at}/${pointerKey(key)}` }, problems),
        ]),
      );
    case 'list':
      return (Array.isArray(raw) ? raw : []).map((item: unknown, i) => {
        const id = String(asRecord(item)['id'] ?? i + 1);
        const place = { ...spot, at: `${spot.at}/${pointerKey(id)}`, label: `${spot.label} ${i + 1}` };
        return { id, ...(read(field.of as Field, item, place, problems) as object) };
      });
    default:
      return raw;
  }
}

/** Records of which nothing was written, by their field. */
const nothing = new WeakMap<RecordField, Record<string, unknown>>();

/** What a field comes to where nothing was written; most of a document’s choices are that. */
function nothingOf(field: Field): unknown {
  switch (field.kind) {
    case 'record': {
      const made =
        nothing.get(field) ??
        Object.fromEntries(Object.entries(field.fields).map(([key, inner]) => [key, nothingOf(inner)]));
      nothing.set(field, made);
      return made;
    }
    case 'map':
      return new Map();
    case 'list':
      return [];
    default:
      return null;
  }
}

function readRecord(
  { fields, stage, otherwise }: RecordField,
  raw: Readonly<Record<string, unknown>>,
  spot: Spot,
  problems: Finding[],
): Record<string, unknown> {
  const own = raw['unit'];
  const unit = typeof own === 'string' && Object.hasOwn(MM_PER, own) ? (own as LengthUnit) : spot.unit;
  const inside = { ...spot, unit, stage: stage ?? spot.stage, otherwise: otherwise ?? spot.otherwise };
  const values: Record<string, unknown> = {};
  for (const [key, field] of Object.entries(fields)) {
    const value = Object.hasOwn(raw, key) ? raw[key] : undefined;
    if (value === undefined) {
      values[key] = nothingOf(field);
      continue;
    }
    const label = joined(spot.label, field.label);
    const at = `${spot.at}/${key}`;
    const mend = inside.otherwise.whole ? spot.at : at;
    values[key] = read(field, value, { ...inside, at, mend, label }, problems);
  }
  return values;
}

function readLength<T>(
  { least, most }: LengthField | TolerancedField,
  raw: unknown,
  spot: Spot,
  problems: Finding[],
  reader: (text: string) => Result<T, string>,
  sizeOf: (value: T) => number,
): T | null {
  if (typeof raw !== 'string' || raw.trim() === '' || isNotGiven(raw)) return null;
  const result = reader(raw);
  const size = result.ok ? sizeOf(result.value) : 0;
  if (result.ok && size >= least && size <= most) return result.value;
  problems.push(cannotUse(spot, raw, result.ok ? outside(size, least, most) : result.error));
  return null;
}

function readLimits(text: string, { unit, symbols }: Spot): Result<Toleranced, string> {
  const read = readEntry(text, { kind: 'length', unit, symbols });
  if (!read.ok) return fail(read.error.message);
  const doubt = read.value.doubts.find(({ severity }) => severity === 'caution');
  return doubt ? fail(doubt.message) : ok(read.value.value);
}

function readAmount(
  { least, most, whole }: AmountField,
  raw: unknown,
  spot: Spot,
  problems: Finding[],
): number | null {
  if (typeof raw !== 'string' || raw.trim() === '' || isNotGiven(raw)) return null;
  const refused = (reason: string) => {
    problems.push(cannotUse(spot, raw, reason));
    return null;
  };
  const read = readEntry(raw, { kind: 'count', unit: spot.unit, symbols: spot.symbols });
  if (!read.ok) return refused(read.error.message);
  const { min, nom, max } = read.value.value;
  const shown = formatNumber(nom, 0, 4);
  if (min !== max) return refused('One number is expected, not a range.');
  if (whole && !Number.isInteger(nom)) return refused(`It is ${shown}; a whole number is expected.`);
  if (nom < least || nom > most)
    return refused(`It is ${shown}; expected is a number from ${least} to ${most}.`);
  return nom;
}

function readSeries(
  field: SeriesField,
  raw: unknown,
  spot: Spot,
  problems: Finding[],
): readonly Toleranced[] | null {
  if (typeof raw !== 'string' || raw.trim() === '' || isNotGiven(raw)) return null;
  const told = problems.length;
  const one: TolerancedField = { ...field, kind: 'toleranced' };
  const values = raw
    .trim()
    .split(/[\s;]+/)
    .map((text) => read(one, text, spot, problems) as Toleranced | null);
  return problems.length > told ? null : values.filter((value) => value !== null);
}

/** Why a length cannot be meant; a slip of the unit is the likely reason for one that is far too large. */
function outside(value: number, least: number, most: number): string {
  const mm = (v: number) => formatNumber(v, 0, 4);
  if (value < least) return `It is ${mm(value)} mm and must be at least ${mm(least)} mm.`;
  const slip = value / toMm(1, 'in') <= most ? ': is it meant in mil?' : '.';
  return `It is ${mm(value)} mm and must be at most ${mm(most)} mm${slip}`;
}

function cannotUse({ at, mend, label, stage, otherwise }: Spot, found: string, reason: string): Finding {
  return {
    rule: 'entry',
    severity: 'stop',
    title: `${label} cannot be used`,
    message: `“${found}”: ${reason} ${otherwise.words}`,
    source: 'Entry grammar',
    stage,
    place: { field: at },
    remedies: [{ label: otherwise.remedy, edits: [{ at: mend, value: undefined }] }],
  };
}

/** A name within another: `Mask` and `margin` make `Mask margin`; a name with a capital stands alone. */
function joined(outer: string, inner: string): string {
  if (inner === '') return outer;
  return outer !== '' && /^[a-z]/.test(inner) ? `${outer} ${inner}` : capital(inner);
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

function asRecord(value: unknown): Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
    ? (value as Record<string, unknown>)
    : {};
}

/**
 * What was chosen closer to a thing over what was chosen for more than it: where the one has nothing
 * to say, the other holds.
 */
export function over<T>(own: T, general: T): T {
  if (own === null || own === undefined) return general;
  if (typeof own !== 'object' || Array.isArray(own) || own instanceof Map) return own;
  if (typeof general !== 'object' || general === null || own instanceof Set) return own;
  const [first, second] = [own, general] as [Record<string, unknown>, Record<string, unknown>];
  return Object.fromEntries(
    Object.keys({ ...second, ...first }).map((key) => [key, over(first[key], second[key])]),
  ) as T;
}

/** Whether what a JSON pointer leads to is always there: it can be emptied, not removed. */
export function isRequired(root: Field, pointer: string): boolean {
  const slash = pointer.lastIndexOf('/');
  const parent = fieldAt(root, pointer.slice(0, slash));
  return parent?.kind === 'record' && parent.required.includes(pointer.slice(slash + 1));
}

/** The field that a JSON pointer leads to, from a table's root; `null` where it leads nowhere. */
export function fieldAt(root: Field, pointer: string): Field | null {
  let field: Field | null = root;
  for (const key of pointer.split('/').slice(1)) {
    if (field?.kind === 'record')
      field = Object.hasOwn(field.fields, key) ? (field.fields[key] ?? null) : null;
    else if (field?.kind === 'map' || field?.kind === 'list') field = field.of as Field;
    else return null;
  }
  return field;
}
