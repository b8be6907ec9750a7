import Papa from 'papaparse';
import { voltageWords } from '../../document/voltage';
import { jsonText } from '../../document/write';
import type { Land } from '../../footprint/footprint';
import { pinsByLand, type Pin } from '../../footprint/pins';
import { safeCell } from '../csv/cells';
import type { Format, Writable } from '../format';

// Pins for whoever draws the symbol: what each is called, what it carries, and the lands it comes out at.

const COLUMNS = ['number', 'pin', 'active_low', 'direction', 'group', 'voltage', 'note'];

/** The pin table (RFC 4180): a row for each land of each pin, then the lands that no pin names. */
export const pinsCsv: Format = {
  id: 'pins-csv',
  title: 'Pin table',
  summary: 'One row for each number: pin, direction, group and note (CSV, RFC 4180).',
  mediaType: 'text/csv',
  extension: '.pins.csv',
  write({ footprint: { lands, pins } }) {
    const rows = pins.flatMap(({ numbers, name, low, direction, group, voltage, note }) =>
      numbers.map((number) =>
        [
          number,
          name,
          low ? 'yes' : '',
          direction ?? '',
          group,
          voltage ? voltageWords(voltage) : '',
          note,
        ].map(safeCell),
      ),
    );
    const rest = numbersWithout(lands, pins).map((number) => [
      safeCell(number),
      ...COLUMNS.slice(1).map(() => ''),
    ]);
    return `${Papa.unparse([COLUMNS, ...rows, ...rest], { newline: '\r\n' })}\r\n`;
  },
};

/** Pins and lands as JSON of Tapis' own: pins in their order, and every land with its place and its pin. */
export const pinsJson: Format = {
  id: 'pins-json',
  title: 'Pins and lands',
  summary: 'Pins with their lands, and lands with their places, for whoever draws the symbol (JSON).',
  mediaType: 'application/json',
  extension: '.pins.json',
  write({ document, footprint }: Writable) {
    const byLand = pinsByLand(footprint.pins);
    return jsonText({
      tapisPins: 1,
      name: document.name,
      standardName: footprint.standardName,
      units: 'mm',
      pins: footprint.pins.map(({ name, low, direction, numbers, group, voltage, note }) => ({
        name,
        ...(low ? { activeLow: true } : {}),
        ...(direction ? { direction } : {}),
        numbers,
        ...(group === '' ? {} : { group }),
        ...(voltage ? { voltage } : {}),
        ...(note === '' ? {} : { note }),
      })),
      lands: footprint.lands.map(({ id, number, at, far, hole }) => ({
        number,
        x: at.x,
        y: at.y,
        side: far ? 'far' : 'component',
        hole: hole !== null,
        pin: byLand.get(id)?.name ?? null,
      })),
      withoutPin: numbersWithout(footprint.lands, footprint.pins),
    });
  },
};

/** Numbers of lands that no pin names, each once. */
function numbersWithout(lands: readonly Land[], pins: readonly Pin[]): string[] {
  const named = pinsByLand(pins);
  return [...new Set(lands.flatMap(({ id, number }) => (number === '' || named.has(id) ? [] : [number])))];
}
