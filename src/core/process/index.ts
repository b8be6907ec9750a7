import type { Process } from './process';

/**
 * Defaults of IPC-7351B and IPC-7525 for F, P, rounding and stencil; gaps and webs
 * as an ordinary two-sided shop quotes them.
 */
const standard: Process = {
  id: 'standard',
  name: 'Standard two-sided',
  summary: 'An ordinary shop: 0.15 mm gaps, 0.10 mm mask webs, 0.12 mm stencil.',
  fabricationTolerance: 0.1,
  placementTolerance: 0.05,
  minGap: 0.15,
  minStandoff: 0.05,
  maskMargin: 0.05,
  minMaskWeb: 0.1,
  pasteMargin: 0,
  stencilThickness: 0.12,
  // IPC-7525B: 50 to 80 % of an exposed pad
  thermalCoverage: 0.6,
  legendWidth: 0.12,
  legendGap: 0.15,
  textHeight: 1,
  rounding: 0.05,
  smallRounding: 0.02,
  courtyardRounding: 0.1,
  drillStep: 0.05,
  minRing: 0.05,
  minHoleWeb: 0.25,
  orientation: 'A',
  boardThickness: 1.6,
  copperThickness: 0.035,
  maskThickness: 0.02,
  legendThickness: 0.01,
  solderThickness: 0.05,
};

const fineLine: Process = {
  ...standard,
  id: 'fine-line',
  name: 'Fine line',
  summary: 'A shop that images directly: 0.10 mm gaps, 0.075 mm mask webs, 0.10 mm stencil.',
  fabricationTolerance: 0.05,
  placementTolerance: 0.03,
  minGap: 0.1,
  maskMargin: 0.04,
  minMaskWeb: 0.075,
  stencilThickness: 0.1,
  legendWidth: 0.1,
  legendGap: 0.1,
  minHoleWeb: 0.2,
  textHeight: 0.8,
};

const kitchenTable: Process = {
  ...standard,
  id: 'kitchen-table',
  name: 'Kitchen table',
  summary: 'Etched and soldered by hand: 0.30 mm gaps, wide tolerances, no fine mask webs.',
  fabricationTolerance: 0.2,
  placementTolerance: 0.2,
  minGap: 0.3,
  minStandoff: 0.1,
  maskMargin: 0.1,
  minMaskWeb: 0.25,
  stencilThickness: 0.15,
  legendWidth: 0.2,
  legendGap: 0.25,
  // drills come in tenths and wander by hand: rings have to survive that
  drillStep: 0.1,
  minRing: 0.2,
  minHoleWeb: 0.5,
  textHeight: 1.5,
};

/** The processes that come with Tapis. To add one, list it here. */
export const PROCESSES: readonly Process[] = [standard, fineLine, kitchenTable];

/** Finds a process by id; `null` where there is none. */
export function processById(id: string): Process | null {
  return PROCESSES.find((process) => process.id === id) ?? null;
}
