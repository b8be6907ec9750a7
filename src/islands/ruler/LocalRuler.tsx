import { useEffect, useMemo, useState, type ReactNode } from 'react';
import type { Thing } from '../../core/ruler/things';
import { inText } from '../common/typing';
import type { DisplayUnit } from '../../core/units/length';
import type { OverView } from '../sheet/view';
import { nextLaid } from '../state/bench-view';
import { RulerLayer, type Laid } from './RulerLayer';
import { RulerPanel } from './RulerPanel';

const NONE: readonly Thing[] = [];
const NO_GROUPS: Groups = [];
const NOTHING_YET: Laid = { from: null, to: null };
type Groups = readonly (readonly [name: string, ids: readonly string[]])[];

/** A ruler of a drawing's own: it measures, and keeps nothing. */
export interface LocalRuler {
  readonly isOn: boolean;
  readonly toggle: () => void;
  /** What is drawn over the drawing; `null` while it is put away. */
  readonly overlay: ((view: OverView) => ReactNode) | null;
  readonly panel: ReactNode;
}

interface Lie {
  /** Between which the smallest gap is looked for. */
  groups?: Groups;
  /** Whether its panel stands below the drawing. */
  isBelow?: boolean;
  /** Whether M lays it and puts it away. */
  hasKey?: boolean;
  /** Told when it is put away; it is laid at once then. */
  onAway?: () => void;
}

/**
 * Lays a ruler over a drawing.
 * @param things makes what can be measured from, once the ruler is laid; the same function while nothing changes
 */
export function useLocalRuler(
  things: () => readonly Thing[],
  unit: DisplayUnit,
  { groups = NO_GROUPS, isBelow = false, hasKey = false, onAway }: Lie = {},
): LocalRuler {
  const [laid, setLaid] = useState<Laid | null>(onAway ? NOTHING_YET : null);
  const isOn = laid !== null;
  const all = useMemo(() => (isOn ? things() : NONE), [isOn, things]);
  const away = () => {
    setLaid(null);
    onAway?.();
  };
  const toggle = () => (isOn ? away() : setLaid(NOTHING_YET));
  useEffect(() => {
    if (!hasKey) return;
    const press = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== 'm' || event.ctrlKey || event.metaKey || event.altKey) return;
      if (inText(event) || document.querySelector('dialog[open]')) return;
      event.preventDefault();
      setLaid((now) => (now ? null : NOTHING_YET));
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [hasKey]);
  if (!laid) return { isOn, toggle, overlay: null, panel: null };
  return {
    isOn,
    toggle,
    overlay: (view) => (
      <RulerLayer
        views={[view]}
        things={all}
        laid={laid}
        kept={[]}
        unit={unit}
        onPick={(id) => setLaid(nextLaid(laid, id))}
      />
    ),
    panel: (
      <RulerPanel
        things={all}
        laid={laid}
        unit={unit}
        onLay={setLaid}
        onClose={away}
        groups={groups}
        isBelow={isBelow}
      />
    ),
  };
}

/** The button that lays a drawing's ruler and puts it away. */
export function RulerButton({ ruler }: { ruler: LocalRuler }) {
  return (
    <button type="button" className="btn btn-sm" aria-pressed={ruler.isOn} onClick={ruler.toggle}>
      Ruler
    </button>
  );
}
