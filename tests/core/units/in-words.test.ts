import { describe, expect, it } from 'vitest';
import { compileAndCheck } from '../../../src/core/check/guarded';
import { PROCESSES } from '../../../src/core/process';
import { inUnit } from '../../../src/core/units/in-words';
import { DEMO_DOCUMENTS } from '../../../src/demo/documents';
import { VARIANTS } from '../../data/families';

describe('sentences in the unit of the display', () => {
  it.each([
    ['Heel margin 0.12 mm, needs 0.25 mm (level B)', 'Heel margin 4.72 mil, needs 9.84 mil (level B)'],
    [
      'opening 0.95 × 0.30 mm in a 0.12 mm stencil, needs 0.66',
      'opening 37.4 × 11.81 mil in a 4.72 mil stencil, needs 0.66',
    ],
    ['a foot of 0.25..0.45 mm at −0.0508 mm', 'a foot of 9.84..17.72 mil at −2 mil'],
    ['“5 mm”: it is 5 mm', '“5 mm”: it is 196.85 mil'],
    ['clause 3.1.6; paste 0.012 mm³ of land 3', 'clause 3.1.6; paste 0.012 mm³ of land 3'],
    ['Margin 0.10 mm → 0.05 mm', 'Margin 3.94 mil → 1.97 mil'],
  ])('%s', (mm, mil) => {
    expect(inUnit(mm, 'mil')).toBe(mil);
    expect(inUnit(mm, 'mm')).toBe(mm);
  });

  it('find every length of every finding with its unit behind it', () => {
    const documents = [
      ...VARIANTS.map(({ document }) => document),
      ...PROCESSES.flatMap(({ id }) => DEMO_DOCUMENTS.map((document) => ({ ...document, process: id }))),
    ];
    const bare = new Set<string>();
    for (const { findings } of documents.map((document) => compileAndCheck(document).report))
      for (const { title, message, remedies } of findings)
        for (const text of [title, message, ...remedies.map(({ label }) => label)]) {
          const rest = inUnit(text, 'mil')
            .replace(/“[^”]*”/g, '')
            .replace(/padstack \S+|[\d.]+ (times|%)|ratio [\d.]+|needs 0\.66|needs 1\.5\b/g, '')
            .replace(/[\d.]+(( × |\.\.|–)[\d.]+)* mil/g, '');
          if (/\d\.\d|\bmm\b/.test(rest)) bare.add(text);
        }
    expect([...bare]).toEqual([]);
  });
});
