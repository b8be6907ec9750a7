import { useLiveQuery } from 'dexie-react-hooks';
import { isSameStandard } from '../../../../core/document/standard-hash';
import { standardDifferences } from '../../../../core/standard/differences';
import { standardOf } from '../../../../core/standard/resolve';
import type { StandardDocument } from '../../../../core/standard/standard';
import { Pick } from '../../../common/inputs';
import { standards } from '../../../common/shelf-store';
import { useBench } from '../../../state/context';

/** The house standard: as published, one of the person's own, or the one that the document brought. */
export function StandardChoice() {
  const current = useBench((s) => s.document.standard);
  const edit = useBench((s) => s.edit);
  const id = useBench((s) => s.id);
  const own = useLiveQuery(() => standards.list()) ?? [];
  const known = current && !own.some(({ id }) => id === current.id) ? [...own, current] : own;
  // a document keeps the standard that it was made with until the person takes the newer one
  const newer = current && own.find((one) => one.id === current.id && !isSameStandard(one, current));
  const take = (standard: StandardDocument | undefined) => edit([{ at: '/standard', value: standard }]);
  return (
    <div className="mt-2">
      <span className="text-secondary flex items-baseline justify-between text-[12px]">
        House standard
        <a className="link" href={`/standards?part=${id}#${current?.id ?? 'published'}`}>
          what it says
        </a>
      </span>
      {newer && (
        <button
          type="button"
          className="text-primary underline"
          title={standardDifferences(standardOf(current), standardOf(newer))
            .map(({ title, from, to }) => `${title}: ${from} → ${to}`)
            .join('\n')}
          onClick={() => take(newer)}
        >
          Take version {newer.version}
        </button>
      )}
      <Pick
        className="w-full"
        label="House standard"
        title={current ? `${current.name}, version ${current.version}` : 'as published'}
        value={current?.id ?? ''}
        options={[['', 'as published'], ...known.map(({ id, name }) => [id, name] as const)]}
        onChange={(chosen) => take(known.find(({ id }) => id === chosen))}
      />
    </div>
  );
}
