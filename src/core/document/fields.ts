import type { LengthUnit } from '../units/length';
import type { Result } from '../units/result';
import type { Toleranced } from '../units/toleranced';
import type { Stage } from './stage';

// The words in which a document's choices are declared. What a choice is called, how it is written,
// between which limits it can be meant and where it is mended stands in one table (`intent.ts`); its
// type, its part of the JSON Schema, its reading and its field in a stage column follow from there.

interface AnyField {
  /** What it is called in findings: with the name of what it belongs to before it. */
  readonly label: string;
  /** What it is called in a stage column, under the title of what it belongs to. */
  readonly column?: string;
  /** A sentence for the schema. */
  readonly help?: string;
}

/** A length as an entry text; `least` and `most` are what can be meant at all, mm. */
export interface LengthField extends AnyField {
  readonly kind: 'length';
  readonly least: number;
  readonly most: number;
}

/** A length with its limits, as an entry text. */
export interface TolerancedField extends AnyField {
  readonly kind: 'toleranced';
  readonly least: number;
  readonly most: number;
}

/** A plain number as an entry text: a count, which is whole, or an angle. */
export interface AmountField extends AnyField {
  readonly kind: 'amount';
  readonly least: number;
  readonly most: number;
  readonly whole: boolean;
}

/** Lengths in a row, with blanks between them, as an entry text. */
export interface SeriesField extends AnyField {
  readonly kind: 'series';
  readonly least: number;
  readonly most: number;
}

/** A whole number, or a share between 0 and 1. */
export interface NumberField extends AnyField {
  readonly kind: 'count' | 'share' | 'number';
  readonly least: number;
  readonly most: number;
}

export interface FlagField extends AnyField {
  readonly kind: 'flag';
}

/** One out of a few. */
export interface ChoiceField<C extends string | number = string | number> extends AnyField {
  readonly kind: 'choice';
  readonly of: readonly C[];
}

/** Some out of a few. */
export interface SetField<C extends string = string> extends AnyField {
  readonly kind: 'set';
  readonly of: readonly C[];
}

/** Free words. */
export interface TextField extends AnyField {
  readonly kind: 'text';
  readonly shortest: number;
  readonly longest: number;
  readonly pattern?: string;
}

/** A text in a small notation of its own. */
export interface NotationField<T = unknown> extends AnyField {
  readonly kind: 'notation';
  readonly longest: number;
  /** @param unit of plain numbers, for notations that hold lengths of the datasheet */
  readonly read: (
    text: string,
    unit: LengthUnit,
  ) => Result<T, { readonly found: string; readonly reason: string }>;
}

export type Fields = Readonly<Record<string, Field>>;

/** Fields under one name. A record with a field `unit` reads its lengths in that unit. */
export interface RecordField<F extends Fields = Fields, R extends string = string> extends AnyField {
  readonly kind: 'record';
  readonly fields: F;
  readonly required: readonly R[];
  /** Name under which the schema lists it; records without one stand where they are used. */
  readonly name?: string;
  /** Where what it holds is mended; that of what it belongs to where it is missing. */
  readonly stage?: Stage;
  /** What becomes of an entry that cannot be used, and the remedy that removes it. */
  readonly otherwise?: {
    readonly words: string;
    readonly remedy: string;
    /** The remedy removes the whole record, which is nothing without the entry. */
    readonly whole?: true;
  };
}

/** Values by a key, such as the id of a group of lands. */
export interface MapField<F = unknown> extends AnyField {
  readonly kind: 'map';
  readonly of: F;
  readonly most: number;
  /** What keys look like; anything short where it is missing. */
  readonly keys?: string;
  /** The order of its keys means something. */
  readonly ordered?: true;
}

/** Records in an order, each known by its `id`. */
export interface ListField<F = unknown> extends AnyField {
  readonly kind: 'list';
  readonly of: F;
  readonly most: number;
}

export type Field =
  | LengthField
  | TolerancedField
  | AmountField
  | SeriesField
  | NumberField
  | FlagField
  | ChoiceField
  | SetField
  | TextField
  | NotationField
  | RecordField
  | MapField
  | ListField;

/** What every item of a list has. */
interface Item {
  readonly id: string;
}

type Simplify<T> = { readonly [K in keyof T]: T[K] };

/** A record as it is written: the fields `Q` are always there. */
type RecordIntent<R, Q> = Simplify<
  { readonly [K in keyof R as K extends Q ? K : never]: Intent<R[K]> } & {
    readonly [K in keyof R as K extends Q ? never : K]?: Intent<R[K]>;
  }
>;

