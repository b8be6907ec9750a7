import { pointerKey } from '../../document/edit';
import type { Finding } from '../../document/finding';
import type { OwnIntent } from '../../document/pieces';
import type { Symbols } from '../../document/read-fields';
import { readEntry } from '../../units/entry';
import { parseEntry } from '../../units/entry-tree';
import { formatNumber } from '../../units/length';
import { fail, ok, type Result } from '../../units/result';
import { describeLimits, type Toleranced } from '../../units/toleranced';
import type { Plausibility } from '../drawn';

// Conditions of a family of one's own: what the dimensions of every such part keep. They are written as
// arithmetic over the dimensions on both sides of a comparison: D >= (n-1)*e, or 0.2 < b < e/2.

type Comparison = '<' | '<=' | '>' | '>=' | '=';

/** What stands on one side of a comparison. */
interface Side {
  readonly text: string;
  readonly value: Toleranced;
}

/** How far two sides keep a comparison: at every value that they may have, at their nominal ones, or not. */
type Kept = 'always' | 'nominally' | 'not';

interface Verdict {
  readonly kept: Kept;
  readonly kind: 'length' | 'count';
  readonly left: Side;
  readonly right: Side;
  readonly comparison: Comparison;
}

/** Lengths that differ by less are equal. mm */
const SAME = 1e-6;

const SIGN: Readonly<Record<string, Comparison>> = { '≤': '<=', '⩽': '<=', '≥': '>=', '⩾': '>=', '==': '=' };
const COMPARISON = /(<=|>=|==|[<>=≤≥⩽⩾])/;

/**
 * Holds a condition against the dimensions of a part.
 * @returns the comparison that is kept least, or why the condition cannot be read
 */
export function holdCondition(
  text: string,
  unit: 'mm' | 'mil' | 'in',
  symbols: Symbols,
): Result<Verdict, string> {
  const parts = text.split(COMPARISON).map((part) => part.trim());
  if (parts.length < 3) return fail('A comparison is expected, such as D >= (n-1)*e.');
  const texts = parts.filter((_, i) => i % 2 === 0);
  const empty = texts.findIndex((side) => side === '');
  if (empty >= 0) return fail('Something is expected on both sides of a comparison.');
  const read = (kind: 'length' | 'count') => texts.map((side) => readEntry(side, { kind, unit, symbols }));
  const counts = read('count');
  const kind = counts.every(({ ok: isCount }) => isCount) ? 'count' : 'length';
  const sides: Side[] = [];
  for (const [i, side] of (kind === 'count' ? counts : read('length')).entries()) {
    if (!side.ok) return fail(side.error.message);
    sides.push({ text: texts[i] ?? '', value: side.value.value });
  }
  const verdicts = sides.slice(1).flatMap((right, i): Verdict[] => {
    const [left, sign = ''] = [sides[i], parts[2 * i + 1]];
    const comparison = SIGN[sign] ?? (sign as Comparison);
    return left ? [{ kept: keptBy(left.value, comparison, right.value), kind, left, comparison, right }] : [];
  });
  const least = ['not', 'nominally', 'always'].flatMap((kept) =>
    verdicts.filter((verdict) => verdict.kept === kept),
  );
  return least[0] ? ok(least[0]) : fail('A comparison is expected, such as D >= (n-1)*e.');
}

function keptBy(a: Toleranced, comparison: Comparison, b: Toleranced): Kept {
  switch (comparison) {
    case '>':
    case '>=':
      return keptBy(b, comparison === '>' ? '<' : '<=', a);
    case '<':
      return a.max < b.min - SAME ? 'always' : a.nom < b.nom - SAME ? 'nominally' : 'not';
    case '<=':
      return a.max <= b.min + SAME ? 'always' : a.nom <= b.nom + SAME ? 'nominally' : 'not';
    case '=':
      if (Math.abs(a.nom - b.nom) <= SAME) return 'always';
      return a.max >= b.min - SAME && b.max >= a.min - SAME ? 'nominally' : 'not';
  }
}

const SOURCE = 'Conditions of the family';

/** Holds all conditions of a family against a part of it. */
export function conditionsOf(own: OwnIntent | undefined, symbols: Symbols): Plausibility {
  const findings: Finding[] = [];
  const held: { id: string; title: string; source: string }[] = [];
  for (const { id, holds, why } of own?.conditions ?? []) {
    const rule = { id: `condition-${id}`, title: why?.trim() || holds.trim(), source: SOURCE };
    const verdict = holdCondition(holds, own?.unit ?? 'mm', symbols);
    if (!verdict.ok) findings.push(unreadable(id, holds, verdict.error));
    else if (verdict.value.kept === 'always') held.push(rule);
    else findings.push(broken(rule, holds, verdict.value, symbols));
  }
  return { findings, held };
}

function unreadable(id: string, holds: string, why: string): Finding {
  const field = `/package/own/conditions/${pointerKey(id)}/holds`;
  return {
    rule: 'entry',
    severity: 'caution',
    title: 'Condition cannot be read',
    message: `“${holds}”: ${why} It is not held until it is mended.`,
    source: SOURCE,
    stage: 'measure',
    place: { field },
    remedies: [],
  };
}

const IS: Readonly<Record<Comparison, string>> = {
  '<': 'not below',
  '<=': 'above',
  '>': 'not above',
  '>=': 'below',
  '=': 'not equal to',
};

function broken(
  { id, title, source }: { readonly id: string; readonly title: string; readonly source: string },
  holds: string,
  { kept, kind, left, right, comparison }: Verdict,
  symbols: Symbols,
): Finding {
  const shown = ({ text, value }: Side) => {
    const is = kind === 'count' ? formatNumber(value.nom, 0, 4) : `${describeLimits(value, 'mm')} mm`;
    return /[A-Za-z]/.test(text) ? `${text} (${is})` : is;
  };
  const may = kept === 'nominally' ? 'may be' : 'is';
  const named = [left.text, right.text].flatMap((text) => {
    const tree = parseEntry(text);
    return tree.ok ? tree.value.symbols : [];
  });
  return {
    rule: id,
    severity: kept === 'nominally' ? 'note' : 'caution',
    title,
    message: `${shown(left)} ${may} ${IS[comparison]} ${shown(right)}; the family asks for ${holds.trim()}.`,
    source,
    stage: 'measure',
    place: { dimensions: [...new Set(named)].filter((symbol) => symbols.has(symbol)) },
    measured: { value: left.value.nom, limit: right.value.nom, unit: kind === 'count' ? 'count' : 'mm' },
    remedies: [],
  };
}
