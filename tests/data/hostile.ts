import fc from 'fast-check';
import { LEVELS, type TapisDocument } from '../../src/core/document/document';
import type { Field } from '../../src/core/document/fields';
import { CHOICES } from '../../src/core/document/intent';
import { COMPOSITION, type CompositionIntent } from '../../src/core/document/pieces';
import { FAMILIES } from '../../src/core/package/families';
import { PROCESSES } from '../../src/core/process';
import { soundPieces } from './compositions';

/** Texts of lengths as slips, other people's files and bad luck make them. */
const LENGTHS = fc.oneof(
  { weight: 6, arbitrary: fc.double({ min: 0.01, max: 4, noNaN: true }).map((v) => v.toFixed(3)) },
  {
    weight: 2,
    arbitrary: fc.constantFrom(
      '0',
      '-0.05',
      '-1',
      '0.001',
      '5',
      '20',
      '50',
      '99',
      '134',
      '1000',
      '1000000000',
    ),
  },
  {
    weight: 1,
    arbitrary: fc.constantFrom(
      '',
      ' ',
      '-',
      'x',
      '5..6',
      '1/0',
      '1e308',
      '999999in',
      '0.0000001',
      'e*9e9',
      '∞',
      '½"',
      '0.2±0.1',
      '..',
    ),
  },
);

const corner = fc.tuple(
  fc.double({ min: -3, max: 3, noNaN: true }),
  fc.double({ min: -3, max: 3, noNaN: true }),
);
const CONTOURS = fc.oneof(
  fc
    .array(corner, { minLength: 2, maxLength: 9 })
    .map((points) => points.map(([x, y]) => `${x.toFixed(2)},${y.toFixed(2)}`).join(' ')),
  // concave on purpose: a star whose inner corners lie close to its middle
  fc.integer({ min: 3, max: 8 }).map((arms) =>
    Array.from({ length: 2 * arms }, (_, i) => {
      const [angle, r] = [(Math.PI * i) / arms, i % 2 === 0 ? 1.2 : 0.15];
      return `${(r * Math.cos(angle)).toFixed(3)},${(r * Math.sin(angle)).toFixed(3)}`;
    }).join(' '),
  ),
  fc.constantFrom('1.1 2.2', '1,1', 'a,b', '0,0 1,0 0,0'),
);

const KEYS = fc.constantFrom(
  'rows',
  'ends',
  'pad',
  'pins',
  'grid',
  'upright',
  'level',
  'leads',
  'tab',
  'wide',
  'rows/1',
  'ends/2',
  'pins/1',
  'grid/A1',
  '__proto__',
  'x',
);

/** A value for a field of a document: plausible, at its limits, or neither. */
function valueOf(field: Field): fc.Arbitrary<unknown> {
  switch (field.kind) {
    case 'length':
    case 'toleranced':
    case 'amount':
    case 'series':
      return LENGTHS;
    case 'count':
    case 'number':
    case 'share':
      return fc.oneof(
        fc.constantFrom(field.least, field.most),
        fc
          .double({ min: field.least, max: Math.min(field.most, 1000), noNaN: true })
          .map((v) => (field.kind === 'count' ? Math.round(v) : v)),
      );
    case 'flag':
      return fc.boolean();
    case 'choice':
      return fc.constantFrom(...field.of);
    case 'set':
      return fc.subarray([...field.of]);
    case 'text':
      if (field.pattern) return fc.constant(field.longest > 10 ? '0'.repeat(64) : '#a0b1c2');
      return fc.constantFrom('', 'U1', '<&"\u0007', 'a'.repeat(Math.min(field.longest, 60)), '=1+1', '💧');
    case 'notation':
      return CONTOURS;
    case 'record': {
      const entries = Object.entries(field.fields).map(([key, value]) => [key, valueOf(value)] as const);
      // a document says little of what could be said
      const some = fc.record(Object.fromEntries(entries), { requiredKeys: [...field.required] });
      return fc
        .tuple(
          some,
          fc.array(fc.double({ min: 0, max: 1, noNaN: true }), {
            minLength: entries.length,
            maxLength: entries.length,
          }),
        )
        .map(([record, odds]) =>
          Object.fromEntries(
            Object.entries(record as object).filter(
              ([key], i) => field.required.includes(key) || (odds[i] ?? 0) < 0.5,
            ),
          ),
        );
    }
    case 'map':
      return fc.dictionary(KEYS, valueOf(field.of as Field), { maxKeys: 3 });
    case 'list':
      return fc
        .array(valueOf(field.of as Field), { maxLength: 3 })
        .map((items) => items.map((item, i) => ({ ...(item as object), id: String(i + 1) })));
  }
}

/** Dimensions of a family's example, some of them wrong by a slip of unit, column or finger. */
const dimensionsOf = (example: Readonly<Partial<Record<string, string>>>) =>
  fc.record(
    Object.fromEntries(
      Object.entries(example).map(([symbol, text = '']) => [
        symbol,
        fc.oneof(
          { weight: 8, arbitrary: fc.constant(text) },
          { weight: 1, arbitrary: LENGTHS },
          { weight: 1, arbitrary: fc.constantFrom(...Object.values(example).map((t) => t ?? '')) },
        ),
      ]),
    ),
  );

/** Documents of families that nobody would write on purpose. */
const ofFamilies: fc.Arbitrary<TapisDocument> = fc.constantFrom(...FAMILIES).chain((family) =>
  fc
    .record({
      dimensions: dimensionsOf(family.example),
      options: fc.record(
        Object.fromEntries(
          family.options.map(({ id, choices }) => [
            id,
            choices.length > 0
              ? fc.constantFrom(...choices.map((choice) => choice.id))
              : fc.constantFrom('', 'A1', 'A1..C3', 'zz'),
          ]),
        ),
        { requiredKeys: [] },
      ),
      choices: valueOf(CHOICES),
      level: fc.constantFrom(...LEVELS),
      process: fc.constantFrom(...PROCESSES.map(({ id }) => id)),
    })
    .map(({ dimensions, options, choices, level, process }): TapisDocument => ({
      ...(choices as object),
      tapis: 2,
      name: family.id,
      package: { family: family.id, options: options as Record<string, string>, dimensions },
      level,
      process,
    })),
);

/** Composed documents: sound pieces, or whatever the table of pieces has room for. */
const ofPieces: fc.Arbitrary<TapisDocument> = fc
  .record({
    composition: fc.oneof(
      soundPieces.map((pieces) => ({ pieces })),
      valueOf(COMPOSITION) as fc.Arbitrary<CompositionIntent>,
    ),
    dimensions: fc.dictionary(fc.constantFrom('e', 'n', 'p', 'L'), LENGTHS, { maxKeys: 3 }),
    choices: valueOf(CHOICES),
    level: fc.constantFrom(...LEVELS),
    process: fc.constantFrom(...PROCESSES.map(({ id }) => id)),
  })
  .map(({ composition, dimensions, choices, level, process }): TapisDocument => ({
    ...(choices as object),
    tapis: 2,
    name: 'composed',
    package: { family: 'composed', dimensions, ...composition },
    level,
    process,
  }));

/** Documents that nobody would write on purpose. */
export const hostile: fc.Arbitrary<TapisDocument> = fc.oneof(
  { weight: 4, arbitrary: ofFamilies },
  { weight: 1, arbitrary: ofPieces },
);
