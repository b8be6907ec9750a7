import type { LandOpinion, OpinionMargin } from '../../core/opinion/joints';
import { differenceWords } from '../../core/opinion/remarks-lands';
import { formatFigure, formatLength, type DisplayUnit } from '../../core/units/length';
import { inUnit } from '../../core/units/in-words';
import { counted } from '../common/words';

interface Props {
  lands: readonly LandOpinion[];
  unit: DisplayUnit;
  onLight: (lands: ReadonlySet<string>) => void;
}

const NOTHING: ReadonlySet<string> = new Set();
/** Numbers that a line names. */
const NAMED = 8;
const WORDS: Readonly<Record<OpinionMargin['end'], string>> = {
  toe: 'toe',
  heel: 'heel',
  side: 'side',
  edge: 'beyond the terminal',
  wall: 'room in the hole',
  ring: 'copper round the hole',
};

/** Every land: how it differs, and the joint that it would give; lands that are alike stand in one line. */
export function LandTable({ lands, unit, onLight }: Props) {
  const kinds = new Map<string, LandOpinion[]>();
  for (const land of lands) {
    const key = `${differenceWords(land)} ${land.margins.map(({ least, inverse }) => [least, inverse].join()).join(' ')}`;
    kinds.set(key, [...(kinds.get(key) ?? []), land]);
  }
  if (lands.length === 0) return null;
  return (
    <section className="mt-4" aria-label="Every land">
      <h2 className="font-semibold">Every land</h2>
      {[...kinds.values()].map((alike) => {
        const [first] = alike as [LandOpinion];
        const more = alike.length > NAMED ? ` and ${alike.length - NAMED} more` : '';
        const words = differenceWords(first);
        return (
          <div
            key={first.id}
            className="border-base-300 border-t py-1.5 text-[12px]"
            onPointerEnter={() => onLight(new Set(alike.map(({ id }) => id)))}
            onPointerLeave={() => onLight(NOTHING)}
          >
            <p>
              <b className="font-semibold">
                {alike.length === 1 ? 'Land' : counted(alike.length, 'land')}{' '}
                {alike
                  .slice(0, NAMED)
                  .map(({ number }) => number)
                  .join(', ')}
                {more}
              </b>{' '}
              {words === '' ? 'as computed' : inUnit(words, unit)}
            </p>
            {first.margins.length > 0 && <Margins margins={first.margins} unit={unit} />}
          </div>
        );
      })}
    </section>
  );
}

function Margins({ margins, unit }: { margins: readonly OpinionMargin[]; unit: DisplayUnit }) {
  const mm = (value: number | null) => (value === null ? '' : formatLength(value, unit));
  const hasFormulas = margins.some(({ inverse }) => inverse !== null);
  return (
    <table className="mt-0.5 w-full tabular-nums">
      <thead className="text-secondary">
        <tr>
          <th className="text-left font-normal">{unit}</th>
          {hasFormulas && <th className="text-right font-normal">by the formulas</th>}
          <th className="text-right font-normal">goal</th>
          <th className="text-right font-normal">RSS</th>
          <th className="text-right font-normal">worst</th>
          <th className="text-right font-normal">ppm</th>
        </tr>
      </thead>
      <tbody>
        {margins.map(({ end, inverse, goal, least, worst, ppm }) => (
          <tr key={end}>
            <th className="text-left font-normal">{WORDS[end]}</th>
            {hasFormulas && <td className="text-right">{mm(inverse)}</td>}
            <td className="text-right">{mm(goal)}</td>
            <td className="text-right">{mm(least)}</td>
            <td className="text-right">{mm(worst)}</td>
            <td className="text-right">{formatFigure(ppm, 0, 1)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
