import { memo } from 'react';
import { formatNumber } from '../../core/units/length';
import { Drawing } from '../sheet/CardDrawing';
import { useDrawing } from './drawings';
import type { Shelved } from './useLibrary';
import { VERDICTS } from '../common/verdict';

/** What a row of the list shows beside the name. */
export const COLUMNS = {
  standardName: 'Standard name',
  title: 'Kind',
  pins: 'Pins',
  pitch: 'Pitch, mm',
  body: 'Body, mm',
  height: 'Height, mm',
  level: 'Level',
  process: 'Process',
  group: 'Group',
  tags: 'Tags',
  changed: 'Changed',
  approved: 'Approved',
} as const;
export type Column = keyof typeof COLUMNS;

const mm = (value: number | null | undefined) => (typeof value === 'number' ? formatNumber(value, 2, 2) : '');

/** What a footprint has in a column, as it is shown. */
export function cellOf({ entry, facts, path, approvals }: Shelved, column: Column): string {
  switch (column) {
    case 'standardName':
      return facts?.standardName ?? '';
    case 'title':
      return facts?.title ?? '';
    case 'pins':
      return facts?.pins === null || facts === null ? '' : String(facts.pins);
    case 'pitch':
      return mm(facts?.pitch);
    case 'height':
      return mm(facts?.height);
    case 'body':
      return facts?.body ? facts.body.map((side) => formatNumber(side, 2, 2)).join(' × ') : '';
    case 'level':
      return facts?.level ?? '';
    case 'process':
      return facts?.process ?? '';
    case 'group':
      return path;
    case 'tags':
      return (entry.tags ?? []).join(', ');
    case 'approved':
      return approvals.map(({ words, holds }) => `${holds ? '✓' : '▲'} ${words}`).join('; ');
    case 'changed':
      return new Date(entry.updatedAt).toISOString().slice(0, 10);
  }
}

interface Props {
  shelved: Shelved;
  columns: readonly Column[];
  selected: boolean;
  onSelect: (id: string, isOn: boolean, isRange: boolean) => void;
  onDrag: (id: string) => void;
}

/** One footprint in a line. */
export const Row = memo(function Row({ shelved, columns, selected, onSelect, onDrag }: Props) {
  const { entry, facts } = shelved;
  const { id, name, revision } = entry;
  const drawing = useDrawing(id, revision, facts !== null);
  const verdict = facts && VERDICTS[facts.verdict];
  return (
    <div
      role="listitem"
      className={`border-base-300 hover:bg-base-200 grid h-9 items-center gap-2 border-b ${selected ? 'bg-base-200' : ''}`}
      style={{ gridTemplateColumns: rowColumns(columns.length) }}
      draggable
      onDragStart={() => onDrag(id)}
    >
      <input
        type="checkbox"
        className="checkbox checkbox-xs"
        aria-label={`Select ${name}`}
        checked={selected}
        onChange={() => undefined}
        onClick={(event) => onSelect(id, !selected, event.shiftKey)}
      />
      <span className="grid h-8 w-14 place-content-center overflow-hidden" aria-hidden="true">
        {drawing && (
          <Drawing drawing={drawing} of="" height={Math.min(28, (54 * drawing.height) / drawing.width)} />
        )}
      </span>
      <a href={`/bench/${id}`} className="truncate font-semibold" title={`Open ${name}`} draggable={false}>
        {name}
      </a>
      <span className={verdict?.colour ?? ''} title={facts?.finding?.message}>
        {verdict?.sign} <span className="sr-only">{verdict?.words}</span>
      </span>
      {columns.map((column) => (
        <span key={column} className="text-secondary truncate text-[12px] tabular-nums">
          {cellOf(shelved, column)}
        </span>
      ))}
    </div>
  );
});

/** Widths of the columns of the list: of the tick, the thumbnail, the name, the verdict, and what was chosen. */
export const rowColumns = (count: number): string =>
  `20px 60px minmax(120px, 2fr) 18px repeat(${count}, minmax(0, 1fr))`;
