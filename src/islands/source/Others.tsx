import { kindById } from '../../core/source/kinds';
import { patternEdits, takenDocument, type TakenFrom } from '../../core/source/take';
import type { SourceReading } from '../../core/source/reading';
import type { TableAnswer, TableAsk } from '../../workers/jobs/read-table';
import { groups, shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';
import { useBench } from '../state/context';
import { understand } from './understand';

interface Props {
  readonly answer: TableAnswer;
  readonly reading: SourceReading | null;
  readonly from: TakenFrom;
  readonly ask: TableAsk | null;
  readonly onTaken: () => Promise<void>;
}

/** What else was found: dimensions that are missing, rows left out, other sizes, a land pattern, pins. */
export function Others({ answer, reading, from, ask, onTaken }: Props) {
  const names = (symbols: readonly string[]) =>
    symbols.map((symbol) => {
      const dimension = kindById(reading?.family ?? '')?.dimensions.find((one) => one.symbol === symbol);
      return `${dimension?.name ?? ''} ${symbol}`.trim();
    });
  return (
    <>
      {reading && reading.missing.length > 0 && (
        <p className="text-warning">▲ Not found: {names(reading.missing).join(', ')}.</p>
      )}
      {reading && reading.leftOut.length > 0 && (
        <details>
          <summary className="cursor-pointer">{counted(reading.leftOut.length, 'row')} left out</summary>
          <ul className="text-secondary text-[12px]">
            {reading.leftOut.map(({ label, called, printed, why }, i) => (
              <li key={i}>
                <b className="font-semibold">{label}</b> {called} {printed}: {why}
              </li>
            ))}
          </ul>
        </details>
      )}
      {reading && ask && reading.sizes.length > 1 && (
        <AllSizes reading={reading} ask={ask} from={from} onTaken={onTaken} />
      )}
      {answer.pattern && <Pattern pattern={answer.pattern} from={from} onTaken={onTaken} />}
      {answer.pins.map((text, i) => (
        <PinsFound key={i} text={text} />
      ))}
    </>
  );
}

/** A footprint of each size at once, in a group. */
function AllSizes({
  reading,
  ask,
  from,
  onTaken,
}: Pick<Props, 'from' | 'onTaken'> & { reading: SourceReading; ask: TableAsk }) {
  const name = useBench((s) => s.document.name);
  const { level, process, ownProcess } = useBench((s) => s.document);
  const set = useBench((s) => s.set);
  const { sizes, family } = reading;
  const make = async () => {
    await onTaken();
    const made = [];
    for (const size of sizes) {
      const read = await understand({ ...ask, family, size });
      if (!read.ok) throw new Error(read.error);
      const of = read.value.reading;
      if (of)
        made.push({
          ...takenDocument(`${name}, ${size}`, of, from),
          level,
          process,
          ...(ownProcess ? { ownProcess } : {}),
        });
    }
    const group = await groups.ensure([name]);
    await shelf.add(made, group);
    set({ refusal: null, source: null });
  };
  return (
    <p>
      The table has {sizes.length} sizes.{' '}
      <button
        type="button"
        className="link"
        onClick={() => void attempt(`Making ${sizes.length} footprints`, make)}
      >
        Make a footprint of each, in a group “{name}”
      </button>
    </p>
  );
}

/** The datasheet's own lands, for the groups of lands that the drawing has. */
function Pattern({
  pattern,
  from,
  onTaken,
}: Pick<Props, 'from' | 'onTaken'> & { pattern: NonNullable<TableAnswer['pattern']> }) {
  const document = useBench((s) => s.document);
  const solved = useBench((s) => s.derived.shown?.drawable.footprint.groups);
  const edit = useBench((s) => s.edit);
  const set = useBench((s) => s.set);
  const spans = (solved ?? []).filter(({ kind }) => kind === 'span');
  const { Y, X, distance, given, unit, rows, doubts } = pattern;
  const take = () =>
    void attempt('Keeping the datasheet', async () => {
      await onTaken();
      edit(
        patternEdits(
          document,
          pattern,
          spans.map(({ terminals: { id } }) => id),
          from,
        ),
      );
      set({ source: null, stage: 'land' });
    });
  const said = [
    Y === undefined ? '' : `length ${Y}`,
    X === undefined ? '' : `width ${X}`,
    distance === undefined
      ? ''
      : `${{ gap: 'gap', centre: 'centre to centre', outer: 'outer to outer' }[given ?? 'gap']} ${distance}`,
  ].filter((word) => word !== '');
  return (
    <p>
      It looks like a recommended land pattern: {said.join(', ')} {unit} (
      {rows.map(({ label, printed }) => `${label} ${printed}`).join(', ')}).{' '}
      {doubts.map((doubt) => (
        <span key={doubt} className="text-warning">
          ▲ {doubt}{' '}
        </span>
      ))}
      {spans.length > 0 ? (
        <button type="button" className="link" onClick={take}>
          Take it as the datasheet’s own lands
        </button>
      ) : (
        <span className="text-secondary">Give the package its dimensions first.</span>
      )}
    </p>
  );
}

/** A list of pins, to be looked at and taken at Mark. */
function PinsFound({ text }: { text: string }) {
  const set = useBench((s) => s.set);
  const rows = text.split('\n').length - 1;
  return (
    <p>
      It looks like a list of {counted(rows, 'pin')}.{' '}
      <button
        type="button"
        className="link"
        onClick={() => set({ source: null, stage: 'mark', pinsOpen: true, pinText: text, whole: 'plan' })}
      >
        Read it into the pin table
      </button>
    </p>
  );
}
