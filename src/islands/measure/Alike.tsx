import { useEffect, useMemo, useState } from 'react';
import { copperOf, differenceOf, type Copper } from '../../core/library/likeness';
import { inUnit } from '../../core/units/in-words';
import { formatMm } from '../../core/units/length';
import { facts, shelf } from '../common/shelf-store';
import { counted } from '../common/words';
import { useBench } from '../state/context';

/** A footprint of the Shelf with its copper. */
interface Known {
  readonly id: string;
  readonly name: string;
  readonly copper: Copper;
}

/** Most that are named. */
const MOST = 3;
/** Time without a change until the Shelf is looked through. ms */
const PAUSE = 400;

/** Footprints of the Shelf that have the same lands, or nearly so: have we got it? */
export function Alike() {
  const id = useBench((s) => s.id);
  const unit = useBench((s) => s.unit);
  const shown = useBench((s) => s.derived.shown);
  const [known, setKnown] = useState<readonly Known[]>([]);
  const [unread, setUnread] = useState(0);
  const [settled, settle] = useState(shown);
  useEffect(() => {
    let left = false;
    void (async () => {
      const entries = await shelf.entries();
      const all = await facts.coppers(entries);
      if (left) return;
      setUnread(entries.filter((entry) => entry.id !== id && !all.has(entry.id)).length);
      setKnown(
        entries.flatMap(({ id: other, name }) => {
          const copper = all.get(other);
          return copper && other !== id ? [{ id: other, name, copper }] : [];
        }),
      );
    })();
    return () => {
      left = true;
    };
  }, [id]);
  useEffect(() => {
    const later = setTimeout(() => settle(shown), PAUSE);
    return () => clearTimeout(later);
  }, [shown]);
  const alike = useMemo(() => {
    // examples are nobody's part
    const own = settled?.stand === 'current' ? copperOf(settled.drawable.footprint) : null;
    if (!own) return [];
    return known
      .flatMap((one) => {
        const difference = differenceOf(own, one.copper);
        return difference === null ? [] : [{ ...one, difference }];
      })
      .sort((a, b) => a.difference - b.difference);
  }, [settled, known]);
  // what was not read yet cannot be compared, which is said and not passed over
  const missing = unread > 0 ? ` ${counted(unread, 'footprint')} of the Shelf not read yet.` : '';
  if (alike.length === 0)
    return missing === '' ? null : <p className="text-secondary mt-3 text-[12px]">Not compared:{missing}</p>;
  return (
    <p className="text-secondary mt-3 text-[12px]" role="status">
      On the Shelf already:{' '}
      {alike.slice(0, MOST).map(({ id: other, name, difference }, i) => (
        <span key={other}>
          {i > 0 && '; '}
          <a className="link" href={`/bench/${other}`}>
            {name}
          </a>{' '}
          {difference < 1e-6
            ? 'has the same lands'
            : inUnit(`has lands that differ by up to ${formatMm(difference)} mm`, unit)}
        </span>
      ))}
      {alike.length > MOST && `; and ${alike.length - MOST} more`}.{missing}
    </p>
  );
}
