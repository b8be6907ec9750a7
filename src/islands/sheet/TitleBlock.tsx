import { useBench } from '../bench/context';

/** The drawing's title block: what it shows, by which process, at which scale and revision. */
export function TitleBlock({ scale }: { scale: number }) {
  const document = useBench((s) => s.document);
  const compiled = useBench((s) => s.derived.compiled);
  const unit = useBench((s) => s.unit);
  const save = useBench((s) => s.save);
  const level = { A: 'A most', B: 'B nominal', C: 'C least' }[document.level];
  const revision = save.kind === 'saved' ? String(save.revision) : 'being saved';
  const rows: [string, string][] = [
    ['Footprint', document.name],
    ['Standard name', compiled.footprint?.standardName ?? 'not yet'],
    ['Level', level],
    ['Process', compiled.process.name],
    // CSS pixels are 1/96 inch by definition
    ['Scale · unit', `${Math.round(scale / (96 / 25.4))} : 1 on screen · ${unit}`],
    ['Revision', revision],
  ];
  return (
    <dl className="flex h-full flex-col justify-center p-2.5 text-[12px]">
      {rows.map(([name, value]) => (
        <div key={name} className="border-base-300 min-w-0 border px-2 py-[3px] not-first:border-t-0">
          <dt className="text-secondary text-[11px] leading-tight">{name}</dt>
          <dd className="truncate text-[13px] leading-tight font-medium" title={value}>
            {value}
          </dd>
        </div>
      ))}
    </dl>
  );
}
