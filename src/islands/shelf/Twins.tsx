import { placesWords } from '../../core/document/edit-words';
import type { Twin, TwinChoice } from '../../store/twins';
import { counted, whenMade } from '../common/words';
import { Settling } from './Settling';

/** Documents of a file that are here by their names, and wait for what becomes of them. */
export interface AskedTwins {
  readonly file: string;
  readonly twins: readonly Twin[];
  readonly answer: (choose: ((twin: Twin) => TwinChoice) | null) => void;
}

const LEAVE = ['leave', 'keep the one here alone'] as const;
const BOTH = ['both', 'keep both'] as const;
const TAKE = ['take', 'take the file’s; the one here stays as a revision'] as const;

const keyOf = ({ index }: Twin) => String(index);

/** Asks what to do with documents that are here already: the same once more, or another state of it. */
export function Twins({ file, twins, answer }: AskedTwins) {
  const same = twins.filter(({ differs }) => differs.length === 0).length;
  return (
    <Settling<TwinChoice>
      label="What is here already"
      title={`${file}: ${counted(twins.length, 'footprint')} ${twins.length === 1 ? 'is' : 'are'} here already`}
      heads={['footprint', 'changed here', 'the file’s']}
      rows={twins.map((twin) => ({
        key: keyOf(twin),
        name: twin.name,
        cells: [twin.name, whenMade(twin.at), stateOf(twin)],
        choices: twin.differs.length === 0 ? [LEAVE, BOTH] : twin.holds ? [BOTH, LEAVE] : [BOTH, LEAVE, TAKE],
        usual: twin.differs.length === 0 ? 'leave' : 'both',
      }))}
      act="Go on"
      answer={(choose) => answer(choose && ((twin) => choose(keyOf(twin))))}
    >
      {same === twins.length
        ? 'It is on the Shelf as it is in the file, by name and by what it says.'
        : 'On the Shelf something has the same name and says otherwise. Which is newer no file tells: look at what differs.'}
    </Settling>
  );
}

function stateOf({ differs, holds }: Twin) {
  if (differs.length === 0) return 'the same';
  return (
    <>
      differs in {placesWords(differs, 4)}
      {holds && (
        <span className="text-secondary block text-[12px]">
          {holds === 'approved'
            ? 'The one here is approved and stays.'
            : 'The one here is a variant and stays.'}
        </span>
      )}
    </>
  );
}
