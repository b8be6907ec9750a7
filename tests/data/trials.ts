import type { PartIntent, TrialDocument } from '../../src/core/document/trial';
import type { TapisDocument } from '../../src/core/document/document';
import { DEMO_DOCUMENTS } from '../../src/demo/documents';
import { chip, converter } from './documents';
import { VARIANTS } from './families';

/** A document of the demo by the reference that its name begins with. */
export function demo(reference: string): TapisDocument {
  const document = DEMO_DOCUMENTS.find(({ name }) => name.startsWith(`${reference} `));
  if (!document) throw new Error(`the demo has no ${reference}`);
  return document;
}

function variant(family: string): TapisDocument {
  const [first] = VARIANTS.filter(({ document }) => document.package.family === family);
  if (!first) throw new Error(family);
  return first.document;
}

/** A document that prints no texts. */
const silent = (document: TapisDocument): TapisDocument => ({
  ...document,
  marks: { ...document.marks, texts: { reference: { shown: false }, value: { shown: false } } },
});

const FOOTPRINTS: Readonly<Record<string, () => TapisDocument>> = {
  /** A chip of size 1608 without texts: its courtyard is 3.0 by 1.6. */
  R: () => silent(chip()),
  /** The same with its texts. */
  named: () => chip(),
  U: () => converter(),
  header: () => demo('J2'),
  hole: () => silent(demo('H3')),
  terminal: () => silent(demo('J1')),
  capacitor: () => demo('C20'),
  vias: () => ({
    ...variant('no-lead-quad'),
    stacks: { groups: { pad: { vias: { on: true, cover: 'tented', columns: 2, rows: 2 } } } },
    overrides: { jointMask: true },
  }),
  slotted: () => ({
    ...demo('J2'),
    stacks: {
      groups: { pins: { hole: { slot: '2' }, shape: 'oblong', width: '3', height: '2', offsetX: '0.3' } },
    },
  }),
};

type PartAsked = Omit<PartIntent, 'id'>;

/** A part of a trial: its footprint by the names above. */
export const part = (
  reference: string,
  footprint: string,
  x: number | string,
  y: number | string,
  more: Partial<PartAsked> = {},
): PartAsked => ({ reference, footprint, x: String(x), y: String(y), ...more });

/** A board of 40 by 30 with parts. */
export function trialOf(parts: readonly PartAsked[], more: Partial<TrialDocument> = {}): TrialDocument {
  return {
    tapisTrial: 1,
    name: 'Board',
    process: 'standard',
    board: { width: '40', height: '30' },
    parts: parts.map((one, i) => ({ id: String(i + 1), ...one })),
    footprints: Object.fromEntries(
      [...new Set(parts.map(({ footprint }) => footprint))].flatMap((key) => {
        const make = FOOTPRINTS[key];
        return make ? [[key, { document: make() }]] : [];
      }),
    ),
    ...more,
  };
}
