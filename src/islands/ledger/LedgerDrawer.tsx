import { useEffect, useRef, type ReactNode } from 'react';
import type { Report } from '../../core/check/check';
import type { Severity } from '../../core/document/finding';
import { SeverityMark } from '../sheet/Balloons';

interface Props {
  report: Report;
  isOpen: boolean;
  onToggle: (open: boolean) => void;
  children: ReactNode;
}

const SEVERITIES: readonly Severity[] = ['stop', 'caution', 'note'];

/** The Ledger where there is no room beside the Sheet: a strip with its counts, and over the Sheet what it says. */
export function LedgerDrawer({ report, isOpen, onToggle, children }: Props) {
  const strip = useRef<HTMLButtonElement>(null);
  const drawer = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!isOpen) return;
    const close = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || event.defaultPrevented) return;
      if (drawer.current?.contains(document.activeElement)) strip.current?.focus();
      onToggle(false);
    };
    addEventListener('keydown', close);
    return () => removeEventListener('keydown', close);
  }, [isOpen, onToggle]);
  const counts = SEVERITIES.map(
    (severity) =>
      [severity, report.findings.filter((finding) => finding.severity === severity).length] as const,
  ).filter(([, count]) => count > 0);
  const words = counts.map(([severity, count]) => `${count} ${severity}${count === 1 ? '' : 's'}`).join(', ');
  return (
    <>
      <button
        ref={strip}
        type="button"
        className="border-base-300 bg-base-100 hover:bg-base-200 flex w-14 shrink-0 flex-col items-center gap-1 border-l py-3 text-[12px]"
        aria-expanded={isOpen}
        aria-label={`Ledger: ${words || 'nothing found'}`}
        onClick={() => onToggle(!isOpen)}
      >
        Ledger
        {counts.map(([severity, count]) => (
          <svg key={severity} width="28" height="28" viewBox="-14 -14 28 28" aria-hidden="true">
            <SeverityMark severity={severity} number={count} />
          </svg>
        ))}
        <span aria-hidden="true">{isOpen ? '▸' : '◂'}</span>
      </button>
      {isOpen && (
        <div ref={drawer} className="absolute inset-y-0 right-14 z-20 flex shadow-lg">
          {children}
        </div>
      )}
    </>
  );
}
