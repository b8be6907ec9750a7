/**
 * Requires sizes of a package that go together, whoever drew it: a tolerance of its span that a part
 * can have, terminals that fit into it, a standoff below the height and the ball, and a height that
 * a body of this size has.
 */
import { sizeOf } from '../../geometry/figure';
import type { Toleranced } from '../../units/toleranced';
import { spread } from '../../units/toleranced';
import type { CheckContext } from '../context';
import { fill, mm, type Rule, type RuleFinding } from '../rule';

/** A span varies by less than this, or by this share of itself: published outlines reach 1.3 mm and 0.29. */
const SPAN_TOLERANCE = { most: 1.4, share: 0.3 } as const;

export const spanTolerance: Rule = {
  id: 'span-tolerance',
  title: 'Tolerance of the span',
  fault: 'Tolerance of the span is wide',
  source: 'Published outlines: spans vary by less',
  severity: 'caution',
  stage: 'measure',
  looksAt: ['spans'],
  check({ footprint, compiled }) {
    return footprint.groups.flatMap(({ kind, terminals }): RuleFinding[] => {
      if (kind !== 'span') return [];
      const { span } = terminals;
      const limit = Math.min(SPAN_TOLERANCE.most, SPAN_TOLERANCE.share * span.nom);
      const value = spread(span);
      if (value <= limit + 1e-9) return [];
      const message =
        'The span over the terminals runs from {min} mm to {max} mm, a range of {value} mm; at most {limit} mm are usual for it.';
      return [
        {
          message: fill(message, {
            min: mm(span.min),
            max: mm(span.max),
            value: mm(value),
            limit: mm(limit),
          }),
          measured: { value, limit, unit: 'mm' },
          place: placeOf(span, compiled),
        },
      ];
    });
  },
};

export const terminalsInSpan: Rule = {
  id: 'terminals-span',
  title: 'Terminals within their span',
  fault: 'Terminals do not fit into their span',
  source: 'Geometry: two terminals leave room between them',
  severity: 'stop',
  stage: 'measure',
  looksAt: ['spans'],
  check({ footprint, compiled }) {
    return footprint.groups.flatMap(({ kind, terminals }): RuleFinding[] => {
      // a single row, or a lug that reaches past the middle, faces no other
      if (kind !== 'span' || new Set(terminals.places.map(({ end }) => end)).size < 2) return [];
      const { span, length } = terminals;
      const value = span.nom - 2 * length.nom;
      if (value > 1e-9) return [];
      const message =
        'Two terminals of {length} mm leave {value} mm between them within a span of {span} mm. One of the two is another number.';
      return [
        {
          message: fill(message, { length: mm(length.nom), value: mm(value), span: mm(span.nom) }),
          measured: { value: 2 * length.nom, limit: span.nom, unit: 'mm' },
          place: {
            dimensions: [...symbolsOf(length, compiled), ...symbolsOf(span, compiled)],
          },
        },
      ];
    });
  },
};

/** A body stands clear of its seat by at most this share of its height; columns reach 0.45. */
const HIGHEST_STANDOFF = 0.5;

export const standoffHeight: Rule = {
  id: 'standoff-height',
  title: 'Standoff against height',
  fault: 'Standoff does not fit the height',
  source: 'Geometry: the standoff is a part of the height',
  severity: 'stop',
  stage: 'measure',
  looksAt: ['a standoff'],
  check({ footprint: { body } }) {
    const { standoff, height } = body.extent;
    const value = standoff.min;
    const limit = height.max * HIGHEST_STANDOFF;
    if (value <= limit + 1e-9) return [];
    const impossible = value >= height.max - 1e-9;
    const message =
      'Standoff A1 {value} mm is {share} % of the height A {height} mm{impossible}. One of the two is another number.';
    return [
      {
        ...(impossible ? {} : { severity: 'caution' as const }),
        message: fill(message, {
          value: mm(value),
          height: mm(height.max),
          share: Math.round((100 * value) / height.max),
          impossible: impossible ? ', which leaves no body' : '',
        }),
        measured: { value, limit, unit: 'mm' },
        place: { dimensions: ['A1', 'A'] },
      },
    ];
  },
};

/** Standoff of a grid before it is soldered, as a share of the ball: the ball is cut a little where it is joined. */
const STANDOFF_OF_BALL = [0.4, 1] as const;

export const standoffBall: Rule = {
  id: 'standoff-ball',
  title: 'Standoff against ball',
  fault: 'Standoff does not fit the ball',
  source: 'Geometry: a package stands on its balls',
  severity: 'caution',
  stage: 'measure',
  looksAt: ['balls'],
  check({ footprint: { body, groups } }) {
    const ball = groups.find(({ kind, terminals }) => kind === 'spot' && terminals.form.endsWith('ball'));
    if (ball?.kind !== 'spot') return [];
    const b = sizeOf(ball.terminals.contact.nom).width;
    const { standoff } = body.extent;
    const [least, most] = STANDOFF_OF_BALL.map((share) => share * b) as [number, number];
    const value = standoff.nom;
    if (value >= least - 1e-9 && value <= most + 1e-9) return [];
    const limit = value < least ? least : most;
    const message =
      'Standoff A1 {value} mm does not go with balls of {ball} mm: it lies between {least} mm and {most} mm. One of the two is another number.';
    return [
      {
        message: fill(message, { value: mm(value), ball: mm(b), least: mm(least), most: mm(most) }),
        measured: { value, limit, unit: 'mm' },
        place: { dimensions: ['A1', 'b'] },
      },
    ];
  },
};

/** A surface-mount body is at most this much higher than its larger side. */
const TALLEST = 2;

export const heightBody: Rule = {
  id: 'height-body',
  title: 'Height against body',
  fault: 'Height does not fit the body',
  source: 'Published outlines: surface-mount bodies are lower than twice their larger side',
  severity: 'caution',
  stage: 'measure',
  looksAt: ['a surface-mount body'],
  check({ footprint: { body } }) {
    const { height, x, y, mount } = body.extent;
    if (mount === 'through') return [];
    const limit = TALLEST * Math.max(x.max, y.max);
    const value = height.nom;
    if (value <= limit + 1e-9) return [];
    const message = 'Height A {value} mm is more than twice the larger side of the body, {side} mm.';
    return [
      {
        message: fill(message, { value: mm(value), side: mm(Math.max(x.max, y.max)) }),
        measured: { value, limit, unit: 'mm' },
        place: { dimensions: ['A'] },
      },
    ];
  },
};

/** The symbols under which a value was entered. */
function symbolsOf(value: Toleranced, { resolved }: CheckContext['compiled']): string[] {
  return (resolved?.dimensions ?? []).flatMap(({ definition, value: own }) =>
    own && own.min === value.min && own.max === value.max && own.nom === value.nom ? [definition.symbol] : [],
  );
}

function placeOf(value: Toleranced, compiled: CheckContext['compiled']) {
  const [symbol] = symbolsOf(value, compiled);
  return symbol ? { dimensions: [symbol] } : {};
}
