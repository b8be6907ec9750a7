import type { Level, PublishedLevel } from '../../core/standard/levels';
import type { LevelIntent, Standard } from '../../core/standard/standard';
import { Pick } from '../common/inputs';
import { Words } from './AboutClause';
import type { Put } from './state';

/** What levels are called and for; a fourth one of one's own. */
export function Levels({ standard, put }: { standard: Standard; put: Put | null }) {
  const own = standard.document?.levels ?? {};
  const change = (id: Level, part: LevelIntent) =>
    put?.part({ levels: { ...own, [id]: { ...own[id], ...part } } });
  const hasD = standard.levels.some(({ id }) => id === 'D');
  return (
    <section className="mt-3">
      <h3 className="font-semibold">Levels</h3>
      {standard.levels.map(({ id, title, purpose, letter, from }) => (
        <div key={id} className="border-base-300 flex flex-wrap items-baseline gap-x-3 border-t py-1">
          <b className="w-4 font-semibold">{id}</b>
          {put ? (
            <>
              <Words
                key={`t ${title}`}
                label={`Title of level ${id}`}
                placeholder="title"
                value={title}
                className="w-32"
                onTake={(text) => text !== '' && change(id, { title: text.slice(0, 40) })}
              />
              <Words
                key={`p ${purpose}`}
                label={`Purpose of level ${id}`}
                placeholder="what it is for"
                value={purpose}
                className="min-w-44 flex-1"
                onTake={(text) => change(id, { purpose: text.slice(0, 200) })}
              />
              <span className="text-secondary">names end with</span>
              <Words
                key={`l ${letter}`}
                label={`Letter of level ${id}`}
                placeholder="H"
                value={letter}
                className="w-10"
                onTake={(text) => /^[A-Z]$/.test(text) && change(id, { letter: text })}
              />
              {id === 'D' && (
                <>
                  <Pick<PublishedLevel>
                    className="w-36"
                    label="Level D comes from"
                    value={from}
                    options={[
                      ['A', 'comes from A'],
                      ['B', 'comes from B'],
                      ['C', 'comes from C'],
                    ]}
                    onChange={(next) => change('D', { from: next })}
                  />
                  <button
                    type="button"
                    className="link text-[12px]"
                    onClick={() => {
                      const { D: _, ...rest } = own;
                      put.part({ levels: rest });
                    }}
                  >
                    Take level D back
                  </button>
                </>
              )}
            </>
          ) : (
            <span>
              {title}: {purpose}; names end with {letter}
            </span>
          )}
        </div>
      ))}
      {put && !hasD && (
        <button
          type="button"
          className="btn btn-sm mt-1"
          onClick={() => change('D', { title: 'by hand', from: 'A', letter: 'H' })}
        >
          A fourth level
        </button>
      )}
    </section>
  );
}
