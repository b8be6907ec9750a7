import { useState } from 'react';
import { freshId } from '../../core/document/edit';
import type { TrialDocument } from '../../core/document/trial';
import { formatLength } from '../../core/units/length';
import { Heading } from '../common/inputs';
import { attempt } from '../common/trouble';
import { outlineOfFile } from './outline';
import { ChoiceField, LengthField, TextField } from '../fields/choices';
import { useTrial } from './state';

/** The board itself: a rectangle with round corners, or an outline. */
export function BoardFields() {
  const outline = useTrial((s) => s.document.board?.outline);
  const edit = useTrial((s) => s.edit);
  const thickness = useTrial((s) => s.compiled.board.thickness);
  const unit = useTrial((s) => s.unit);
  const [left, setLeft] = useState<readonly string[]>([]);
  const take = (file: File | undefined) =>
    file &&
    void attempt('Reading the outline', async () => {
      const { text, left: some } = await outlineOfFile(file);
      edit([{ at: '/board/outline', value: text }], undefined, `outline from ${file.name}`);
      setLeft(some);
    });
  return (
    <>
      <div className="grid gap-1">
        {outline === undefined ? (
          <>
            <LengthField name="board/width" title="Width" words="board width" />
            <LengthField name="board/height" title="Height" words="board height" />
            <LengthField name="board/radius" title="Corner radius" words="corner radius" computed="0" />
          </>
        ) : (
          <TextField name="board/outline" title="Corners" words="board outline" wide />
        )}
        <LengthField
          name="board/thickness"
          title="Thickness"
          words="board thickness"
          computed={formatLength(thickness, unit)}
        />
      </div>
      <div className="mt-1 flex flex-wrap gap-x-3 text-[12px]">
        {outline === undefined ? (
          <button
            type="button"
            className="text-primary hover:underline"
            onClick={() =>
              edit([{ at: '/board/outline', value: '0,0 80,0 80,50 0,50' }], undefined, 'outline by corners')
            }
          >
            Outline by corners
          </button>
        ) : (
          <button
            type="button"
            className="text-primary hover:underline"
            onClick={() => edit([{ at: '/board/outline', value: undefined }], undefined, 'rectangle again')}
          >
            A rectangle again
          </button>
        )}
        <label className="text-primary relative cursor-pointer hover:underline">
          Outline from a DXF file
          <input
            type="file"
            accept=".dxf"
            className="sr-only"
            aria-label="DXF file with the outline"
            onChange={({ target }) => {
              take(target.files?.[0]);
              target.value = '';
            }}
          />
        </label>
      </div>
      {left.length > 0 && (
        <p role="status" className="text-secondary text-[12px]">
          Of the drawing: {left.join('; ').replace(/\.$/, '')}.
        </p>
      )}
    </>
  );
}

type Lists = 'covers' | 'keepOuts';

/** Covers over the board, and areas that it keeps free. */
export function AreaFields() {
  const covers = useTrial((s) => s.document.covers);
  const keepOuts = useTrial((s) => s.document.keepOuts);
  return (
    <>
      <Heading>Covers</Heading>
      {(covers ?? []).map(({ id, why }) => (
        <Area key={id} list="covers" id={id} name={why ?? `Cover ${id}`}>
          <LengthField name={`covers/${id}/under`} title="Underside" words={`underside of cover ${id}`} />
          <Place list="covers" id={id} />
          <ChoiceField
            name={`covers/${id}/side`}
            title="Over"
            words={`side of cover ${id}`}
            usual="top"
            options={SIDES}
          />
          <TextField name={`covers/${id}/why`} title="What" words={`what cover ${id} is`} wide />
        </Area>
      ))}
      <AddButton list="covers" words="Add a cover" value={{ under: '10' }} />
      <Heading>Areas kept free</Heading>
      {(keepOuts ?? []).map(({ id, why }) => (
        <Area key={id} list="keepOuts" id={id} name={why ?? `Area ${id}`}>
          <ChoiceField
            name={`keepOuts/${id}/what`}
            title="Free of"
            words={`what area ${id} is free of`}
            usual={NEVER}
            options={WHAT}
          />
          <ChoiceField
            name={`keepOuts/${id}/side`}
            title="On"
            words={`side of area ${id}`}
            usual="both"
            options={BOTH}
          />
          <Place list="keepOuts" id={id} />
          <LengthField
            name={`keepOuts/${id}/diameter`}
            title="or Diameter"
            words={`diameter of area ${id}`}
          />
          <TextField name={`keepOuts/${id}/why`} title="Why" words={`why area ${id} is kept free`} wide />
        </Area>
      ))}
      <AddButton
        list="keepOuts"
        words="Add an area"
        value={{ x: '0', y: '0', width: '10', height: '10', what: 'components' }}
      />
    </>
  );
}

const SIDES = [
  ['top', 'the top'],
  ['bottom', 'the bottom'],
] as const;
const BOTH = [['both', 'both sides'], ...SIDES] as const;
/** What is always written: the document says what an area is free of. */
const NEVER = '' as string;
const WHAT: readonly (readonly [string, string])[] = [
  ['components', 'components'],
  ['copper', 'copper'],
  ['vias', 'holes'],
  ['everything', 'everything'],
];

function Place({ list, id }: { list: Lists; id: string }) {
  const at = `${list}/${id}`;
  const name = list === 'covers' ? `cover ${id}` : `area ${id}`;
  return (
    <>
      <LengthField name={`${at}/x`} title="x" words={`x of ${name}`} computed="0" />
      <LengthField name={`${at}/y`} title="y" words={`y of ${name}`} computed="0" />
      <LengthField
        name={`${at}/width`}
        title="Width"
        words={`width of ${name}`}
        computed={list === 'covers' ? 'whole board' : ''}
      />
      <LengthField
        name={`${at}/height`}
        title="Height"
        words={`height of ${name}`}
        computed={list === 'covers' ? 'whole board' : ''}
      />
    </>
  );
}

function Area({
  list,
  id,
  name,
  children,
}: {
  list: Lists;
  id: string;
  name: string;
  children: React.ReactNode;
}) {
  const edit = useTrial((s) => s.edit);
  const problem = useTrial(
    (s) => s.compiled.problems.find(({ place }) => place.field === `/${list}/${id}`)?.message,
  );
  return (
    <details className="border-base-300 border-b py-0.5" open={problem !== undefined || undefined}>
      <summary className="hover:bg-base-200 cursor-pointer">{name}</summary>
      <div className="grid justify-items-start gap-1 py-1">
        {problem && <p className="text-error text-[12px]">{problem}</p>}
        {children}
        <button
          type="button"
          className="text-error text-[12px] hover:underline"
          onClick={() => edit([{ at: `/${list}/${id}`, value: undefined }], undefined, `remove ${name}`)}
        >
          Remove
        </button>
      </div>
    </details>
  );
}

function AddButton({ list, words, value }: { list: Lists; words: string; value: object }) {
  const trial = useTrial((s) => s.document);
  const edit = useTrial((s) => s.edit);
  const add = () => {
    const there: TrialDocument[Lists] = trial[list];
    const id = freshId(there ?? []);
    edit(
      [
        there
          ? { at: `/${list}/${id}`, value: { id, ...value } }
          : { at: `/${list}`, value: [{ id, ...value }] },
      ],
      undefined,
      words.toLowerCase(),
    );
  };
  return (
    <button type="button" className="text-primary mt-1 text-[12px] hover:underline" onClick={add}>
      {words}
    </button>
  );
}
