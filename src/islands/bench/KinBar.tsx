import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { applyEdits, valueAt } from '../../core/document/edit';
import { editsBetween } from '../../core/document/difference';
import { placesWords, placeWords, valueWords } from '../../core/document/edit-words';
import { kin as store } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { useBench } from '../state/context';

/** The family of a footprint that has variants or is one: switches between them, and says what is its own. */
export function KinBar() {
  const id = useBench((s) => s.id);
  const document = useBench((s) => s.document);
  const stage = useBench((s) => s.stage);
  const edit = useBench((s) => s.edit);
  const kin = useLiveQuery(() => store.of(id), [id]);
  const [showsFlow, setShowsFlow] = useState(false);
  if (!kin) return null;
  const { base, variants, siblings, before } = kin;
  if (!base && variants.length === 0) return null;
  // as it is on the Bench, which may not be written yet
  const own = base ? editsBetween(base.document, document).filter(({ at }) => at !== '/name') : [];
  const groups = [...new Map(own.map((one) => [placeWords(one.at), one])).entries()];
  const flowed = before ? editsBetween(before, document) : [];
  const at = stage === 'measure' ? '' : `/${stage}`;
  const standing = [...siblings, ...variants].filter(({ binnedAt }) => binnedAt === 0);
  const takeBack = (words: string) =>
    base &&
    edit(
      own
        .filter((one) => placeWords(one.at) === words)
        .map((one) => ({ at: one.at, value: valueAt(base.document, one.at) })),
    );
  return (
    <section
      aria-label="Variants"
      className="border-base-300 bg-base-100 flex min-h-8 flex-wrap items-center gap-x-3 gap-y-1 border-b px-3.5 py-1 text-[12px]"
    >
      <nav aria-label="Original and variants" className="flex flex-wrap items-center gap-1">
        {base && (
          <a className="btn btn-xs" href={`/bench/${base.id}${at}`} title="The original">
            {base.document.name}
          </a>
        )}
        <span className="btn btn-xs btn-primary" aria-current="page">
          {document.name}
        </span>
        {standing.map((one) => (
          <a key={one.id} className="btn btn-xs" href={`/bench/${one.id}${at}`} title="A variant">
            {one.name}
          </a>
        ))}
      </nav>
      {base && (
        <>
          <span className="text-secondary">
            {own.length === 0 ? 'Nothing differs from the original yet.' : 'Of its own:'}
          </span>
          {groups.map(([words]) => (
            <button
              key={words}
              type="button"
              className="border-base-300 hover:border-primary border px-1.5"
              title={`Take ${words} from the original again`}
              onClick={() => takeBack(words)}
            >
              {words} ×
            </button>
          ))}
          {flowed.length > 0 && (
            <span role="status" className="border-warning border-l-3 pl-2">
              Its original changed: {placesWords(flowed.map((one) => one.at))}.{' '}
              <button
                type="button"
                className="link"
                aria-expanded={showsFlow}
                onClick={() => setShowsFlow(!showsFlow)}
              >
                {showsFlow ? 'Less' : 'Show'}
              </button>{' '}
              <button
                type="button"
                className="link"
                onClick={() => void attempt('Putting it away', () => store.seen(id))}
              >
                Seen
              </button>
            </span>
          )}
          <a className="link ml-auto" href={`/side-by-side/${base.id}/${id}`}>
            Side by side
          </a>
          <button
            type="button"
            className="link"
            title="It stays as it is, and follows its original no more"
            onClick={() => void attempt('Cutting it loose', () => store.cutLoose(id))}
          >
            Cut loose
          </button>
        </>
      )}
      {showsFlow && before && (
        <ul className="w-full columns-2">
          {flowed.map((one) => (
            <li key={one.at}>
              {placeWords(one.at)}: {valueWords(valueAt(before, one.at))} →{' '}
              <b className="font-semibold">{valueWords(valueAt(applyEdits(before, [one]), one.at))}</b>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
