// Made-up parts for tables to be read: for each dimension the symbol that is the truth, what makers call it in
// English and German, and its least, nominal and most, mm. `basic` has one number, `most` an upper limit only.

export interface PartRow {
  /** `null` for what no field needs. */
  readonly symbol: string | null;
  readonly en: string;
  readonly de: string;
  readonly min: number;
  readonly nom: number;
  readonly max: number;
  readonly kind: 'range' | 'basic' | 'most' | 'angle' | 'reference';
  /** A maker's letter that is not the standard's. */
  readonly letter: string;
  /** Letter of the drawing that has letters of its own. */
  readonly own: string;
}

export interface Part {
  readonly family: string;
  readonly title: string;
  readonly rows: readonly PartRow[];
  /** Symbol that grows with the number of leads, by how much for two more, and the sizes. */
  readonly grows: { readonly symbol: string; readonly by: number } | null;
  readonly leads: number | null;
}

function part(
  family: string,
  title: string,
  leads: number | null,
  grows: Part['grows'],
  lines: string,
): Part {
  const rows = lines
    .trim()
    .split('\n')
    .map((line, i): PartRow => {
      const [symbol = '', letter = '', en = '', de = '', values = ''] = line
        .split('|')
        .map((cell) => cell.trim());
      const numbers = (values.match(/[\d.]+/g) ?? []).map(Number);
      const kind = values.includes('BSC')
        ? 'basic'
        : values.includes('max')
          ? 'most'
          : values.includes('°')
            ? 'angle'
            : values.includes('REF')
              ? 'reference'
              : 'range';
      const [min = 0, max = min] = numbers;
      const nom = numbers.length > 2 ? (numbers[1] ?? min) : (min + (numbers.at(-1) ?? min)) / 2;
      return {
        symbol: symbol === '-' ? null : symbol,
        letter: letter || symbol,
        en,
        de,
        min,
        nom,
        max: numbers.at(-1) ?? max,
        kind,
        own: 'ABCDFGHJKMNPRSTUV'.charAt(i),
      };
    });
  return { family, title, rows, grows, leads };
}

