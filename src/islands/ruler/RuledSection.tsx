import { useCallback, useMemo } from 'react';
import { sectionStack } from '../../core/drawing/stack';
import type { Padstack } from '../../core/padstack/padstack';
import type { Process } from '../../core/process/process';
import { sectionThings } from '../../core/ruler/section';
import type { DisplayUnit } from '../../core/units/length';
import { StackSection } from '../sheet/StackDrawing';
import { useLocalRuler } from './LocalRuler';

interface Props {
  stack: Padstack;
  process: Process;
  unit: DisplayUnit;
  /** The ruler was put away. */
  onAway: () => void;
}

/** The padstack cut through its middle, with a ruler of its own. */
export function RuledSection({ stack, process, unit, onAway }: Props) {
  const drawn = useMemo(() => sectionStack(stack, process), [stack, process]);
  const things = useCallback(
    () => sectionThings(stack, process, { ...drawn, ...drawn.extent }),
    [stack, process, drawn],
  );
  const ruler = useLocalRuler(things, unit, { isBelow: true, onAway });
  return (
    <>
      <StackSection stack={stack} process={process} overlay={ruler.overlay} />
      {ruler.panel}
    </>
  );
}
