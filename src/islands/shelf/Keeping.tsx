import { useEffect, useState } from 'react';
import { Bar, BarButton } from '../common/Bar';
import { keepLook, keptLook } from '../common/look';
import { keptInPageOnly } from '../common/shelf-store';
import { backedUpAt, backUp } from '../common/trouble';

/** Time without a backup until it is said quietly. ms */
const LONG = 30 * 86_400_000;
/** How long a reminder that was put away stays away. ms */
const AWAY = 7 * 86_400_000;
/** Room that is told to be scarce: a share of what the browser grants, and what a large model needs. bytes */
const SCARCE = { share: 0.85, left: 50e6 };
const PUT_AWAY = 'tapis-reminder-put-away';
const FIRST = 'tapis-first-seen';

/** How safely the browser keeps things, as far as it says. */
interface Safety {
  readonly persistent: boolean;
  readonly usage: number;
  readonly quota: number;
}

/** Asks the browser to keep what is here for good, and how much room there is. */
async function safetyOf(): Promise<Safety | null> {
  try {
    const { storage } = navigator;
    const persistent = (await storage.persisted()) || (await storage.persist());
    const { usage = 0, quota = 0 } = await storage.estimate();
    return { persistent, usage, quota };
  } catch {
    // a browser that does not say is one of which nothing can be told
    return null;
  }
}

/** Says when room gets scarce, before something is lost, and quietly when nothing was backed up for long. */
export function Keeping({ onBin }: { onBin: () => void }) {
  const [safety, setSafety] = useState<Safety | null>(null);
  const [now] = useState(() => Date.now());
  const [away, setAway] = useState(() => Number(keptLook(PUT_AWAY) ?? 0));
  useEffect(() => {
    // from the first look on, time runs where nothing was ever backed up
    if (keptLook(FIRST) === null) keepLook(FIRST, String(Date.now()));
    let left = false;
    const look = () => void safetyOf().then((found) => !left && setSafety(found));
    look();
    const timer = setInterval(look, 60_000);
    return () => {
      left = true;
      clearInterval(timer);
    };
  }, []);
  if (keptInPageOnly !== null || !safety) return null;
  const { persistent, usage, quota } = safety;
  if (quota > 0 && (usage > SCARCE.share * quota || quota - usage < SCARCE.left))
    return (
      <Bar
        tone="warning"
        words={`The room that this browser gives Tapis is nearly full: ${inMb(usage)} of ${inMb(quota)}. Back up, then empty the bin or make room on the disk.`}
      >
        <BarButton onPress={() => void backUp()}>Back up</BarButton>
        <BarButton onPress={onBin}>Show the bin</BarButton>
      </Bar>
    );
  const last = backedUpAt();
  const since = Math.max(last, Number(keptLook(FIRST) ?? now));
  if (persistent || now - since < LONG || now - away < AWAY) return null;
  const days = Math.floor((now - since) / 86_400_000);
  return (
    <p role="note" className="text-secondary border-base-300 flex gap-3 border-b px-4 py-1.5 text-[12px]">
      {last === 0 ? 'Nothing here was ever backed up' : `The last backup is ${days} days old`}, and this
      browser may clear what it keeps when its disk gets full.
      <button type="button" className="link" onClick={() => void backUp().then(() => setAway(Date.now()))}>
        Back up
      </button>
      <button
        type="button"
        className="link"
        onClick={() => {
          keepLook(PUT_AWAY, String(Date.now()));
          setAway(Date.now());
        }}
      >
        Later
      </button>
    </p>
  );
}

const inMb = (bytes: number): string =>
  bytes >= 1e9 ? `${(bytes / 1e9).toFixed(1)} GB` : `${Math.round(bytes / 1e6)} MB`;
