import type { NumberKey } from '../process/fields';
import type { Process, RuleSeverity } from '../process/process';
import type { Standard } from './standard';

/** Numbers of a process that spacing by voltage rests on, by their place in a standard. */
export const SPACING_PLACES = {
  'spacing/by': 'spacingBy',
  'spacing/coating': 'assemblyCoating',
  'spacing/insulation': 'insulation',
  'spacing/pollution': 'pollutionDegree',
  'spacing/material': 'materialGroup',
  'spacing/overvoltage': 'overvoltageCategory',
  'spacing/altitude': 'altitude',
} as const satisfies Readonly<Record<string, NumberKey>>;

/** Numbers that a process has by itself and that a house may want otherwise, by their place in a standard. */
export const HOUSE_NUMBERS: Readonly<Record<string, NumberKey>> = {
  'rounding/lands': 'rounding',
  'rounding/small-lands': 'smallRounding',
  'rounding/courtyard': 'courtyardRounding',
  'pads/windows/coverage': 'thermalCoverage',
  'pads/windows/least': 'minCoverage',
  'pads/windows/most': 'maxCoverage',
  'pads/windows/gap': 'windowGap',
  'pads/windows/radius': 'windowRadius',
  'pads/vias/hole': 'viaHole',
  'pads/vias/ring': 'viaRing',
  'marks/legend-width': 'legendWidth',
  'marks/text-height': 'textHeight',
  'marks/text-stroke': 'textStroke',
  ...SPACING_PLACES,
};

/** A process under a standard: what the house wants goes before what the process says by itself. */
export function underStandard(process: Process, standard: Standard): Process {
  if (standard.places.length === 0) return process;
  const numbers: Partial<Record<NumberKey, number>> = {};
  for (const [at, key] of Object.entries(HOUSE_NUMBERS)) {
    const stated = standard.stated(at);
    if (stated) numbers[key] = stated.value as number;
  }
  const orientation = standard.stated('marks/orientation')?.value as 'A' | 'B' | undefined;
  const acceptanceClass = standard.stated('rules/class')?.value as 1 | 2 | 3 | undefined;
  return {
    ...process,
    ...numbers,
    ...(orientation ? { orientation } : {}),
    ...(acceptanceClass ? { acceptanceClass } : {}),
    severities: { ...process.severities, ...severitiesOf(standard) },
  };
}

/** How grave a house takes single rules, by their ids. */
function severitiesOf(standard: Standard): Record<string, RuleSeverity> {
  return Object.fromEntries(
    standard.places.flatMap((at) => {
      if (!at.startsWith('rules/') || at === 'rules/class') return [];
      return [[at.slice('rules/'.length), standard.stated(at)?.value as RuleSeverity] as const];
    }),
  );
}
