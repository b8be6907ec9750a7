import type { PinIntent } from '../core/document/document';

/** The radio's pins as its made-up sheet lists them. */
export const RADIO_PINS: readonly PinIntent[] = (
  [
    ['1 8 24 33', 'GND', 'ground', 'the pad is the radio’s only way to the ground plane'],
    ['2', 'ANT', 'both', '50 ohm'],
    ['3', 'VDDA', 'power'],
    ['4', 'XIN', 'input'],
    ['5', 'XOUT', 'output'],
    ['6', 'VREG', 'power-output', '100 nF to ground'],
    ['7', 'TEST', 'passive', 'leave open'],
    ['9', 'RST', 'input', undefined, true],
    ['10', 'CS', 'input', undefined, true],
    ['11', 'SCK', 'input'],
    ['12', 'SDI', 'input'],
    ['13', 'SDO', 'three-state'],
    ['14', 'IRQ', 'open-collector', undefined, true],
    ['15', 'BUSY', 'output'],
    ['16 17', 'VDDIO', 'power'],
    ['18', 'PA0', 'both'],
    ['19', 'PA1', 'both'],
    ['20', 'PA2', 'both'],
    ['21', 'PA3', 'both'],
    ['22 23', 'NC', 'not-connected'],
    ['25', 'TXEN', 'output'],
    ['26', 'RXEN', 'output'],
    ['27', 'RSSI', 'output'],
    ['28', 'LNA', 'input'],
    ['29', 'VDDRF', 'power'],
    ['30', 'PAOUT', 'output'],
    ['31', 'PABIAS', 'passive'],
    ['32', 'CLKOUT', 'output'],
  ] as const
).map(([lands, name, direction, note, low], i) => ({
  id: String(i + 1),
  lands,
  name,
  direction,
  ...(note === undefined ? {} : { note }),
  ...(low ? { low } : {}),
}));
