import { useContext, useMemo, type ReactNode } from 'react';
import { freshId } from '../../core/document/edit';
import type { TapisDocument } from '../../core/document/document';
import type { Drawable } from '../../core/footprint/footprint';
import { keptMeasurements } from '../../core/ruler/kept';
import { DISTANCE_WORDS } from '../../core/ruler/measure';
import { thingsOf } from '../../core/ruler/things';
import { formatLength } from '../../core/units/length';
import { TextField } from '../fields/choices';
import { RulerLayer, type RulerView } from '../ruler/RulerLayer';
import { RulerPanel } from '../ruler/RulerPanel';
import { BenchContext, useBench } from '../state/context';
import { nextLaid } from '../state/bench-view';

const NONE: NonNullable<TapisDocument['measurements']> = [];

/** The ruler over the Bench's Sheet: what is drawn over the views, and its panel. */
export function useRuler(drawable: Drawable | null): {
  readonly overlay: ((views: readonly RulerView[]) => ReactNode) | null;
  readonly panel: ReactNode;
} {
  const store = useContext(BenchContext);
  const laid = useBench((s) => s.ruler);
  const unit = useBench((s) => s.unit);
  const kept = useBench((s) => s.document.measurements) ?? NONE;
  const edit = useBench((s) => s.edit);
  const isOn = laid !== null;
  const things = useMemo(
    () => (drawable && isOn ? thingsOf(drawable.footprint, drawable.process) : []),
    [drawable, isOn],
  );
  const measured = useMemo(
    () => (drawable ? keptMeasurements(drawable.measurements, drawable.footprint, drawable.process) : []),
    [drawable],
  );
  if (!drawable || (!isOn && measured.length === 0)) return { overlay: null, panel: null };
  const lay = (next: typeof laid) => store?.getState().set({ ruler: next });
  const { footprint } = drawable;
  return {
    overlay: (views) => (
      <RulerLayer
        views={views}
        things={things}
        laid={laid}
        kept={measured}
        unit={unit}
        onPick={(id) => laid && lay(nextLaid(laid, id))}
      />
    ),
    panel: laid && (
      <RulerPanel
        things={things}
        laid={laid}
        unit={unit}
        onLay={lay}
        onClose={() => lay(null)}
        onKeep={(one) => edit([{ at: '/measurements', value: [...kept, { id: freshId(kept), ...one }] }])}
        groups={footprint.groups.map(({ terminals }) => [
          terminals.title,
          footprint.lands.flatMap(({ id, group }) => (group === terminals.id ? [`land:${id}`] : [])),
        ])}
      >
        {measured.length > 0 && (
          <div className="border-base-300 mt-1.5 border-t pt-1.5">
            <h3 className="font-semibold">Kept</h3>
            {measured.map(({ id, between, now, what, from, to }) => (
              <div key={id} className="border-base-300 border-t py-1">
                <p>
                  {between ? `${between[0].name} to ${between[1].name}` : `${from} to ${to}`},{' '}
                  {DISTANCE_WORDS[what]}:{' '}
                  <b className="font-semibold">
                    {now ? `${formatLength(now.value.nom, unit)} ${unit}` : 'nothing to measure'}
                  </b>
                </p>
                <TextField name={`measurements/${id}/wished`} words={`Wished from ${from} to ${to}`} />
                <TextField
                  name={`measurements/${id}/why`}
                  words={`Source of the wish from ${from} to ${to}`}
                />
                <button
                  type="button"
                  className="text-primary underline"
                  onClick={() => edit([{ at: `/measurements/${id}`, value: undefined }])}
                >
                  Remove
                </button>
              </div>
            ))}
          </div>
        )}
      </RulerPanel>
    ),
  };
}
