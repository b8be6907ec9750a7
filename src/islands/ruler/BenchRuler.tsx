import { useContext, useMemo } from 'react';
import { freshId } from '../../core/document/edit';
import type { TapisDocument } from '../../core/document/document';
import type { Drawable } from '../../core/footprint/footprint';
import { keptMeasurements } from '../../core/ruler/kept';
import { DISTANCE_WORDS } from '../../core/ruler/measure';
import { thingsOf } from '../../core/ruler/things';
import { formatLength } from '../../core/units/length';
import { LengthField, TextField } from '../fields/choices';
import { BenchContext, useBench } from '../state/context';
import { nextLaid, type BenchView } from '../state/bench-view';
import { RulerLayer, type RulerView } from './RulerLayer';
import { RulerPanel } from './RulerPanel';

const NONE: NonNullable<TapisDocument['measurements']> = [];

function useMeasured(drawable: Drawable) {
  return useMemo(
    () => keptMeasurements(drawable.measurements, drawable.footprint, drawable.process),
    [drawable],
  );
}

function useThings(drawable: Drawable) {
  const isOn = useBench((s) => s.ruler !== null);
  return useMemo(() => (isOn ? thingsOf(drawable.footprint, drawable.process) : []), [drawable, isOn]);
}

function useLay() {
  const store = useContext(BenchContext);
  return (next: BenchView['ruler']) => store?.getState().set({ ruler: next });
}

/** What is laid and what is kept, over the views of the Bench's Sheet. */
export function BenchRuler({ drawable, views }: { drawable: Drawable; views: readonly RulerView[] }) {
  const laid = useBench((s) => s.ruler);
  const unit = useBench((s) => s.unit);
  const things = useThings(drawable);
  const kept = useMeasured(drawable);
  const lay = useLay();
  return (
    <RulerLayer
      views={views}
      things={things}
      laid={laid}
      kept={kept}
      unit={unit}
      onPick={(id) => laid && lay(nextLaid(laid, id))}
    />
  );
}

/** The ruler's panel, with the measurements that the footprint keeps. */
export function BenchRulerPanel({ drawable }: { drawable: Drawable }) {
  const laid = useBench((s) => s.ruler);
  const unit = useBench((s) => s.unit);
  const kept = useBench((s) => s.document.measurements) ?? NONE;
  const edit = useBench((s) => s.edit);
  const things = useThings(drawable);
  const measured = useMeasured(drawable);
  const lay = useLay();
  const { footprint } = drawable;
  if (!laid) return null;
  return (
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
              <LengthField name={`measurements/${id}/wished`} words={`Wished from ${from} to ${to}`} />
              <TextField name={`measurements/${id}/why`} words={`Source of the wish from ${from} to ${to}`} />
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
  );
}
