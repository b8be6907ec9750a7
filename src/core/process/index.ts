import { USUAL_NUMBERS, type NumberKey } from './fields';
import type { Process, ProcessNumbers } from './process';

/** Defaults of IPC-7351B and IPC-7525 for F, P, rounding and stencil; gaps and webs as a shop quotes them. */
const standard: Process = {
  id: 'standard',
  name: 'Standard two-sided',
  summary: 'An ordinary shop: 0.15 mm gaps, 0.10 mm mask webs, 0.12 mm stencil.',
  ...USUAL_NUMBERS,
  drills: [],
  orientation: 'A',
  acceptanceClass: 2,
  levels: ['A', 'B', 'C'],
  severities: {},
  reasons: {
    fabricationTolerance: 'The default of IPC-7351B.',
    placementTolerance: 'The default of IPC-7351B: 0.05 mm for a placement machine.',
    rounding: 'IPC-7351B rounds to the nearest 0.05 mm.',
    smallRounding: 'Half a step of 0.05 mm would eat a small chip’s fillet.',
    minGap: 'What two-sided shops quote for 35 µm copper without a surcharge.',
    stencilThickness: 'The usual foil for parts down to 0.5 mm pitch.',
    thermalCoverage: 'IPC-7525B: 50 to 80 %; the middle leaves room for both sides.',
    minRing: 'IPC-2221B, clause 9.1.2: 0.05 mm on outer layers.',
    maxHoleAspect: 'Plating thins towards the middle of deeper holes.',
    reliefGap: 'IPC-2221B: relief 0.25 mm wide with spokes as wide.',
    minProtrusion: 'IPC-A-610: the end of the lead is discernible in the solder.',
    maxProtrusion: 'IPC-A-610, class 2: 2.5 mm; class 3 allows 1.5 mm.',
  },
};

const fineLine: Process = {
  ...standard,
  id: 'fine-line',
  name: 'Fine line',
  summary: 'A shop that images directly: 0.10 mm gaps, 0.075 mm mask webs, 0.10 mm stencil.',
  fabricationTolerance: 0.05,
  placementTolerance: 0.03,
  minGap: 0.1,
  minWidth: 0.1,
  minHoleToLand: 0.2,
  centreGrid: 0.001,
  maskMargin: 0.04,
  minMaskWeb: 0.075,
  stencilThickness: 0.1,
  legendWidth: 0.1,
  minLegendWidth: 0.08,
  legendGap: 0.1,
  minHoleWeb: 0.2,
  drillWander: 0.04,
  maxHoleAspect: 10,
  viaHole: 0.2,
  textHeight: 0.8,
  minTextHeight: 0.6,
  textStroke: 0.1,
  reasons: {
    fabricationTolerance: 'Direct imaging and thin copper halve the spread of the etched edge.',
    placementTolerance: 'A machine that aligns by camera on local marks.',
    minGap: 'Quoted for 18 µm base copper.',
    maskMargin: 'Directly imaged mask lies truer than one from a film.',
    minMaskWeb: 'Mask imaged by laser holds a web of 75 µm.',
    stencilThickness: 'Small apertures release from a thinner foil: area ratio 0.66.',
    viaHole: 'Drilled at 0.30 mm and plated; filled and capped on request.',
  },
};

const kitchenTable: Process = {
  ...standard,
  id: 'kitchen-table',
  name: 'Kitchen table',
  summary: 'Etched and soldered by hand: 0.30 mm gaps, wide tolerances, no fine mask webs.',
  fabricationTolerance: 0.2,
  placementTolerance: 0.2,
  minGap: 0.3,
  minWidth: 0.3,
  minHoleToLand: 0.5,
  minStandoff: 0.1,
  centreGrid: 0.01,
  maskMargin: 0.1,
  minMaskWeb: 0.25,
  stencilThickness: 0.15,
  windowGap: 0.3,
  legendWidth: 0.2,
  minLegendWidth: 0.2,
  legendGap: 0.25,
  drillStep: 0.1,
  drillWander: 0.15,
  minRing: 0.2,
  minHoleWeb: 0.5,
  maxHoleAspect: 3,
  viaHole: 0.6,
  viaRing: 0.3,
  viaMargin: 0.2,
  reliefWidth: 0.4,
  reliefGap: 0.4,
  planeClearance: 0.4,
  holeClearance: 0.6,
  textHeight: 1.5,
  minTextHeight: 1.2,
  textStroke: 0.2,
  acceptanceClass: 1,
  levels: ['A', 'B'],
  reasons: {
    fabricationTolerance: 'Toner and film drift, and the edge is undercut on both sides.',
    placementTolerance: 'Tweezers: a tenth of a millimetre either way.',
    minGap: 'Narrower gaps keep copper bridges after etching by hand.',
    minWidth: 'Narrower copper is undercut from both sides.',
    minStandoff: 'A film of flux and a hand-laid part lie higher and lower than a machine’s.',
    maskMargin: 'Mask film is laid by eye.',
    stencilThickness: 'Cut plastic film, or paste laid by needle.',
    drillStep: 'Drills come in tenths.',
    drillWander: 'A hand-held drill finds its centre within 0.15 mm.',
    minRing: 'Thin rings lift when the drill comes through.',
    minHoleWeb: 'Laminate breaks out between close holes.',
    maxHoleAspect: 'Holes are joined by wires and rivets, not plated: nothing below 0.6 mm.',
    viaHole: 'The smallest hole that takes a wire.',
    textHeight: 'What a printed film can show.',
  },
};

/** What holds where nothing else is chosen. */
export const standardProcess: Process = standard;

/** The processes that come with Tapis. To add one, list it here. */
export const PROCESSES: readonly Process[] = [standard, fineLine, kitchenTable];

/** Finds a process that comes with Tapis by id; `null` where there is none. */
export function processById(id: string): Process | null {
  return PROCESSES.find((process) => process.id === id) ?? null;
}

/** A process that was kept before some numbers were asked for: the ordinary shop's stand in. */
export function completed(process: Omit<Process, NumberKey> & Partial<ProcessNumbers>): Process {
  return { ...USUAL_NUMBERS, ...process };
}
