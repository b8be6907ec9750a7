import type { Opinion } from '../../core/opinion/opinion';
import type { Remark } from '../../core/opinion/remark';
import type { DisplayUnit } from '../../core/units/length';
import { inUnit } from '../../core/units/in-words';

interface Props {
  title: string;
  opinion: Pick<Opinion, 'line' | 'verdict' | 'remarks'>;
  unit: DisplayUnit;
  onLight: (remark: Remark | null) => void;
  /** Its verdict is said elsewhere. */
  isInner?: boolean;
}

const SIGNS = {
  stop: ['●', 'text-error'],
  caution: ['▲', 'text-warning'],
  note: ['■', 'text-secondary'],
} as const;
const BORDERS = { wrong: 'border-error', look: 'border-warning', usable: 'border-success' } as const;

/** The verdict in one line, and what it rests on; pointing at a remark lights its lands up. */
export function Remarks({
  title,
  opinion: { line, verdict, remarks },
  unit,
  onLight,
  isInner = false,
}: Props) {
  return (
    <section aria-label={title}>
      {!isInner && (
        <>
          <h2 className="text-[15px] font-semibold">{title}</h2>
          <p role="status" className={`mt-1 border-l-4 pl-3 font-semibold ${BORDERS[verdict]}`}>
            {line}
          </p>
        </>
      )}
      <ul className="mt-2">
        {remarks.map((remark, i) => {
          const [sign, colour] = SIGNS[remark.severity];
          return (
            <li key={i} className="border-base-300 border-t">
              <button
                type="button"
                className="hover:bg-base-200 flex w-full gap-2 py-1.5 text-left"
                onPointerEnter={() => onLight(remark)}
                onPointerLeave={() => onLight(null)}
                onFocus={() => onLight(remark)}
                onBlur={() => onLight(null)}
              >
                <span className={colour} role="img" aria-label={remark.severity}>
                  {sign}
                </span>
                <span className="min-w-0 flex-1">
                  <b className="block font-semibold">{remark.title}</b>
                  {inUnit(remark.message, unit)}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
