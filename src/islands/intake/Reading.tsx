import { FILM_ROLES, type FilmRole } from '../../core/format/artwork/film-roles';
import { PAD_COLUMNS, type PadColumn } from '../../core/format/csv/pad-columns';
import type { PadTable } from '../../core/format/csv/read';
import { DRAWING_ROLES, type DrawingLayer, type DrawingRole } from '../../core/format/dxf/read';
import type { LengthUnit } from '../../core/units/length';
import type { FilmSaid } from '../../core/format/import';
import { Choice, Pick } from '../common/inputs';
import { counted } from '../common/words';

interface Props {
  films: readonly FilmSaid[];
  table: PadTable | null;
  layers: readonly DrawingLayer[];
  onFilm: (name: string, role: FilmRole) => void;
  onLayer: (name: string, role: DrawingRole) => void;
  onColumns: (columns: readonly PadColumn[]) => void;
  onUnit: (unit: LengthUnit) => void;
}

const FILM_WORDS: Readonly<Record<FilmRole, string>> = {
  copper: 'copper, component side',
  'far-copper': 'copper, far side',
  mask: 'mask',
  'far-mask': 'mask, far side',
  paste: 'paste',
  'far-paste': 'paste, far side',
  legend: 'legend',
  'far-legend': 'legend, far side',
  courtyard: 'courtyard',
  body: 'body',
  plated: 'plated holes',
  'non-plated': 'holes without plating',
  drill: 'holes',
  'cut-outs': 'cut-outs',
  leave: 'left out',
};

const DRILL_ROLES: readonly FilmRole[] = ['plated', 'non-plated', 'drill', 'leave'];

const LAYER_WORDS: Readonly<Record<DrawingRole, string>> = {
  lands: 'lands',
  'far-lands': 'lands, far side',
  mask: 'mask',
  'far-mask': 'mask, far side',
  paste: 'paste',
  holes: 'holes',
  body: 'body',
  courtyard: 'courtyard',
  legend: 'legend',
  'keep-out': 'keep-outs',
  edge: 'edge of the board',
  leave: 'left out',
};

const COLUMN_WORDS: Readonly<Record<PadColumn, string>> = {
  number: 'number',
  x: 'x of the middle',
  y: 'y of the middle',
  x1: 'x of a corner or edge',
  y1: 'y of a corner or edge',
  x2: 'x of the opposite one',
  y2: 'y of the opposite one',
  rotation: 'angle',
  length: 'size along x',
  width: 'size along y',
  diameter: 'diameter',
  radius: 'radius',
  shape: 'shape',
  hole: 'hole',
  'hole-x': 'hole along x',
  'hole-y': 'hole along y',
  slot: 'slot length',
  plating: 'plating',
  'mask-length': 'mask along x',
  'mask-width': 'mask along y',
  'paste-length': 'paste along x',
  'paste-width': 'paste along y',
  what: 'what it is',
  pin: 'pin name',
  direction: 'direction',
  side: 'side of the board',
  leave: 'left out',
};

/** What films, layers and columns are taken for: each can be chosen otherwise. */
export function Reading({ films, table, layers, onFilm, onLayer, onColumns, onUnit }: Props) {
  return (
    <>
      {films.map(({ name, role, isDrill, objects }) => (
        <Line key={name} name={name} about={counted(objects, isDrill ? 'hole' : 'object')}>
          <Pick
            className="w-full"
            label={`What ${name} shows`}
            value={role}
            options={(isDrill
              ? DRILL_ROLES
              : FILM_ROLES.filter((one) => !DRILL_ROLES.slice(0, 3).includes(one))
            ).map((one) => [one, FILM_WORDS[one]] as const)}
            onChange={(chosen) => onFilm(name, chosen)}
          />
        </Line>
      ))}
      {layers.map(({ name, role, outlines }) => (
        <Line key={name} name={name} about={counted(outlines, 'outline')}>
          <Pick
            className="w-full"
            label={`What the layer ${name} shows`}
            value={role}
            options={DRAWING_ROLES.map((one) => [one, LAYER_WORDS[one]] as const)}
            onChange={(chosen) => onLayer(name, chosen)}
          />
        </Line>
      ))}
      {table && (
        <>
          <div className="mb-2 flex items-center gap-2">
            <span>Lengths in</span>
            <Choice
              label="Unit of the table"
              options={[
                ['mm', 'mm'],
                ['mil', 'mil'],
                ['in', 'in'],
                ['um', 'µm'],
              ]}
              value={table.unit}
              onChoose={onUnit}
            />
          </div>
          {table.heads.map((head, i) => (
            <Line
              key={i}
              name={head}
              about={table.sample
                .slice(0, 3)
                .map((row) => row[i] ?? '')
                .join(', ')}
            >
              <Pick
                className="w-full"
                label={`What the column ${head} holds`}
                value={table.columns[i] ?? 'leave'}
                options={PAD_COLUMNS.map((one) => [one, COLUMN_WORDS[one]] as const)}
                onChange={(chosen) =>
                  onColumns(table.heads.map((_, k) => (k === i ? chosen : (table.columns[k] ?? 'leave'))))
                }
              />
            </Line>
          ))}
        </>
      )}
    </>
  );
}

function Line({ name, about, children }: { name: string; about: string; children: React.ReactNode }) {
  return (
    <div className="border-base-300 border-t py-1.5">
      <p className="flex gap-2 text-[12px]">
        <span className="min-w-0 truncate" title={name}>
          {name}
        </span>
        <span className="text-secondary ml-auto shrink-0 max-w-[140px] truncate" title={about}>
          {about}
        </span>
      </p>
      {children}
    </div>
  );
}
