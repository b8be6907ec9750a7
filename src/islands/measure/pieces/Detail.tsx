import type { ReactNode } from 'react';
import type { PieceIntent } from '../../../core/document/pieces';
import { USUAL_COLOURS } from '../../../core/body/colours';
import { hasToe } from '../../../core/package/composed/element';
import { Pick } from '../../common/inputs';
import { EntryInput } from '../../fields/EntryInput';
import { useFault } from '../../fields/fault';
import { useWritten } from '../../fields/useEntry';
import { useBench } from '../../state/context';
import { Differ } from './Differ';
import { addPiece, freshPieceId, movePiece, pieceAt } from './edits';
import { Gaps, Numbers } from './Numbers';
import { OutlineFromDrawing } from './Outline';
import { InlineChoice } from './Sentence';

/** What a piece's sentence leaves unsaid. */
export function Detail({ piece }: { piece: PieceIntent }) {
  const arrangement = piece.as ?? 'single';
  const { what } = piece;
  return (
    <div className="border-base-300 mt-1 grid grid-cols-2 gap-x-2 gap-y-1 border-t pt-1 text-[12px]">
      <Entry piece={piece} name="name" title="Called" />
      {arrangement !== 'mirror' && arrangement !== 'repeat' && <Arrangement piece={piece} />}
      {arrangement === 'row' && <Entry piece={piece} name="stagger" title="Every other one off by" />}
      {(arrangement === 'row' || arrangement === 'facing') && (
        <Entry piece={piece} name="steps" title="Steps one by one" />
      )}
      {arrangement === 'facing' && <Choice piece={piece} name="towards" title="Rows run" />}
      {arrangement !== 'single' && <Entry piece={piece} name="omit" title="Left out" />}
      {arrangement === 'places' && <Entry piece={piece} name="points" title="Places" />}
      {what === 'terminal' && arrangement !== 'facing' && hasToe(piece.form) && (
        <Choice piece={piece} name="toe" title="Toe points" />
      )}
      {what === 'terminal' && arrangement === 'facing' && (
        <>
          <Entry piece={piece} name="inside" title="Distance between, S" />
          <Entry piece={piece} name="between" title="Body between" />
          <Entry piece={piece} name="under" title="Standoff" />
        </>
      )}
      {(what === 'land' || what === 'terminal') && (
        <Entry piece={piece} name="radius" title="Corner radius" />
      )}
      {(piece.shape === 'contour' || piece.shape === 'outline') && (
        <>
          <Entry piece={piece} name="contour" title="Corners as x,y" />
          <OutlineFromDrawing piece={piece} />
        </>
      )}
      {piece.shape === 'turned' && <Entry piece={piece} name="profile" title="Profile as radius,height" />}
      {what === 'peg' && <Entry piece={piece} name="hole" title="Its hole" />}
      {(what === 'keep-out' || what === 'mask-window' || what === 'land') && (
        <Choice piece={piece} name="side" title="On" />
      )}
      {what === 'body' && (
        <>
          <Entry piece={piece} name="draft" title="Draft, degrees" />
          <Choice piece={piece} name="shape" title="Shape" />
          <Choice piece={piece} name="material" title="Of" />
          <Colour piece={piece} />
        </>
      )}
      {what === 'pin' && (
        <>
          <Entry piece={piece} name="bottom" title="Reaches down to" />
          <Entry piece={piece} name="shoulder" title="Shoulder on the board" />
        </>
      )}
      <Entry piece={piece} name="angle" title="Turned as a whole" />
      {arrangement !== 'single' && <Entry piece={piece} name="turned" title="Each turned" />}
      <Edges piece={piece} axis="x" />
      <Edges piece={piece} axis="y" />
      <Numbers piece={piece} />
      <Gaps piece={piece} />
      {arrangement !== 'single' && arrangement !== 'mirror' && arrangement !== 'repeat' && (
        <Differ piece={piece} />
      )}
      <StepChoice />
      <Actions piece={piece} />
    </div>
  );
}

interface PartProps {
  piece: PieceIntent;
  name: string;
  title: string;
}

function Line({ title, children }: { title: string; children: ReactNode }) {
  return (
    <label className="flex min-w-0 flex-col">
      <span className="text-secondary">{title}</span>
      {children}
    </label>
  );
}

function Entry({ piece, name, title }: PartProps) {
  const at = `${pieceAt(piece.id)}/${name}`;
  const field = useWritten(at);
  const faulty = useFault(at).words !== null;
  return (
    <Line title={title}>
      <EntryInput
        field={field}
        tone={faulty ? 'fault' : 'plain'}
        className="w-full py-[1px]"
        aria-invalid={faulty}
        data-piece-field={at}
      />
    </Line>
  );
}

function Choice({ piece, name, title }: PartProps) {
  return (
    <Line title={title}>
      <span>
        <InlineChoice piece={piece} field={name} label={title} />
      </span>
    </Line>
  );
}

