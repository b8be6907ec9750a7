import type { Seat, SeatResult } from '../../../../core/body/seat';
import type { ModelIntent } from '../../../../core/document/document';
import { intentOfPose } from '../../../../core/footprint/imported';
import { formatFigure } from '../../../../core/units/length';
import { useBench } from '../../../state/context';

interface Props {
  intent: ModelIntent;
  result: SeatResult;
  /** ms */
  took: number;
  /** What of the file could not be read. */
  read: string | null;
}

const SCALE_WORDS: readonly (readonly [number, string])[] = [
  [25.4, 'Taken as drawn in inches'],
  [1000, 'Taken as drawn in metres'],
  [10, 'Taken as drawn in centimetres'],
  [1 / 25.4, 'Its millimetres were taken for inches'],
  [1 / 1000, 'Its millimetres were taken for metres'],
  [0.1, 'Its millimetres were taken for centimetres'],
];

/** What seating found: how well, what else it could be, and what the geometry cannot tell. */
export function SeatAnswer({ intent, result: { best, equal, second }, took, read }: Props) {
  const edit = useBench((s) => s.edit);
  const take = ({ pose }: Seat) => edit([{ at: '/body/model', value: intentOfPose(intent, pose) }]);
  const scale = SCALE_WORDS.find(([factor]) => Math.abs(factor - best.pose.scale) < 1e-9)?.[1];
  const { matches, missing } = best.fit;
  return (
    <div className="border-primary mt-1.5 border-l-3 pl-2" role="status">
      {read && <p className="text-warning">{read}</p>}
      <p>
        Seated in {(took / 1000).toFixed(2)} s: {matches.length} contacts within {um(best.fit.worst)}
        {missing.length > 0 && `, ${missing.length} lands without one`}.
      </p>
      {missing.length >= matches.length && (
        <p className="text-warning">
          It fits badly: it may be another part, or another size of this one. The Ledger says what does not
          agree.
        </p>
      )}
      {scale && (
        <p>
          {scale}: made {best.pose.scale > 1 ? 'larger' : 'smaller'} by{' '}
          {round(Math.max(best.pose.scale, 1 / best.pose.scale))}.
        </p>
      )}
      {equal.length > 0 && (
        <>
          <p>
            {equal.length === 1 ? 'One other turn fits' : `${equal.length} other turns fit`} equally well: the
            geometry does not tell where pin 1 is.
          </p>
          <div className="flex flex-wrap gap-1">
            {equal.slice(0, 7).map((seat) => (
              <button
                key={turnWords(seat)}
                type="button"
                className="border-primary text-primary rounded border px-1.5"
                onClick={() => take(seat)}
              >
                {turnWords(seat)}
              </button>
            ))}
            <button
              type="button"
              className="border-base-300 rounded border px-1.5"
              onClick={() => take(best)}
            >
              {turnWords(best)}
            </button>
          </div>
        </>
      )}
      {second && (
        <p className="text-secondary text-[12px]">
          Next best: {turnWords(second)}, {worse(best, second)}.{' '}
          <button type="button" className="link" onClick={() => take(second)}>
            try it
          </button>
        </p>
      )}
    </div>
  );
}

/** By how much one answer is worse than another, in words. */
function worse({ fit: a }: Seat, { fit: b }: Seat): string {
  const fewer = b.missing.length - a.missing.length;
  if (fewer > 0) return `${fewer} contacts fewer`;
  if (b.rms - a.rms > 1e-3) return `contacts ${um(b.rms - a.rms)} farther off`;
  return 'its contacts as near, but its body elsewhere';
}

function turnWords({ pose: { turn } }: Seat): string {
  const turns = (['x', 'y', 'z'] as const).flatMap((axis) =>
    turn[axis] === 0 ? [] : [`${axis.toUpperCase()} ${formatFigure(turn[axis])}°`],
  );
  return turns.length > 0 ? turns.join(' ') : 'as it came';
}

/** Micrometres, for people. */
export function um(mm: number): string {
  const decimals = Math.abs(mm) < 0.01 ? 1 : 0;
  return `${formatFigure(mm * 1000, decimals, decimals)} µm`;
}

function round(value: number): number {
  return Math.round(value * 10) / 10;
}
