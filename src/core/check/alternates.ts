import type { Finding } from '../document/finding';
import type { Box } from '../geometry/box';
import { misfitOf } from '../footprint/alternates';
import type { Alternate, Compiled, Footprint } from '../footprint/footprint';
import { formatNumber } from '../units/length';
import type { Report } from './check';

// The part of a second source on the lands of the first. Every rule looks at it; what speaks of the lands alone is told
// once, with the first source, and what is drawn round the part is held against what is drawn round the first.

/** Rules of what is drawn and handed over: that follows the first source. */
const OF_THE_FIRST: ReadonlySet<Finding['stage']> = new Set(['mark', 'release']);

/**
 * What is found with the parts of second sources.
 * @param first what was found with the first
 * @param check holds a compiled document against every rule
 */
export function alternateFindings(
  compiled: Compiled,
  first: readonly Finding[],
  check: (compiled: Compiled) => Pick<Report, 'findings'>,
): Finding[] {
  const known = new Set(first.flatMap(ways));
  return compiled.alternates.flatMap((alternate): Finding[] => {
    const { id, title } = alternate;
    const told = (finding: Finding): Finding => ({
      ...finding,
      title: `${title}: ${finding.title}`,
      // what mends the first source’s document does not mend this part
      remedies: [],
      place: {
        ...finding.place,
        alternate: id,
        field: fieldOf(id, finding.place.field, finding.place.dimensions),
      },
    });
    const { footprint } = alternate.compiled;
    if (!compiled.footprint) return [];
    if (!footprint) return alternate.compiled.problems.map(told);
    const misfit = misfitFinding(alternate, compiled.footprint, footprint);
    if (misfit) return [told(misfit)];
    const own = check(alternate.compiled).findings.filter(
      (finding) => !OF_THE_FIRST.has(finding.stage) && !ways(finding).some((way) => known.has(way)),
    );
    return [...own, ...beyond(compiled.footprint, footprint)].map(told);
  });
}

/** What tells a finding from others: what it says, or what it measured where. */
function ways({ rule, message, measured, place }: Finding): string[] {
  const where = [place.lands ?? [], place.dimensions ?? []].map((some) => some.join(' ')).join('; ');
  const figure = measured
    ? `${formatNumber(measured.value, 0, 4)} of ${formatNumber(measured.limit, 0, 4)}`
    : null;
  return [`${rule}: ${message}`, ...(figure === null ? [] : [`${rule} ${where}: ${figure}`])];
}

/** Where an entry of the part is mended. */
function fieldOf(id: string, field: string | undefined, dimensions: readonly string[] = []): string {
  const [, symbol = dimensions[0]] = /^\/package\/dimensions\/([^/]+)$/.exec(field ?? '') ?? [];
  return `/alternates/${id}${symbol === undefined ? '' : `/dimensions/${symbol}`}`;
}

/** That the part has other terminals, or has them elsewhere; `null` where they lie over the lands. */
function misfitFinding({ title }: Alternate, first: Footprint, own: Footprint): Finding | null {
  const misfit = misfitOf(first, own);
  if (!misfit) return null;
  const message =
    misfit.kind === 'count'
      ? `${title} has ${misfit.terminals} terminals, and there are ${misfit.lands} lands. Nothing else of it is held.`
      : `The lands of ${title} would lie elsewhere: that of number ${misfit.number} by ${formatNumber(misfit.by, 2, 3)} mm. Pitch and places have to be the same; nothing else of it is held.`;
  return {
    rule: 'alternate-fit',
    severity: 'stop',
    title: 'Its terminals do not lie on these lands',
    message,
    source: 'Geometry: one land for each terminal',
    stage: 'measure',
    place: {},
    remedies: [],
    ...(misfit.kind === 'apart' ? { measured: { value: misfit.by, limit: 0, unit: 'mm' } as const } : {}),
  };
}

/** That the part reaches farther than what is kept free round the first, or higher than what is handed over. */
function beyond(first: Footprint, own: Footprint): Finding[] {
  return [...beside(first.courtyard.box, own.courtyard.box), ...above(first.body.heights, own.body.heights)];
}

type Heights = Footprint['body']['heights'];

function above({ top: first }: Heights, { top }: Heights): Finding[] {
  if (top.max <= first.max + 1e-6) return [];
  return [
    {
      rule: 'body-height',
      severity: 'caution',
      title: 'It is higher than the first source',
      message: `Its top is ${formatNumber(top.max, 2, 3)} mm over the board at most, that of the first ${formatNumber(first.max, 2, 3)} mm, which is what files and names say.`,
      source: 'Geometry: seated heights',
      stage: 'rise',
      place: {},
      measured: { value: top.max, limit: first.max, unit: 'mm' },
      remedies: [],
    },
  ];
}

function beside(first: Box, box: Box): Finding[] {
  const over = Math.max(
    first.minX - box.minX,
    first.minY - box.minY,
    box.maxX - first.maxX,
    box.maxY - first.maxY,
  );
  if (over <= 1e-6) return [];
  return [
    {
      rule: 'courtyard',
      severity: 'caution',
      title: 'Courtyard is too small for it',
      message: `With its excess it needs ${formatNumber(over, 2, 3)} mm more on one side than the courtyard has.`,
      source: 'IPC-7351B, clause 3.1.5: courtyard excess',
      stage: 'mark',
      place: {},
      measured: { value: over, limit: 0, unit: 'mm' },
      remedies: [],
    },
  ];
}
