import fc from 'fast-check';
import { expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import { drawElevation } from '../../../src/core/drawing/elevation';
import { landDimensions } from '../../../src/core/drawing/land-dimensions';
import { packageViews } from '../../../src/core/drawing/package-views';
import { drawPlan, numberPlaces } from '../../../src/core/drawing/plan';
import { explodeStack, sectionStack } from '../../../src/core/drawing/stack';
import { compile } from '../../../src/core/footprint/compile';
import { isDrawable } from '../../../src/core/footprint/footprint';
import { FORMATS } from '../../../src/core/format';
import { cases, DEEP } from '../../data/depth';
import { hostile } from '../../data/hostile';

/** Pointers of numbers that are none; what is typed stays as it is. */
function notFinite(value: unknown, at = ''): string[] {
  if (typeof value === 'number')
    return Number.isFinite(value) && Math.abs(value) < 1e9 ? [] : [`${at}: ${value}`];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) => notFinite(inner, `${at}/${key}`));
}

const SLOW = new Set(['drawing', 'report', 'report-html', 'paper-check']);
let count = 0;

it('whatever a document says, it compiles, is checked, drawn and written, and every number is one', async () => {
  await fc.assert(
    fc.asyncProperty(hostile, async (document) => {
      const compiled = compile(document);
      const report = check(compiled);
      expect(notFinite(report.findings.map(({ measured, place }) => ({ measured, place })))).toEqual([]);
      for (const { message } of report.findings) expect(message).not.toMatch(/NaN|Infinity|\de\+\d/);
      if (!isDrawable(compiled)) return;
      const { footprint, process } = compiled;
      expect(notFinite(footprint.lands)).toEqual([]);
      expect(
        notFinite([footprint.courtyard, footprint.legend, footprint.texts, footprint.body.heights]),
      ).toEqual([]);
      drawPlan(footprint);
      numberPlaces(footprint, 0.3);
      landDimensions(footprint);
      packageViews(footprint);
      const low = -process.boardThickness - 1;
      drawElevation(footprint, process, 'front', { low, cut: null });
      drawElevation(footprint, process, 'side', { low, cut: footprint.lands.length > 0 ? 0 : null });
      for (const stack of footprint.padstacks) {
        explodeStack(stack);
        sectionStack(stack, process);
      }
      count += 1;
      for (const [i, format] of FORMATS.entries()) {
        // in turns: what sets type takes longest
        if ((count + i) % (SLOW.has(format.id) ? 12 : DEEP ? 1 : 3) > 0) continue;
        const file = await format.write(compiled);
        if (typeof file === 'string' && format.id !== 'json')
          expect(/NaN|Infinity|[^A-Za-z]\de\+\d/.exec(file)?.[0], format.id).toBeUndefined();
      }
    }),
    { numRuns: cases(110, 10_000), seed: 20261125 },
  );
}, 3_600_000);
