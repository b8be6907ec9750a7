import type { Choice, Clash } from '../../store/restore';
import { counted, whenMade } from '../common/words';
import type { Asked } from './import';
import { Settling } from './Settling';

const CHOICES: readonly (readonly [Choice, string])[] = [
  ['both', 'keep both'],
  ['here', 'keep what is here'],
  ['backup', 'take the backup’s'],
];
const KINDS: Readonly<Record<Clash['kind'], string>> = {
  footprint: 'footprint',
  process: 'process',
  family: 'package family',
};
const keyOf = ({ kind, id }: Clash) => `${kind} ${id}`;
const when = (at: number | null) => (
  <span className="whitespace-nowrap">{at === null ? '' : whenMade(at)}</span>
);

/** Asks what to do where something is here and in a backup, and differs. */
export function Restore({ asked: { comparison, answer } }: { asked: Asked }) {
  const { contents, fresh, same, clashes, refused } = comparison;
  return (
    <Settling<Choice>
      label="Bringing a backup back"
      title={`The backup of ${whenMade(contents.made)}`}
      heads={['what differs', 'changed here', 'in the backup']}
      rows={clashes.map((clash) => ({
        key: keyOf(clash),
        name: clash.name,
        cells: [
          <>
            {clash.name}
            {clash.kind !== 'footprint' && <span className="text-secondary"> · {KINDS[clash.kind]}</span>}
          </>,
          when(clash.here),
          when(clash.there),
        ],
        choices: CHOICES,
        usual: 'both',
      }))}
      act="Bring it back"
      answer={(choose) => answer(choose && ((clash) => choose(keyOf(clash))))}
    >
      It holds {counted(contents.footprints.length, 'footprint')}: {fresh} are not here, {same} are here as
      there, and {counted(clashes.length, 'thing')} differ{clashes.length === 1 ? 's' : ''}.
      {refused.length > 0 && ` ${counted(refused.length, 'problem')} kept some from being read.`} Whatever you
      choose, nothing of what is here is lost: what gives way lies in the bin or stays as a copy.
    </Settling>
  );
}
