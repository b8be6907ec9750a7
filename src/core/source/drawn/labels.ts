import { plainScope, readEntry, type EntryDoubt } from '../../units/entry';
import { parseEntry } from '../../units/entry-tree';
import type { Toleranced } from '../../units/toleranced';
import type { SheetUnit } from '../../document/document';
import { areaRound, type Area } from '../page';
import { apart, type Frame, type Span } from './frame';
import { parted, type DrawnText } from './texts';

// What a text of a drawing says: a length with how often it is there, a radius, a diameter, a letter of the table,
// or nothing that measures.

/** A printed length, or the letter that stands for one. */
export interface Label {
  readonly id: number;
  /** As it is printed, lines parted by a blank. */
  readonly printed: string;
  /** As it is entered; empty for a letter. */
  readonly entry: string;
  readonly kind: 'length' | 'radius' | 'diameter' | 'chamfer' | 'letter';
  /** mm; `null` for a letter. */
  readonly value: Toleranced | null;
  /** What one step of the last printed digit is worth, mm. */
  readonly step: number;
  readonly count: number | null;
  /** Words that stand with the number. */
  readonly said: string;
  /** Whether it is a plain whole number, as lands have. */
  readonly isWhole: boolean;
  readonly area: Area;
  readonly frame: Frame;
  readonly span: Span;
  readonly size: number;
  readonly sure: number;
  readonly doubts: readonly EntryDoubt[];
}

/** The labels of a page. @param texts with what is stacked under them @param unit of plain numbers */
export function labelsOf(texts: readonly DrawnText[], unit: SheetUnit): Label[] {
  return texts.flatMap((text) => readable(text, unit, 2)).map((label, id) => ({ ...label, id }));
}

/** What a text says; one that says nothing may be two that stand beside each other. */
function readable(text: DrawnText, unit: SheetUnit, times: number): Label[] {
  const label = labelOf(text, 0, unit);
  if (label) return [label];
  const two = times > 0 && /\d/.test(text.text) ? parted(text) : null;
  const found = two?.map((part) => readable(part, unit, times - 1)) ?? [];
  // words beside a number stay with it
  return found.every((some) => some.length > 0) ? found.flat() : [];
}

/** What stands under a number and belongs to it: the same in another unit, or its tolerance. */
const UNDER =
  /^[[(][^\])]*\d[^\])]*[\])]$|^[±+\-−]\s*[.\d][\d.,\s]*(?:[/+\-−±]\s*[\d.,]+)?$|^(?:TYP|REF|MAX|MIN|BSC|NOM)\.?$/i;

/** A length with the same in another unit in brackets beside or under it. */
const PAIR = /^\D{0,4}(\d*[.,]?\d+)(?:\s*mm|\s*in)?\s*[[(]\s*(\d*[.,]?\d+)(?:\s*mm|\s*in)?\s*[\])]/i;

/**
 * The unit of plain numbers by what stands in brackets with them: what is 25.4 times the other is in millimetres.
 * @returns `null` where fewer than two pairs say so, or one says otherwise
 */
export function unitOfPairs(texts: readonly DrawnText[]): SheetUnit | null {
  const said = texts.flatMap(({ text }): SheetUnit[] => {
    const [plain = NaN, other = NaN] = (PAIR.exec(text) ?? [])
      .slice(1)
      .map((one) => Number(one.replace(',', '.')));
    const is = (ratio: number) => Math.abs(plain / other / ratio - 1) < 0.06;
    return is(25.4) ? ['mm'] : is(1 / 25.4) ? ['in'] : is(0.0254) ? ['mm'] : is(1 / 0.0254) ? ['mil'] : [];
  });
  const [first] = said;
  return first && said.length > 1 && said.every((unit) => unit === first) ? first : null;
}

