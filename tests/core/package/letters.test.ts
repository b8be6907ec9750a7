import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import type { Finding } from '../../../src/core/document/finding';
import { linesFor } from '../../../src/core/drawing/dimension-lines';
import { compile } from '../../../src/core/footprint/compile';
import { isDrawable } from '../../../src/core/footprint/footprint';
import { inFormula, inLetters, ownLetters } from '../../../src/core/package/letters';
import { converter } from '../../data/documents';

/** A sheet that calls the span H, the body's width E and the height B. */
const lettered = converter({
  E: { text: '6.2..6.6', label: 'H' },
  E1: { text: '4.3..4.5', label: 'E' },
  A: { text: 'max 1.2', label: 'B' },
  L: { text: '0.45..0.75', label: 'L' },
});
const compiled = compile(lettered);
const letters = ownLetters(compiled.resolved);

const finding = (message: string, dimensions: string[] = ['E']): Finding => ({
  rule: 'span',
  severity: 'caution',
  title: '',
  message,
  source: '',
  stage: 'measure',
  place: { dimensions },
  remedies: [],
});
const said = (message: string, dimensions?: string[]) =>
  inLetters(message, finding(message, dimensions), letters);

describe('a datasheet’s own letters', () => {
  it('are those that differ from the standard ones', () => {
    expect([...letters]).toEqual([
      ['E', 'H'],
      ['E1', 'E'],
      ['A', 'B'],
    ]);
  });
  it('stand in findings in place of the standard ones, all at once', () => {
    expect(said('Body width E1 is 6 mm, span E only 5 mm. One of E, E1 is wrong.')).toBe(
      'Body width E is 6 mm, span H only 5 mm. One of H, E is wrong.',
    );
  });
  it('leave articles, levels, units and other words alone', () => {
    expect(said('A lead of span E leaves 0.5 mm; level A asks more. Height A is 1.2 mm.')).toBe(
      'A lead of span H leaves 0.5 mm; level A asks more. Height B is 1.2 mm.',
    );
    expect(said('E-mail in Essen')).toBe('E-mail in Essen');
  });
  it('leave findings about lands alone, whose numbers look like symbols', () => {
    const message = 'Lands A1 and E1 overlap.';
    expect(said(message, [])).toBe(message);
    expect(inLetters(message, { ...finding(message), stage: 'land' }, letters)).toBe(message);
  });
  it('change nothing but the letters in what the checks really say', () => {
    const wrong = compile({
      ...lettered,
      package: { ...lettered.package, dimensions: { ...lettered.package.dimensions, E1: '6.4' } },
    });
    const about = check(wrong).findings.filter(({ place }) => place.dimensions?.includes('E1'));
    expect(about.length).toBeGreaterThan(0);
    for (const one of about) {
      const words = inLetters(one.message, one, ownLetters(wrong.resolved));
      expect(words.replace(/\bH\b/g, 'E').replace(/\bB\b/g, 'A')).toBe(one.message);
    }
  });
  it('stand at the dimension lines, with the same values', () => {
    if (!isDrawable(compiled)) throw new Error('the converter does not compile');
    const texts = (own: typeof letters) =>
      new Map(linesFor('measure', compiled, 'mm', null, own).map(({ line, text }) => [line.symbol, text]));
    expect(texts(letters).get('E')).toBe('H 6.20–6.60');
    expect(texts(letters).get('E1')).toBe('E 4.30–4.50');
    expect(texts(letters).get('L')).toBe(texts(new Map()).get('L'));
  });
  it('stand in derivations for what is the package’s, not for the variables of the standard', () => {
    expect(inFormula('full, S_min > E1max', letters)).toBe('full, S_min > Emax');
    expect(inFormula('Lmin + 2·J_outer + √(C_L² + F² + P²)', new Map([['L', 'Q']]))).toBe(
      'Lmin + 2·J_outer + √(C_L² + F² + P²)',
    );
    expect(inFormula('table(b)', new Map([['b', 'D1']]))).toBe('table(D1)');
  });
});
