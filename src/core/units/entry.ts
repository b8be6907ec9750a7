import { EntryFailure, refuse, type EntryError } from './entry-tokens';
import { parseEntry, type EntryTree, type Expression } from './entry-tree';
import { quantise, toMm, type LengthUnit } from './length';
import { fail, ok, type Result } from './result';
import type { Given, Toleranced } from './toleranced';

export type { EntryError };

/** What an entry may refer to, and how its plain numbers are read. */
export interface EntryScope {
  /** `length`: plain numbers are lengths in `unit`; `count`: the result is a plain number. */
  readonly kind: 'length' | 'count';
  readonly unit: LengthUnit;
  /** Values of other dimensions by symbol; lengths in mm. */
  readonly symbols: ReadonlyMap<string, { kind: 'length' | 'count'; value: Toleranced }>;
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
 * so `E-2*L` spans every value that E and L allow.
 * @returns limits in mm (or a plain number for counts), quantised to 1 nm
 */
export function evaluateEntry(tree: EntryTree, scope: EntryScope): Result<Toleranced, EntryError> {
  try {
    const parts = tree.parts.map((part) => settle(evaluate(part, scope), part, scope));
    return ok(limits(tree, parts));
  } catch (error) {
    if (error instanceof EntryFailure) return fail(error.detail);
    throw error;
  }
}

/** Reads and evaluates an entry in one go; see {@link parseEntry} for the grammar. */
export function readEntry(text: string, scope: EntryScope): Result<Toleranced, EntryError> {
  const tree = parseEntry(text);
  return tree.ok ? evaluateEntry(tree.value, scope) : tree;
}

/** A scope without other dimensions. */
export function plainScope(unit: LengthUnit, kind: EntryScope['kind'] = 'length'): EntryScope {
  return { kind, unit, symbols: new Map() };
}

function limits(tree: EntryTree, parts: readonly Measure[]): Toleranced {
  const [first, second, third] = parts as [Measure, Measure?, Measure?];
  const at = tree.parts[0]?.at ?? 0;
  switch (tree.given) {
    case 'range': {
      const last = third ?? (second as Measure);
      const nom = third ? (second as Measure).nom : (first.nom + last.nom) / 2;
      if (first.min > last.max || nom < first.min || nom > last.max) {
        refuse(at, tree.text.trim(), 'the smaller value first (a difference goes in brackets)');
      }
      return toleranced(first.min, nom, last.max, 'range');
    }
    case 'plus-minus': {
      const tolerance = Math.abs((second as Measure).nom);
      return toleranced(first.nom - tolerance, first.nom, first.nom + tolerance, 'plus-minus');
    }
    case 'asymmetric': {
      const [plus, minus] = [(second as Measure).nom, (third as Measure).nom];
      return toleranced(first.nom - minus, first.nom, first.nom + plus, 'asymmetric');
    }
    default:
      return toleranced(first.min, first.nom, first.max, tree.given);
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
