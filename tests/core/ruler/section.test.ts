import { expect, it } from 'vitest';
import { sectionStack } from '../../../src/core/drawing/stack';
import { standardProcess } from '../../../src/core/process';
import { measure } from '../../../src/core/ruler/measure';
import { sectionThings } from '../../../src/core/ruler/section';
import { footprintOf, VARIANTS } from '../../data/families';

const things = (family: string) => {
  const { document } = VARIANTS.find((one) => one.document.package.family === family)!;
  const [land] = footprintOf(document).lands;
  if (!land) throw new Error('no land');
  const drawn = sectionStack(land.padstack, standardProcess);
  const all = sectionThings(land.padstack, standardProcess, { ...drawn, ...drawn.extent });
  const find = (name: string) => {
    const thing = all.find((one) => one.name === name);
    if (!thing) throw new Error(`no ${name} among ${all.map((one) => one.name).join('; ')}`);
    return thing;
  };
  return {
    stack: land.padstack,
    between: (a: string, b: string) => measure(find(a), find(b))[0],
    all,
    drawn,
  };
};

it('measures margins and thicknesses as they are, though thin layers are drawn thicker', () => {
  const { between, drawn, stack } = things('gull-wing-dual');
  expect(drawn.exaggeration).toBeGreaterThan(1);
  const margin = standardProcess.maskMargin;
  expect(between('mask opening, right edge', 'copper, right edge')?.value.nom).toBeCloseTo(margin, 9);
  expect(between('laminate', 'top of the copper')?.value.nom).toBeCloseTo(standardProcess.copperThickness, 9);
  expect(between('top of the copper', 'top of the paste')?.value.nom).toBeCloseTo(
    standardProcess.stencilThickness,
    9,
  );
  expect(between('laminate', 'underside of the board')?.value.nom).toBeCloseTo(
    standardProcess.boardThickness,
    9,
  );
  const width = stack.copper.kind === 'rectangle' ? stack.copper.width : 0;
  expect(between('copper, left edge', 'copper, right edge')?.value.nom).toBeCloseTo(width, 9);
});

it('knows holes, the copper below, and windows of paste one by one', () => {
  const pin = things('pin-header');
  const ring = pin.between('copper, left edge', 'hole, left edge')?.value.nom ?? 0;
  expect(pin.between('copper below, left edge', 'hole, left edge')?.value.nom).toBeCloseTo(ring, 9);
  expect(ring).toBeGreaterThan(0.1);
  const { all } = things('ball-grid');
  expect(all.some(({ name }) => name.startsWith('hole'))).toBe(false);
});
