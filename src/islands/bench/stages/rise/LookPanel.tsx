import { USUAL_COLOURS } from '../../../../core/body/colours';
import type { Hideable } from '../../../../core/drawing/showing';
import { Heading } from '../../../common/inputs';
import { useBench } from '../../../state/context';
import { CHIP, Standpoints } from '../../../turn/Standpoints';

const SHOWN: readonly (readonly [Hideable, string])[] = [
  ['body', 'body'],
  ['leads', 'leads'],
  ['paste', 'solder'],
  ['board', 'board'],
  ['model', 'model'],
];

const MATERIALS = [
  ['moulding', 'moulding'],
  ['ceramic', 'ceramic'],
  ['metal', 'metal'],
] as const;

/** What elevations and the 3D view show, from where, and in which colours. */
export function LookPanel() {
  const hidden = useBench((s) => s.hidden);
  const standpoint = useBench((s) => s.standpoint);
  const fourth = useBench((s) => s.fourth);
  const hasModel = useBench((s) => s.document.body?.model !== undefined);
  const colours = useBench((s) => s.document.body?.colours);
  const set = useBench((s) => s.set);
  const edit = useBench((s) => s.edit);
  const toggle = (what: Hideable) => {
    const next = new Set(hidden);
    if (!next.delete(what)) next.add(what);
    set({ hidden: next });
  };
  return (
    <>
      <Heading>Views</Heading>
      <div className="mt-1 flex flex-wrap gap-1" role="group" aria-label="Shown">
        {SHOWN.filter(([what]) => what !== 'model' || hasModel).map(([what, name]) => (
          <button
            key={what}
            type="button"
            aria-pressed={!hidden.has(what)}
            className={CHIP}
            onClick={() => toggle(what)}
          >
            {name}
          </button>
        ))}
      </div>
      {hasModel && !hidden.has('model') && (
        <p className="text-secondary text-[12px]">The model stands in for body and leads.</p>
      )}
      <p className="text-secondary mt-1.5 text-[12px]">3D from</p>
      <Standpoints
        from={fourth === 'turn' ? standpoint.from : null}
        onChoose={(from) => set({ standpoint: { from, count: standpoint.count + 1 }, fourth: 'turn' })}
      />
      <p className="text-secondary mt-1.5 text-[12px]">Colours, as they are exported</p>
      <div className="flex flex-wrap items-center gap-3">
        {MATERIALS.map(([material, name]) => (
          <label key={material} className="flex items-center gap-1">
            <input
              type="color"
              className="border-base-300 h-5 w-6 border bg-transparent p-0"
              aria-label={`Colour of ${name}`}
              value={colours?.[material] ?? USUAL_COLOURS[material]}
              onChange={({ target: { value } }) =>
                edit([{ at: `/body/colours/${material}`, value }], `colour ${material}`)
              }
            />
            {name}
          </label>
        ))}
        {colours && (
          <button
            type="button"
            className="link text-[12px]"
            onClick={() => edit([{ at: '/body/colours', value: undefined }])}
          >
            usual ones
          </button>
        )}
      </div>
    </>
  );
}
