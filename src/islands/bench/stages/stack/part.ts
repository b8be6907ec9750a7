import type { StackIntent } from '../../../../core/document/intent';
import type { Padstack, StackPart } from '../../../../core/padstack/padstack';
import type { Process } from '../../../../core/process/process';
import type { DrawnLayer } from '../../../sheet/StackDrawing';

/** What the fields of one padstack show. */
export interface StackPartProps {
  intent: StackIntent;
  stack: Padstack;
  process: Process;
  show: (mm: number) => string;
  layers: ReadonlyMap<StackPart, DrawnLayer>;
}