/** Texts with what is stacked under them: on one axis, hardly a gap between. */
export function stacked(texts: readonly DrawnText[]): DrawnText[] {
  const used = new Set<DrawnText>();
  const under = texts.filter(({ text }) => UNDER.test(text.trim()));
  const made = texts.flatMap((text): DrawnText[] => {
    if (under.includes(text) && !/^\(/.test(text.text)) return [];
    if (!/\d/.test(text.text)) return [text];
    let whole = text;
    for (const other of under) {
      if (other === text || used.has(other) || other.frame.angle !== text.frame.angle) continue;
      const [a, b] = [whole.span, other.span];
      const isBelow = b.v0 > (a.v0 + a.v1) / 2 && apart(a.v0, a.v1, b.v0, b.v1) < 0.45 * other.size;
      const isAbreast =
        Math.min(a.u1, b.u1) - Math.max(a.u0, b.u0) > 0.5 * Math.min(a.u1 - a.u0, b.u1 - b.u0);
      const isBeside =
        b.u0 > a.u1 - 1 && b.u0 - a.u1 < 0.8 * text.size && apart(a.v0, a.v1, b.v0, b.v1) < 0.1 * text.size;
      if (!(isBelow && isAbreast) && !(isBeside && /^[±+\-−]/.test(other.text))) continue;
      used.add(other);
      whole = {
        ...whole,
        text: `${whole.text} ${other.text}`,
        area: areaRound([whole.area, other.area]) ?? whole.area,
        span: {
          u0: Math.min(a.u0, b.u0),
          u1: Math.max(a.u1, b.u1),
          v0: Math.min(a.v0, b.v0),
          v1: Math.max(a.v1, b.v1),
        },
        sure: Math.min(whole.sure, other.sure),
      };
    }
    return [whole];
  });
  return made.filter((one) => ![...used].some((other) => other === one));
}

/** Words that stand with a length and are no part of it. */
const BESIDE = /^(?:[A-Z][A-Za-z.]*\s+)+(?=[⌀ØøφR□\d.])|(?:\s+[A-Za-zÄÖÜäöüß.()/-]+)+$/u;

function labelOf(
  { text, area, frame, span, size, sure }: DrawnText,
  id: number,
  unit: SheetUnit,
): Label | null {
  const printed = text.trim();
  const common = { id, printed, area, frame, span, size, sure };
  const [, times, letter] = /^(?:(\d{1,3})\s*[xX×]\s*)?([A-Za-z]{1,2}\d{0,2})$/.exec(printed) ?? [];
  if (letter !== undefined && !/^[xX×]/.test(letter) && !WORDS.test(letter))
    return {
      ...common,
      kind: 'letter',
      entry: '',
      value: null,
      step: 0,
      count: times === undefined ? null : Number(times),
      said: letter,
      isWhole: false,
      doubts: [],
    };
  if (!/\d/.test(printed) || printed.length > 60) return null;
  for (const entry of [printed, printed.replace(BESIDE, '').trim()]) {
    const read = entry === '' ? null : readEntry(entry, plainScope(unit));
    const tree = read?.ok ? parseEntry(entry) : null;
    if (!read?.ok || !tree?.ok || read.value.value.max <= 0) continue;
    const { mark, count } = tree.value.hints;
    const number = tree.value.parts.find((part) => part.kind === 'number');
    const decimals = number?.kind === 'number' ? (number.decimals ?? 0) : 0;
    const own = number?.kind === 'number' ? (number.unit ?? unit) : unit;
    const kind = mark === 'diameter' || mark === 'radius' || mark === 'chamfer' ? mark : 'length';
    return {
      ...common,
      kind,
      entry,
      value: read.value.value,
      step: 10 ** -decimals * ({ mm: 1, um: 0.001, mil: 0.0254, in: 25.4 }[own] ?? 1),
      count: count ?? null,
      said: entry === printed ? '' : printed.replace(entry, '').trim(),
      isWhole: /^\d{1,3}$/.test(printed),
      doubts: read.value.doubts,
    };
  }
  return null;
}

/** Short words that are no letters of dimensions. */
const WORDS = /^(?:in|mm|no|of|to|or|at|by|is|on|up|as|NC|PL|TO|OF|IN|MM|NO)$/;
