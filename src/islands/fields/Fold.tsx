import type { ReactNode } from 'react';
import type { DrawnLayer } from '../sheet/StackDrawing';

interface Props {
  title: string;
  open: boolean;
  /** The layer that the fields are about. */
  layer?: DrawnLayer | undefined;
  children: ReactNode;
}

/** Fields about one layer under its picture, folded unless something in them was set. */
export function Fold({ title, open, layer, children }: Props) {
  return (
    <details className="border-base-300 border-t" open={open}>
      <summary className="hover:bg-base-200 flex cursor-pointer list-none items-center gap-2 py-0.5">
        <span className="grid w-[92px] shrink-0 place-content-center">{layer?.picture}</span>
        <span className="min-w-0">
          <span className="block font-semibold">{title}</span>
          {layer && <span className="block truncate">{layer.size}</span>}
          {layer && <span className="text-secondary block text-[12px]">{layer.from}</span>}
        </span>
      </summary>
      <div className="mt-0.5 mb-2 grid gap-1.5">{children}</div>
    </details>
  );
}
