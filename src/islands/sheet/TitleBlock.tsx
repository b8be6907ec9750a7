import type { SheetView } from './view';

interface Props extends Pick<SheetView, 'title' | 'unit'> {
  /** px per mm */
  scale: number;
}

/** The drawing's title block: what it shows, and at which scale. */
export function TitleBlock({ title, unit, scale }: Props) {
  // CSS pixels are 1/96 inch by definition
  const magnified = Math.round(scale / (96 / 25.4));
  const rows = [...title, ['Scale · unit', `${magnified} : 1 on screen · ${unit}`] as const];
  return (
    <dl className="flex h-full flex-col justify-center-safe overflow-y-auto p-2.5 text-[12px]">
      {rows.map(([name, value]) => (
        <div key={name} className="border-base-300 min-w-0 border px-2 py-[3px] not-first:border-t-0">
          <dt className="text-secondary text-[11px] leading-tight">{name}</dt>
          <dd className="text-[13px] leading-tight font-medium wrap-anywhere">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
