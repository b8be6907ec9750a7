import type { Scene, SceneLand } from './scenes';
import { fixed, type Hand, type Written } from './written';

// Pad tables as people write them: in sheets, in mails, on web pages.

type Cell = string | number;
const made = (
  name: string,
  text: string,
  says: Written['says'] = ['numbers'],
  more: Partial<Written> = {},
): Written => ({
  files: [{ name, text }],
  says,
  ...more,
});

const isBoxed = ({ lands }: Scene) =>
  lands.every(
    ({ shape, far, turn = 0, slot }) =>
      (shape.kind === 'rect' || shape.kind === 'oblong') && !far && turn % 90 === 0 && slot === undefined,
  );
const isRect = (scene: Scene) =>
  isBoxed(scene) && scene.lands.every(({ shape, hole }) => shape.kind === 'rect' && hole === undefined);

/** Width and height as the land lies. */
function boxOf({ shape, turn = 0 }: SceneLand) {
  const { w, h } = shape as { w: number; h: number };
  return turn % 180 === 0 ? { w, h } : { w: h, h: w };
}

const lines = (rows: readonly (readonly Cell[])[], by: string, decimal = '.') =>
  rows
    .map((row) =>
      row.map((cell) => (typeof cell === 'number' ? fixed(cell, 4).replace('.', decimal) : cell)).join(by),
    )
    .join('\n') + '\n';

const shapeWord = ({ shape }: SceneLand, [box = '', oblong = '', round = '']: readonly string[]) => {
  const { w, h } = shape as { w: number; h: number };
  return shape.kind === 'rect' ? box : w === h ? round : oblong;
};
const ENGLISH = ['rectangle', 'oblong', 'round'];

const rowsOf = (scene: Scene, words = ENGLISH, by = 1): Cell[][] =>
  scene.lands.map((land) => {
    const { w, h } = boxOf(land);
    return [land.number, land.x * by, land.y * by, w * by, h * by, shapeWord(land, words)];
  });
const withHoles = (scene: Scene) => scene.lands.some(({ hole }) => hole !== undefined);
const plain = (scene: Scene) => isBoxed(scene) && !withHoles(scene) && scene.pegs.length === 0;

