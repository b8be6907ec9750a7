import { FAULT } from '../../core/footprint/fault';
import { memo } from 'react';
import { download } from '../common/download';
import { shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { Drawing } from '../sheet/CardDrawing';
import { deleteFootprints } from './deleting';
import { useDrawing } from './drawings';
import type { Shelved } from './useLibrary';
import { VERDICTS } from '../common/verdict';

interface Props {
  shelved: Shelved;
  selected: boolean;
  onSelect: (id: string, isOn: boolean, isRange: boolean) => void;
  onDrag: (id: string) => void;
}

/** One footprint on the Shelf: its drawing, its names, its verdict. */
export const Card = memo(function Card({ shelved, selected, onSelect, onDrag }: Props) {
  const { entry, facts } = shelved;
  const { id, name, revision, tags = [] } = entry;
  const drawing = useDrawing(id, revision, facts !== null);
  const verdict = facts && VERDICTS[facts.verdict];
  return (
    <div
      role="listitem"
      aria-label={name}
      className={`bg-base-100 hover:border-primary group relative flex flex-col overflow-hidden border ${selected ? 'border-primary outline-primary outline' : 'border-base-300'}`}
      draggable
      onDragStart={() => onDrag(id)}
    >
      <input
        type="checkbox"
        className="checkbox checkbox-xs absolute top-1.5 left-1.5 z-10"
        aria-label={`Select ${name}`}
        checked={selected}
        onChange={() => undefined}
        onClick={(event) => onSelect(id, !selected, event.shiftKey)}
      />
      <a href={`/bench/${id}`} className="block" title={`Open ${name}`} draggable={false}>
        <div className="bg-base-200 border-base-300 grid h-[150px] place-content-center border-b">
          {drawing ? (
            <>
              <Drawing drawing={drawing} of={facts?.standardName ?? name} />
              <span className="text-secondary absolute top-1 right-2 text-[11px]">
                {drawing.magnified} : 1
              </span>
            </>
          ) : (
            <span className="text-secondary px-3">{undrawn(shelved)}</span>
          )}
        </div>
        <div className="px-3 pt-2">
          <p className="text-[15px] leading-tight font-semibold wrap-anywhere" title={name}>
            {name}
          </p>
          <p className="text-secondary leading-tight wrap-anywhere">
            {facts ? (facts.standardName ?? facts.title) : ' '}
          </p>
          <p className={`leading-tight ${verdict?.colour ?? ''}`} title={facts?.finding?.message}>
            {verdict && (
              <>
                <span aria-hidden="true">{verdict.sign}</span> {facts?.finding?.title ?? verdict.words}
              </>
            )}
          </p>
        </div>
      </a>
      <div className="text-secondary mt-1 px-3 pb-2 text-[12px] leading-tight">
        {entry.base !== undefined && 'variant · '}
        {facts && `level ${facts.level} · ${facts.process}`}
        {tags.map((tag) => (
          <span key={tag} className="border-base-300 ml-1.5 border px-1">
            {tag}
          </span>
        ))}
        <Approved by={shelved.approvals} />
      </div>
      <div className="mt-auto flex gap-1 px-2 pb-2">
        <button
          type="button"
          className="btn btn-xs px-1.5"
          onClick={() => void attempt(`Duplicating ${name}`, () => shelf.duplicate(id))}
        >
          Duplicate
        </button>
        <button
          type="button"
          className="btn btn-xs px-1.5"
          title="It holds what differs, and follows this one in the rest"
          onClick={() => void variantOf(id)}
        >
          Variant
        </button>
        <button type="button" className="btn btn-xs px-1.5" onClick={() => void exportOne(shelved)}>
          Export
        </button>
        <button
          type="button"
          className="btn btn-xs ml-auto px-1.5"
          onClick={() => void deleteFootprints([entry])}
        >
          Delete
        </button>
      </div>
    </div>
  );
});

/** Who stands for a footprint, shortly; in whole where the pointer rests. */
export function Approved({ by: [best, ...others] }: { by: Shelved['approvals'] }) {
  if (!best) return null;
  return (
    <span
      className={`block ${best.holds ? 'text-success' : 'text-warning'}`}
      title={[best, ...others].map(({ words }) => words).join('\n')}
    >
      {best.holds ? `✓ ${best.short}` : `▲ ${best.words}`}
    </span>
  );
}

/** Makes a variant and opens it. */
async function variantOf(id: string): Promise<void> {
  const [{ makeVariant }, { PLAIN_VARIANT }] = await Promise.all([
    import('../common/kin'),
    import('../../core/library/variant'),
  ]);
  await makeVariant(id, PLAIN_VARIANT);
}

/** Why there is no drawing. */
export function undrawn({ facts }: Shelved): string {
  if (!facts) return '';
  if (facts.standardName !== null) return '';
  return facts.finding?.rule === FAULT ? facts.finding.message : 'dimensions incomplete';
}

async function exportOne({ entry, facts }: Shelved): Promise<void> {
  await attempt(`Exporting ${entry.name}`, async () => {
    const stored = await shelf.get(entry.id);
    // documents are written by what declares them, which the page can do without
    const { documentFile } = await import('../common/document-file');
    if (stored) download(documentFile(stored.document, facts?.standardName ?? undefined));
  });
}
