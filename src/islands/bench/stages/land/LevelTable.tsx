import type { Level } from '../../../../core/document/document';
import { sizesOf, type SolvedGroup } from '../../../../core/land/solution';
import { formatLength } from '../../../../core/units/length';
import { useBench } from '../../../state/context';
import { levelTitle } from '../../../state/levels';

interface Props {
  levels: Readonly<Record<Level, readonly SolvedGroup[]>>;
  /** The group as it is used. */
  group: SolvedGroup;
  /** Symbol whose derivation is shown. */
  why: string | null;
  onWhy: (symbol: string) => void;
}

/** The same group as it is solved at another level. */
function solvedAt(level: readonly SolvedGroup[], { terminals }: SolvedGroup): SolvedGroup | undefined {
  return level.find((other) => other.terminals.id === terminals.id);
}

/** Land sizes of one group at every level; pressing a value shows its derivation. */
export function LevelTable({ levels, group, why, onWhy }: Props) {
  const unit = useBench((s) => s.unit);
  const level = useBench((s) => s.document.level);
  const edit = useBench((s) => s.edit);
  const set = useBench((s) => s.set);
  const standard = useBench((s) => s.derived.compiled.standard);
  const shown = standard.levels.map(({ id }) => id);
  const valueAt = (l: Level, symbol: string) => {
    const solution = solvedAt(levels[l], group);
    return solution && sizesOf(solution).find((size) => size.symbol === symbol)?.value;
  };
  return (
    <table className="mt-2 w-full text-right">
      <thead>
        <tr className="text-secondary text-[12px]">
          <th className="text-left font-normal">{unit}</th>
          {shown.map((l) => (
            <th key={l} className="font-normal" scope="col">
              <button
                type="button"
                aria-pressed={l === level}
                className="aria-pressed:bg-primary aria-pressed:text-primary-content rounded px-1"
                onClick={() => edit([{ at: '/level', value: l }])}
              >
                {levelTitle(standard, l)}
              </button>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {sizesOf(group).map(({ symbol, name }) => (
          <tr
            key={symbol}
            className={`border-base-300 border-t ${why === symbol ? 'bg-base-200' : ''}`}
            onPointerEnter={() => set({ activeDimension: symbol })}
          >
            <th scope="row" className="py-[3px] text-left font-normal">
              {name} <span className="text-secondary">{symbol}</span>
            </th>
            {shown.map((l) => {
              const value = valueAt(l, symbol);
              return (
                <td key={l}>
                  <button
                    type="button"
                    className={l === level ? 'font-semibold underline decoration-dotted' : ''}
                    title={`Why is ${symbol} this long at level ${l}?`}
                    onClick={() => {
                      if (l !== level) edit([{ at: '/level', value: l }]);
                      onWhy(symbol);
                    }}
                  >
                    {value === undefined ? '–' : formatLength(value, unit)}
                  </button>
                </td>
              );
            })}
          </tr>
        ))}
        <GoalRows levels={levels} group={group} shown={shown} />
      </tbody>
    </table>
  );
}

function GoalRows({ levels, group, shown }: Pick<Props, 'levels' | 'group'> & { shown: readonly Level[] }) {
  const unit = useBench((s) => s.unit);
  if (group.kind !== 'span') return null;
  const solutions = shown.map((l) => solvedAt(levels[l], group));
  const { ends } = group.goalRow;
  const rows = [
    [`${ends.outer} goal`, 'outer'],
    [`${ends.inner} goal`, 'inner'],
    ['side goal', 'side'],
  ] as const;
  return rows.map(([name, key]) => (
    <tr key={key} className="text-secondary border-base-300 border-t text-[12px]">
      <th scope="row" className="text-left font-normal">
        {name}
      </th>
      {solutions.map((solution, i) => (
        <td key={i}>{solution?.kind === 'span' ? formatLength(solution.goals[key], unit) : ''}</td>
      ))}
    </tr>
  ));
}
