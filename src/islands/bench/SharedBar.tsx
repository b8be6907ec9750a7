import { useLiveQuery } from 'dexie-react-hooks';
import { navigate } from 'wouter/use-browser-location';
import { Pick } from '../common/inputs';
import { shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { useBench } from '../state/context';

/** Of a footprint that came by a link: that it is not kept, and what can be done with it. */
export function SharedBar() {
  const id = useBench((s) => s.id);
  const name = useBench((s) => s.document.name);
  const family = useBench((s) => s.document.package.family);
  const goOn = useBench((s) => s.goOn);
  const own = useLiveQuery(() => shelf.entries()) ?? [];
  // those that are most like it stand first
  const rank = (one: (typeof own)[number]) => (one.name === name ? 0 : one.family === family ? 1 : 2);
  const sorted = [...own].sort((a, b) => rank(a) - rank(b) || a.name.localeCompare(b.name));
  return (
    <section
      aria-label="From a link"
      className="border-base-300 bg-base-100 flex min-h-8 flex-wrap items-center gap-x-3 gap-y-1 border-b px-3.5 py-1 text-[12px]"
    >
      <span>This footprint came by a link: it is not on your Shelf, and stays as it was sent.</span>
      <button
        type="button"
        className="btn btn-xs btn-primary"
        onClick={() => void attempt('Putting it on the Shelf', goOn)}
      >
        Put on my Shelf
      </button>
      {sorted.length > 0 && (
        <Pick
          className="w-56"
          label="Hold against one of mine"
          value=""
          options={[['', 'Hold against one of mine'], ...sorted.map((one) => [one.id, one.name] as const)]}
          onChange={(mine) => mine !== '' && navigate(`/side-by-side/${mine}/${id}`)}
        />
      )}
    </section>
  );
}
