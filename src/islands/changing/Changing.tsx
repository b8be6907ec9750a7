import type { Prospect, Wish } from '../../core/library/change';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';
import { saidChanges } from './change-words';
import { rewriteMany } from './rewrite';
import { useLooking, type Line } from './looking';
import { GRAVITY, ManyDialog, Verdict } from './ManyDialog';

interface Props {
  wish: Wish;
  ids: readonly string[];
  onClose: () => void;
}

const wishWords = ({ process, level, standard }: Wish): string =>
  [
    process?.name,
    level && `level ${level}`,
    standard === undefined ? '' : standard ? `${standard.name}, version ${standard.version}` : 'as published',
  ]
    .filter(Boolean)
    .join(', ');

/** Shows what a wish would do to many footprints, before anything is written, and does it as one act. */
export function Changing({ wish, ids, onClose }: Props) {
  const { lines, running, stopped, stop } = useLooking(ids, wish);
  const changing = lines.filter((line): line is Line & { readonly prospect: Prospect } =>
    Boolean(line.prospect),
  );
  const lost = lines.filter(({ prospect }) => prospect === undefined).length;
  const same = lines.filter(({ prospect }) => prospect === null).length;
  const listed = [...changing].sort(
    (a, b) => GRAVITY.indexOf(a.prospect.after) - GRAVITY.indexOf(b.prospect.after),
  );
  const write = async () => {
    await attempt(`Changing ${counted(changing.length, 'footprint')}`, async () => {
      await rewriteMany(
        changing.map(({ id, revision, prospect }) => ({ id, revision, document: prospect.document })),
        wishWords(wish),
      );
    });
    onClose();
  };
  return (
    <ManyDialog
      label={`What ${wishWords(wish)} would change`}
      title={`${wishWords(wish)} for ${counted(ids.length, 'footprint')}`}
      status={
        running ? (
          <>
            Looking at what would change: {lines.length} of {ids.length}{' '}
            <button type="button" className="link" onClick={stop}>
              Stop
            </button>
          </>
        ) : (
          <>
            {counted(changing.length, 'footprint')} would change
            {same > 0 && `, ${same} ${same === 1 ? 'is' : 'are'} so already`}
            {lost > 0 && `, ${lost} could not be looked at and would stay`}
            {stopped && `, ${ids.length - lines.length} were not looked at and would stay`}. Nothing is
            written yet.
          </>
        )
      }
      figures={(verdict) => (
        <>
          {changing.filter(({ prospect }) => prospect.before === verdict).length} →{' '}
          <b className="font-semibold">
            {changing.filter(({ prospect }) => prospect.after === verdict).length}
          </b>
        </>
      )}
      heads={['found now → then', 'what would change']}
      rows={listed.map(({ id, name, prospect: { before, after, changes } }) => ({
        id,
        name,
        cells: [
          <>
            <Verdict verdict={before} /> → <Verdict verdict={after} />
          </>,
          saidChanges(changes),
        ],
      }))}
      rest="which are found no worse"
      buttons={
        <>
          <button type="button" className="btn btn-sm" onClick={() => onClose()}>
            Leave them
          </button>
          <button
            type="button"
            className="btn btn-sm btn-primary"
            disabled={running || changing.length === 0}
            onClick={() => void write()}
          >
            Change {counted(changing.length, 'footprint')}
          </button>
        </>
      }
      onClose={onClose}
    />
  );
}
