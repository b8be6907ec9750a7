import type { ReactNode } from 'react';
import type { Drawable } from '../../core/footprint/footprint';
import { later } from '../common/later';
import type { OverView } from '../sheet/view';
import { useBench } from '../state/context';

// the ruler is loaded when it is laid for the first time, or something is kept
const BenchRuler = later('The ruler', async () => (await import('../ruler/BenchRuler')).BenchRuler, null);
const BenchRulerPanel = later(
  'The ruler',
  async () => (await import('../ruler/BenchRuler')).BenchRulerPanel,
  null,
);

/** The ruler over the Bench's Sheet: what is drawn over the views, and its panel. */
export function useRuler(drawable: Drawable | null): {
  readonly overlay: ((views: readonly OverView[]) => ReactNode) | null;
  readonly panel: ReactNode;
} {
  const isOn = useBench((s) => s.ruler !== null);
  if (!drawable || (!isOn && drawable.measurements.length === 0)) return { overlay: null, panel: null };
  return {
    overlay: (views) => <BenchRuler drawable={drawable} views={views} />,
    panel: isOn && <BenchRulerPanel drawable={drawable} />,
  };
}
