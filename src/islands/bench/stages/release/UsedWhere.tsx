import { useLiveQuery } from 'dexie-react-hooks';
import type * as Plans from '../../../../core/library/variant';
import type { VariantPlan } from '../../../../core/library/variant';
import type { ShelfEntry } from '../../../../store/database';
import { makeVariant } from '../../../common/kin';
import { kin as store, trials } from '../../../common/shelf-store';
import { useBench } from '../../../state/context';

/** Most that are named. */
const MOST = 6;

/** What rests on a footprint or stands beside it, and the variants that can be made of it. */
export function UsedWhere() {
  const id = useBench((s) => s.id);
  const flush = useBench((s) => s.flush);
  const uses = useLiveQuery(() => store.usesOf(id), [id]);
  const held = useLiveQuery(() => trials.holding(id), [id]) ?? [];
  const make = async (choose: (plans: typeof Plans) => VariantPlan) => {
    await flush();
    await makeVariant(id, choose(await import('../../../../core/library/variant')));
  };
  if (!uses) return null;
  const { kin, folders, tags, family, ofFamily } = uses;
  const variants = kin.variants.filter(({ binnedAt }) => binnedAt === 0);
  return (
    <section className="mt-4" aria-label="Used where">
      <h2 className="font-semibold">Used where</h2>
      <dl className="mt-1 grid grid-cols-[84px_1fr] gap-x-2 text-[12px]">
        <dt className="text-secondary">group</dt>
        <dd>
          {folders.length > 0 ? folders.join(' / ') : 'in none'}
          {tags.length > 0 && ` · ${tags.join(', ')}`}
        </dd>
        {kin.base && (
          <>
            <dt className="text-secondary">variant of</dt>
            <dd>
              <a className="link" href={`/bench/${kin.base.id}`}>
                {kin.base.document.name}
              </a>
            </dd>
          </>
        )}
        <dt className="text-secondary">variants</dt>
        <dd>{variants.length > 0 ? <Names entries={variants} /> : 'none'}</dd>
        {held.length > 0 && (
          <>
            <dt className="text-secondary">on trials</dt>
            <dd>
              {held.map(({ id: one, document: trial }, i) => (
                <span key={one}>
                  {i > 0 && ', '}
                  <a className="link" href={`/trial/${one}`}>
                    {trial.name}
                  </a>
                </span>
              ))}
            </dd>
          </>
        )}
        {family !== null && (
          <>
            <dt className="text-secondary">family</dt>
            <dd>
              {family}
              {ofFamily.length > 0 && (
                <>
                  ; of it too: <Names entries={ofFamily} />
                </>
              )}
            </dd>
          </>
        )}
      </dl>
      <p className="mt-2 flex gap-2">
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => void make((plans) => plans.PLAIN_VARIANT)}
        >
          Make a variant
        </button>
        <button
          type="button"
          className="btn btn-sm"
          title="A variant for the kitchen table: its process, level A, larger rings"
          onClick={() => void make((plans) => plans.FOR_HAND_ETCHING)}
        >
          For hand etching
        </button>
      </p>
    </section>
  );
}

function Names({ entries }: { entries: readonly ShelfEntry[] }) {
  return (
    <>
      {entries.slice(0, MOST).map(({ id, name }, i) => (
        <span key={id}>
          {i > 0 && ', '}
          <a className="link" href={`/bench/${id}`}>
            {name}
          </a>
        </span>
      ))}
      {entries.length > MOST && ` and ${entries.length - MOST} more`}
    </>
  );
}
