import type { Level, TapisDocument } from '../document/document';
import type { Severity } from '../document/finding';
import type { Approved } from '../document/standing';
import { compileAndCheck } from '../check/guarded';
import { heightOf, merged, pathData, widthOf, type Layer } from '../drawing/drawing';
import { drawPlan } from '../drawing/plan';
import type { Footprint } from '../footprint/footprint';
import { copperOf, type Copper } from './likeness';
import { noModels, type ModelSource } from '../footprint/imported';
import { CATALOGUE } from '../package/catalogue';
import { quantise } from '../units/length';

// What a Shelf knows of a footprint without compiling it: what it lists, searches and draws. It is made
// once for each state of a document, beside the page, and kept.

/** What is listed and searched of one footprint. Lengths in mm. */
export interface Facts {
  readonly standardName: string | null;
  /** Of what kind the package is, in words. */
  readonly title: string;
  readonly verdict: Severity | 'clear';
  /** The first of the gravest findings. */
  readonly finding: { readonly rule: string; readonly title: string; readonly message: string } | null;
  readonly waived: number;
  readonly level: Level;
  readonly process: string;
  /** Terminals with a number, counted by it; `null` while it cannot be drawn. */
  readonly pins: number | null;
  /** Smallest pitch; `null` where there is none. */
  readonly pitch: number | null;
  /** Nominal body from above, the larger side first; `null` where there is none. */
  readonly body: readonly [number, number] | null;
  /** Largest height over the board. */
  readonly height: number | null;
  /** Of how the part is fixed. */
  readonly mount: 'surface' | 'through' | null;
  /** What words are searched in, in small letters. */
  readonly words: string;
  /** Who stands for it, where somebody does. */
  readonly approved?: Approved;
}

/** The plan of a footprint as a card shows it, at a scale that all cards share. */
export interface CardDrawing {
  readonly magnified: number;
  readonly viewBox: string;
  /** px */
  readonly width: number;
  readonly height: number;
  readonly paths: readonly {
    readonly layer: Layer;
    readonly d: string;
    readonly closed: boolean;
    readonly width?: number;
  }[];
}

/** What a Shelf keeps of one footprint. */
export interface Kept {
  readonly facts: Facts;
  /** `null` while it cannot be drawn. */
  readonly drawing: CardDrawing | null;
  /** The copper, to be held against that of others; `null` where it cannot be. */
  readonly copper: Copper | null;
}

/**
 * Compiles and checks a document for the Shelf; a fault stays in it.
 * @param models gives imported models by their key, as far as they are at hand
 */
export function keptOf(document: TapisDocument, models: ModelSource = noModels): Kept {
  const { compiled, report } = compileAndCheck(document, models);
  const { footprint, resolved, process } = compiled;
  const { name, package: intent, notes = '', marks, waivers = {} } = document;
  const first = report.findings.find(({ severity }) => severity === report.verdict);
  const family = CATALOGUE.find(({ id }) => id === intent.family);
  const title = resolved?.title ?? intent.family;
  const facts: Facts = {
    standardName: footprint?.standardName ?? null,
    title,
    verdict: report.verdict,
    finding: first ? { rule: first.rule, title: first.title, message: first.message } : null,
    waived: Object.keys(waivers).length,
    level: document.level,
    process: process.name,
    ...figuresOf(footprint),
    words: [
      name,
      footprint?.standardName,
      title,
      family?.keywords,
      intent.own?.keywords,
      intent.source,
      marks?.value,
      notes,
    ]
      .flat()
      .filter(Boolean)
      .join(' ')
      .toLowerCase()
      .slice(0, 2000),
  };
  return {
    facts,
    drawing: footprint && drawingOf(footprint),
    copper: footprint && copperOf(footprint),
  };
}

function figuresOf(footprint: Footprint | null): Pick<Facts, 'pins' | 'pitch' | 'body' | 'height' | 'mount'> {
  if (!footprint) return { pins: null, pitch: null, body: null, height: null, mount: null };
  const { lands, groups, body } = footprint;
  const { x, y } = body.extent;
  const pitches = groups.flatMap(({ terminals }): number[] => {
    if (terminals.kind !== 'pin') return terminals.pitch === null ? [] : [terminals.pitch];
    return [terminals.pitch.x, terminals.pitch.y].filter((pitch) => pitch !== null);
  });
  return {
    pins: new Set(lands.flatMap(({ number }) => (number === '' ? [] : [number]))).size,
    pitch: pitches.length > 0 ? quantise(Math.min(...pitches)) : null,
    body: x.nom > 0 && y.nom > 0 ? [Math.max(x.nom, y.nom), Math.min(x.nom, y.nom)] : null,
    height: body.heights.top.max > 0 ? quantise(body.heights.top.max) : null,
    mount: lands.length === 0 ? null : lands.some(({ hole }) => hole) ? 'through' : 'surface',
  };
}

/** Size of the room for a drawing on the narrowest card, px. */
const ROOM = { width: 210, height: 134 };
/** Pixels in a millimetre, as CSS defines them. */
const PER_MM = 96 / 25.4;
/** Magnifications of the drawings: equal parts look equal from card to card. */
const SCALES = [4, 2, 1, 0.5] as const;
/** Longest drawing that is kept, in characters; beyond it copper and body alone are. */
const LONGEST = 120_000;

/** The plan at a scale that all cards share, halved until it fits. */
export function drawingOf(footprint: Footprint): CardDrawing {
  const plan = drawPlan(footprint);
  const [width, height] = [widthOf(plan), heightOf(plan)];
  const fits = (k: number) => width * k * PER_MM <= ROOM.width && height * k * PER_MM <= ROOM.height;
  const magnified = SCALES.find(fits) ?? 0.25;
  const scale = magnified * PER_MM;
  const margin = 0.6;
  const { minX, maxY } = plan.extent;
  const box = [minX - margin, -maxY - margin, width + 2 * margin, height + 2 * margin];
  const shown = plan.strokes.filter(({ layer }) => !layer.startsWith('contact'));
  const pathsOf = (strokes: typeof shown) =>
    merged(strokes).map((stroke) => ({
      layer: stroke.layer,
      d: pathData(stroke),
      closed: stroke.closed,
      ...(stroke.width === undefined ? {} : { width: stroke.width }),
    }));
  const paths = pathsOf(shown);
  const long = paths.reduce((sum, { d }) => sum + d.length, 0) > LONGEST;
  return {
    magnified,
    viewBox: box.map((v) => quantise(v)).join(' '),
    width: quantise((width + 2 * margin) * scale),
    height: quantise((height + 2 * margin) * scale),
    paths: long
      ? pathsOf(shown.filter(({ layer }) => ['copper', 'body', 'courtyard'].includes(layer)))
      : paths,
  };
}
