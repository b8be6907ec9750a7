import { keepLook, keptLook } from '../common/look';
import { COLUMNS, rowColumns, type Column } from './Row';

const KEPT = 'tapis-shelf-columns';
const USUAL: readonly Column[] = ['standardName', 'pins', 'pitch', 'body', 'height', 'process', 'changed'];
const ALL = Object.keys(COLUMNS) as Column[];

/** The columns that were chosen last. */
export function keptColumns(): readonly Column[] {
  const kept = keptLook(KEPT)?.split(' ') ?? [];
  const known = ALL.filter((column) => kept.includes(column));
  return known.length > 0 ? known : USUAL;
}

/** Heads of the list's columns, and which of them there are. */
export function ListHead({
  columns,
  onColumns,
}: {
  columns: readonly Column[];
  onColumns: (columns: readonly Column[]) => void;
}) {
  const toggle = (column: Column) => {
    const next = ALL.filter((one) => (one === column ? !columns.includes(one) : columns.includes(one)));
    if (next.length === 0) return;
    onColumns(next);
    keepLook(KEPT, next.join(' '));
  };
  return (
    <>
      <details className="mb-2 text-[12px]">
        <summary className="text-secondary cursor-pointer">Columns</summary>
        <p className="mt-1 flex flex-wrap gap-2">
          {ALL.map((column) => (
            <button
              key={column}
              type="button"
              className={`btn btn-xs ${columns.includes(column) ? 'btn-primary' : ''}`}
              aria-pressed={columns.includes(column)}
              onClick={() => toggle(column)}
            >
              {COLUMNS[column]}
            </button>
          ))}
        </p>
      </details>
      <div
        className="text-secondary border-base-300 grid items-center gap-2 border-b pb-0.5 text-[12px]"
        style={{ gridTemplateColumns: rowColumns(columns.length) }}
      >
        <span />
        <span />
        <span>Name</span>
        <span />
        {columns.map((column) => (
          <span key={column} className="truncate">
            {COLUMNS[column]}
          </span>
        ))}
      </div>
    </>
  );
}
