import { COMPOSED } from '../document/own-family';
import type { Makers } from './draw';

type Families = Makers['families'];

/** Where families are that can be loaded without the others. */
const KINDS: readonly (readonly [ids: string, load: () => Promise<Families>])[] = [
  [
    'rectangular-chip cylindrical moulded precision-wound electrolytic-can crystal small-diode',
    async () => (await import('./families/kinds/two-terminals')).TWO_TERMINALS,
  ],
  [
    'flat-lead small-transistor small-transistor-wide tab-package gull-wing-dual gull-wing-quad j-lead-dual j-lead-quad',
    async () => (await import('./families/kinds/leads')).LEADS,
  ],
  [
    'no-lead-dual no-lead-quad castellated chip-array oscillator ball-grid column-grid land-grid surface-header',
    async () => (await import('./families/kinds/under-body')).UNDER_BODY,
  ],
  [
    'dip sip axial radial in-line-transistor flange-mount pin-grid pin-header screw-terminal mounting-hole test-point',
    async () => (await import('./families/kinds/through-board')).THROUGH_BOARD,
  ],
];

/**
 * Loads who draws packages of a family, with those of its kind, for a first drawing that does not wait for all.
 * @returns `null` for one that is not found alone
 */
export async function loadMakersOf(family: string): Promise<Makers | null> {
  if (family === COMPOSED)
    return { families: [], composer: (await import('./composed/composer')).composer, standards: null };
  const [, load] = KINDS.find(([ids]) => ids.split(' ').includes(family)) ?? [];
  return load ? { families: await load(), composer: null, standards: null } : null;
}
