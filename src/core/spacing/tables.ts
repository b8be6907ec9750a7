// How far conductors of different potential have to be apart, as tables that others have set. Lengths in mm,
// voltages in V. Every number stands here once.

/** Where a conductor lies and what covers it (IPC-2221B, 6.3). */
export type ConductorType = 'B1' | 'B2' | 'B3' | 'B4' | 'A5' | 'A6' | 'A7';

/** What a type of conductor is, as the table calls it. */
export const CONDUCTOR_WORDS: Readonly<Record<ConductorType, string>> = {
  B1: 'inner layers',
  B2: 'outer layers, bare, up to 3050 m',
  B3: 'outer layers, bare, over 3050 m',
  B4: 'outer layers under mask or another lasting polymer',
  A5: 'outer layers, the assembly coated',
  A6: 'leads and lands, bare, up to 3050 m',
  A7: 'leads and lands, the assembly coated',
};

/** IPC-2221B table 6-1: least spacing by the voltage between conductors, d.c. or a.c. peaks. */
export const IPC_2221: readonly (Readonly<Record<ConductorType, number>> & { readonly upTo: number })[] = [
  { upTo: 15, B1: 0.05, B2: 0.1, B3: 0.1, B4: 0.05, A5: 0.13, A6: 0.13, A7: 0.13 },
  { upTo: 30, B1: 0.05, B2: 0.1, B3: 0.1, B4: 0.05, A5: 0.13, A6: 0.25, A7: 0.13 },
  { upTo: 50, B1: 0.1, B2: 0.6, B3: 0.6, B4: 0.13, A5: 0.13, A6: 0.4, A7: 0.13 },
  { upTo: 100, B1: 0.1, B2: 0.6, B3: 1.5, B4: 0.13, A5: 0.13, A6: 0.5, A7: 0.13 },
  { upTo: 150, B1: 0.2, B2: 0.6, B3: 3.2, B4: 0.4, A5: 0.4, A6: 0.8, A7: 0.4 },
  { upTo: 170, B1: 0.2, B2: 1.25, B3: 3.2, B4: 0.4, A5: 0.4, A6: 0.8, A7: 0.4 },
  { upTo: 250, B1: 0.2, B2: 1.25, B3: 6.4, B4: 0.4, A5: 0.4, A6: 0.8, A7: 0.4 },
  { upTo: 300, B1: 0.2, B2: 1.25, B3: 12.5, B4: 0.4, A5: 0.4, A6: 0.8, A7: 0.8 },
  { upTo: 500, B1: 0.25, B2: 2.5, B3: 12.5, B4: 0.8, A5: 0.8, A6: 1.5, A7: 0.8 },
];

/** The same over 500 V: what each further volt adds to the last row. */
export const IPC_2221_PER_VOLT: Readonly<Record<ConductorType, number>> = {
  B1: 0.0025,
  B2: 0.005,
  B3: 0.025,
  B4: 0.00305,
  A5: 0.00305,
  A6: 0.00305,
  A7: 0.00305,
};

/**
 * IEC 60664-1, creepage distances by working voltage (r.m.s. or d.c.): in pollution degree 1, then in degrees 2
 * and 3 for the material groups I, II and III.
 */
