import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { navigate } from 'wouter/use-browser-location';
import { newDocument } from '../../core/document/document';
import type { PackageKind } from '../../core/package/catalogue';
import type { StoredFootprint } from '../../store/database';
import { shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { Gallery } from '../gallery/Gallery';

interface Props {
  stored: StoredFootprint;
  other: StoredFootprint | null;
  onChoose: (id: string) => void;
}

/** Footprints that are offered at a time. */
const OFFERED = 10;

/** Which package a pattern is meant for: one of the Shelf, or one that is said now. */
export function Against({ stored, other, onChoose }: Props) {
  const [query, setQuery] = useState('');
  const [isSaying, setSaying] = useState(false);
  const entries = useLiveQuery(() => shelf.entries(), []) ?? [];
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  // a pattern is held against a package, not against another pattern
  const found = entries.filter(
    ({ id, name, against }) =>
      id !== stored.id &&
      id !== other?.id &&
      against === undefined &&
      words.every((word) => name.toLowerCase().includes(word)),
  );
  const say = (kind: PackageKind) =>
    void attempt('Saying the package', async () => {
      const document = newDocument(`${stored.document.name}, its package`.slice(0, 120), kind.id);
      const begun = await shelf.begin(kind.package ? { ...document, package: kind.package } : document);
      await shelf.holdAgainst(stored.id, begun.id);
      navigate(`/bench/${begun.id}`);
    });
  return (
    <section className="border-base-300 mt-4 border-t pt-3" aria-label="The package that it is meant for">
      <h2 className="font-semibold">
        {other ? 'Held against another package' : 'Which package is it meant for?'}
      </h2>
      <div className="mt-2 flex gap-2">
        <input
          type="search"
          className="input input-sm min-w-0 flex-1"
          aria-label="Footprints of the Shelf"
          placeholder="a footprint of the Shelf"
          value={query}
          onChange={({ target }) => setQuery(target.value)}
        />
        <button type="button" className="btn btn-sm" onClick={() => setSaying(true)}>
          Say the package
        </button>
      </div>
      <p className="text-secondary mt-1 text-[12px]">
        A package is said by its family and dimensions, typed or read from the datasheet.
      </p>
      <ul className="mt-1">
        {found.slice(0, words.length > 0 || !other ? OFFERED : 0).map(({ id, name }) => (
          <li key={id}>
            <button type="button" className="link" onClick={() => onChoose(id)}>
              {name}
            </button>
          </li>
        ))}
      </ul>
      {words.length > 0 && found.length === 0 && (
        <p className="text-secondary">No footprint of the Shelf is called so.</p>
      )}
      {isSaying && <Gallery onChoose={say} onClose={() => setSaying(false)} />}
    </section>
  );
}
