import { readFileSync, readdirSync } from 'node:fs';
import { brotliDecompressSync } from 'node:zlib';
import { readModel } from '../../src/kernel/read-model';
import type { Model } from '../../src/core/body/model';
import type { TapisDocument } from '../../src/core/document/document';
import { loadKernel } from './occt';

const FOLDER = new URL('./foreign/', import.meta.url);
const FILES = new Map(readdirSync(FOLDER).map((file) => [file.split('.')[0] as string, file]));

/** A model that another kernel wrote, as Tapis reads it. */
export async function foreignModel(name: string): Promise<Model> {
  const file = FILES.get(name) as string;
  const read = await readModel(
    brotliDecompressSync(readFileSync(new URL(file, FOLDER))),
    file.replace(/\.br$/, ''),
    loadKernel,
  );
  if (!read.ok) throw new Error(read.error);
  return read.value;
}

const part = (
  family: string,
  dimensions: Readonly<Record<string, string>>,
  options: Readonly<Record<string, string>> = {},
): TapisDocument => ({
  tapis: 2,
  name: family,
  package: { family, options, dimensions },
  level: 'B',
  process: 'standard',
});

const SOT = {
  E: '2.6..3.0',
  E1: '1.5..1.7',
  D: '2.8..3.0',
  L: '0.3..0.6',
  b: '0.30..0.50',
  c: '0.08..0.22',
  A: 'max 1.45',
  A1: '0..0.15',
};
const HEADER = {
  n: '10',
  e: '1.27',
  E: '5.3..5.7',
  E1: '3.3..3.5',
  L: '0.6..0.8',
  b: '0.35..0.45',
  A: '2.4..2.6',
  A1: '0..0.1',
};

/** The parts that the models are of, or are held against. */
export const PARTS = {
  gull: part('gull-wing-dual', {
    n: '8',
    e: '0.65',
    E: '6.2..6.6',
    E1: '4.3..4.5',
    D: '2.9..3.1',
    L: '0.45..0.75',
    b: '0.19..0.30',
    c: '0.09..0.20',
    A: 'max 1.2',
    A1: '0.05..0.15',
  }),
  quad: part('gull-wing-quad', {
    n: '16',
    e: '1.6',
    E: '8.8..9.2',
    E1: '6.9..7.1',
    L: '0.45..0.75',
    b: '0.30..0.45',
    c: '0.09..0.20',
    A: 'max 1.2',
    A1: '0.05..0.15',
  }),
  sot5: part('small-transistor', { n: '5', e: '0.95', ...SOT }),
  sot3: part('small-transistor', { n: '3', e: '0.95', ...SOT }),
  sotWide: part('small-transistor-wide', {
    n: '4',
    e: '2.3',
    E: '6.7..7.3',
    E1: '3.3..3.7',
    D: '6.3..6.7',
    b1: '2.9..3.15',
    L: '0.75..1.15',
    b: '0.60..0.82',
    c: '0.24..0.35',
    A: 'max 1.8',
    A1: '0.02..0.10',
  }),
  noLead: part('no-lead-quad', {
    n: '16',
    e: '0.65',
    E: '3.9..4.1',
    L: '0.35..0.45',
    b: '0.25..0.35',
    A: 'max 0.9',
    E2: '2.0..2.2',
    D2: 'E2',
  }),
  chip: part('rectangular-chip', { L: '1.6±0.1', W: '0.8±0.1', T: '0.3±0.15', A: '0.45±0.1' }),
  grid: part('ball-grid', {
    nE: '5',
    e: '0.8',
    E: '4.9..5.1',
    b: '0.47..0.57',
    A: 'max 1.3',
    A1: '0.33..0.43',
  }),
  dip: part('dip', {
    n: '8',
    e: '2.54',
    E: '7.62',
    E1: '6.1..6.6',
    D: '9.0..9.6',
    b: '0.36..0.56',
    c: '0.2..0.36',
    A: 'max 5.33',
    A1: 'min 0.38',
  }),
  header: part('pin-header', { r: '2', k: '5', e: '2.54', b: '0.60..0.68' }),
  tab: part('tab-package', {
    n: '3',
    e: '2.29',
    H: '9.4..10.4',
    D: '6.0..6.2',
    E: '6.4..6.7',
    L3: '0.9..1.27',
    L: '1.4..1.78',
    b: '0.64..0.88',
    D1: '5.2..5.6',
    E1: '4.6..5.2',
    A: '2.2..2.38',
  }),
  radial: part('radial', { e: '2.5', b: '0.45..0.55', D: '6.1..6.5', A: 'max 11.2' }),
  jLead: part('j-lead-quad', {
    n: '20',
    e: '1.27',
    E: '9.78..10.03',
    E1: '8.89..9.04',
    E2: '7.87..8.38',
    b: '0.33..0.53',
    A: '4.19..4.57',
    A1: 'min 0.51',
  }),
  cylinder: part('cylindrical', { L: '3.3..3.7', D: '1.4..1.6', T: '0.2..0.5' }),
  can: part('electrolytic-can', {
    B: '8.1..8.5',
    D: '7.8..8.2',
    L: '8.8..9.4',
    T: '2.6..3.2',
    b: '0.7..1.1',
    A: 'max 10.5',
  }),
  castellated: part('castellated', {
    n: '20',
    e: '1.27',
    E: '8.69..9.09',
    L: '1.14..1.4',
    b: '0.56..0.71',
    A: '1.63..2.54',
  }),
  crystal: part('crystal', { L: '5.0±0.1', W: '3.2±0.1', W1: '2.4±0.15', T: '1.0±0.15', A: 'max 1.1' }),
  surfaceHeader: part('surface-header', { ...HEADER, p: '1', P: '8' }, { pegs: 'two' }),
  staggered: part('surface-header', HEADER, { rows: 'staggered' }),
  flange: part('flange-mount', {
    n: '3',
    e: '2.54',
    D: '9.7..10.4',
    E: '14.8..15.8',
    Q: '6.2..6.8',
    F: '3.6..4.0',
    P: '16.6',
    h: '3.4',
    b: '0.7..0.9',
    c: '0.4..0.6',
    A: 'max 4.7',
  }),
  landGrid: part('land-grid', {
    nE: '8',
    nD: '6',
    e: '0.65',
    E: '5.9..6.1',
    D: '4.4..4.6',
    b: '0.30..0.40',
    A: 'max 0.9',
  }),
} as const;

