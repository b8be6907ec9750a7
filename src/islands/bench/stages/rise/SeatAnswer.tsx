import type { Seat } from '../../../../core/body/fit';
import type { SeatResult } from '../../../../core/body/seat';
import type { SignKind } from '../../../../core/body/signs';
import { between } from '../../../../core/body/pose';
import type { ModelIntent } from '../../../../core/document/document';
import { intentOfPose } from '../../../../core/footprint/imported';
import { inUnit } from '../../../../core/units/in-words';
import { formatFigure, formatLength, type DisplayUnit } from '../../../../core/units/length';
import { SeverityMark } from '../../../sheet/Balloons';
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

const SIGN_WORDS: Readonly<Record<SignKind, string>> = {
  dimple: 'the dimple on top lies at terminal 1',
  notch: 'the notch in its top lies at the end of terminal 1',
  mark: 'the mark on top lies at terminal 1',
  'square pin': 'its one square pin is terminal 1',
  'longer wire': 'its longer wire is where plus is, or terminal 1',
  'cut corner': 'the cut corner of its top is that of terminal 1',
  'pad corner': 'the cut corner of its pad is that of terminal 1',
  'odd piece': 'the one piece of it without a counterpart lies at terminal 1',
  bevel: 'the bevelled side of its top is that of terminal 1',
};

/** What seating found: how well, what the Ledger says of it, what else it could be, and what cannot be told. */
export function SeatAnswer({ intent, result, took, read }: Props) {
  const { best, equal, alike, second, sign, askew } = result;
  const edit = useBench((s) => s.edit);
  const unit = useBench((s) => s.unit);
  const take = ({ pose }: Seat) => edit([{ at: '/body/model', value: intentOfPose(intent, pose) }]);
  const scale = SCALE_WORDS.find(([factor]) => Math.abs(factor - best.pose.scale) < 1e-9)?.[1];
  const { matches, unseen } = best.fit;
  const others = equal.filter((seat) => !alike.includes(seat));
  return (
    <div className="border-primary mt-1.5 border-l-3 pl-2" role="status">
      {read && <p className="text-warning">{read}</p>}
      <p>
        {unseen.length > 0 && matches.length === 0
          ? `Put by its box in ${seconds(took)}: its contacts cannot be told apart.`
          : `Seated in ${seconds(took)}: ${many(matches.length, 'contact')} within ${um(best.fit.worst)}.`}
      </p>
      <ModelFindings />
      {scale && (
        <p>
          {scale}: made {best.pose.scale > 1 ? 'larger' : 'smaller'} by{' '}
          {round(Math.max(best.pose.scale, 1 / best.pose.scale))}.
        </p>
      )}
      {askew > 0 && (
        <p>It is drawn {formatFigure(askew, 0, 1)}° off the axes of its file: that was taken out.</p>
      )}
      {alike.length > 0 && (
        <p className="text-secondary text-[12px]">
          It looks the same {list(alike.map((seat) => differenceWords(best, seat, unit)))}.
        </p>
      )}
      {others.length > 0 && (
        <>
          <p>
            {sign ? `Probably so: ${SIGN_WORDS[sign.kind]}. ` : ''}
            {others.length === 1 ? 'One other pose fits' : `${others.length} other poses fit`} equally well
            {sign ? '.' : ': the contacts do not tell where terminal 1 is.'}
          </p>
          <div className="flex flex-wrap gap-1">
            {others.slice(0, 7).map((seat, i) => (
              <button
                key={i}
                type="button"
                className="border-primary text-primary rounded border px-1.5"
                onClick={() => take(seat)}
              >
                {differenceWords(best, seat, unit)}
              </button>
            ))}
            <button
              type="button"
              className="border-base-300 rounded border px-1.5"
              onClick={() => take(best)}
            >
              as it was put
            </button>
          </div>
        </>
      )}
      {second && (
        <p className="text-secondary text-[12px]">
          Next best: {differenceWords(best, second, unit)}, {worse(best, second)}.{' '}
          <button type="button" className="link" onClick={() => take(second)}>
            try it
          </button>
        </p>
      )}
    </div>
  );
}

