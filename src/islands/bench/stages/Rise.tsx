import { useBench } from '../../state/context';
import { BoardEdgePanel } from './rise/BoardEdgePanel';
import { HeightStack } from './rise/HeightStack';
import { LookPanel } from './rise/LookPanel';
import { ModelPanel } from './rise/ModelPanel';

/** Heights from the board's underside to the top, the imported model and its seat, and the board's edge. */
export function Rise() {
  const drawable = useBench((s) => s.derived.shown?.drawable);
  if (!drawable) {
    return (
      <>
        <h1 className="text-[15px] font-semibold">Rise</h1>
        <p className="text-secondary mt-2">Heights appear once Measure has all its dimensions.</p>
      </>
    );
  }
  return (
    <>
      <h1 className="text-[15px] font-semibold">Rise</h1>
      <HeightStack drawable={drawable} />
      <ModelPanel drawable={drawable} />
      <LookPanel />
      <BoardEdgePanel />
    </>
  );
}
