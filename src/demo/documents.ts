import type { TapisDocument } from '../core/document/document';

/**
 * The tide-gauge logger by Harrow Sound Instruments: a made-up board with made-up parts.
 * It holds the awkward cases on purpose; the notes say which.
 */
export const DEMO_DOCUMENTS: readonly TapisDocument[] = [
  {
    tapis: 1,
    name: 'U4 tide converter',
    package: {
      family: 'gull-wing-dual',
      source: 'HS-ADC1624 sheet, revision C, page 31, table 8',
      dimensions: {
        n: { text: '16', where: 'p 31' },
        e: { text: '0.65', label: 'e' },
        E: { text: '6.2..6.6', label: 'H' },
        E1: { text: '4.3..4.5', label: 'E' },
        D: { text: '4.9..5.1', label: 'D' },
        L: { text: '0.45..0.75', label: 'L' },
        b: { text: '0.19..0.30', label: 'b' },
        c: { text: 'typ 0.15', label: 'c' },
        A: { text: 'max 1.2', label: 'A' },
        A1: { text: '0.05..0.15', label: 'A1' },
      },
    },
    level: 'B',
    process: 'standard',
    marks: { reference: 'U4', value: 'HS-ADC1624' },
    notes:
      'Sixteen-bit converter for the pressure sensor. The sheet letters the lead span H and the body width E.',
  },
  {
    tapis: 1,
    name: 'U7 buoy transceiver',
    package: {
      family: 'gull-wing-dual',
      source: 'HS-TX900 sheet, page 12',
      dimensions: {
        n: '20',
        e: '0.65',
        E: { text: '6.2..6.6', label: 'HE' },
        E1: { text: '4.3..4.5', label: 'E' },
        D: { text: '6.4..6.6', label: 'D' },
        L: { text: '0.95..1.10', label: 'L1', where: 'p 12' },
        b: { text: '0.19..0.30', label: 'bp' },
        c: { text: '0.09..0.20', label: 'c' },
        A: { text: 'max 1.1', label: 'A' },
        A1: { text: '0.05..0.15', label: 'A1' },
      },
    },
    level: 'B',
    process: 'standard',
    marks: { reference: 'U7', value: 'HS-TX900' },
    notes: 'Entered with a mistake on purpose: L1 is the whole lead, the foot is another row of the table.',
  },
  {
    tapis: 1,
    name: 'U2 level driver',
    package: {
      family: 'gull-wing-dual',
      unit: 'in',
      source: 'HS-LD08 sheet, page 6, inch column',
      dimensions: {
        n: '8',
        e: { text: '0.050', label: 'e' },
        E: { text: '0.228..0.244', label: 'H' },
        E1: { text: '0.150..0.157', label: 'E' },
        D: { text: '0.189..0.197', label: 'D' },
        L: { text: '0.016..0.035', label: 'L' },
        b: { text: '0.013..0.020', label: 'B' },
        c: { text: '0.0075..0.0098', label: 'C' },
        A: { text: '0.053..0.069', label: 'A' },
        A1: { text: '0.004..0.010', label: 'A1' },
      },
    },
    level: 'B',
    process: 'standard',
    marks: { reference: 'U2', value: 'HS-LD08' },
    notes: 'The sheet is printed in inches; the entries are kept as printed.',
  },
  {
    tapis: 1,
    name: 'C12 supply bypass',
    package: {
      family: 'rectangular-chip',
      options: { component: 'capacitor' },
      source: 'HS passive parts list, size 1608',
      dimensions: { L: '1.6±0.1', W: '0.8±0.1', T: '0.2..0.5', A: '0.8±0.1' },
    },
    level: 'B',
    process: 'standard',
    marks: { reference: 'C12', value: '100n' },
  },
  {
    tapis: 1,
    name: 'R3 shunt, typical values only',
    package: {
      family: 'rectangular-chip',
      options: { component: 'resistor' },
      source: 'HS-SH2512 leaflet',
      dimensions: { L: 'typ 6.3', W: 'typ 3.1', T: 'typ 0.6', A: 'typ 0.55' },
    },
    level: 'A',
    process: 'kitchen-table',
    marks: { reference: 'R3', value: '10m' },
    notes: 'The leaflet prints typical values only; Tapis takes them as exact and says so.',
  },
  {
    tapis: 1,
    name: 'D1 charge lamp',
    package: {
      family: 'rectangular-chip',
      options: { component: 'led' },
      source: 'HS-L10 leaflet',
      dimensions: { L: '1.0±0.05', W: '0.5±0.05', T: '0.25±0.1', A: 'max 0.4' },
    },
    level: 'C',
    process: 'fine-line',
    marks: { reference: 'D1', value: 'HS-L10' },
  },
];
