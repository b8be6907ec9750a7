import { ROLE_WORDS, TEXT_ROLES } from '../../core/lists/columns';
import type { ListColumn } from '../../core/lists/list';
import { CATALOGUE } from '../../core/package/catalogue';
import { Pick } from '../common/inputs';

interface Props {
  columns: readonly ListColumn[];
  /** Families that rows are of. */
  families: readonly string[];
  settled: Readonly<Record<string, string>>;
  /** `null` takes the proposal again. */
  onSettle: (head: string, role: string | null) => void;
}

/** What each column is taken for, with its reason; the doubtful are marked. */
export function ColumnRoles({ columns, families, settled, onSettle }: Props) {
  // where no family is known yet, those of chips are offered: most lists are of them
  const known = families.length > 0 ? families : ['rectangular-chip'];
  const symbols = CATALOGUE.filter(({ id }) => known.includes(id)).flatMap(({ dimensions }) =>
    dimensions.map(({ symbol, name }) => [symbol, `${symbol}, ${name.toLowerCase()}`] as const),
  );
  const options = [
    ...new Map(symbols),
    ...TEXT_ROLES.map((role) => [role, ROLE_WORDS[role]] as const),
    ['left', 'left out'] as const,
  ];
  return (
    <section
      aria-label="Columns"
      className="border-base-300 flex flex-wrap gap-x-4 gap-y-1.5 border-b px-4 py-2"
    >
      {columns.map(({ index, head, role, reason, doubt }) => {
        const isSettled = Object.hasOwn(settled, head);
        return (
          <div
            key={index}
            className={`w-[150px] border-l-2 pl-2 text-[12px] ${doubt ? 'border-warning' : role === 'left' ? 'border-base-300' : 'border-primary'}`}
          >
            <p className="truncate font-semibold" title={head}>
              {doubt ? '▲ ' : ''}
              {head || 'no head'}
            </p>
            <Pick
              className="w-full"
              label={`What “${head}” holds`}
              value={role}
              options={options.some(([id]) => id === role) ? options : [[role, role] as const, ...options]}
              onChange={(next) => onSettle(head, next)}
            />
            <p className="text-secondary line-clamp-2" title={doubt ?? reason}>
              {doubt ?? reason}
            </p>
            {isSettled && (
              <button type="button" className="link" onClick={() => onSettle(head, null)}>
                As proposed
              </button>
            )}
          </div>
        );
      })}
    </section>
  );
}