/** What the Ledger says of the model where it stands now: the same findings, in the same words. */
function ModelFindings() {
  const { findings } = useBench((s) => s.derived.report);
  const unit = useBench((s) => s.unit);
  const open = useBench((s) => s.openFinding);
  const found = findings.flatMap((finding, index) =>
    finding.rule.startsWith('model-') && finding.severity !== 'note' ? [{ finding, index }] : [],
  );
  if (found.length === 0)
    return <p className="text-secondary text-[12px]">The Ledger has nothing against it.</p>;
  return (
    <ul aria-label="What the Ledger says of the model">
      {found.map(({ finding, index }) => (
        <li key={index}>
          <button
            type="button"
            className="hover:bg-base-200 flex w-full gap-1.5 text-left"
            onClick={() => open(index)}
          >
            <svg
              width="20"
              height="20"
              viewBox="-14 -14 28 28"
              className="mt-0.5 shrink-0"
              aria-hidden="true"
            >
              <SeverityMark severity={finding.severity} number={index + 1} />
            </svg>
            <span>{inUnit(finding.message, unit)}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

/** By how much one answer is worse than another, in words. */
function worse(best: Seat, other: Seat): string {
  const [a, b] = [best.fit, other.fit];
  const fewer = b.missing.length + b.unseen.length - a.missing.length - a.unseen.length;
  if (fewer > 0) return `${many(fewer, 'contact')} fewer`;
  if (b.sunk > a.sunk + 0.01) return `with ${Math.round(100 * b.sunk)} % of its surface in the board`;
  if (isOver(best, other)) return 'upside down';
  if (b.rms - a.rms > 1e-3) return `contacts ${um(b.rms - a.rms)} farther off`;
  return 'its contacts as near, but its body elsewhere';
}

/** Whether what is up in one pose is down in the other. */
const isOver = (a: Seat, b: Seat) => {
  const { x, y } = between(a.pose, b.pose).turn;
  return Math.cos((x * Math.PI) / 180) * Math.cos((y * Math.PI) / 180) < -0.9;
};

/** How one pose differs from another, as turns about the axes of the board and a shift. */
function differenceWords({ pose: a }: Seat, { pose: b }: Seat, unit: DisplayUnit): string {
  const { turn, shift } = between(a, b);
  const turns = (['x', 'y', 'z'] as const).flatMap((axis) =>
    Math.abs(turn[axis]) < 0.05 ? [] : [`${formatFigure(round(turn[axis]))}° about ${axis.toUpperCase()}`],
  );
  const ways = [
    ...way(shift.x, 'right', 'left', unit),
    ...way(shift.y, 'up', 'down', unit),
    ...(turn.x === 0 && turn.y === 0 ? way(shift.z, 'higher', 'lower', unit) : []),
  ];
  return [
    ...(turns.length > 0 ? [`turned ${turns.join(' and ')}`] : []),
    ...(ways.length > 0 ? [`shifted ${ways.join(' and ')}`] : []),
  ].join(', ');
}

/** A shift along an axis in words; nothing where it is rounding. */
function way(by: number, more: string, less: string, unit: DisplayUnit): string[] {
  return Math.abs(by) < 0.005 ? [] : [`${formatLength(Math.abs(by), unit)} ${unit} ${by > 0 ? more : less}`];
}

function list(words: readonly string[]): string {
  const between = words.some((one) => one.includes(',')) ? '; ' : ', ';
  return words.length < 2
    ? words.join('')
    : `${words.slice(0, -1).join(between)} or ${words[words.length - 1] as string}`;
}

/** A count with its word. */
export function many(count: number, word: string): string {
  return `${count} ${word}${count === 1 ? '' : 's'}`;
}

const seconds = (ms: number) => `${(ms / 1000).toFixed(2)} s`;

/** Micrometres, for people. */
export function um(mm: number): string {
  const decimals = Math.abs(mm) < 0.01 ? 1 : 0;
  return `${formatFigure(mm * 1000, decimals, decimals)} µm`;
}

function round(value: number): number {
  return Math.round(value * 10) / 10;
}