/** The colour of a body, or that of its material. */
function Colour({ piece }: { piece: PieceIntent }) {
  const edit = useBench((s) => s.edit);
  const at = `${pieceAt(piece.id)}/colour`;
  const usual = useBench((s) => s.document.body?.colours?.[piece.material ?? 'moulding']);
  return (
    <div className="flex min-w-0 flex-col">
      <span className="text-secondary">Colour</span>
      <span className="flex items-center gap-2">
        <input
          type="color"
          className="border-base-300 h-5 w-6 border bg-transparent p-0"
          aria-label={`Colour of ${piece.name ?? 'the body'}`}
          value={piece.colour ?? usual ?? USUAL_COLOURS[piece.material ?? 'moulding']}
          onChange={({ target: { value } }) => edit([{ at, value }], `colour ${piece.id}`)}
        />
        {piece.colour && (
          <button
            type="button"
            className="text-primary hover:underline"
            onClick={() => edit([{ at, value: undefined }])}
          >
            usual one
          </button>
        )}
      </span>
    </div>
  );
}

const EDGES = {
  x: [
    ['low', 'left edge'],
    ['centre', 'middle'],
    ['high', 'right edge'],
  ],
  y: [
    ['low', 'lower edge'],
    ['centre', 'middle'],
    ['high', 'upper edge'],
  ],
} as const;

const ARRANGED = [
  ['single', 'one'],
  ['row', 'a row'],
  ['facing', 'two rows'],
  ['array', 'an array'],
  ['ring', 'a ring'],
  ['places', 'at places'],
] as const;

/** Sizes that an arrangement needs where they were not said yet. */
const NEEDED: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  row: { n: '2', step: '2.54' },
  facing: { n: '2', step: '2.54', apart: '7.62' },
  array: { n: '2', rows: '2', step: '2.54', stepY: '2.54' },
  ring: { n: '4', ring: '10' },
  places: { points: '0,0' },
};

function Arrangement({ piece }: { piece: PieceIntent }) {
  const edit = useBench((s) => s.edit);
  const at = pieceAt(piece.id);
  return (
    <Line title="Arranged as">
      <Pick
        value={piece.as ?? 'single'}
        options={ARRANGED}
        onChange={(as) =>
          edit([
            { at: `${at}/as`, value: as === 'single' ? undefined : as },
            ...Object.entries(NEEDED[as] ?? {})
              .filter(([field]) => (piece as unknown as Record<string, unknown>)[field] === undefined)
              .map(([field, value]) => ({ at: `${at}/${field}`, value })),
          ])
        }
      />
    </Line>
  );
}

/** From which edge to which edge a length is measured. */
function Edges({ piece, axis }: { piece: PieceIntent; axis: 'x' | 'y' }) {
  const edit = useBench((s) => s.edit);
  const [from, mine] = axis === 'x' ? (['xFrom', 'xMine'] as const) : (['yFrom', 'yMine'] as const);
  const at = pieceAt(piece.id);
  const write = (side: string, edge: string) =>
    edit([{ at: `${at}/${side}/edge`, value: edge === 'centre' ? undefined : edge }]);
  return (
    <div className="col-span-2 flex items-center gap-1">
      <span className="text-secondary shrink-0">{axis === 'x' ? 'Right from the' : 'Up from the'}</span>
      <Pick
        label={`${axis} from`}
        value={piece[from]?.edge ?? 'centre'}
        options={EDGES[axis]}
        disabled={!piece[from]?.of}
        onChange={(edge) => write(from, edge)}
      />
      <span className="text-secondary shrink-0">to the</span>
      <Pick
        label={`${axis} to`}
        value={piece[mine]?.edge ?? 'centre'}
        options={EDGES[axis]}
        onChange={(edge) => write(mine, edge)}
      />
    </div>
  );
}

const STEPS = [
  [0.01, '0.01 mm'],
  [0.05, '0.05 mm'],
  [0.1, '0.1 mm'],
  [0.5, '0.5 mm'],
  [0.635, '25 mil'],
  [1.27, '50 mil'],
] as const;

/** By how much arrow keys and dragging move a piece. */
function StepChoice() {
  const step = useBench((s) => s.pieceStep);
  const set = useBench((s) => s.set);
  return (
    <div className="col-span-2 flex items-center gap-2">
      <span className="text-secondary shrink-0">Arrow keys and dragging move it by</span>
      <Pick
        label="Step of moving"
        value={step}
        options={STEPS}
        onChange={(pieceStep) => set({ pieceStep })}
      />
    </div>
  );
}

function Actions({ piece }: { piece: PieceIntent }) {
  const document = useBench((s) => s.document);
  const edit = useBench((s) => s.edit);
  const add = (more: Partial<PieceIntent>) => {
    const { numbers: _numbers, ...rest } = piece;
    edit(addPiece(document, { ...rest, ...more, id: freshPieceId(document) }, piece.id));
  };
  const button = (title: string, act: () => void) => (
    <button type="button" className="text-primary hover:underline" onClick={act}>
      {title}
    </button>
  );
  return (
    <div className="col-span-2 flex flex-wrap gap-x-3">
      {button('Duplicate', () => add({ ...(piece.name ? { name: `${piece.name} 2` } : {}) }))}
      {button('Mirror', () => {
        const mirror: PieceIntent = {
          id: freshPieceId(document),
          name: `mirror of ${piece.name ?? piece.id}`,
          what: piece.what,
          as: 'mirror',
          of: piece.id,
        };
        edit(addPiece(document, mirror, piece.id));
      })}
      {button('Up', () => edit(movePiece(document, piece.id, -1)))}
      {button('Down', () => edit(movePiece(document, piece.id, 1)))}
      {button('Remove', () => edit([{ at: pieceAt(piece.id), value: undefined }]))}
    </div>
  );
}
