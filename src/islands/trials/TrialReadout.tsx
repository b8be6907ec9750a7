import type { ReactNode } from 'react';
import { roomAbout } from '../../core/trial/snap';
import type { CompiledTrial } from '../../core/trial/trial';
import { formatLength, type DisplayUnit } from '../../core/units/length';
import type { Pointer } from '../sheet/useGestures';
import { useTrial } from './state';

/** The line under the Sheet: cursor, selected part and what is about it, scale. */
export function TrialReadout({
  shown,
  pointer,
  scale,
  zoom,
}: {
  shown: CompiledTrial;
  pointer: Pointer | null;
  /** `null` where nothing is drawn to scale. */
  scale: number | null;
  /** What zooms the drawing, at its end. */
  zoom: ReactNode;
}) {
  const unit = useTrial((s) => s.unit);
  const selected = useTrial((s) => s.selected);
  const guides = useTrial((s) => s.guides);
  const compiled = useTrial((s) => s.compiled);
  const show = (mm: number) => formatLength(mm, unit);
  const part = compiled.parts.find((one) => one.part === selected);
  const over = pointer?.over === null || pointer === null ? undefined : shown.parts[pointer.over ?? -1];
  const at = part?.placement.at;
  return (
    <div
      className="border-base-300 bg-base-100 flex h-7 shrink-0 items-center gap-3 overflow-hidden border-t px-3 text-[12px] whitespace-nowrap"
      aria-live="off"
    >
      <span className="w-32 shrink-0">
        {pointer ? `x ${show(pointer.point.x)}  y ${show(pointer.point.y)} ${unit}` : ''}
      </span>
      {part && at ? (
        <span className="min-w-0 truncate">
          {part.reference} at {show(at.x)}, {show(at.y)} {unit} ·{' '}
          {guides.length > 0
            ? guides.map(({ words }) => words).join(', ')
            : roomWords(compiled, part.part, unit)}
        </span>
      ) : (
        <span className="text-secondary min-w-0 truncate">
          {over
            ? `${over.reference}, ${over.compiled.document.name}`
            : 'Press a part to select it, drag it to place it'}
        </span>
      )}
      <div className="ml-auto flex shrink-0 items-center gap-3">
        {scale !== null && (
          <span className="text-secondary max-[1150px]:hidden">{scale.toFixed(1)} px = 1 mm</span>
        )}
        {zoom}
      </div>
    </div>
  );
}

function roomWords(compiled: CompiledTrial, id: string, unit: DisplayUnit): string {
  const names = ['←', '→', '↓', '↑'];
  return roomAbout(compiled, id)
    .map(({ to, by }, i) => `${names[i] ?? ''} ${formatLength(by, unit)} ${to}`)
    .join(', ');
}
