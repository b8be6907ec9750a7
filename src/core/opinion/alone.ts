import { check } from '../check/check';
import type { Drawable, Land } from '../footprint/footprint';
import { centreOf } from '../geometry/box';
import { formatMm, formatNumber } from '../units/length';
import { causeOf } from './pitch';
import type { Opinion } from './opinion';
import { byGravity, lineOf, namesOf, remark, verdictOf, type Remark } from './remark';

// What can be said of a pattern without the package that it is meant for: what the rules find, steps of rows that
// look rounded or are uneven, and lands of a row that are of another size.

/** Steps that connectors and packages commonly have in inches, mm. */
const COMMON = [5.08, 3.96, 2.54, 1.27];
/** Lands that make a row. */
const LEAST_ROW = 4;

/** Looks at a pattern by itself. */
export function opinionAlone(pattern: Drawable): Pick<Opinion, 'line' | 'verdict' | 'remarks'> {
  const findings = check(pattern).findings.map(({ severity, title, message, place }) =>
    remark('rule', severity, title, message, { lands: place.lands ?? [] }),
  );
  const rows = rowsOf(pattern.footprint.lands);
  const remarks = [...findings, ...rows.flatMap(stepRemarks), ...rows.flatMap(sizeRemarks)].sort(byGravity);
  const gravest = verdictOf(remarks);
  const line =
    gravest === 'usable' ? 'Nothing in the pattern itself speaks against it.' : lineOf(remarks, '');
  return { line, verdict: gravest, remarks };
}

interface Row {
  readonly axis: 'x' | 'y';
  readonly lands: readonly Land[];
}

/** Lands in line, along x or y. */
function rowsOf(lands: readonly Land[]): Row[] {
  return (['x', 'y'] as const).flatMap((axis) => {
    const other = axis === 'x' ? 'y' : 'x';
    const lines = new Map<number, Land[]>();
    for (const land of lands) {
      const key = Math.round(centreOf(land.copper)[other] * 200);
      lines.set(key, [...(lines.get(key) ?? []), land]);
    }
    return [...lines.values()]
      .filter((line) => line.length >= LEAST_ROW)
      .map((line) => ({
        axis,
        lands: line.sort((a, b) => centreOf(a.copper)[axis] - centreOf(b.copper)[axis]),
      }));
  });
}

function stepRemarks({ axis, lands }: Row): Remark[] {
  const at = lands.map(({ copper }) => centreOf(copper)[axis]);
  const steps = at.slice(1).map((place, i) => place - (at[i] as number));
  const pitch = [...steps].sort((a, b) => a - b)[steps.length >> 1] as number;
  const ids = lands.map(({ id }) => id);
  const uneven = steps.findIndex(
    (step) => Math.abs(step - pitch) > 0.004 && Math.abs(step - pitch) < 0.3 * pitch,
  );
  if (uneven >= 0) {
    const [a, b] = [lands[uneven] as Land, lands[uneven + 1] as Land];
    return [
      remark(
        'pitch',
        'caution',
        'Uneven step',
        `From land ${a.number} to ${b.number} there are ${formatNumber(steps[uneven] as number, 2, 4)} mm, elsewhere in their row ${formatNumber(pitch, 2, 4)} mm.`,
        { lands: [a.id, b.id] },
      ),
    ];
  }
  const common = COMMON.find(
    (step) => step !== pitch && Math.abs(pitch / step - 1) < 0.025 && causeOf(step, pitch),
  );
  if (common === undefined || Math.abs(pitch - common) < 6e-4) return [];
  const off = (Math.abs(common - pitch) * (lands.length - 1)) / 2;
  return [
    remark(
      'pitch',
      'note',
      'Step that may be rounded',
      `Lands ${namesOf(lands.map(({ number }) => number))} have a step of ${formatNumber(pitch, 2, 4)} mm; ${formatNumber(common, 2, 3)} mm (${formatNumber(common / 0.0254, 0, 1)} mil) is the common one beside it, and would put the last ones ${formatMm(off)} mm elsewhere.`,
      { lands: ids },
    ),
  ];
}

function sizeRemarks({ lands }: Row): Remark[] {
  const kinds = new Map<string, Land[]>();
  for (const land of lands) {
    const { minX, maxX, minY, maxY } = land.copper;
    const key = `${Math.round((maxX - minX) * 1000)} ${Math.round((maxY - minY) * 1000)}`;
    kinds.set(key, [...(kinds.get(key) ?? []), land]);
  }
  const [most, ...others] = [...kinds.values()].sort((a, b) => b.length - a.length);
  // a first or last land of its own size is common; one in the middle of a row is not
  const odd = others.flat().filter((land) => land !== lands[0] && land !== lands.at(-1));
  if (!most || odd.length === 0 || odd.length > 2 || most.length < LEAST_ROW) return [];
  return [
    remark(
      'size',
      'note',
      'Another size in a row',
      `Land ${namesOf(odd.map(({ number }) => number))} is of another size than the ${most.length} others of its row.`,
      { lands: odd.map(({ id }) => id) },
    ),
  ];
}
