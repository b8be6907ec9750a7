import { useId } from 'react';
import type { Finding } from '../../core/document/finding';
import { inUnit } from '../../core/units/in-words';
import { useBench } from '../state/context';

/** Why an entry of the document cannot be used as it is. */
export interface Fault {
  readonly id: string;
  /** `null` where it can be used. */
  readonly words: string | null;
}

function useFirst(isOf: (finding: Finding) => boolean): Fault {
  const id = useId();
  const unit = useBench((s) => s.unit);
  const message = useBench((s) => s.derived.report.findings.find(isOf)?.message);
  return { id, words: message === undefined ? null : inUnit(message, unit) };
}

/** What is wrong with the entry at a place of the document, or at another that stands in the same field. */
export function useFault(at: string, otherwise = at): Fault {
  return useFirst(({ place: { field } }) => field === at || field === otherwise);
}

/** Why the entry of a dimension cannot be read. */
export function useDimensionFault(symbol: string): Fault {
  return useFirst(
    ({ rule, severity, place: { dimensions } }) =>
      rule === 'entry' && severity === 'stop' && dimensions?.[0] === symbol,
  );
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
