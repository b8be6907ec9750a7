import { useEffect, useRef } from 'react';
import { Heading } from '../../../common/inputs';
import { useBench } from '../../../state/context';
import type { Drawable } from '../../../../core/footprint/footprint';
import { ModelPlace } from './ModelPlace';
import { Residuals } from './Residuals';
import { SeatAnswer } from './SeatAnswer';
import { warmReader } from '../../../model/in-worker';
import { useModel } from '../../../model/useModel';

const READS = '.step,.stp,.p21,.stl,.glb,.gltf';

/** The imported model: a place to drop it, how it was seated, and what is left over at each contact. */
export function ModelPanel({ drawable: { footprint } }: { drawable: Drawable }) {
  const intent = useBench((s) => s.document.body?.model);
  const loaded = useBench((s) => (intent ? s.models.get(intent.key) : undefined));
  const edit = useBench((s) => s.edit);
  const { state, open, again, cancel } = useModel();
  const input = useRef<HTMLInputElement>(null);
  const imported = footprint.body.imported;
  const dropped = useBench((s) => s.dropped);
  const set = useBench((s) => s.set);
  const latest = useRef(open);
  useEffect(() => {
    latest.current = open;
  });
  useEffect(() => {
    if (!dropped) return;
    set({ dropped: null });
    void latest.current(dropped);
  }, [dropped, set]);
  return (
    <>
      <Heading>Imported model</Heading>
      <div className="border-base-300 mt-1 border border-dashed px-2 py-1.5">
        {intent ? (
          <p className="flex items-baseline gap-2">
            <span className="min-w-0 flex-1 truncate font-medium" title={intent.name}>
              {intent.name}
            </span>
            <button
              type="button"
              className="link text-[12px]"
              onClick={() => edit([{ at: '/body/model', value: undefined }])}
            >
              leave out
            </button>
          </p>
        ) : (
          <p className="text-secondary">
            Drop a STEP, STL or glTF file here or on the Sheet; Tapis finds how it sits on the lands.
          </p>
        )}
        <div className="mt-1 flex gap-1.5">
          <button
            type="button"
            className="btn btn-sm btn-outline btn-primary"
            onClick={() => {
              warmReader();
              input.current?.click();
            }}
          >
            {intent ? 'Another file' : 'Choose a file'}
          </button>
          {intent && loaded && (
            <button
              type="button"
              className="btn btn-sm btn-outline btn-primary"
              onClick={() => void again(loaded.model, intent)}
            >
              Seat it again
            </button>
          )}
        </div>
        <input
          ref={input}
          type="file"
          accept={READS}
          className="hidden"
          aria-label="Model file"
          onChange={({ target }) => {
            const [file] = target.files ?? [];
            target.value = '';
            if (file) void open(file);
          }}
        />
      </div>
      {state.kind === 'busy' && (
        <div className="mt-1.5 flex items-center gap-2" role="status">
          <span className="min-w-0 flex-1">
            {state.doing}
            <progress
              className="progress progress-primary block w-full"
              {...(state.share === null ? {} : { value: state.share, max: 1 })}
            />
          </span>
          <button type="button" className="btn btn-sm btn-outline" onClick={cancel}>
            Stop
          </button>
        </div>
      )}
      {state.kind === 'failed' && (
        <p role="alert" className="border-error mt-1.5 border-l-3 pl-2">
          {state.reason}
        </p>
      )}
      {intent && loaded === null && state.kind !== 'busy' && (
        <p className="border-warning mt-1.5 border-l-3 pl-2">
          Its file is not in this browser. Drop it here, and it comes back to the place that the document
          gives it.
        </p>
      )}
      {state.kind === 'seated' && intent && <SeatAnswer intent={intent} {...state} />}
      {intent && imported && <ModelPlace intent={intent} imported={imported} />}
      {imported?.seen && <Residuals footprint={footprint} imported={imported} />}
    </>
  );
}