/** What seating has to come to. */
export interface Expected {
  readonly part: keyof typeof PARTS;
  /**
   * `one`: its right pose, alone. `equal`: the right pose among equals, that many with it. `likely`: the right
   * pose first, for what the model shows. `upright`: its box on the lands, and no claim of a turn about Z.
   * `other`: another part, whatever its pose.
   */
  readonly answer: 'one' | 'equal' | 'likely' | 'upright' | 'other';
  /** Whether it is the same however it is rolled about X. */
  readonly rolls?: true;
  /** How it is turned in its file. */
  readonly drawn?: { readonly x: number; readonly y: number; readonly z: number };
  /** Findings that it has to have, by rule. */
  readonly findings?: readonly string[];
}

export const EXPECTED: Readonly<Record<string, Expected>> = {
  'gull-apart': { part: 'gull', answer: 'equal' },
  'gull-fused': { part: 'gull', answer: 'equal' },
  'gull-fused-stl': { part: 'gull', answer: 'equal' },
  'gull-nested': { part: 'gull', answer: 'equal' },
  'gull-toe-up-4': { part: 'gull', answer: 'equal' },
  'gull-toe-up-8': { part: 'gull', answer: 'equal' },
  'gull-toe-down-8': { part: 'gull', answer: 'equal' },
  'gull-heel-only': { part: 'gull', answer: 'equal' },
  'gull-toe-only': { part: 'gull', answer: 'equal' },
  'gull-round-underside': { part: 'gull', answer: 'equal' },
  'gull-arched-underside': { part: 'gull', answer: 'equal' },
  'gull-wires': { part: 'gull', answer: 'equal' },
  'gull-drafted': { part: 'gull', answer: 'equal' },
  'gull-stray-cubes': { part: 'gull', answer: 'equal' },
  'gull-origin-marks': { part: 'gull', answer: 'equal' },
  'gull-on-board': { part: 'gull', answer: 'equal' },
  'gull-hollow': { part: 'gull', answer: 'equal' },
  'gull-engraved': { part: 'gull', answer: 'likely' },
  'gull-dimple': { part: 'gull', answer: 'likely' },
  'gull-notch': { part: 'gull', answer: 'likely' },
  'gull-chamfer': { part: 'gull', answer: 'likely' },
  'gull-inch': { part: 'gull', answer: 'equal' },
  'gull-turned-30': { part: 'gull', answer: 'equal', drawn: { x: 0, y: 0, z: 30 } },
  'gull-tilted': { part: 'gull', answer: 'equal', drawn: { x: 0, y: 2.5, z: 0 } },
  'gull-10-leads': { part: 'gull', answer: 'other', findings: ['model-extra'] },
  'gull-6-leads': { part: 'gull', answer: 'other', findings: ['model-pin-count'] },
  'gull-wide-pitch': { part: 'gull', answer: 'other', findings: ['model-pin-count', 'model-extra'] },
  'gull-wide-span': { part: 'gull', answer: 'other', findings: ['model-span'] },
  'quad-toe-up-4': { part: 'quad', answer: 'equal' },
  'sot5-fused': { part: 'sot5', answer: 'one' },
  'sot5-round': { part: 'sot5', answer: 'one' },
  'sot5-toe-down-8': { part: 'sot5', answer: 'one' },
  'sot3-toe-up-8': { part: 'sot3', answer: 'one' },
  'sot3-round': { part: 'sot3', answer: 'one' },
  'sot-wide-rising': { part: 'sotWide', answer: 'one' },
  'no-lead-flush': { part: 'noLead', answer: 'equal' },
  'no-lead-coloured-faces': { part: 'noLead', answer: 'equal' },
  'no-lead-plain': { part: 'noLead', answer: 'upright', findings: ['model-unseen'] },
  'no-lead-plain-dimple': { part: 'noLead', answer: 'likely', findings: ['model-unseen'] },
  'no-lead-standing': { part: 'noLead', answer: 'equal' },
  'no-lead-without-pad': { part: 'noLead', answer: 'equal', findings: ['model-pin-count'] },
  'no-lead-chamfered-pad': { part: 'noLead', answer: 'likely' },
  'chip-round-ends': { part: 'chip', answer: 'equal' },
  'chip-plain': { part: 'chip', answer: 'upright', findings: ['model-unseen'] },
  'chip-fused': { part: 'chip', answer: 'equal' },
  'grid-caps': { part: 'grid', answer: 'equal' },
  'grid-balls': { part: 'grid', answer: 'equal' },
  'grid-corner-mark': { part: 'grid', answer: 'likely' },
  'dip-tapered': { part: 'dip', answer: 'equal' },
  'dip-notch': { part: 'dip', answer: 'likely' },
  'header-long-pins': { part: 'header', answer: 'equal' },
  'header-odd-pin': { part: 'header', answer: 'likely' },
  'tab-apart': { part: 'tab', answer: 'one' },
  'tab-fused': { part: 'tab', answer: 'one' },
  'radial-can': { part: 'radial', answer: 'equal' },
  'radial-long-wire': { part: 'radial', answer: 'likely' },
  'j-lead-round': { part: 'jLead', answer: 'equal' },
  'cylinder-round-ends': { part: 'cylinder', answer: 'upright' },
  'cylinder-band': { part: 'cylinder', answer: 'likely', rolls: true },
  'can-on-base': { part: 'can', answer: 'equal' },
  'castellated-notched': { part: 'castellated', answer: 'equal' },
  'crystal-flush': { part: 'crystal', answer: 'equal' },
  'crystal-plain': { part: 'crystal', answer: 'upright', findings: ['model-unseen'] },
  'surface-header-pegs': { part: 'surfaceHeader', answer: 'equal' },
  'surface-header-tabs': { part: 'surfaceHeader', answer: 'equal', findings: ['model-extra'] },
  staggered: { part: 'staggered', answer: 'equal' },
  'staggered-mirrored': {
    part: 'staggered',
    answer: 'other',
    findings: ['model-pin-count', 'model-mirrored'],
  },
  'flange-drilled': { part: 'flange', answer: 'one' },
  'land-grid-discs': { part: 'landGrid', answer: 'equal' },
};
