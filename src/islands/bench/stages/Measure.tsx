import { useEffect, useRef, useState } from 'react';
import type { SheetUnit } from '../../../core/document/document';
import { MISSING } from '../../../core/document/finding';
import { Alike } from '../../measure/Alike';
import { DIMENSION_COLUMNS, DimensionRow } from '../../measure/DimensionRow';
import { goToNextEntry, moveInGrid } from '../../measure/grid-keys';
import { NameOffer } from '../../measure/NameOffer';
import { OutlineDrawing } from '../../measure/OutlineDrawing';
import { outlineEdits } from '../../../core/document/entries';
import { COMPOSED } from '../../../core/document/own-family';
import { sheetUnitEdits } from '../../../core/document/sheet-unit';
import type { OptionDefinition, StandardOutline } from '../../../core/package/definitions';
import { Pick } from '../../common/inputs';
import { later } from '../../common/later';
import { EntryInput } from '../../fields/EntryInput';
import { FaultWords, toldOf, useFault } from '../../fields/fault';
import { useWritten } from '../../fields/useEntry';
import { useBench } from '../../state/context';
import { lettersOfSheet } from '../../state/letters';

/** Loaded ahead with the other stages: what is typed into it right away is not lost. */
export const Gallery = later('The gallery', async () => (await import('../../gallery/Gallery')).Gallery);
const StageFinding = later('This finding', async () => (await import('../StageFinding')).StageFinding);
const Alternates = later('Second sources', async () => (await import('../../measure/Alternates')).Alternates);
const Pieces = later('The pieces', async () => (await import('../../measure/pieces/Pieces')).Pieces);

const UNITS: readonly SheetUnit[] = ['mm', 'mil', 'in'];

