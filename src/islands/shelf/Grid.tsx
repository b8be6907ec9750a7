import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useLayoutEffect, useRef, useState, type ReactNode } from 'react';

interface Props<T> {
  items: readonly T[];
  /** How wide a column is at least, px; one column where it is missing. */
  least?: number;
  /** Height of a row, px: all are alike. */
  height: number;
  /** Between rows and columns, px. */
  gap: number;
  label: string;
  render: (item: T) => ReactNode;
  /** Told which are on the page now. */
  onSeen: (items: readonly T[]) => void;
}

/** Rows of equal height of which only those near the window are on the page: thousands stay light. */
export function Grid<T>({ items, least, height, gap, label, render, onSeen }: Props<T>) {
  const list = useRef<HTMLDivElement>(null);
  const [top, setTop] = useState(0);
  const [columns, setColumns] = useState(least === undefined ? 1 : 4);
  useLayoutEffect(() => {
    const own = list.current;
    if (!own) return;
    const measure = () => {
      setTop(own.offsetTop);
      if (least !== undefined) setColumns(Math.max(1, Math.floor((own.clientWidth + gap) / (least + gap))));
    };
    measure();
    const watch = new ResizeObserver(measure);
    watch.observe(own.parentElement ?? own);
    return () => watch.disconnect();
  }, [items.length, least, gap]);
  const rows = useWindowVirtualizer({
    count: Math.ceil(items.length / columns),
    estimateSize: () => height + gap,
    overscan: 6,
    scrollMargin: top,
  });
  const shown = rows.getVirtualItems();
  const [first, last] = [shown[0]?.index ?? 0, shown.at(-1)?.index ?? 0];
  useEffect(() => {
    onSeen(items.slice(first * columns, (last + 1) * columns));
  }, [items, first, last, columns, onSeen]);
  return (
    <div
      ref={list}
      role="list"
      aria-label={label}
      className="relative"
      style={{ height: Math.max(0, rows.getTotalSize() - gap) }}
    >
      {shown.map(({ key, index, start }) => (
        <div
          key={key}
          className="absolute inset-x-0 grid"
          role="presentation"
          style={{
            top: start - top,
            height,
            columnGap: gap,
            gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`,
          }}
        >
          {items.slice(index * columns, (index + 1) * columns).map(render)}
        </div>
      ))}
    </div>
  );
}
