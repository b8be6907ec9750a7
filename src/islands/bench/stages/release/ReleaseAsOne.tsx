import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import type { Format } from '../../../../core/format/format';
import type { Paper } from '../../../../core/format/paper/page';
import {
  patternTrouble,
  PATTERN_WORDS,
  TARGETS,
  type ReleaseTarget,
} from '../../../../core/format/release/targets';
import { Pick, Tick } from '../../../common/inputs';
import { calibrationOf, keepPaper, keepRulers, keptPaper, keptRulers, today } from '../../../common/about';
import { keepLook, keptLook } from '../../../common/look';
import { makeRelease } from '../../../common/release';
import { keys, targets as targetStore } from '../../../common/shelf-store';
import { attempt } from '../../../common/trouble';
import { WorkBar } from '../../../common/work';
import { ownKeyOf } from '../../../../store/keys';
import { useBench } from '../../../state/context';

/** What was chosen last, for the next release. */
const CHOSEN = 'tapis-release-target';

/** Files that go together, as one ZIP: which they are, how they are called, and on what they are printed. */
export function ReleaseAsOne({ formats }: { formats: readonly Format[] }) {
  const id = useBench((s) => s.id);
  const flush = useBench((s) => s.flush);
  const drawn = useBench((s) => s.derived.compiled.footprint !== null);
  const own = useLiveQuery(() => targetStore.list(), []) ?? [];
  const [chosen, setChosen] = useState(() => keptLook(CHOSEN) ?? 'review');
  const [paper, setPaper] = useState<Paper>(keptPaper);
  const [date, setDate] = useState(today);
  const [rulers, setRulers] = useState(keptRulers);
  const [trouble, setTrouble] = useState<string | null>(null);
  const key = ownKeyOf(useLiveQuery(() => keys.list(), []) ?? []);
  const [signs, setSigns] = useState(true);
  const all = [...TARGETS, ...own];
  const target = all.find((one) => one.id === chosen) ?? (TARGETS[0] as ReleaseTarget);
  const isOwn = own.some((one) => one.id === target.id);
  const keep = (next: ReleaseTarget) =>
    void attempt('Keeping which files belong to a release', () => targetStore.put(next));
  const choose = (next: string) => {
    setChosen(next);
    keepLook(CHOSEN, next);
  };
  const measured = calibrationOf(rulers);
  const release = async () => {
    setTrouble(null);
    await flush();
    setTrouble(await makeRelease([id], target, date, signs ? key : null));
  };
  return (
    <section className="mt-3" aria-label="Release as one">
      <h2 className="font-semibold">All at once</h2>
      <div className="mt-1 flex items-center gap-2">
        <Pick
          label="Release target"
          value={target.id}
          options={all.map((one) => [one.id, one.title] as const)}
          onChange={choose}
        />
        <button
          type="button"
          className="btn btn-sm btn-primary"
          disabled={!drawn || measured === undefined || target.formats.length === 0}
          onClick={() => void release()}
        >
          Make the release
        </button>
      </div>
      {key && (
        <Tick small checked={signs} onChange={setSigns}>
          Signed by {key.name}
        </Tick>
      )}
      <WorkBar />
      {trouble && (
        <p role="alert" className="text-error mt-1">
          {trouble}
        </p>
      )}
      <details className="mt-1.5">
        <summary className="link">Which files, how they are called, and paper</summary>
        {isOwn ? (
          <TargetFields key={target.id} target={target} onKeep={keep} />
        ) : (
          <p className="text-secondary">
            {target.formats.map((one) => formats.find((format) => format.id === one)?.title).join(', ')};
            files are called {target.pattern}.{' '}
            <button
              type="button"
              className="link"
              onClick={() => {
                const copy = { ...target, id: crypto.randomUUID(), title: `${target.title}, own` };
                keep(copy);
                choose(copy.id);
              }}
            >
              Make a copy to change
            </button>
          </p>
        )}
        <div className="mt-1.5 flex items-center gap-2">
          <span className="w-[88px] shrink-0">Paper</span>
          <Pick
            label="Paper"
            value={paper}
            options={[
              ['a4', 'A4'],
              ['letter', 'letter'],
            ]}
            onChange={(next) => {
              setPaper(next);
              keepPaper(next);
            }}
          />
        </div>
        <label className="mt-1.5 flex items-center gap-2">
          <span className="w-[88px] shrink-0">Date</span>
          <input
            type="date"
            className="input input-sm"
            value={date}
            aria-label="Date on drawing and report"
            onChange={({ target: { value } }) => setDate(value)}
          />
        </label>
        <label className="mt-1.5 flex items-center gap-2">
          <span className="w-[88px] shrink-0">Rulers</span>
          <input
            className={`input input-sm w-32 ${measured === undefined ? 'input-error' : ''}`}
            value={rulers}
            placeholder="100 × 100"
            aria-label="What the rulers of the last paper check measured, across and upright, mm"
            aria-invalid={measured === undefined || undefined}
            onChange={({ target: { value } }) => {
              setRulers(value);
              keepRulers(value);
            }}
          />
          <span className="text-secondary text-[12px]">mm, measured on the last paper check</span>
        </label>
        {isOwn && (
          <ul className="mt-1.5 grid gap-0.5">
            {formats.map((format) => (
              <li key={format.id}>
                <Tick
                  small
                  checked={target.formats.includes(format.id)}
                  onChange={(isIn) =>
                    keep({
                      ...target,
                      formats: formats
                        .map((one) => one.id)
                        .filter((one) => (one === format.id ? isIn : target.formats.includes(one))),
                    })
                  }
                >
                  {format.title}
                </Tick>
              </li>
            ))}
          </ul>
        )}
        {isOwn && (
          <button
            type="button"
            className="link mt-1"
            onClick={() => {
              choose('review');
              void attempt('Removing the target', () => targetStore.remove(target.id));
            }}
          >
            Remove this target
          </button>
        )}
      </details>
    </section>
  );
}

interface FieldsProps {
  target: ReleaseTarget;
  onKeep: (target: ReleaseTarget) => void;
}

/** Name and file names of a target of one's own. */
function TargetFields({ target, onKeep }: FieldsProps) {
  const [title, setTitle] = useState(target.title);
  const [pattern, setPattern] = useState(target.pattern);
  const wrong = patternTrouble(pattern);
  return (
    <>
      <label className="mt-1.5 flex items-center gap-2">
        <span className="w-[88px] shrink-0">Target</span>
        <input
          className="input input-sm min-w-0 flex-1"
          value={title}
          maxLength={60}
          aria-label="Name of the target"
          onChange={({ target: { value } }) => {
            setTitle(value);
            onKeep({ ...target, title: value.trim() === '' ? target.title : value });
          }}
        />
      </label>
      <label className="mt-1.5 flex items-center gap-2">
        <span className="w-[88px] shrink-0">File names</span>
        <input
          className={`input input-sm min-w-0 flex-1 ${wrong === null ? '' : 'input-error'}`}
          value={pattern}
          maxLength={120}
          aria-label="Pattern of file names"
          aria-invalid={wrong !== null || undefined}
          onChange={({ target: { value } }) => {
            setPattern(value);
            // what cannot be used stays in the field; the last that can is kept
            if (patternTrouble(value) === null) onKeep({ ...target, pattern: value });
          }}
        />
      </label>
      <p className={`text-[12px] ${wrong === null ? 'text-secondary' : 'text-error'}`}>
        {wrong ?? `Filled in: ${PATTERN_WORDS.map((word) => `{${word}}`).join(' ')}`}
      </p>
    </>
  );
}