/** The datasheet's drawing as fields, in the order in which datasheets list them. */
export function Measure() {
  const document = useBench((s) => s.document);
  const resolved = useBench((s) => s.derived.compiled.resolved);
  const findings = useBench((s) => s.derived.report.findings);
  const active = useBench((s) => s.activeDimension);
  const edit = useBench((s) => s.edit);
  const set = useBench((s) => s.set);
  const letters = useBench((s) => s.letters);
  const hasOwnLetters = useBench((s) => lettersOfSheet(s).size > 0);
  const [choosing, setChoosing] = useState(false);
  const table = useRef<HTMLDivElement>(null);
  const title = resolved?.title ?? document.package.family;
  const unit = document.package.unit ?? 'mm';
  const implausible = findings
    .map((finding, index) => ({ finding, index }))
    .filter(
      ({ finding }) =>
        finding.stage === 'measure' &&
        !['entry', MISSING].includes(finding.rule) &&
        finding.severity !== 'note',
    );

  // a new footprint starts with its first number
  useEffect(() => {
    if (Object.keys(document.package.dimensions).length > 0) return;
    table.current?.querySelector<HTMLInputElement>('input[data-entry]')?.focus();
    // only when the stage is entered
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);

  return (
    <>
      <h1 className="text-[15px] font-semibold">Measure</h1>
      {choosing && (
        <Gallery
          onChoose={(kind) => {
            setChoosing(false);
            edit(
              kind.package
                ? [{ at: '/package', value: kind.package }]
                : [{ at: '/package/family', value: kind.id }],
            );
          }}
          onClose={() => setChoosing(false)}
        />
      )}
      <div className="mt-1.5 flex gap-2">
        <button
          type="button"
          className="btn btn-sm btn-outline border-base-300 min-w-0 flex-1 justify-start font-medium"
          aria-label={`Package family: ${title}`}
          title="Choose another package family"
          onClick={() => setChoosing(true)}
        >
          <span className="truncate">{title}</span>
        </button>
        <Pick
          className="w-[72px]"
          label="Unit of the datasheet"
          title="Unit of plain numbers in the datasheet"
          value={unit}
          options={UNITS.map((u) => [u, u] as const)}
          onChange={(u) => edit(sheetUnitEdits(document, u))}
        />
      </div>
      {resolved?.choices.map((option) => (
        <OptionField key={option.id} option={option} value={resolved.options[option.id] ?? ''} />
      ))}
      {resolved && <OutlineChoice outlines={resolved.outlines} />}
      <div className="mt-1.5 flex items-baseline gap-2">
        <button type="button" className="btn btn-sm" onClick={() => set({ source: { kind: 'none' } })}>
          Read the datasheet
        </button>
        <SourceField />
      </div>
      <div ref={table} role="group" aria-label="Dimensions" onKeyDown={moveInGrid}>
        <div
          className={`text-secondary border-base-300 mt-1.5 grid ${DIMENSION_COLUMNS} gap-x-1 border-b pb-0.5 text-[12px]`}
        >
          <span>dimension</span>
          <span>as printed, {unit}</span>
          <span className="pl-1">{unit === 'mm' ? 'mil' : 'mm'}</span>
          <span title="The datasheet’s own letter; the right arrow key goes there from the end of an entry">
            label
          </span>
        </div>
        {resolved?.dimensions
          .filter(({ asked }) => asked)
          .map((dimension) => (
            <DimensionRow
              key={dimension.definition.symbol}
              dimension={dimension}
              onCommit={(input) => goToNextEntry(table.current, input)}
            />
          ))}
      </div>
      {hasOwnLetters && (
        <label className="text-secondary mt-1.5 flex cursor-pointer items-center gap-2 text-[12px]">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={letters}
            onChange={(event) => set({ letters: event.target.checked })}
          />
          Call them as the datasheet does, in drawing and findings
        </label>
      )}
      {implausible.map(({ finding, index }) => (
        <StageFinding key={`${finding.rule} ${index}`} finding={finding} index={index} framed />
      ))}
      <NameOffer />
      {document.package.family === COMPOSED && !document.package.own ? (
        <Pieces />
      ) : (
        <OutlineDrawing active={active} />
      )}
      {document.package.own && <OwnPieces />}
      {document.alternates?.length ? (
        <Alternates />
      ) : (
        resolved && (
          <button
            type="button"
            className="text-primary mt-4 underline"
            onClick={() => edit([{ at: '/alternates', value: [{ id: '1', unit }] }])}
          >
            Add a second source
          </button>
        )
      )}
      <Alike />
    </>
  );
}

/** What a part of a family of one's own is made of, folded: the family has said it already. */
function OwnPieces() {
  const count = useBench((s) => s.document.package.pieces?.length ?? 0);
  const open = useBench((s) => s.piecesOpen);
  const set = useBench((s) => s.set);
  // a piece that is being added or was chosen on the drawing is to be seen
  const wanted = useBench((s) => s.addingPiece || s.piece !== null);
  useEffect(() => {
    if (wanted) set({ piecesOpen: true });
  }, [wanted, set]);
  return (
    <details
      className="mt-3"
      open={open}
      onToggle={({ currentTarget }) => set({ piecesOpen: currentTarget.open })}
    >
      <summary className="cursor-pointer">
        Family of your own, {count} piece{count === 1 ? '' : 's'}
      </summary>
      {open && <Pieces />}
    </details>
  );
}

/** A choice of the family, or a text such as the missing places of a grid. */
function OptionField({
  option: { id, name, choices, help = '' },
  value,
}: {
  option: OptionDefinition;
  value: string;
}) {
  const edit = useBench((s) => s.edit);
  const at = `/package/options/${id}`;
  const field = useWritten(at);
  const fault = useFault(at);
  return (
    <div className="mt-1.5">
      <label className="flex items-center gap-2">
        <span className="text-secondary w-20">{name}</span>
        {choices.length > 0 ? (
          <Pick
            value={value}
            options={choices.map((choice) => [choice.id, choice.name] as const)}
            onChange={(next) => edit([{ at, value: next }])}
          />
        ) : (
          <EntryInput
            field={field}
            className="flex-1 py-0.5"
            title={help}
            placeholder={help}
            maxLength={4000}
            {...toldOf(fault)}
          />
        )}
      </label>
      <FaultWords fault={fault} />
    </div>
  );
}

/** Common sizes to start from; every number says that it is typical and not from a datasheet. */
function OutlineChoice({ outlines }: { outlines: readonly StandardOutline[] }) {
  const document = useBench((s) => s.document);
  const edit = useBench((s) => s.edit);
  if (outlines.length === 0) return null;
  const typed = Object.keys(document.package.dimensions).length > 0;
  return (
    <label className="mt-1.5 flex items-center gap-2">
      <span className="text-secondary w-20">Start from</span>
      <Pick
        value=""
        title={typed ? 'Replaces the dimensions that the typical size has; undo brings them back' : undefined}
        options={[
          [
            '',
            outlines.every(({ where }) => where) ? 'a size of its table' : 'a typical size, not a datasheet',
          ],
          ...outlines.map(({ name, source }) => [name, `${name}: ${source}`] as const),
        ]}
        onChange={(chosen) => {
          const outline = outlines.find(({ name }) => name === chosen);
          if (outline) edit(outlineEdits(document, outline));
        }}
      />
    </label>
  );
}

function SourceField() {
  const field = useWritten('/package/source');
  return (
    <input
      className="hover:border-base-300 focus:border-primary text-secondary min-w-0 flex-1 border-b border-transparent bg-transparent py-0.5 text-[12px]"
      aria-label="Datasheet, revision and page"
      placeholder="Datasheet, revision, page"
      value={field.text}
      maxLength={300}
      onChange={({ target }) => field.onChange(target.value)}
      onFocus={field.begin}
      onKeyDown={field.onKeyDown}
    />
  );
}
