import { useContext, useEffect, useRef, useState } from 'react';
import { freshId } from '../../../../core/document/edit';
import type { PinIntent } from '../../../../core/document/document';
import { voltage } from '../../../../core/document/voltage';
import { readNumberList } from '../../../../core/document/land-numbers';
import type { Footprint } from '../../../../core/footprint/footprint';
import { DIRECTION_WORDS } from '../../../../core/footprint/pins';
import { Pick } from '../../../common/inputs';
import { EntryInput } from '../../../fields/EntryInput';
import { FaultWords, toldOf, type Fault } from '../../../fields/fault';
import { useField } from '../../../fields/useEntry';
import { BenchContext, useBench } from '../../../state/context';
import { PastePins } from './PastePins';
import { PinNamesChoice } from './Pins';

const NONE: readonly PinIntent[] = [];
/** Rows that are shown at first. */
const FIRST_ROWS = 120;
type CellName = 'lands' | 'name' | 'group' | 'voltage' | 'note';
const cellId = (pin: string, cell: CellName) => `pin-${pin}-${cell}`;
const focusCell = (pin: string, cell: CellName) =>
  // the row is there once the document was drawn again
  requestAnimationFrame(() => document.getElementById(cellId(pin, cell))?.focus());

/**
 * The pin table, beside the plan: pressing a land goes to its pin, or begins one with it. While lands are being
 * chosen for a pin, pressing adds a land to it or takes it away.
 */
export function PinTable({ footprint }: { footprint: Footprint }) {
  const set = useBench((s) => s.set);
  const pins = useBench((s) => s.document.pins) ?? NONE;
  const edit = useBench((s) => s.edit);
  const read = useBench((s) => s.pinText);
  const [pasting, setPasting] = useState(read !== null);
  const [whole, setWhole] = useState(false);
  const [choosing, setChoosing] = useState<string | null>(null);
  usePressedLands(choosing, () => setWhole(true));
  const add = (lands = '') => {
    const id = freshId(pins);
    edit([{ at: '/pins', value: [...pins, { id, lands }] }]);
    focusCell(id, lands === '' ? 'lands' : 'name');
  };
  const known = new Set(footprint.lands.map(({ number }) => number));
  const shown = whole ? pins : pins.slice(0, FIRST_ROWS);
  return (
    <div role="region" aria-label="Pin table" className="flex h-full flex-col">
      <div className="flex flex-wrap items-center gap-2">
        <h1 className="text-[15px] font-semibold">Pin table</h1>
        <button
          type="button"
          className="btn btn-sm ml-auto"
          onClick={() => set({ pinsOpen: false, whole: null })}
        >
          Back to Mark
        </button>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <button
          type="button"
          className="btn btn-sm"
          aria-expanded={pasting}
          onClick={() => setPasting(!pasting)}
        >
          Paste a table
        </button>
        <button type="button" className="btn btn-sm" onClick={() => add()}>
          Add a pin
        </button>
        {pins.length > 0 && <PinNamesChoice />}
      </div>
      {pasting && (
        <PastePins
          footprint={footprint}
          onDone={() => {
            set({ pinText: null });
            setPasting(false);
          }}
        />
      )}
      <p className="text-secondary py-1 text-[12px]">
        {choosing === null
          ? 'Press a land on the plan to go to its pin, or to begin one. Enter goes down a row.'
          : 'Press the lands of this pin on the plan; pressing one again takes it away.'}
      </p>
      <div className="min-h-0 flex-1 overflow-y-auto">
        {pins.length > 0 && (
          <table className="w-full text-[13px]">
            <thead className="text-secondary text-left text-[12px]">
              <tr>
                <th className="w-26 font-normal">lands</th>
                <th className="font-normal">name</th>
                <th className="w-8 font-normal" title="Active low: drawn with a bar">
                  low
                </th>
                <th className="w-34 font-normal">direction</th>
                <th
                  className="w-18 font-normal"
                  title="The greatest against any other potential, such as 230 ac"
                >
                  voltage
                </th>
                <th className="w-20 font-normal">note</th>
                <th className="w-6" aria-label="Remove" />
              </tr>
            </thead>
            <tbody>
              {shown.map((pin, i) => (
                <PinRow
                  key={pin.id}
                  pin={pin}
                  known={known}
                  next={pins[i + 1]?.id ?? null}
                  chosen={choosing === pin.id}
                  onChoose={() => setChoosing(choosing === pin.id ? null : pin.id)}
                  onAdd={add}
                />
              ))}
            </tbody>
          </table>
        )}
        {pins.length > shown.length && (
          <button type="button" className="link mt-1" onClick={() => setWhole(true)}>
            Show all {pins.length} pins
          </button>
        )}
      </div>
    </div>
  );
}

