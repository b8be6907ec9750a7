import { expect, it } from 'vitest';
import { compileAndCheck } from '../../../src/core/check/guarded';
import type { TapisDocument } from '../../../src/core/document/document';
import { compile } from '../../../src/core/footprint/compile';
import { check } from '../../../src/core/check/check';
import { converter } from '../../data/documents';

it('is compile and check', () => {
  const compiled = compile(converter());
  expect(compileAndCheck(converter())).toEqual({ compiled, report: check(compiled) });
});

it('makes a finding of a fault, with the document whole', () => {
  const broken = {
    ...converter(),
    get overrides(): never {
      throw new Error('no such thing');
    },
  } as unknown as TapisDocument;
  const { compiled, report } = compileAndCheck(broken);
  expect(compiled.footprint).toBeNull();
  expect(compiled.document).toBe(broken);
  expect(report.findings).toEqual([
    expect.objectContaining({
      rule: 'fault',
      severity: 'stop',
      message: expect.stringContaining('no such thing'),
    }),
  ]);
});

it('draws a concave contour whose paste shrinks to nothing and is then made larger', () => {
  const star =
    '1.2,0 0.135,0.065 0.748,0.938 0.033,0.146 -0.267,1.17 -0.094,0.117 -1.081,0.521 -0.15,0 -1.081,-0.521 -0.094,-0.117 -0.267,-1.17 0.033,-0.146 0.748,-0.938 0.135,-0.065';
  const stacks = {
    groups: { rows: { contour: star, paste: { margin: '0.247', width: '0.2', height: '0.024' } } },
  };
  const { compiled } = compileAndCheck(converter({}, { stacks }));
  expect(compiled.footprint?.lands).toHaveLength(16);
  expect(compiled.footprint?.lands[0]?.paste.every(({ minX, maxX }) => Number.isFinite(maxX - minX))).toBe(
    true,
  );
});
