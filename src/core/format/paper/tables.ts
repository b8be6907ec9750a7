import type { Writable } from '../format';
import { pinLabel, DIRECTION_WORDS, pinsByLand } from '../../footprint/pins';
import type { Land } from '../../footprint/footprint';
import { FREE_OF, KEPT_SIDES } from '../../footprint/keep-outs';
import { sizeOf, type Placed } from '../../geometry/figure';
import { holeName } from '../../padstack/naming';
import type { Padstack } from '../../padstack/padstack';
import { formatFigure, formatMm } from '../../units/length';
import { describeLimits } from '../../units/toleranced';
import { keptMeasurements } from '../../ruler/kept';
import { DISTANCE_WORDS } from '../../ruler/measure';
import type { Table } from './table';

// What the tables of drawing and report say. Lengths in mm.

/** Dimensions with what was entered, as read, and where it comes from. */
export function dimensionTable({ resolved }: Writable): Table {
  return {
    title: 'Dimensions of the package, mm',
    columns: [
      { head: 'symbol', width: 16 },
      { head: 'dimension', width: 62 },
      { head: 'as printed', width: 44 },
      { head: 'read as', width: 40 },
      { head: 'source', width: 54 },
      { head: 'assumed', width: 45 },
    ],
    rows: (resolved?.dimensions ?? [])
      .filter(({ source, asked }) => source !== 'missing' && asked)
      .map(({ definition, text, unit, value, label, where, source, assumption }) => [
        definition.symbol,
        definition.name,
        source === 'derived'
          ? ''
          : [text, unit === 'mm' || definition.kind === 'count' ? '' : unit].filter(Boolean).join(' '),
        value ? (definition.kind === 'count' ? String(value.nom) : describeLimits(value, 'mm')) : '',
        source === 'derived'
          ? `follows: ${text}`
          : [label && label !== definition.symbol ? `there ${label}` : '', where].filter(Boolean).join(', '),
        assumption ?? '',
      ]),
  };
}

const number = (mm: number): string => formatFigure(mm, 2, 4);
const size = ({ figure }: Pick<Placed, 'figure'>): string => {
  const { width, height } = sizeOf(figure);
  return figure.kind === 'round' ? `dia. ${formatMm(width)}` : `${formatMm(width)} × ${formatMm(height)}`;
};

/** Lands by number, with place, padstack and pin. */
export function landTable({ footprint: { lands, pins, origin } }: Writable): Table {
  const byLand = pinsByLand(pins);
  const rest = pins.length > 0;
  return {
    title: 'Lands, mm from the origin',
    columns: [
      { head: 'number', width: 18 },
      { head: 'x', width: 22, align: 'end' },
      { head: 'y', width: 22, align: 'end' },
      { head: 'turned', width: 18, align: 'end' },
      { head: 'side', width: 24 },
      { head: 'padstack', width: 50 },
      ...(rest
        ? [
            { head: 'pin', width: 50 },
            { head: 'direction', width: 40 },
          ]
        : []),
    ],
    rows: lands.map(({ id, number: own, at, rotation, far, padstack }: Land) => {
      const pin = byLand.get(id);
      return [
        own === '' ? '–' : own,
        number(at.x - origin.x),
        number(at.y - origin.y),
        `${formatFigure(rotation, 0, 2)}°`,
        far ? 'far' : 'component',
        padstack.name,
        ...(rest ? [pin ? pinLabel(pin) : '', pin?.direction ? DIRECTION_WORDS[pin.direction] : ''] : []),
      ];
    }),
  };
}

/** Holes without copper. */
export function boreTable({ footprint: { bores, origin } }: Writable): Table {
  return {
    title: 'Holes without copper, mm from the origin',
    columns: [
      { head: 'padstack', width: 40 },
      { head: 'x', width: 24, align: 'end' },
      { head: 'y', width: 24, align: 'end' },
      { head: 'hole', width: 40 },
      { head: 'mask opening', width: 40 },
    ],
    rows: bores.map(({ at, hole, opening }) => [
      holeName({ hole }),
      number(at.x - origin.x),
      number(at.y - origin.y),
      size(hole),
      size(opening),
    ]),
  };
}

