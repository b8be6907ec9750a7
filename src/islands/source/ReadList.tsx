import { useRef, type KeyboardEvent } from 'react';
import type { ReadDimension, SourceReading } from '../../core/source/reading';
import type { Chosen } from './chosen';

interface Props {
  readonly reading: SourceReading;
  readonly chosen: readonly Chosen[];
  /** Entry that stands in the document now, by symbol. */
  readonly now: (symbol: string) => string;
  readonly focus: string | null;
  readonly onFocus: (symbol: string | null) => void;
  readonly onTurn: (symbol: string, by: number) => void;
  readonly onToggle: (symbol: string) => void;
}

const STANDINGS = { sure: '', likely: '', doubtful: '▲' } as const;

/**
 * What was understood, a line for each dimension: as printed, as it will be entered, and why. Up and down
 * go from line to line, left and right to another reading, Space leaves one out.
 */
export function ReadList({ reading, chosen, now, focus, onFocus, onTurn, onToggle }: Props) {
  const list = useRef<HTMLTableSectionElement>(null);
  const move = (event: KeyboardEvent<HTMLTableSectionElement>) => {
    const rows = [...(list.current?.querySelectorAll<HTMLElement>('tr[data-symbol]') ?? [])];
    const row = (event.target as HTMLElement).closest<HTMLElement>('tr[data-symbol]');
    const symbol = row?.dataset['symbol'];
    if (!row || symbol === undefined) return;
    const act: Readonly<Record<string, () => void>> = {
      ArrowDown: () => rows[rows.indexOf(row) + 1]?.focus(),
      ArrowUp: () => rows[rows.indexOf(row) - 1]?.focus(),
      ArrowRight: () => onTurn(symbol, 1),
      ArrowLeft: () => onTurn(symbol, -1),
      ' ': () => onToggle(symbol),
    };
    const does = act[event.key];
    if (!does) return;
    event.preventDefault();
    does();
  };
  return (
    <table className="w-full text-[12px]">
      <caption className="sr-only">What was read. Left and right arrow choose another reading.</caption>
      <thead>
        <tr className="text-secondary border-base-300 border-b text-left">
          <th className="w-5 font-normal">
            <span className="sr-only">taken</span>
          </th>
          <th className="font-normal">dimension</th>
          <th className="font-normal">letter</th>
          <th className="font-normal">as printed</th>
          <th className="font-normal">is entered as</th>
          <th className="font-normal">why</th>
        </tr>
      </thead>
      <tbody ref={list} onKeyDown={move}>
        {chosen.map(({ read, option, isTaken, options }) => {
          const { symbol, name, standing, doubts, reasons } = read;
          const shown = options[option] ?? { ...read, reason: '' };
          const before = now(symbol);
          const isOther = option > 0;
          return (
            <tr
              key={symbol}
              data-symbol={symbol}
              tabIndex={0}
              aria-selected={focus === symbol}
              className={`border-base-300 border-b align-baseline ${focus === symbol ? 'bg-base-200' : ''} ${
                isTaken ? '' : 'text-secondary line-through'
              }`}
              onFocus={() => onFocus(symbol)}
              onPointerEnter={() => onFocus(symbol)}
            >
              <td>
                <input
                  type="checkbox"
                  className="checkbox checkbox-xs"
                  tabIndex={-1}
                  aria-label={`Take ${name} ${symbol}`}
                  checked={isTaken}
                  onChange={() => onToggle(symbol)}
                />
              </td>
              <td className="pr-2">
                {name} <span className="text-secondary">{symbol}</span>
              </td>
              <td className="text-primary pr-2">{shown.label}</td>
              <td className="text-secondary max-w-36 truncate pr-2" title={shown.printed}>
                {shown.printed}
                {shown.area?.page !== undefined && ` (page ${shown.area.page})`}
              </td>
              <td className="whitespace-nowrap pr-2 font-semibold">
                {shown.text} {shown.unit && shown.unit !== reading.unit ? shown.unit : ''}
                {options.length > 1 && (
                  <button
                    type="button"
                    tabIndex={-1}
                    className="text-primary ml-1 cursor-pointer font-normal"
                    title={`Another reading: ${options[(option + 1) % options.length]?.text ?? ''} (right arrow)`}
                    aria-label={`Another reading of ${symbol}`}
                    onClick={() => onTurn(symbol, 1)}
                  >
                    {option + 1}/{options.length}
                  </button>
                )}
                {before !== '' && before !== shown.text && (
                  <span className="text-secondary block font-normal no-underline">now {before}</span>
                )}
              </td>
              <td className={standing === 'doubtful' && !isOther ? 'text-warning' : 'text-secondary'}>
                {isOther ? shown.reason : words(read, STANDINGS[standing])}
                {!isOther && doubts.length === 0 && reasons.length > 1 && (
                  <span className="sr-only">{reasons.slice(1).join('; ')}</span>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function words({ doubts, reasons, standing }: ReadDimension, mark: string): string {
  const said =
    doubts.length > 0
      ? doubts.join(' ')
      : `${reasons.slice(0, 2).join(', ')}${standing === 'likely' ? ' (likely)' : ''}`;
  return mark === '' ? said : `${mark} ${said}`;
}
