import { useId } from 'react';
import type { Finding } from '../../core/document/finding';
import { inUnit } from '../../core/units/in-words';
import { useBench } from '../state/context';
import { useFieldHost, useFieldState } from '../state/fields';

/** Why an entry of the document cannot be used as it is. */
export interface Fault {
  readonly id: string;
  /** `null` where it can be used. */
  readonly words: string | null;
}

function useTold(message: string | undefined): Fault {
  const id = useId();
  const unit = useFieldState((s) => s.unit);
  return { id, words: message === undefined ? null : inUnit(message, unit) };
}

/** What is wrong with the entry at a place of the document, or at another that stands in the same field. */
export function useFault(at: string, otherwise = at): Fault {
  const { faultAt } = useFieldHost();
  return useTold(useFieldState(() => faultAt(at) ?? faultAt(otherwise)));
}

/** Why the entry of a dimension cannot be read. */
export function useDimensionFault(symbol: string): Fault {
  const isOf = ({ rule, severity, place: { dimensions } }: Finding) =>
    rule === 'entry' && severity === 'stop' && dimensions?.[0] === symbol;
  return useTold(useBench((s) => s.derived.report.findings.find(isOf)?.message));
}

/** How the field of a faulty entry looks and reads: a red line, and its words. */
export function toldOf({ id, words }: Fault) {
  return words === null ? {} : ({ tone: 'fault', 'aria-invalid': true, 'aria-describedby': id } as const);
}

/**
 * The words below a field whose entry cannot be used.
 * @param wide fields stand beside each other: below all of them
 */
export function FaultWords({ fault: { id, words }, wide = false }: { fault: Fault; wide?: boolean }) {
  return (
    words !== null && (
      <p id={id} className={`text-error text-[12px] wrap-anywhere ${wide ? 'order-last col-span-full' : ''}`}>
        {words}
      </p>
    )
  );
}
