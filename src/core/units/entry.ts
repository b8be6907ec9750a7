import { EntryFailure, refuse, type EntryError } from './entry-tokens';
import { parseEntry, type EntryDoubt, type EntryTree, type Expression, type GivenParts } from './entry-tree';
import { formatNumber, fromMm, quantise, toMm, type LengthUnit } from './length';
import { lastDigit } from './printed';
import { fail, ok, type Result } from './result';
import type { Given, Toleranced } from './toleranced';

export type { EntryDoubt, EntryError };

/** What an entry may refer to, and how its plain numbers are read. */
export interface EntryScope {
  /** `length`: plain numbers are lengths in `unit`; `count`: the result is a plain number. */
  readonly kind: 'length' | 'count';
  readonly unit: LengthUnit;
  /** Values of other dimensions by symbol; lengths in mm. */
  readonly symbols: ReadonlyMap<string, { kind: 'length' | 'count'; value: Toleranced }>;
}

/** What an entry comes to. */
export interface Reading {
  readonly value: Toleranced;
  /** What has to be said about it. */
  readonly doubts: readonly EntryDoubt[];
}

/** Value with limits and the power of length it carries (0 number, 1 length). */
interface Measure {
  readonly min: number;
  readonly nom: number;
  readonly max: number;
  readonly power: number;
}

/**
 * Evaluates a read entry. Toleranced operands are combined by interval arithmetic,
 * so `E-2*L` spans every value that E and L allow. Where the same stands in brackets in another
 * unit, it decides which of the two numbers is in the field's unit, and is checked.
 * @returns limits in mm (or a plain number for counts), quantised to 1 nm
 */
export function evaluateEntry(tree: EntryTree, scope: EntryScope): Result<Reading, EntryError> {
  try {
    const { value, doubts } = tree.second
      ? besides(tree, tree.second, scope)
      : { value: valueOf(tree, scope), doubts: [] };
    return ok({ value, doubts: [...tree.doubts, ...doubts, ...tooWide(value, scope)] });
  } catch (error) {
    if (error instanceof EntryFailure) return fail(error.detail);
    throw error;
  }
}

/** Reads and evaluates an entry in one go; see {@link parseEntry} for the grammar. */
export function readEntry(text: string, scope: EntryScope): Result<Reading, EntryError> {
  const tree = parseEntry(text);
  return tree.ok ? evaluateEntry(tree.value, scope) : tree;
}

/**
 * Reads an entry that has to be one length: a margin, a distance, a size that is set.
 * @returns mm, or why it cannot be used; what is doubtful cannot
 */
export function readLength(text: string, unit: LengthUnit): Result<number, string> {
  const read = readEntry(text, plainScope(unit));
  if (!read.ok) return fail(read.error.message);
  const { value, doubts } = read.value;
  if (value.min !== value.max) {
    const half = /^\s*[\d.,]+\s*\/\s*[\d.,]+\s*$/.test(text) ? ' A division has brackets: (17.2)/2.' : '';
    return fail(
      `It says ${formatNumber(value.min, 0, 4)} mm to ${formatNumber(value.max, 0, 4)} mm, and one length is expected.${half}`,
    );
  }
  if (value.given === 'max' || value.given === 'min') {
    const limit = value.given === 'max' ? value.max : value.min;
    return fail(
      `It is a ${value.given === 'max' ? 'greatest' : 'least'} value, and one length is expected: type ${formatNumber(limit, 0, 4)} mm if that is meant.`,
    );
  }
  const [doubt] = doubts.filter(({ severity }) => severity === 'caution');
  return doubt ? fail(doubt.message) : ok(value.nom);
}

/** A scope without other dimensions. */
export function plainScope(unit: LengthUnit, kind: EntryScope['kind'] = 'length'): EntryScope {
  return { kind, unit, symbols: new Map() };
}

/** Ranges that start above this are not that wide; a standoff of 0..0.05 is ordinary. mm */
const WIDE_FROM = 0.1;
/** Greatest over least value of a range that is taken without a word. */
const WIDEST = 10;