export const CREEPAGE: readonly {
  readonly volts: number;
  readonly clean: number;
  readonly degree2: readonly [number, number, number];
  readonly degree3: readonly [number, number, number];
}[] = [
  { volts: 10, clean: 0.08, degree2: [0.4, 0.4, 0.4], degree3: [1, 1, 1] },
  { volts: 12.5, clean: 0.09, degree2: [0.42, 0.42, 0.42], degree3: [1.05, 1.05, 1.05] },
  { volts: 16, clean: 0.1, degree2: [0.45, 0.45, 0.45], degree3: [1.1, 1.1, 1.1] },
  { volts: 20, clean: 0.11, degree2: [0.48, 0.48, 0.48], degree3: [1.2, 1.2, 1.2] },
  { volts: 25, clean: 0.125, degree2: [0.5, 0.5, 0.5], degree3: [1.25, 1.25, 1.25] },
  { volts: 32, clean: 0.14, degree2: [0.53, 0.53, 0.53], degree3: [1.3, 1.3, 1.3] },
  { volts: 40, clean: 0.16, degree2: [0.56, 0.8, 1.1], degree3: [1.4, 1.6, 1.8] },
  { volts: 50, clean: 0.18, degree2: [0.6, 0.85, 1.2], degree3: [1.5, 1.7, 1.9] },
  { volts: 63, clean: 0.2, degree2: [0.63, 0.9, 1.25], degree3: [1.6, 1.8, 2] },
  { volts: 80, clean: 0.22, degree2: [0.67, 0.95, 1.3], degree3: [1.7, 1.9, 2.1] },
  { volts: 100, clean: 0.25, degree2: [0.71, 1, 1.4], degree3: [1.8, 2, 2.2] },
  { volts: 125, clean: 0.28, degree2: [0.75, 1.05, 1.5], degree3: [1.9, 2.1, 2.4] },
  { volts: 160, clean: 0.32, degree2: [0.8, 1.1, 1.6], degree3: [2, 2.2, 2.5] },
  { volts: 200, clean: 0.42, degree2: [1, 1.4, 2], degree3: [2.5, 2.8, 3.2] },
  { volts: 250, clean: 0.56, degree2: [1.25, 1.8, 2.5], degree3: [3.2, 3.6, 4] },
  { volts: 320, clean: 0.75, degree2: [1.6, 2.2, 3.2], degree3: [4, 4.5, 5] },
  { volts: 400, clean: 1, degree2: [2, 2.8, 4], degree3: [5, 5.6, 6.3] },
  { volts: 500, clean: 1.3, degree2: [2.5, 3.6, 5], degree3: [6.3, 7.1, 8] },
  { volts: 630, clean: 1.8, degree2: [3.2, 4.5, 6.3], degree3: [8, 9, 10] },
  { volts: 800, clean: 2.4, degree2: [4, 5.6, 8], degree3: [10, 11, 12.5] },
  { volts: 1000, clean: 3.2, degree2: [5, 7.1, 10], degree3: [12.5, 14, 16] },
];

/** IEC 60664-1, clearances by impulse or peak voltage in an inhomogeneous field: pollution degrees 1, 2 and 3. */
export const CLEARANCE: readonly {
  readonly volts: number;
  readonly least: readonly [number, number, number];
}[] = [
  { volts: 330, least: [0.01, 0.2, 0.8] },
  { volts: 400, least: [0.02, 0.2, 0.8] },
  { volts: 500, least: [0.04, 0.2, 0.8] },
  { volts: 600, least: [0.06, 0.2, 0.8] },
  { volts: 800, least: [0.1, 0.2, 0.8] },
  { volts: 1000, least: [0.15, 0.2, 0.8] },
  { volts: 1200, least: [0.25, 0.25, 0.8] },
  { volts: 1500, least: [0.5, 0.5, 0.8] },
  { volts: 2000, least: [1, 1, 1] },
  { volts: 2500, least: [1.5, 1.5, 1.5] },
  { volts: 3000, least: [2, 2, 2] },
  { volts: 4000, least: [3, 3, 3] },
  { volts: 5000, least: [4, 4, 4] },
  { volts: 6000, least: [5.5, 5.5, 5.5] },
  { volts: 8000, least: [8, 8, 8] },
  { volts: 10_000, least: [11, 11, 11] },
  { volts: 12_000, least: [14, 14, 14] },
];

/** IEC 60664-1, rated impulse voltages by the voltage to earth: overvoltage categories I to IV. */
export const IMPULSE: readonly {
  readonly volts: number;
  readonly by: readonly [number, number, number, number];
}[] = [
  { volts: 50, by: [330, 500, 800, 1500] },
  { volts: 100, by: [500, 800, 1500, 2500] },
  { volts: 150, by: [800, 1500, 2500, 4000] },
  { volts: 300, by: [1500, 2500, 4000, 6000] },
  { volts: 600, by: [2500, 4000, 6000, 8000] },
  { volts: 1000, by: [4000, 6000, 8000, 12_000] },
];

/** Impulse voltages in steps, for reinforced insulation: one step above the basic one. */
export const IMPULSE_STEPS = [330, 500, 800, 1500, 2500, 4000, 6000, 8000, 12_000] as const;

/** IEC 60664-1, by how much clearances grow with altitude, m. */
export const ALTITUDE: readonly { readonly upTo: number; readonly times: number }[] = [
  { upTo: 2000, times: 1 },
  { upTo: 3000, times: 1.14 },
  { upTo: 4000, times: 1.29 },
  { upTo: 5000, times: 1.48 },
  { upTo: 6000, times: 1.7 },
  { upTo: 7000, times: 1.95 },
  { upTo: 8000, times: 2.25 },
  { upTo: 9000, times: 2.62 },
  { upTo: 10_000, times: 3.02 },
];

/** IEC 60664-1: a groove or slot narrower than this is bridged by dirt; pollution degrees 1, 2 and 3. */
export const GROOVE: readonly [number, number, number] = [0.25, 1, 1.5];