export const TABLES: readonly Hand[] = [
  {
    name: 'table with commas',
    can: plain,
    write: (scene) =>
      made(
        'pads.csv',
        lines([['Pad', 'X (mm)', 'Y (mm)', 'Width (mm)', 'Height (mm)', 'Shape'], ...rowsOf(scene)], ','),
      ),
  },
  {
    name: 'table in German, decimal commas',
    can: plain,
    write: (scene) =>
      made(
        'flaechen.csv',
        lines(
          [
            ['Nr', 'X mm', 'Y mm', 'Länge X mm', 'Breite Y mm', 'Form'],
            ...rowsOf(scene, ['rechteckig', 'oval', 'rund']),
          ],
          ';',
          ',',
        ),
      ),
  },
  {
    name: 'table of two corners in mils, with a title',
    can: isRect,
    write: (scene) =>
      made(
        'corners.txt',
        lines(
          [
            ['Recommended land pattern, all dimensions in mil'],
            ['Pin', 'X1', 'Y1', 'X2', 'Y2'],
            ...scene.lands.map((land): Cell[] => {
              const { w, h } = boxOf(land);
              return [
                land.number,
                (land.x - w / 2) / 0.0254,
                (land.y - h / 2) / 0.0254,
                (land.x + w / 2) / 0.0254,
                (land.y + h / 2) / 0.0254,
              ];
            }),
          ],
          '\t',
        ),
      ),
  },
  {
    name: 'table of a web page, micrometres',
    can: plain,
    write: (scene) =>
      made(
        'pads.html',
        `<html><body><h1>Pads</h1><table><tr>${['Pad', 'X [µm]', 'Y [µm]', 'Size X [µm]', 'Size Y [µm]', 'Shape'].map((one) => `<th>${one}</th>`).join('')}</tr>${rowsOf(
          scene,
          ENGLISH,
          1000,
        )
          .map(
            (row) =>
              `<tr>${row.map((cell) => `<td>${typeof cell === 'number' ? fixed(cell, 1) : cell}</td>`).join('')}</tr>`,
          )
          .join('')}</table></body></html>`,
      ),
  },
  {
    name: 'table of a corner and the size, in French',
    can: isRect,
    write: (scene) =>
      made(
        'plages.csv',
        lines(
          [
            ['Pastille', 'Coin X (mm)', 'Coin Y (mm)', 'Longueur (mm)', 'Largeur (mm)'],
            ...scene.lands.map((land): Cell[] => {
              const { w, h } = boxOf(land);
              return [land.number, land.x - w / 2, land.y - h / 2, w, h];
            }),
          ],
          ';',
          ',',
        ),
      ),
  },
  // from here on kept apart
  {
    name: 'table in plain columns, Italian',
    isApart: true,
    can: plain,
    write: (scene) => {
      const rows = [
        ['Piazzola', 'X', 'Y', 'Larghezza', 'Altezza', 'Forma'],
        ...rowsOf(scene, ['rettangolare', 'ovale', 'tonda']),
      ];
      return made(
        'piazzole.txt',
        `Dimensioni in mm\n\n${rows.map((row) => row.map((cell) => (typeof cell === 'number' ? fixed(cell, 3) : cell === '' ? '-' : cell).padEnd(12)).join('')).join('\n')}\n`,
      );
    },
  },
  {
    name: 'table with diameters and holes, Spanish',
    isApart: true,
    can: (scene) => scene.name === 'through',
    write: (scene) =>
      made(
        'islas.csv',
        lines(
          [
            ['Isla', 'X mm', 'Y mm', 'Ancho mm', 'Alto mm', 'Forma', 'Taladro mm'],
            ...scene.lands.map((land): Cell[] => [
              land.number,
              land.x,
              land.y,
              boxOf(land).w,
              boxOf(land).h,
              shapeWord(land, ['rectangular', 'ovalada', 'redonda']),
              land.hole ?? '',
            ]),
          ],
          ';',
          ',',
        ),
        ['numbers', 'holes'],
      ),
  },
  {
    name: 'table with y before x, lengths along the land and its turn',
    isApart: true,
    can: (scene) => scene.name === 'turned',
    write: (scene) =>
      made(
        'turned.csv',
        lines(
          [
            ['No.', 'Center Y (mm)', 'Center X (mm)', 'Rotation (deg)', 'Length (mm)', 'Width (mm)', 'Shape'],
            ...scene.lands.map((land): Cell[] => {
              const { w, h } = land.shape as { w: number; h: number };
              return [land.number, land.y, land.x, land.turn ?? 0, w, h, shapeWord(land, ENGLISH)];
            }),
          ],
          ',',
        ),
      ),
  },
  {
    name: 'table in Portuguese, units in the cells',
    isApart: true,
    can: isRect,
    write: (scene) =>
      made(
        'ilhas.csv',
        lines(
          [
            ['Ilha', 'Centro X', 'Centro Y', 'Comprimento', 'Largura'],
            ...scene.lands.map((land): Cell[] => {
              const { w, h } = boxOf(land);
              return [
                land.number,
                `${fixed(land.x, 3)} mm`,
                `${fixed(land.y, 3)} mm`,
                `${fixed(w, 3)} mm`,
                `${fixed(h, 3)} mm`,
              ];
            }),
          ],
          ';',
        ),
      ),
  },
  {
    name: 'table with heads over two rows',
    isApart: true,
    can: plain,
    write: (scene) =>
      made(
        'two-heads.csv',
        lines(
          [
            ['Pad', 'Position (mm)', '', 'Size (mm)', '', 'Shape'],
            ['', 'X', 'Y', 'X', 'Y', ''],
            ...rowsOf(scene),
          ],
          ',',
        ),
      ),
  },
  {
    name: 'table with a row of units',
    isApart: true,
    can: plain,
    write: (scene) =>
      made(
        'units.csv',
        lines(
          [
            ['Pin', 'X', 'Y', 'Width', 'Height', 'Shape'],
            ['', 'mil', 'mil', 'mil', 'mil', ''],
            ...rowsOf(scene, ENGLISH, 1 / 0.0254),
          ],
          ',',
        ),
      ),
  },
  {
    name: 'table with thousands parted by commas, micrometres',
    isApart: true,
    can: plain,
    write: (scene) =>
      made(
        'thousands.csv',
        [
          'Pin,X (um),Y (um),Width (um),Height (um),Shape',
          ...rowsOf(scene, ENGLISH, 1000).map((row) =>
            row
              .map((cell) =>
                typeof cell === 'number' ? `"${fixed(cell, 0).replace(/\B(?=(\d{3})+$)/g, ',')}"` : cell,
              )
              .join(','),
          ),
          '',
        ].join('\n'),
      ),
  },
  {
    name: 'table in Polish',
    isApart: true,
    can: isRect,
    write: (scene) =>
      made(
        'pola.csv',
        lines(
          [
            ['Pole', 'X (mm)', 'Y (mm)', 'Szerokość (mm)', 'Wysokość (mm)'],
            ...rowsOf(scene).map((row) => row.slice(0, 5)),
          ],
          ';',
          ',',
        ),
      ),
  },
];