function tooWide({ min, max }: Toleranced, { kind }: EntryScope): EntryDoubt[] {
  if (kind !== 'length' || min <= WIDE_FROM || max <= WIDEST * min) return [];
  const message = `It spans ${formatNumber(min, 0, 4)} mm to ${formatNumber(max, 0, 4)} mm, more than ten to one: is one of the two another number?`;
  return [{ severity: 'caution', message }];
}

const IN_INCHES: readonly LengthUnit[] = ['in', 'mil'];

/** One length in two units: `5.80 (0.228)`, in a column of millimetres or of inches. */
function besides(tree: EntryTree, second: GivenParts, scope: EntryScope): Reading {
  const metric = scope.unit === 'mm' || scope.unit === 'um';
  const others: readonly LengthUnit[] = metric ? IN_INCHES : ['mm'];
  const read = (form: GivenParts, unit: LengthUnit) => valueOf(form, { ...scope, unit });
  const main = read(tree, scope.unit);
  const slack = (unit: LengthUnit, other: LengthUnit) => digitOf(second, other) + digitOf(tree, unit) / 2;
  for (const other of others) {
    if (differ(main, read(second, other)) <= slack(scope.unit, other)) return { value: main, doubts: [] };
  }
  // the other order: the column's unit stands in brackets
  for (const other of others) {
    const beside = read(second, scope.unit);
    if (differ(read(tree, other), beside) <= slack(other, scope.unit))
      return { value: { ...beside, given: main.given }, doubts: [] };
  }
  const wanted = others[0] ?? 'in';
  const [first] = second.parts;
  const unit = (first?.kind === 'number' ? first.unit : null) ?? wanted;
  const mm = (v: number) => formatNumber(v, 0, 3);
  const message = `${mm(main.nom)} mm is ${formatNumber(fromMm(main.nom, unit), 0, 4)} ${unit}, but beside it stands ${formatNumber(fromMm(read(second, wanted).nom, unit), 0, 4)} ${unit}.`;
  return { value: main, doubts: [{ severity: 'caution', message }] };
}

/** Greatest difference of two values, of their middles where only one has limits. mm */
function differ(a: Toleranced, b: Toleranced): number {
  const limits = (v: Toleranced) => v.min !== v.max;
  const keys = limits(a) && limits(b) ? (['min', 'nom', 'max'] as const) : (['nom'] as const);
  return Math.max(...keys.map((key) => Math.abs(a[key] - b[key])));
}

/** One step of the last digit that is printed of a length, mm. */
function digitOf({ parts }: GivenParts, unit: LengthUnit): number {
  const steps = parts.flatMap((part) =>
    part.kind === 'number' ? [toMm(lastDigit(part), part.unit ?? unit)] : [],
  );
  return Math.max(0, ...steps) + 1e-9;
}

function valueOf({ given, parts: nodes }: GivenParts, scope: EntryScope): Toleranced {
  const parts = nodes.map((part) => settle(evaluate(part, scope), part, scope));
  const [first, second, third] = parts as [Measure, Measure?, Measure?];
  const at = nodes[0]?.at ?? 0;
  switch (given) {
    case 'range': {
      const last = third ?? (second as Measure);
      const nom = third ? (second as Measure).nom : (first.nom + last.nom) / 2;
      if (first.min > last.max || nom < first.min || nom > last.max)
        refuse(at, 'the first value', 'the smaller value first');
      return toleranced(first.min, nom, last.max, 'range');
    }
    case 'plus-minus': {
      const tolerance = Math.abs((second as Measure).nom);
      return toleranced(first.nom - tolerance, first.nom, first.nom + tolerance, 'plus-minus');
    }
    case 'asymmetric': {
      const [plus, minus] = [(second as Measure).nom, (third as Measure).nom];
      return toleranced(first.nom + minus, first.nom, first.nom + plus, 'asymmetric');
    }
    default:
      return toleranced(first.min, first.nom, first.max, given);
  }
}

function toleranced(min: number, nom: number, max: number, given: Given): Toleranced {
  return { min: quantise(min), nom: quantise(nom), max: quantise(max), given };
}

