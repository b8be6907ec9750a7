import type { PartIntent, TrialDocument, TrialFootprint } from '../core/document/trial';
import type { TapisDocument } from '../core/document/document';
import { DEMO_MODEL } from './documents';

// The board of the tide-gauge logger, made up as its parts are: 80 × 50 with its connectors at two edges. Two
// things are wrong with it on purpose: the reservoir stands in the charge regulator's room, and the debug header's
// leads come out under the level driver on the other side.

const place = (
  reference: string,
  footprint: string,
  x: string,
  y: string,
  more: Partial<PartIntent> = {},
): Omit<PartIntent, 'id'> => ({ reference, footprint, x, y, ...more });

const PLACES: readonly Omit<PartIntent, 'id'>[] = [
  place('H1', 'H3', '4', '4', {
    corners: true,
    // by themselves they would be printed beyond the edge
    texts: { reference: { place: 'point', x: '0', y: '3.345' }, value: { shown: false } },
  }),
  place('J1', 'J1', '24', '4.6', { texts: { value: { shown: false } } }),
  place('J4', 'J4', '6', '0', { fromY: 'middle' }),
  place('J9', 'J9', '5.2', '24', { fromX: 'right', angle: '270' }),
  place('U1', 'U1', '39', '26'),
  place('U4', 'U4', '18', '30'),
  place('U7', 'U7', '58', '39'),
  place('U6', 'U6', '57', '24'),
  place('U8', 'U8', '44', '40'),
  place('U10', 'U10', '20', '16.5'),
  place('C5', 'C5', '29.7', '16.5'),
  place('C20', 'C20', '39', '10'),
  place('D2', 'D2', '14', '42'),
  place('Y1', 'Y1', '34.5', '36.5'),
  place('C12', 'C12', '47.5', '19', { angle: '90', rows: 3, stepY: '4' }),
  place('R20', 'R20', '22', '41', { columns: 2, stepX: '6' }),
  place('J2', 'J2', '57', '9'),
  place('U2', 'U2', '64.5', '9', { side: 'bottom' }),
];

/** The sensor connector with its maker's model put where it belongs. */
const seated = (document: TapisDocument): TapisDocument => ({
  ...document,
  name: 'J4 sensor connector, seated',
  body: {
    ...document.body,
    model: { ...DEMO_MODEL, scale: 25.4, turn: { x: 90 }, x: '-3.1', y: '41', z: '12.485' },
  },
});

/** The demo board with its footprints. @param idOf id of a demo footprint on the Shelf, by its document */
export function demoTrial(
  documents: readonly TapisDocument[],
  idOf: (document: TapisDocument) => string | undefined = () => undefined,
): TrialDocument {
  const footprints: Record<string, TrialFootprint> = {};
  for (const { footprint: key } of PLACES) {
    const document = documents.find(({ name }) => name.startsWith(`${key} `) || name.startsWith(`${key},`));
    if (!document) throw new Error(`the demo has no footprint ${key}`);
    // on the Shelf its model still lies as it came
    const from = key === 'J4' ? undefined : idOf(document);
    footprints[key] = { document: key === 'J4' ? seated(document) : document, ...(from ? { from } : {}) };
  }
  return {
    tapisTrial: 1,
    name: 'Tide-gauge logger board',
    process: 'standard',
    board: { width: '80', height: '50', radius: '3' },
    parts: PLACES.map((one, i) => ({ id: String(i + 1), ...one })),
    covers: [{ id: '1', under: '15', why: 'lid' }],
    keepOuts: [
      {
        id: '1',
        x: '66',
        y: '33',
        width: '13',
        height: '16',
        what: 'components',
        side: 'bottom',
        why: 'antenna',
      },
    ],
    footprints,
  };
}
