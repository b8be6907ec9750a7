import { useLiveQuery } from 'dexie-react-hooks';
import { shelf } from '../common/shelf-store';
import { useBench } from '../state/context';

/** Patterns of others that are held against this footprint, and the package that this one is held against. */
export function HeldBar() {
  const id = useBench((s) => s.id);
  const isReady = useBench((s) => s.derived.compiled.footprint !== null);
  const held = useLiveQuery(async () => {
    const [own, patterns] = await Promise.all([shelf.get(id), shelf.heldAgainst(id)]);
    const against = own?.against === undefined ? null : await shelf.get(own.against);
    return { against, patterns };
  }, [id]);
  if (!held) return null;
  const { against, patterns } = held;
  return (
    <section
      aria-label="Second opinion"
      className="border-base-300 bg-base-100 flex min-h-8 flex-wrap items-center gap-x-3 gap-y-1 border-b px-3.5 py-1 text-[12px]"
    >
      {against && (
        <span>
          Somebody else’s pattern, held against{' '}
          <a className="link" href={`/bench/${against.id}`}>
            {against.document.name}
          </a>
          :{' '}
          <a className="link" href={`/opinion/${id}/${against.id}`}>
            second opinion
          </a>
        </span>
      )}
      {patterns.map((pattern) => (
        <span key={pattern.id}>
          The package of{' '}
          <a className="link" href={`/bench/${pattern.id}`}>
            {pattern.name}
          </a>
          :{' '}
          {isReady ? (
            <a className="link" href={`/opinion/${pattern.id}/${id}`}>
              second opinion
            </a>
          ) : (
            <span className="text-secondary">a second opinion follows once its dimensions are complete</span>
          )}
        </span>
      ))}
    </section>
  );
}