/** Brings a part to the kind the field asks for; a plain number is a length in the field's unit. */
function settle(value: Measure, part: Expression, scope: EntryScope): Measure {
  const wanted = scope.kind === 'length' ? 1 : 0;
  const settled = wanted === 1 && value.power === 0 ? asLength(value, scope.unit) : value;
  if (settled.power !== wanted) {
    const found = settled.power === 1 ? 'a length' : 'a product of lengths';
    refuse(part.at, found, wanted === 1 ? 'a length' : 'a plain number');
  }
  if (![settled.min, settled.nom, settled.max].every(Number.isFinite)) {
    refuse(part.at, 'the result', 'a finite value (division by zero?)');
  }
  return settled;
}

function evaluate(node: Expression, scope: EntryScope): Measure {
  switch (node.kind) {
    case 'number': {
      const value = node.unit ? toMm(node.value, node.unit) : node.value;
      return { min: value, nom: value, max: value, power: node.unit ? 1 : 0 };
    }
    case 'symbol': {
      const known = scope.symbols.get(node.name);
      if (!known) {
        const names = [...scope.symbols.keys()].join(', ');
        return refuse(node.at, node.name, names ? `one of ${names}` : 'a number');
      }
      const { min, nom, max } = known.value;
      return { min, nom, max, power: known.kind === 'length' ? 1 : 0 };
    }
    case 'negative': {
      const value = evaluate(node.of, scope);
      return { min: -value.max, nom: -value.nom, max: -value.min, power: value.power };
    }
    case 'operation':
      return combine(node, evaluate(node.left, scope), evaluate(node.right, scope), scope);
  }
}

function combine(
  node: Extract<Expression, { kind: 'operation' }>,
  left: Measure,
  right: Measure,
  scope: EntryScope,
): Measure {
  switch (node.operator) {
    case '+':
    case '-': {
      const [a, b] = alike(left, right, scope.unit);
      if (a.power !== b.power) refuse(node.at, node.operator, 'two lengths or two plain numbers');
      return node.operator === '+'
        ? { min: a.min + b.min, nom: a.nom + b.nom, max: a.max + b.max, power: a.power }
        : { min: a.min - b.max, nom: a.nom - b.nom, max: a.max - b.min, power: a.power };
    }
    case '*':
      return spanOf(left, right, (a, b) => a * b, left.power + right.power);
    case '/': {
      if (right.min <= 0 && right.max >= 0) refuse(node.at, '/', 'a divisor that is not zero');
      // an inch fraction, 1/4": the unit belongs to the fraction, not to the divisor
      const fraction = node.left.kind === 'number' && left.power === 0 && right.power === 1;
      if (!fraction) return spanOf(left, right, (a, b) => a / b, left.power - right.power);
      const unit = node.right.kind === 'number' ? node.right.unit : null;
      if (!unit) return refuse(node.at, '/', 'a plain number to divide by');
      const value = toMm(left.nom / (right.nom / toMm(1, unit)), unit);
      return { min: value, nom: value, max: value, power: 1 };
    }
  }
}

/** In `L+0.2` the plain number is a length in the field's unit. */
function alike(left: Measure, right: Measure, unit: LengthUnit): [Measure, Measure] {
  if (left.power === 1 && right.power === 0) return [left, asLength(right, unit)];
  if (left.power === 0 && right.power === 1) return [asLength(left, unit), right];
  return [left, right];
}

function asLength(value: Measure, unit: LengthUnit): Measure {
  const mm = (v: number) => toMm(v, unit);
  return { min: mm(value.min), nom: mm(value.nom), max: mm(value.max), power: 1 };
}

function spanOf(a: Measure, b: Measure, fn: (a: number, b: number) => number, power: number): Measure {
  const corners = [fn(a.min, b.min), fn(a.min, b.max), fn(a.max, b.min), fn(a.max, b.max)];
  return { min: Math.min(...corners), nom: fn(a.nom, b.nom), max: Math.max(...corners), power };
}
