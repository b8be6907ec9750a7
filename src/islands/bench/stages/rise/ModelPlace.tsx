import type { ModelIntent } from '../../../../core/document/document';
import type { SeatedModel } from '../../../../core/footprint/footprint';
import { snapsOf } from '../../../../core/footprint/snaps';
import { formatLength } from '../../../../core/units/length';
import { LengthField } from '../../../fields/choices';
import { useBench } from '../../../state/context';
import { AxisPicture } from './AxisPicture';

const AXES = ['x', 'y', 'z'] as const;

/** Where the model stands: offsets to type, quarter turns to press, and what it can be laid against. */
export function ModelPlace({ intent, imported }: { intent: ModelIntent; imported: SeatedModel }) {
  const unit = useBench((s) => s.unit);
  const edit = useBench((s) => s.edit);
  const { turn, scale } = imported.pose;
  const write = (part: Partial<ModelIntent>) => edit([{ at: '/body/model', value: { ...intent, ...part } }]);
  const turnBy = (axis: 'x' | 'y' | 'z', by: number) => {
    const angle = ((((turn[axis] + by + 180) % 360) + 360) % 360) - 180;
    write({ turn: { ...turn, [axis]: angle === -180 ? 180 : angle } });
  };
  return (
    <div className="mt-2">
      <div className="flex items-start gap-2">
        <div className="flex-1">
          {AXES.map((axis) => (
            <div key={axis} className="flex items-center gap-1 py-[2px]">
              <span className="w-12">Turn {axis.toUpperCase()}</span>
              <button
                type="button"
                className="border-base-300 border px-1"
                aria-label={`Turn ${axis} by −90°`}
                onClick={() => turnBy(axis, -90)}
              >
                −90
              </button>
              <input
                type="number"
                step="any"
                className="border-base-300 bg-base-100 w-12 border px-1 text-right"
                aria-label={`Turn about ${axis}, degrees`}
                value={turn[axis]}
                onChange={({ target: { valueAsNumber } }) =>
                  Number.isFinite(valueAsNumber) &&
                  Math.abs(valueAsNumber) <= 360 &&
                  edit(
                    [{ at: '/body/model', value: { ...intent, turn: { ...turn, [axis]: valueAsNumber } } }],
                    `turn ${axis}`,
                  )
                }
              />
              <button
                type="button"
                className="border-base-300 border px-1"
                aria-label={`Turn ${axis} by 90°`}
                onClick={() => turnBy(axis, 90)}
              >
                +90
              </button>
            </div>
          ))}
        </div>
        <AxisPicture turn={turn} />
      </div>
      {AXES.map((axis) => (
        <LengthField key={axis} name={`body/model/${axis}`} computed="0" layout="line" />
      ))}
      <label className="flex items-center gap-2 py-[2px]">
        <span className="flex-1">Scale to mm</span>
        <input
          type="number"
          step="any"
          className="border-base-300 bg-base-100 w-[104px] border px-1 text-right"
          value={Math.round(scale * 1e6) / 1e6}
          onChange={({ target: { valueAsNumber } }) =>
            valueAsNumber > 0 &&
            valueAsNumber <= 1e6 &&
            edit([{ at: '/body/model/scale', value: valueAsNumber }], 'model scale')
          }
        />
      </label>
      <div className="mt-1 flex flex-wrap gap-1" role="group" aria-label="Lay the model against">
        {snapsOf(imported).map(({ name, at }) => (
          <button
            key={name}
            type="button"
            className="border-base-300 rounded border px-1.5 text-[12px]"
            title={AXES.flatMap((axis) =>
              at[axis] === undefined ? [] : [`${axis.toUpperCase()} ${formatLength(at[axis], unit)}`],
            ).join(', ')}
            onClick={() =>
              write(
                Object.fromEntries(
                  AXES.flatMap((axis) => (at[axis] === undefined ? [] : [[axis, `${at[axis]} mm`]])),
                ),
              )
            }
          >
            {name}
          </button>
        ))}
      </div>
      <p className="text-secondary mt-1 text-[12px]">
        Drag the model in an elevation to nudge it; it snaps to the same places.
      </p>
    </div>
  );
}
