import type { PieceIntent } from '../../../core/document/pieces';
import { isNumbered } from '../../../core/package/composed/numbers';
import { Pick, Tick } from '../../common/inputs';
import { useBench } from '../../state/context';
import { pieceAt } from './edits';

const WAYS = [
  ['count', 'one after the other'],
  ['list', 'one by one'],
  ['shared', 'all alike'],
  ['grid', 'letters and digits'],
  ['none', 'not at all'],
] as const;

/** How a piece is numbered. */
export function Numbers({ piece }: { piece: PieceIntent }) {
  const { id, numbers } = piece;
  const edit = useBench((s) => s.edit);
  const at = `${pieceAt(id)}/numbers`;
  if (!isNumbered(piece)) return null;
  const way = numbers?.none
    ? 'none'
    : numbers?.grid
      ? 'grid'
      : numbers?.shared !== undefined
        ? 'shared'
        : numbers?.list !== undefined
          ? 'list'
          : 'count';
  const said = {
    count: undefined,
    list: { list: '1' },
    shared: { shared: 'SH' },
    grid: { grid: true },
    none: { none: true },
  };
  return (
    <div className="col-span-2 flex items-center gap-2">
      <span className="text-secondary shrink-0">Numbered</span>
      <Pick
        label="How it is numbered"
        value={way}
        options={WAYS}
        onChange={(next) => edit([{ at, value: said[next] }])}
      />
      {way === 'count' && (
        <Tick
          small
          checked={numbers?.backwards ?? false}
          onChange={(on) => edit([{ at: `${at}/backwards`, value: on || undefined }])}
        >
          backwards
        </Tick>
      )}
    </div>
  );
}

/** Whether places that are left out keep their numbers free. */
export function Gaps({ piece: { id, omit, numbers } }: { piece: PieceIntent }) {
  const edit = useBench((s) => s.edit);
  if (omit === undefined || numbers?.list !== undefined || numbers?.shared !== undefined) return null;
  const at = `${pieceAt(id)}/numbers/gaps`;
  return (
    <div className="col-span-2">
      <Tick small checked={numbers?.gaps ?? false} onChange={(on) => edit([{ at, value: on || undefined }])}>
        places left out keep their numbers
      </Tick>
    </div>
  );
}
