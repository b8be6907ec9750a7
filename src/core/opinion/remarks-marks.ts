import { NOISE } from '../check/noise';
import type { Report } from '../check/check';
import { contextOf } from '../check/context';
import { legendOverLand } from '../check/rules/legend-over-land';
import type { Finding, Severity } from '../document/finding';
import { type Land } from '../footprint/footprint';
import { occupiedBy } from '../footprint/marks';
import { boxOfPoints, boxRound, gapBetween, overhang, type Box } from '../geometry/box';
import { gapToPolygon } from '../geometry/gaps';
import { type Polygon } from '../geometry/polygon';
import { bodyAt } from '../package/drawn';
import { formatMm } from '../units/length';
import { isUnsaid, type Context } from './context';
import { RANK, remark, type Remark } from './remark';

// Remarks on what surrounds the lands, and what the rules find of the package with these lands.

export function courtyardRemarks({ over, against, pattern, fit }: Context): Remark[] {
  if (fit.scale !== 1) return [];
  if (isUnsaid(pattern, 'courtyard')) return [];
  if (!pattern.document.marks?.own?.courtyard && pattern.document.package.unsaid)
    return [remark('courtyard', 'note', 'No courtyard', 'The pattern has no courtyard of its own.')];
  const { body, bores, keepOuts, courtyard } = against.footprint;
  const needed = boxRound(occupiedBy(over.lands, bodyAt(body.extent, 'max'), bores, keepOuts));
  const around = boxRound(against.footprint.lands.map(({ contact }) => contact.max));
  const all = boxRound([needed, around].filter((box) => box !== null));
  if (!all) return [];
  const left = -overhang(all, over.courtyard.box);
  if (left >= courtyard.excess - 0.026) return [];
  return [
    remark(
      'courtyard',
      left < -1e-6 ? 'stop' : 'caution',
      'Courtyard too small',
      left < 0
        ? `Its courtyard ends ${formatMm(-left)} mm inside of what the part takes up; it needs ${formatMm(courtyard.excess)} mm round it.`
        : `Its courtyard leaves ${formatMm(left)} mm round the part; level ${against.document.level} asks for ${formatMm(courtyard.excess)} mm.`,
    ),
  ];
}

/** What their legend prints where it must not. */
export function legendRemarks({ pattern, fit }: Context): Remark[] {
  if (fit.scale !== 1 || isUnsaid(pattern, 'legend')) return [];
  const { check, severity, fault } = legendOverLand;
  const [found] = check(contextOf(pattern, pattern.footprint));
  // how near it may come is for the process of whoever makes it
  return found?.measured && found.measured.value <= 0 ? [remark('mark', severity, fault, found.message)] : [];
}

export function markRemarks({ over, against, fit, pattern }: Context): Remark[] {
  const { footprint } = against;
  if (!footprint.package.polarised || fit.scale !== 1 || isUnsaid(pattern, 'legend')) return [];
  const first =
    footprint.lands.find(({ number }) => ['1', 'A1', 'K', '+'].includes(number)) ?? footprint.lands[0];
  const { pin1, lines } = over.legend;
  const box = pin1 && boxOfPoints(pin1);
  const body = bodyAt(footprint.body.extent, 'max');
  const visible = (mark: Box) => gapBetween(mark, body) > -NOISE;
  if (!box)
    return [
      remark(
        'mark',
        'caution',
        'No mark of terminal 1',
        lines.length > 0
          ? 'Its legend has no mark that is known to be that of terminal 1.'
          : 'It has no legend: after assembly nothing tells terminal 1.',
        first ? { lands: [first.id] } : {},
      ),
    ];
  if (!visible(box))
    return [
      remark(
        'mark',
        'caution',
        'Mark of terminal 1 hidden',
        'The body hides the mark of terminal 1 after assembly.',
      ),
    ];
  const beside = (mark: Polygon) => {
    const away = (land: Land) => gapToPolygon(land.copper, mark);
    const nearest = [...footprint.lands].sort((a, b) => away(a) - away(b))[0];
    return first && nearest && away(first) > away(nearest) + 0.02 ? nearest : null;
  };
  const nearest = pin1 && beside(pin1);
  // where there is no better place for it, Tapis' own mark stands no nearer
  if (!first || !nearest || (footprint.legend.pin1 && beside(footprint.legend.pin1))) return [];
  return [
    remark(
      'mark',
      'stop',
      'Mark beside another terminal',
      `The mark of terminal 1 stands nearest to terminal ${nearest.number}.`,
      { lands: [nearest.id, first.id] },
    ),
  ];
}

/** Rules that joints and numbers speak for already. */
const SAID_ALREADY = new Set([
  'joint-goal',
  'joint-margin',
  'entry',
  'missing',
  'unconfirmed',
  'number-way',
  'level-process',
]);

/** Rules about the places of lands in a row. */
const OF_PITCH = new Set(['pitch', 'pitch-drift', 'land-off-terminal', 'asymmetry']);

/** What the rules find of the package with the pattern's lands, and not of the package itself. */
/** Whether a limit is missed by no more than files differ by; a stop at nothing, as a land that meets none, is none of it. */
const isNoise = ({ value, limit, unit }: NonNullable<Finding['measured']>, severity: Severity): boolean =>
  unit === 'mm' && Math.abs(value - limit) <= NOISE && (limit > 0 || severity === 'caution');

export function ruleRemarks(kept: Report | null, own: Report, { against, drift }: Context): Remark[] {
  if (!kept) return [];
  const { lands } = against.footprint;
  const before = new Map(own.findings.map(({ rule, severity }) => [rule, severity]));
  const ids = new Set(lands.map(({ id }) => id));
  const seen = new Set<string>();
  return kept.findings.flatMap(({ rule, severity, title, message, measured, place }): Remark[] => {
    const was = before.get(rule);
    if (
      SAID_ALREADY.has(rule) ||
      (drift.length > 0 && OF_PITCH.has(rule)) ||
      severity === 'note' ||
      (measured && isNoise(measured, severity)) ||
      seen.has(rule)
    )
      return [];
    if (was && RANK[was] <= RANK[severity]) return [];
    seen.add(rule);
    return [
      remark('rule', severity, title, message, { lands: (place.lands ?? []).filter((id) => ids.has(id)) }),
    ];
  });
}
