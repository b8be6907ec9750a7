import type { SheetUnit } from '../../core/document/document';
import { kindById } from '../../core/source/kinds';
import type { SourceReading } from '../../core/source/reading';
import type { Guess } from '../../workers/jobs/read-table';
import { Pick } from '../common/inputs';

interface Props {
  readonly reading: SourceReading | null;
  /** Whether the page draws lands, which need no table. */
  readonly isDrawn: boolean;
  readonly guesses: readonly Guess[];
  readonly unit: SheetUnit | null;
  readonly onFamily: (id: string) => void;
  readonly onSize: (size: string) => void;
  readonly onUnit: (unit: SheetUnit | null) => void;
}

const UNITS: readonly SheetUnit[] = ['mm', 'mil', 'in'];
const SHOWN = 4;

/** For which family, size and unit a table is read, and what else it may be. */
export function FamilyLine({ reading, isDrawn, guesses, unit, onFamily, onSize, onUnit }: Props) {
  const title = reading ? (kindById(reading.family)?.title ?? reading.family) : null;
  const units = (
    <Pick
      className="w-32"
      label={reading ? 'Unit of the table' : 'Unit of the drawing'}
      value={unit ?? ''}
      options={[
        ['', reading ? `unit: ${reading.unit}, as read` : 'unit: as read'] as const,
        ...UNITS.map((one) => [one, one] as const),
      ]}
      onChange={(next) => onUnit(next === '' ? null : (next as SheetUnit))}
    />
  );
  return (
    <div className="flex flex-col gap-1">
      {!reading && isDrawn && units}
      {reading && (
        <div className="flex flex-wrap items-center gap-2">
          <span>
            Read as <b className="font-semibold">{title}</b>
          </span>
          {reading.sizes.length > 1 && (
            <Pick
              className="w-40"
              label="Size"
              value={reading.size}
              options={reading.sizes.map((size) => [size, size] as const)}
              onChange={onSize}
            />
          )}
          {units}
        </div>
      )}
      {guesses.length > 0 && (
        <ul aria-label="Families that it may be of">
          {guesses.slice(0, SHOWN).map(({ id, title: name, reasons }) => (
            <li key={id}>
              <button
                type="button"
                className="link"
                aria-pressed={reading?.family === id}
                onClick={() => onFamily(id)}
              >
                {name}
              </button>{' '}
              <span className="text-secondary">{reasons.join('; ')}</span>
            </li>
          ))}
        </ul>
      )}
      {!reading && guesses.length === 0 && !isDrawn && (
        <p className="text-secondary">
          No table of dimensions was found here. Draw a box round one, press a number for the field that
          waits, or choose another page.
        </p>
      )}
    </div>
  );
}