/** How a field is written in a document. */
export type Intent<F> = F extends {
  readonly kind: 'length' | 'toleranced' | 'amount' | 'series' | 'text' | 'notation';
}
  ? string
  : F extends { readonly kind: 'count' | 'share' | 'number' }
    ? number
    : F extends { readonly kind: 'flag' }
      ? boolean
      : F extends ChoiceField<infer C>
        ? C
        : F extends SetField<infer C>
          ? readonly C[]
          : F extends RecordField<infer R>
            ? RecordIntent<R, F['required'][number]>
            : F extends MapField<infer V>
              ? Readonly<Record<string, Intent<V>>>
              : F extends ListField<infer V>
                ? readonly (Item & Intent<V>)[]
                : never;

/** What a field comes to when it is read: lengths in mm, `null` where nothing usable was chosen. */
export type Read<F> = F extends { readonly kind: 'length' | 'amount' | 'count' | 'share' | 'number' }
  ? number | null
  : F extends { readonly kind: 'toleranced' }
    ? Toleranced | null
    : F extends { readonly kind: 'series' }
      ? readonly Toleranced[] | null
      : F extends { readonly kind: 'text' }
        ? string | null
        : F extends { readonly kind: 'flag' }
          ? boolean | null
          : F extends NotationField<infer T>
            ? T | null
            : F extends ChoiceField<infer C>
              ? C | null
              : F extends SetField<infer C>
                ? readonly C[] | null
                : F extends RecordField<infer R>
                  ? { readonly [K in keyof R]: Read<R[K]> }
                  : F extends MapField<infer V>
                    ? ReadonlyMap<string, Read<V>>
                    : F extends ListField<infer V>
                      ? readonly (Item & Read<V>)[]
                      : never;

type More = Omit<AnyField, 'label'>;

/** A length between two limits, mm. */
export function length(
  label: string,
  [least, most]: readonly [number, number],
  more: More = {},
): LengthField {
  return { kind: 'length', label, least, most, ...more };
}

export function toleranced(
  label: string,
  [least, most]: readonly [number, number],
  more: More = {},
): TolerancedField {
  return { kind: 'toleranced', label, least, most, ...more };
}

/** A plain number as an entry text. */
export function amount(
  label: string,
  [least, most]: readonly [number, number],
  more: More & { readonly whole?: boolean } = {},
): AmountField {
  return { kind: 'amount', label, least, most, whole: true, ...more };
}

/** Lengths in a row. */
export function series(
  label: string,
  [least, most]: readonly [number, number],
  more: More = {},
): SeriesField {
  return { kind: 'series', label, least, most, ...more };
}

export function number(
  kind: NumberField['kind'],
  label: string,
  [least, most]: readonly [number, number],
  more: More = {},
): NumberField {
  return { kind, label, least, most, ...more };
}

export function flag(label: string, more: More = {}): FlagField {
  return { kind: 'flag', label, ...more };
}

export function choice<const C extends string | number>(
  label: string,
  of: readonly C[],
  more: More = {},
): ChoiceField<C> {
  return { kind: 'choice', label, of, ...more };
}

export function some<const C extends string>(label: string, of: readonly C[], more: More = {}): SetField<C> {
  return { kind: 'set', label, of, ...more };
}

/** @param longest in characters */
export function text(
  label: string,
  longest: number,
  more: More & { readonly shortest?: number; readonly pattern?: string } = {},
): TextField {
  return { kind: 'text', label, shortest: 0, longest, ...more };
}

export function notation<T>(
  label: string,
  longest: number,
  read: NotationField<T>['read'],
  more: More = {},
): NotationField<T> {
  return { kind: 'notation', label, longest, read, ...more };
}

export type RecordWords = More & Pick<RecordField, 'name' | 'stage' | 'otherwise'>;

/** A record of which nothing has to be there, or only the fields named as `required`. */
export function record<const F extends Fields>(
  label: string,
  fields: F,
  more?: RecordWords,
): RecordField<F, never>;
export function record<const F extends Fields, const R extends keyof F & string>(
  label: string,
  fields: F,
  more: RecordWords & { readonly required: readonly R[] },
): RecordField<F, R>;
export function record(
  label: string,
  fields: Fields,
  { required = [], ...more }: RecordWords & { readonly required?: readonly string[] } = {},
): RecordField {
  return { kind: 'record', label, fields, required, ...more };
}

export function mapOf<const F>(
  label: string,
  of: F,
  most: number,
  more: More & Pick<MapField, 'keys' | 'ordered'> = {},
): MapField<F> {
  return { kind: 'map', label, of, most, ...more };
}

export function listOf<const F>(label: string, of: F, most: number, more: More = {}): ListField<F> {
  return { kind: 'list', label, of, most, ...more };
}