/** Areas that something stays out of. */
export function keepOutTable({ footprint: { keepOuts, origin } }: Writable): Table {
  return {
    title: 'Areas kept free, mm from the origin',
    columns: [
      { head: 'x', width: 24, align: 'end' },
      { head: 'y', width: 24, align: 'end' },
      { head: 'size', width: 40 },
      { head: 'free of', width: 34 },
      { head: 'on', width: 34 },
      { head: 'why', width: 60 },
    ],
    rows: keepOuts.map(({ area, what, side, why }) => [
      number(area.at.x - origin.x),
      number(area.at.y - origin.y),
      size(area),
      FREE_OF[what],
      KEPT_SIDES[side],
      why,
    ]),
  };
}

/** Padstacks with the sizes of their layers. */
export function padstackTable({ footprint: { padstacks, lands } }: Writable): Table {
  const count = (stack: Padstack) => lands.filter(({ padstack }) => padstack === stack).length;
  const all = (figures: readonly Placed[]) =>
    figures.length === 0
      ? 'closed'
      : figures.length === 1 && figures[0]
        ? size(figures[0])
        : `${figures.length} windows`;
  return {
    title: 'Padstacks, mm, along × across the terminal',
    columns: [
      { head: 'name', width: 54 },
      { head: 'lands', width: 14, align: 'end' },
      { head: 'copper', width: 34 },
      { head: 'far side', width: 34 },
      { head: 'mask', width: 34 },
      { head: 'paste', width: 34 },
      { head: 'hole', width: 50 },
    ],
    rows: padstacks.map((stack) => {
      const { hole } = stack;
      const tolerance =
        hole && (hole.plus > 0 || hole.minus > 0) ? ` +${formatMm(hole.plus)} −${formatMm(hole.minus)}` : '';
      return [
        stack.name,
        String(count(stack)),
        size({ figure: stack.copper }),
        stack.other ? size({ figure: stack.other }) : '',
        all(stack.mask),
        all(stack.paste),
        hole
          ? `${size(hole)}${tolerance}, ${hole.plated ? 'plated' : 'not plated'}`
          : stack.vias.length > 0
            ? `${stack.vias.length} vias ${formatMm(stack.vias[0]?.hole ?? 0)}`
            : '',
      ];
    }),
  };
}

/** Pins in their order. */
export function pinTable({ footprint: { pins } }: Writable): Table {
  return {
    title: 'Pins',
    columns: [
      { head: 'lands', width: 60 },
      { head: 'name', width: 60 },
      { head: 'direction', width: 44 },
      { head: 'note', width: 90 },
    ],
    rows: pins.map((pin) => [
      pin.numbers.join(' '),
      pinLabel(pin),
      pin.direction ? DIRECTION_WORDS[pin.direction] : '',
      pin.note,
    ]),
  };
}

/** Measurements that are kept, with what was wished for. */
export function measurementTable({ measurements, footprint, process }: Writable): Table {
  return {
    title: 'Measurements, mm',
    columns: [
      { head: 'from', width: 62 },
      { head: 'to', width: 62 },
      { head: 'measures', width: 34 },
      { head: 'now', width: 26, align: 'end' },
      { head: 'with tolerances', width: 36 },
      { head: 'wished', width: 34 },
      { head: 'source', width: 40 },
    ],
    rows: keptMeasurements(measurements, footprint, process).map(
      ({ from, to, between, now, what, wished, why }) => [
        between?.[0].name ?? from,
        between?.[1].name ?? to,
        DISTANCE_WORDS[what],
        now ? formatMm(now.value.nom) : 'gone',
        now && now.value.min !== now.value.max
          ? `${formatMm(now.value.min)} to ${formatMm(now.value.max)}`
          : '',
        wished ? describeLimits(wished, 'mm') : '',
        why,
      ],
    ),
  };
}
