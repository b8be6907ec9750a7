import { useState } from 'react';
import { navigate } from 'wouter/use-browser-location';
import type { DrawnPattern } from '../../core/source/drawn/pattern';
import { recommendedOf } from '../../core/source/drawn/recommended';
import { patternEdits, type TakenFrom } from '../../core/source/take';
import { formatNumber } from '../../core/units/length';
import { Tick } from '../common/inputs';
import { shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';
import { useBench } from '../state/context';

interface Props {
  readonly patterns: readonly DrawnPattern[];
  readonly from: TakenFrom;
  readonly onTaken: () => Promise<void>;
}

/** Land patterns that the page draws: what was read of each, and the ways of taking it. */
export function Drawn({ patterns, from, onTaken }: Props) {
  return (
    <>
      {patterns.map((drawn, i) => (
        <Pattern key={i} drawn={drawn} from={from} onTaken={onTaken} />
      ))}
    </>
  );
}

function Pattern({ drawn, from, onTaken }: { drawn: DrawnPattern } & Omit<Props, 'patterns'>) {
  const { pattern, used, open, doubts } = drawn;
  const document = useBench((s) => s.document);
  const id = useBench((s) => s.id);
  const groups = useBench((s) => s.derived.shown?.drawable.footprint.groups);
  const isEntered = useBench((s) => s.derived.compiled.footprint !== null);
  const edit = useBench((s) => s.edit);
  const set = useBench((s) => s.set);
  const [isMeasured, setMeasured] = useState(false);
  const spans = (groups ?? []).filter(({ kind }) => kind === 'span');
  const own = recommendedOf(drawn);
  const isOpen = open.length > 0 && !isMeasured;
  const composed = async () => {
    const { composedOf } = await import('../../core/source/drawn/compose');
    await onTaken();
    return composedOf(drawn, `${document.name}, as drawn`, from);
  };
  const make = () =>
    void attempt('Making a footprint of the drawing', async () => {
      const [row] = await shelf.add([await composed()]);
      if (row) navigate(`/bench/${row.id}`);
    });
  const hold = () =>
    void attempt('Holding the drawing against the footprint', async () => {
      const [row] = await shelf.add([await composed()]);
      if (!row) return;
      await shelf.holdAgainst(row.id, id);
      navigate(`/opinion/${row.id}/${id}`);
    });
  const take = () =>
    void attempt('Keeping the datasheet', async () => {
      if (!own) return;
      await onTaken();
      edit(
        patternEdits(
          document,
          own,
          spans.map(({ terminals }) => terminals.id),
          from,
        ),
      );
      set({ source: null, stage: 'land' });
    });
  return (
    <section
      aria-label="Land pattern that the page draws"
      className="border-primary flex flex-col gap-1 border-l-2 pl-2"
    >
      <p>
        The page draws a land pattern: {counted(pattern.lands.length, 'land')}
        {pattern.holes.length > 0 && `, ${counted(pattern.holes.length, 'hole')}`}, by{' '}
        {counted(used.length, 'number')}.
      </p>
      <details>
        <summary className="cursor-pointer">What each number measures</summary>
        <ul className="text-secondary text-[12px]">
          {used.map(({ label, what, doubt }) => (
            <li key={label.id}>
              <b className="font-semibold">{label.printed}</b> {what}
              {doubt !== null && <span className="text-warning"> ▲</span>}
            </li>
          ))}
        </ul>
      </details>
      {doubts.map((doubt) => (
        <p key={doubt} className="text-warning">
          ▲ {doubt}
        </p>
      ))}
      {open.length > 0 && (
        <>
          <p className="text-warning">
            ▲ No number says{' '}
            {open
              .slice(0, 6)
              .map(({ what, measured }) => `${what} (drawn ${formatNumber(measured, 0, 2)} mm)`)
              .join(', ')}
            {open.length > 6 && ` and ${open.length - 6} more`}.
          </p>
          <Tick checked={isMeasured} onChange={setMeasured}>
            Measure them off the drawing, and mark them so
          </Tick>
        </>
      )}
      <p className="flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm" disabled={isOpen} onClick={make}>
          Make a footprint of it
        </button>
        {own && spans.length > 0 && (
          <button type="button" className="btn btn-sm" disabled={isOpen} onClick={take}>
            Take it as the datasheet’s own lands
          </button>
        )}
        {isEntered && (
          <button type="button" className="btn btn-sm" disabled={isOpen} onClick={hold}>
            Hold it against this footprint
          </button>
        )}
      </p>
    </section>
  );
}