export const PARTS: readonly Part[] = [
  part(
    'gull-wing-dual',
    'SSOP package outline',
    16,
    { symbol: 'D', by: 0.65 },
    `
A  |   | overall height | Gesamthöhe | 1.35 1.55 1.73
A1 |   | standoff | Bodenabstand | 0.10 0.18 0.25
-  | A2 | mould thickness | Dicke des Gehäuses ohne Anschlüsse | 1.20 1.40 1.50
b  | bp | lead width | Anschlussbreite | 0.22 0.30 0.38
c  |   | lead thickness | Anschlussdicke | 0.10 0.15 0.22
D  |   | body length | Gehäuselänge | 4.80 4.90 5.00
E1 | E | body width | Gehäusebreite | 3.80 3.90 4.00
E  | HE | overall width | Gesamtbreite | 5.80 6.00 6.20
e  |   | pitch | Rastermaß | 0.65 BSC
L  | Lp | foot length | Fußlänge | 0.45 0.62 0.80
-  | θ | foot angle | Winkel | 0 8 °`,
  ),
  part(
    'gull-wing-quad',
    'Quad flat package',
    48,
    { symbol: 'D', by: 0.5 },
    `
A  |   | package height | Bauhöhe | 1.60 max
A1 |   | stand-off height | Bodenabstand | 0.05 0.10 0.15
b  |   | terminal width | Anschlussbreite | 0.17 0.22 0.27
c  |   | lead thickness | Anschlussdicke | 0.09 0.14 0.20
D  | HD | overall length | Gesamtlänge | 8.80 9.00 9.20
D1 | D | body length | Gehäuselänge | 6.90 7.00 7.10
E  | HE | overall width | Gesamtbreite | 8.80 9.00 9.20
E1 | E | body width | Gehäusebreite | 6.90 7.00 7.10
e  |   | lead pitch | Rastermaß | 0.50 BSC
L  | Lp | foot length | Fußlänge | 0.45 0.60 0.75
-  | ccc | coplanarity | Koplanarität | 0.08 max`,
  ),
  part(
    'no-lead-quad',
    'Quad flat no-lead',
    24,
    { symbol: 'D', by: 0.5 },
    `
A  |   | total thickness | Bauhöhe | 0.80 0.85 0.90
A1 |   | stand off | Bodenabstand | 0.00 0.02 0.05
b  |   | lead width | Anschlussbreite | 0.18 0.24 0.30
D  |   | body length | Gehäuselänge | 3.90 4.00 4.10
E  |   | body width | Gehäusebreite | 3.90 4.00 4.10
D2 | Dh | exposed pad length | Länge der Wärmefläche | 2.40 2.50 2.60
E2 | Eh | exposed pad width | Breite der Wärmefläche | 2.30 2.45 2.60
e  |   | terminal pitch | Rastermaß | 0.50 BSC
L  |   | terminal length | Anschlusslänge | 0.30 0.40 0.50`,
  ),
  part(
    'no-lead-dual',
    'Dual flat no-lead',
    8,
    { symbol: 'D', by: 0.65 },
    `
A  |   | package height | Bauhöhe | 0.70 0.75 0.80
A1 |   | standoff | Bodenabstand | 0.00 0.02 0.05
b  |   | terminal width | Anschlussbreite | 0.25 0.30 0.35
D  |   | package length | Gehäuselänge | 2.90 3.00 3.10
E  |   | package width | Gehäusebreite | 2.90 3.00 3.10
D2 |   | thermal pad length | Länge der Wärmefläche | 2.20 2.30 2.40
E2 |   | thermal pad width | Breite der Wärmefläche | 1.40 1.50 1.60
e  |   | pitch | Rastermaß | 0.65 BSC
L  |   | terminal length | Anschlusslänge | 0.30 0.40 0.50`,
  ),
  part(
    'small-transistor',
    'SOT-23 outline',
    3,
    null,
    `
A  |   | height | Höhe | 0.90 1.00 1.12
A1 |   | standoff | Bodenabstand | 0.01 0.05 0.10
b  | bp | lead width | Anschlussbreite | 0.37 0.43 0.50
c  |   | lead thickness | Anschlussdicke | 0.09 0.13 0.18
D  |   | body length | Gehäuselänge | 2.80 2.92 3.04
E1 | E | body width | Gehäusebreite | 1.20 1.30 1.40
E  | HE | total width | Gesamtbreite | 2.10 2.37 2.64
e  | e1 | lead pitch | Rastermaß | 0.95 BSC
L  | Lp | foot length | Fußlänge | 0.30 0.40 0.50`,
  ),
  part(
    'rectangular-chip',
    'Thick film chip resistor',
    null,
    null,
    `
L  |   | length | Länge | 3.05 3.20 3.35
W  |   | width | Breite | 1.45 1.60 1.75
A  | H | height | Höhe | 0.45 0.55 0.65
T  | l1 | termination length | Kappenlänge | 0.30 0.50 0.70`,
  ),
  part(
    'moulded',
    'Moulded tantalum capacitor',
    null,
    null,
    `
L  |   | overall length | Gesamtlänge | 5.70 6.00 6.30
W  |   | body width | Gehäusebreite | 2.90 3.20 3.50
W1 | F | terminal width | Anschlussbreite | 2.10 2.20 2.30
T  | S | terminal length | Anschlusslänge | 1.00 1.30 1.60
A  | H | height | Höhe | 2.30 2.55 2.80`,
  ),
  part(
    'dip',
    'Dual in-line package',
    14,
    { symbol: 'D', by: 2.54 },
    `
A  |   | seated height | Bauhöhe | 5.33 max
A1 |   | standoff | Bodenabstand | 0.38 0.51 0.64
b  |   | lead width | Anschlussbreite | 0.36 0.46 0.56
c  |   | lead thickness | Anschlussdicke | 0.20 0.28 0.36
D  |   | body length | Gehäuselänge | 18.67 19.05 19.69
E1 |   | body width | Gehäusebreite | 6.10 6.35 6.60
E  | eA | row spacing | Reihenabstand | 7.62 BSC
e  |   | lead pitch | Rastermaß | 2.54 BSC
L  |   | lead length | Beinlänge | 2.92 3.30 3.81`,
  ),
  part(
    'tab-package',
    'Power package TO-252',
    3,
    null,
    `
A  |   | overall height | Bauhöhe | 2.18 2.28 2.39
b  |   | lead width | Anschlussbreite | 0.64 0.76 0.89
c  |   | lead thickness | Anschlussdicke | 0.46 0.52 0.61
D  |   | body length | Gehäuselänge | 5.97 6.10 6.22
D1 |   | tab length | Fahnenlänge | 5.21 5.40 5.60
E  |   | body width | Gehäusebreite | 6.35 6.54 6.73
E1 |   | tab width | Fahnenbreite | 4.32 4.70 5.10
e  |   | lead pitch | Rastermaß | 2.29 BSC
H  |   | overall length | Gesamtlänge | 9.40 9.90 10.41
L  |   | foot length | Fußlänge | 1.40 1.58 1.78
L3 |   | tab extension | Fahne über Gehäuse | 0.89 1.08 1.27`,
  ),
  part(
    'crystal',
    'Ceramic crystal, two terminals',
    null,
    null,
    `
L  |   | length | Länge | 3.10 3.20 3.30
W  |   | width | Breite | 1.40 1.50 1.60
W1 |   | terminal width | Anschlussbreite | 1.10 1.20 1.30
T  |   | terminal length | Anschlusslänge | 0.75 0.85 0.95
A  | H | height | Höhe | 0.90 max`,
  ),
  part(
    'j-lead-quad',
    'Plastic leaded chip carrier',
    28,
    null,
    `
A  |   | overall height | Bauhöhe | 4.20 4.37 4.57
-  | A1 | mould thickness without standoff | Dicke des Gehäuses ohne Anschlüsse | 2.29 2.67 3.05
b  |   | lead width | Anschlussbreite | 0.33 0.43 0.53
D  |   | overall length | Gesamtlänge | 12.32 12.45 12.57
D1 |   | body length | Gehäuselänge | 11.43 11.50 11.58
E  |   | overall width | Gesamtbreite | 12.32 12.45 12.57
E1 |   | body width | Gehäusebreite | 11.43 11.50 11.58
E2 |   | contact distance | Kontaktabstand | 9.91 10.41 10.92
e  |   | lead pitch | Rastermaß | 1.27 BSC`,
  ),
  part(
    'ball-grid',
    'Ball grid array',
    null,
    null,
    `
A  |   | overall height | Bauhöhe | 1.30 1.40 1.50
A1 |   | ball height standoff | Bodenabstand | 0.35 0.40 0.45
b  |   | ball diameter | Kugeldurchmesser | 0.45 0.50 0.55
D  |   | body length | Gehäuselänge | 9.90 10.00 10.10
E  |   | body width | Gehäusebreite | 9.90 10.00 10.10
e  |   | ball pitch | Kugelabstand | 0.80 BSC`,
  ),
];
