import { fail, ok, type Result } from '../../units/result';
import { formatNumber } from '../../units/length';

// The parts of a DXF file: its header, its layers, its blocks and its entities, as group codes.

/** Largest drawing that is read, in characters. */
const LARGEST_DXF = 8_000_000;

export type Pair = readonly [code: number, value: string];

/** One entity: its kind and its group codes in their order. */
export interface Entity {
  readonly kind: string;
  readonly codes: readonly Pair[];
}

/** A block: entities that are put where it is inserted, from its base point. */
export interface Block {
  readonly base: { readonly x: number; readonly y: number };
  readonly entities: readonly Entity[];
}

/** What a file holds. */
export interface Drawing {
  readonly entities: readonly Entity[];
  readonly blocks: ReadonlyMap<string, Block>;
  /** Why a layer is not drawn, by its name. */
  readonly hidden: ReadonlyMap<string, string>;
  /** Number of the unit in `$INSUNITS`; `0` where the drawing does not say. */
  readonly unit: string;
  /** Whether a comment says that lengths are in mm: drawings of release 12 have no word for it. */
  readonly saysMm: boolean;
}

/** Takes a file apart. @returns its parts, or why it is no drawing */
export function drawingOf(text: string): Result<Drawing, string> {
  if (text.length > LARGEST_DXF)
    return fail(
      `The drawing has ${formatNumber(text.length / 1e6, 1)} million characters; at most 8 are read.`,
    );
  if (text.includes('\u0000')) return fail('This is a binary drawing; save it as ASCII DXF.');
  const pairs = pairsOf(text);
  if (!pairs.ok) return pairs;
  const entities = sectionOf(pairs.value, 'ENTITIES');
  if (!entities) return fail('There is no section ENTITIES: this is not a whole DXF drawing.');
  return ok({
    entities: withVertices(entitiesIn(entities)),
    blocks: blocksIn(sectionOf(pairs.value, 'BLOCKS') ?? []),
    hidden: hiddenIn(sectionOf(pairs.value, 'TABLES') ?? []),
    unit: unitOf(pairs.value),
    saysMm: pairs.value.some(([code, value]) => code === 999 && /\b(mm|millimet)/i.test(value)),
  });
}

/** Group codes of coordinates, sizes, angles and directions. */
const isMeasure = (code: number): boolean => (code >= 10 && code < 60) || (code >= 210 && code < 240);

/** Group codes and their values, line by line. */
function pairsOf(text: string): Result<readonly Pair[], string> {
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/);
  const pairs: Pair[] = [];
  for (let i = 0; i + 1 < lines.length; i += 2) {
    const code = (lines[i] as string).trim();
    if (!/^\d{1,4}$/.test(code)) {
      if (code === '' && lines.slice(i).every((line) => line.trim() === '')) break;
      return fail(`Line ${i + 1} is “${code.slice(0, 20)}”, and a group code is expected.`);
    }
    const value = (lines[i + 1] as string).trim();
    // a coordinate that is none would be read as nothing
    if (isMeasure(Number(code)) && (value === '' || !Number.isFinite(Number(value))))
      return fail(
        `Line ${i + 2} is “${value.slice(0, 20)}”, and a number is expected, with a point for its decimals.`,
      );
    pairs.push([Number(code), value]);
  }
  return pairs.length > 0 ? ok(pairs) : fail('The file is empty.');
}

function sectionOf(pairs: readonly Pair[], name: string): readonly Pair[] | null {
  const start = pairs.findIndex(
    ([code, value], i) => code === 2 && value === name && pairs[i - 1]?.[1] === 'SECTION',
  );
  if (start < 0) return null;
  const end = pairs.findIndex(([code, value], i) => i > start && code === 0 && value === 'ENDSEC');
  return pairs.slice(start + 1, end < 0 ? undefined : end);
}

function unitOf(pairs: readonly Pair[]): string {
  const at = pairs.findIndex(([code, value]) => code === 9 && value === '$INSUNITS');
  const next = at >= 0 ? pairs[at + 1] : undefined;
  return next?.[0] === 70 ? String(Number(next[1])) : '0';
}

function entitiesIn(pairs: readonly Pair[]): Entity[] {
  const entities: { kind: string; codes: Pair[] }[] = [];
  for (const pair of pairs) {
    const [code, value] = pair;
    if (code === 0) entities.push({ kind: value, codes: [] });
    else entities.at(-1)?.codes.push(pair);
  }
  return entities;
}

/** Old polylines hold their corners as entities of their own, up to SEQEND. */
function withVertices(entities: readonly Entity[]): Entity[] {
  const whole: Entity[] = [];
  let open: Pair[] | null = null;
  for (const { kind, codes } of entities) {
    if (kind === 'SEQEND') open = null;
    // a corner's own codes stand behind a mark of its beginning
    else if (kind === 'VERTEX' && open) {
      open.push([-1, '']);
      for (const pair of codes) open.push(pair);
    } else {
      open = kind === 'POLYLINE' ? [...codes] : null;
      whole.push({ kind, codes: open ?? codes });
    }
  }
  return whole;
}

function blocksIn(pairs: readonly Pair[]): Map<string, Block> {
  const blocks = new Map<string, Block>();
  let name: string | null = null;
  let base = { x: 0, y: 0 };
  let held: Entity[] = [];
  for (const entity of entitiesIn(pairs)) {
    const of = (code: number) => entity.codes.find(([own]) => own === code)?.[1];
    if (entity.kind === 'BLOCK') {
      name = of(2) ?? null;
      base = { x: Number(of(10) ?? 0), y: Number(of(20) ?? 0) };
      held = [];
    } else if (entity.kind === 'ENDBLK') {
      if (name !== null) blocks.set(name, { base, entities: withVertices(held) });
      name = null;
    } else held.push(entity);
  }
  return blocks;
}

/** Bit of a layer's flags that says that it is frozen. */
const FROZEN = 1;

function hiddenIn(pairs: readonly Pair[]): Map<string, string> {
  const hidden = new Map<string, string>();
  for (const { kind, codes } of entitiesIn(pairs)) {
    if (kind !== 'LAYER') continue;
    const of = (code: number) => codes.find(([own]) => own === code)?.[1];
    const name = of(2);
    if (name === undefined) continue;
    if (Number(of(62) ?? 7) < 0) hidden.set(name, 'switched off');
    else if ((Number(of(70) ?? 0) & FROZEN) !== 0) hidden.set(name, 'frozen');
    else if (of(290) === '0') hidden.set(name, 'not plotted');
  }
  return hidden;
}
