import { EntryFailure, refuse, tokenise, type EntryError, type Mark } from './entry-tokens';
import { readFormula } from './formula';
import type { LengthUnit } from './length';
import { readPrinted } from './printed';
import { remembered } from './remembered';
import { fail, ok, type Result } from './result';
import type { Given } from './toleranced';

/** A number as it stands in an entry. `at` is the character it starts at. */
export interface NumberNode {
  readonly kind: 'number';
  readonly value: number;
  readonly unit: LengthUnit | null;
  /** Digits after the decimal sign; `null` where there is none. */
  readonly decimals: number | null;
  readonly at: number;
}

/** An arithmetic expression as typed. `at` is the character it starts at. */
export type Expression =
  | NumberNode
  | { readonly kind: 'symbol'; readonly name: string; readonly at: number }
  | { readonly kind: 'negative'; readonly of: Expression; readonly at: number }
  | {
      readonly kind: 'operation';
      readonly operator: '+' | '-' | '*' | '/';
      readonly left: Expression;
      readonly right: Expression;
      readonly at: number;
    };

/** What came with a number and is not the number: kept, and used as a check where it helps. */
export interface EntryHints {
  /** The drawing's letter, of `L: 0.45`. */
  readonly letter?: string;
  /** How many there are, of `8× 0.30`. */
  readonly count?: number;
  readonly mark?: Mark;
}

/** The way something was given and its one to three parts. */
export interface GivenParts {
  readonly given: Given;
  /**
   * Range: min, [nominal,] max; plus-minus: nominal, tolerance; asymmetric: nominal, plus, minus
   * (both as they are signed); everything else: the value.
   */
  readonly parts: readonly Expression[];
}

/** An entry as typed. */
export interface EntryTree extends GivenParts {
  readonly text: string;
  /** Names of the other dimensions it refers to. */
  readonly symbols: readonly string[];
  readonly hints: EntryHints;
  /** The same in another unit, in brackets beside it. */
  readonly second: GivenParts | null;
  /** What the text itself says of its numbers that does not go together, in words. */
  readonly doubts: readonly EntryDoubt[];
}

/** Something about an entry that is not taken without a word. */
export interface EntryDoubt {
  /** `note`: read all the same, and only to be known; `caution`: one of the numbers is probably wrong. */
  readonly severity: 'note' | 'caution';
  readonly message: string;
  /** Another text that may be meant. */
  readonly instead?: string;
}

/** Longest entry that is read; a datasheet's cell is far shorter. */
export const LONGEST_ENTRY = 200;

/** Entries whose trees are kept: those of a footprint are read again at every change of one of them. */
const KEPT = 2000;

/**
 * Reads the form of an entry without knowing any other dimension: as datasheets print lengths
 * ({@link readPrinted}), or else as arithmetic with other dimensions, brackets or units
 * ({@link readFormula}).
 * @returns the tree, or the place in the text and what was expected there
 */
export const parseEntry = remembered(parsed, KEPT);

function parsed(text: string): Result<EntryTree, EntryError> {
  try {
    if (text.length > LONGEST_ENTRY) {
      refuse(LONGEST_ENTRY, text.slice(LONGEST_ENTRY, LONGEST_ENTRY + 8), 'a shorter entry');
    }
    const tokens = tokenise(text);
    if (tokens.length === 1) refuse(0, '', 'a value such as 5.8..6.2, 6.0±0.2 or max 1.75');
    return ok({ text, ...(readPrinted(tokens) ?? readFormula(tokens)) });
  } catch (error) {
    if (error instanceof EntryFailure) return fail(error.detail);
    throw error;
  }
}
