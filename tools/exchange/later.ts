import { DRAWINGS } from './dxf';
import { FILMS } from './films';
import { PACKAGES } from './ipc2581';
import type { Scene } from './scenes';
import { fixed, type Hand, type Written } from './written';

// Ways that came last, all kept apart: what the others write, said in forms that are rare, old or odd.

type File = Written['files'][number];

/** Another way's files, each put otherwise. */
function after(
  all: readonly Hand[],
  name: string,
  put: (file: File) => string,
  more: Partial<Hand> = {},
): Omit<Hand, 'name'> {
  const hand = all.find((one) => one.name === name);
  if (!hand) throw new Error(name);
  return {
    isApart: true,
    ...(hand.can ? { can: hand.can } : {}),
    ...more,
    write(scene) {
      const written = hand.write(scene);
      return { ...written, files: written.files.map((file) => ({ ...file, text: put(file) })) };
    },
  };
}
const isFilm = ({ name }: File) => !/drl$/.test(name);

/** Each place as a step from the one before, as old plotters took it. */
function incremental({ text }: File): string {
  let [x, y] = [0, 0];
  return text.replace('%FSLA', '%FSLI').replace(/X(-?\d+)Y(-?\d+)(?=D0[123])/g, (_, a: string, b: string) => {
    const step = `X${Number(a) - x}Y${Number(b) - y}`;
    [x, y] = [Number(a), Number(b)];
    return step;
  });
}

/** Numbers of the dictionaries in inches, those of the rest in millimetres. */
const mixed = (text: string) =>
  text.replace(/<DictionaryStandard units="MILLIMETER">[^]*?<\/DictionaryStandard>/, (part) =>
    part
      .replace('MILLIMETER', 'INCH')
      .replace(
        /(width|height|diameter|radius|x|y|centerX|centerY)="(-?[\d.]+)"/g,
        (_, key: string, value: string) => `${key}="${fixed(Number(value) / 25.4, 9)}"`,
      ),
  );

const boxed = ({ lands, pegs }: Scene) =>
  pegs.length === 0 &&
  lands.every(
    ({ shape, far, turn = 0, hole }) =>
      shape.kind === 'rect' && !far && turn % 180 === 0 && hole === undefined,
  );
const table = (
  name: string,
  heads: string,
  row: (land: Scene['lands'][number], w: number, h: number) => string,
  foot = '',
): Hand => ({
  name,
  isApart: true,
  can: boxed,
  write: ({ lands }) => ({
    files: [
      {
        name: 'pads.csv',
        text: `${heads}\n${lands.map((land) => row(land, ...(Object.values(land.shape).slice(1) as [number, number]))).join('\n')}\n${foot}`,
      },
    ],
    says: ['numbers'],
  }),
});
const mm = (value: number) => fixed(value, 4);

export const LATER: readonly Hand[] = [
  {
    name: 'films in steps from place to place',
    ...after(FILMS, 'films with attributes', (file) => (isFilm(file) ? incremental(file) : file.text), {
      can: ({ lands }) => lands.every(({ shape }) => shape.kind === 'rect' || shape.kind === 'oblong'),
    }),
  },
  {
    name: 'films whose code for flashes stands once',
    ...after(FILMS, 'films with attributes', (file) =>
      isFilm(file)
        ? file.text
            .replace(/(D03\*\nX-?\d+Y-?\d+)D03(?=\*\n)/g, '$1')
            .replace(/(D03\*\nX-?\d+Y-?\d+)D03(?=\*\n)/g, '$1')
        : file.text,
    ),
  },
  {
    name: 'films whose axes are exchanged',
    ...after(FILMS, 'films of regions', (file) =>
      isFilm(file) ? file.text.replace('%MOMM*%', '%MOMM*%\n%ASAYBX*%') : file.text,
    ),
  },
  {
    name: 'films with spaces and comments between',
    ...after(FILMS, 'films with attributes', (file) =>
      isFilm(file)
        ? file.text.replace(/\n/g, '\r\n\r\n').replace(/D03\*/g, 'D03*G04 a, b; X1Y1D03 is no code here*')
        : file.text,
    ),
  },
  {
    name: 'drills whose sizes stand in remarks',
    ...after(FILMS, 'films with attributes', (file) =>
      isFilm(file) ? file.text : file.text.replace(/^(T\d+)C([\d.]+).*$/gm, '; tool $1 is $2 mm'),
    ),
  },
  {
    name: 'dxf traces',
    ...after(DRAWINGS, 'dxf solids', ({ text }) => text.replaceAll('\nSOLID\n', '\nTRACE\n')),
  },
  {
    name: 'dxf with names of layers in Chinese',
    ...after(DRAWINGS, 'dxf light polylines', ({ text }) => text.replaceAll('\nlands\n', '\n焊盘\n')),
  },
  {
    name: 'ipc-2581 with dictionaries in inches',
    ...after(PACKAGES, 'ipc-2581 in millimetres, revision B', ({ text }) => mixed(text)),
  },
  {
    name: 'ipc-2581 with shapes at half their size',
    ...after(
      PACKAGES,
      'ipc-2581 in millimetres, revision B',
      ({ text }) =>
        text
          .replace(/<EntryStandard [^]*?<\/EntryStandard>/g, (part) =>
            part.replace(
              /(width|height|diameter|radius)="([\d.]+)"/g,
              (_, key: string, value: string) => `${key}="${fixed(Number(value) / 2, 6)}"`,
            ),
          )
          .replace(
            /<(Pad |PadstackPadDef |Pin )([^>]*)>(<Xform rotation="([^"]+)"\/>)?/g,
            (_, tag: string, attributes: string, __, turn?: string) =>
              `<${tag}${attributes}><Xform${turn === undefined ? '' : ` rotation="${turn}"`} scale="2"/>`,
          ),
      {
        can: ({ lands }) => lands.every(({ shape, slot }) => shape.kind !== 'polygon' && slot === undefined),
      },
    ),
  },
  table(
    'table with both sizes in one cell',
    'Pad,X mm,Y mm,Size mm',
    ({ number, x, y }, w, h) => `${number},${mm(x)},${mm(y)},${mm(w)} x ${mm(h)}`,
  ),
  table(
    'table with halves of sizes',
    'Pad,X (mm),Y (mm),Half width (mm),Half height (mm)',
    ({ number, x, y }, w, h) => `${number},${mm(x)},${mm(y)},${mm(w / 2)},${mm(h / 2)}`,
  ),
  table(
    'table in Swedish, with a sum below',
    'Lödyta;X;Y;Bredd;Höjd',
    ({ number, x, y }, w, h) => [number, ...[x, y, w, h].map((v) => mm(v).replace('.', ','))].join(';'),
    'Summa;;;99,5;99,5\n',
  ),
  table(
    'table whose cells name what they hold',
    'pad;at;size',
    ({ number, x, y }, w, h) => `${number};x=${mm(x)} y=${mm(y)};w=${mm(w)} h=${mm(h)}`,
  ),
  table('table in micrometres that nobody says', 'Pad,X,Y,Width,Height', ({ number, x, y }, w, h) =>
    [number, ...[x, y, w, h].map((v) => String(Math.round(v * 1000)))].join(','),
  ),
];