/** Takes what is pressed on the plan while the table is open. */
function usePressedLands(choosing: string | null, onFar: () => void): void {
  const store = useContext(BenchContext);
  const selected = useBench((s) => s.selectedLand);
  const first = useRef(true);
  useEffect(() => {
    // a land that was selected before is not pressed now
    if (first.current) {
      first.current = false;
      return;
    }
    if (selected === null || !store) return;
    const { document, derived, edit } = store.getState();
    const number = derived.shown?.drawable.footprint.lands[selected]?.number ?? '';
    if (number === '') return;
    const pins = document.pins ?? NONE;
    const numbersOf = ({ lands }: PinIntent) => {
      const read = readNumberList(lands);
      return read.ok ? read.value : [];
    };
    if (choosing !== null) {
      const pin = pins.find(({ id }) => id === choosing);
      if (!pin) return;
      const own = numbersOf(pin);
      const next = own.includes(number) ? own.filter((one) => one !== number) : [...own, number];
      edit([{ at: `/pins/${pin.id}/lands`, value: next.join(' ') }]);
      // the same land can be pressed again
      store.getState().set({ selectedLand: null });
      return;
    }
    const at = pins.findIndex((pin) => numbersOf(pin).includes(number));
    const pin = pins[at];
    const id = pin?.id ?? freshId(pins);
    if (!pin) edit([{ at: '/pins', value: [...pins, { id, lands: number }] }]);
    if (!pin || at >= FIRST_ROWS) onFar();
    focusCell(id, 'name');
    // only what is pressed counts, not that another pin is chosen
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [selected]);
}

interface RowProps {
  pin: PinIntent;
  known: ReadonlySet<string>;
  /** The pin below. */
  next: string | null;
  /** Whether its lands are being pressed. */
  chosen: boolean;
  onChoose: () => void;
  onAdd: () => void;
}

function PinRow({ pin, known, next, chosen, onChoose, onAdd }: RowProps) {
  const edit = useBench((s) => s.edit);
  const at = `/pins/${pin.id}`;
  const read = readNumberList(pin.lands);
  const strangers = read.ok ? read.value.filter((number) => !known.has(number)) : [];
  const fault = {
    id: `${cellId(pin.id, 'lands')}-fault`,
    words: !read.ok
      ? read.error
      : read.value.length === 0
        ? 'It names no land.'
        : strangers.length > 0
          ? `There is no land ${strangers.join(', ')}.`
          : null,
  };
  const asVoltage = pin.voltage === undefined ? null : voltage(pin.voltage, 'mm');
  const volts = {
    id: `${cellId(pin.id, 'voltage')}-fault`,
    words: asVoltage && !asVoltage.ok ? `It cannot be used: ${asVoltage.error.reason}.` : null,
  };
  const down = (cell: CellName) => () => {
    if (next === null) onAdd();
    else focusCell(next, cell);
  };
  return (
    <tr className={`border-base-300 border-t ${chosen ? 'bg-base-200' : ''}`}>
      <td className="py-0.5 pr-1">
        <span className="flex gap-1">
          <Cell
            pin={pin}
            cell="lands"
            label={`Lands of ${pin.name ?? 'the pin'}`}
            fault={fault}
            onDown={down('lands')}
          />
          <button
            type="button"
            className="btn btn-xs px-1.5"
            aria-pressed={chosen}
            title="Press its lands on the plan"
            aria-label={`Press the lands of ${pin.name ?? 'the pin'}`}
            onClick={onChoose}
          >
            ◎
          </button>
        </span>
        <FaultWords fault={fault} />
      </td>
      <td className="pr-1">
        <Cell pin={pin} cell="name" label={`Name of the pin at ${pin.lands}`} onDown={down('name')} />
      </td>
      <td>
        <input
          type="checkbox"
          className="checkbox checkbox-xs"
          aria-label={`${pin.name ?? 'The pin'} is active low`}
          checked={pin.low ?? false}
          onChange={({ target }) => edit([{ at: `${at}/low`, value: target.checked || undefined }])}
        />
      </td>
      <td className="pr-1">
        <Pick
          className="w-full"
          label={`Direction of ${pin.name ?? 'the pin'}`}
          value={pin.direction ?? ''}
          options={[['', '–'], ...Object.entries(DIRECTION_WORDS)]}
          onChange={(chosenWay) =>
            edit([{ at: `${at}/direction`, value: chosenWay === '' ? undefined : chosenWay }])
          }
        />
      </td>
      <td className="pr-1">
        <Cell
          pin={pin}
          cell="voltage"
          label={`Voltage of ${pin.name ?? 'the pin'}`}
          fault={volts}
          onDown={down('voltage')}
        />
        <FaultWords fault={volts} />
      </td>
      <td className="pr-1">
        <Cell pin={pin} cell="note" label={`Note on ${pin.name ?? 'the pin'}`} onDown={down('note')} />
      </td>
      <td>
        <button
          type="button"
          className="link"
          aria-label={`Remove ${pin.name ?? 'the pin'} at ${pin.lands}`}
          onClick={() => edit([{ at, value: undefined }])}
        >
          ×
        </button>
      </td>
    </tr>
  );
}

interface CellProps {
  pin: PinIntent;
  cell: CellName;
  label: string;
  fault?: Fault;
  /** Goes to the row below. */
  onDown: () => void;
}

/** Longest texts that the document keeps. */
const LONGEST: Readonly<Record<CellName, number>> = {
  lands: 4000,
  name: 80,
  group: 40,
  voltage: 40,
  note: 400,
};

function Cell({ pin, cell, label, fault, onDown }: CellProps) {
  const edit = useBench((s) => s.edit);
  const value = pin[cell] ?? '';
  const field = useField(
    value,
    (text, gesture) =>
      edit(
        [{ at: `/pins/${pin.id}/${cell}`, value: text === '' && cell !== 'lands' ? undefined : text }],
        gesture,
      ),
    (how, input) => (how === 'commit' ? onDown() : input.blur()),
  );
  return (
    <EntryInput
      field={field}
      className="w-full min-w-0"
      id={cellId(pin.id, cell)}
      aria-label={label}
      maxLength={LONGEST[cell]}
      {...(fault ? toldOf(fault) : {})}
    />
  );
}
