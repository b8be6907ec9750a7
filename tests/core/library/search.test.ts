import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { keptOf } from '../../../src/core/library/facts';
import { readSearch, type Searched } from '../../../src/core/library/search';
import { DEMO_DOCUMENTS } from '../../../src/demo/documents';
import { chip } from '../../data/documents';

const NOW = Date.UTC(2026, 5, 15);
const DAY = 86_400_000;

const shelved = (document: (typeof DEMO_DOCUMENTS)[number], more: Partial<Searched> = {}): Searched => ({
  name: document.name,
  tags: [],
  group: '',
  createdAt: NOW - 100 * DAY,
  updatedAt: NOW - 2 * DAY,
  isApproved: false,
  facts: keptOf(document).facts,
  ...more,
});

const SHELF = DEMO_DOCUMENTS.map((document) =>
  shelved(document, document.name.startsWith('J9') ? { tags: ['rf'], group: 'Buoy / Connectors' } : {}),
);
const found = (query: string, shelf = SHELF) => {
  const terms = readSearch(query, NOW);
  return shelf.filter((one) => terms.every(({ holds }) => holds(one))).map(({ name }) => name);
};

describe('what is known of a footprint', () => {
  const facts = (name: string) => {
    const document = DEMO_DOCUMENTS.find((one) => one.name === name);
    if (!document) throw new Error(`no ${name}`);
    return keptOf(document).facts;
  };
  it('are its figures, by which it is found', () => {
    // 16 leads, 5 by 4.4; 48 leads on four sides; 12 by 12 balls less those in the middle
    expect(facts('U4 tide converter')).toMatchObject({ pins: 16, pitch: 0.65, mount: 'surface' });
    expect(facts('U1 logger controller')).toMatchObject({ pins: 48, pitch: 0.5, body: [7, 7] });
    expect(facts('J2 debug header')).toMatchObject({ pins: 10, pitch: 2.5, mount: 'through' });
    // six ways and both tabs under one number
    expect(facts('J9 harness header')).toMatchObject({ pins: 7, pitch: 1.5, body: [10.7, 4.4] });
  });
  it('is that it cannot be drawn, where it cannot', () => {
    const { facts: none, drawing } = keptOf({ ...chip(), package: { family: 'chip', dimensions: {} } });
    expect(drawing).toBeNull();
    expect(none).toMatchObject({ standardName: null, pins: null, pitch: null, body: null, verdict: 'stop' });
  });
  it('has a drawing that fits its card, at a scale that all cards share', () => {
    for (const document of DEMO_DOCUMENTS) {
      const { drawing } = keptOf(document);
      expect([0.25, 0.5, 1, 2, 4]).toContain(drawing?.magnified);
      expect(drawing?.height).toBeLessThan(160);
      expect(drawing?.paths.some(({ layer }) => layer === 'copper' || layer === 'hole')).toBe(true);
    }
  });
});

describe('a search', () => {
  it('knows what somebody stands for as it is', () => {
    const [one, other] = [chip(), { ...chip(), name: 'other' }].map((document) => shelved(document)) as [
      Searched,
      Searched,
    ];
    const shelf = [{ ...one, isApproved: true }, other];
    expect(found('approved', shelf)).toEqual([one.name]);
    expect(found('not approved', shelf)).toEqual(['other']);
    expect(found('unapproved', shelf)).toEqual(['other']);
  });
  it('takes words in any place: name, standard name, kind, value, source, process', () => {
    const one = [shelved({ ...chip({}, { marks: { value: '100n' } }), name: 'C12 bypass' })];
    for (const query of ['', 'c12', 'RESC1608', 'passive', '100N', 'bypass chip', '"c12 by"'])
      expect([query, found(query, one)]).toEqual([query, ['C12 bypass']]);
    expect(found('bypass regulator', one)).toEqual([]);
    expect(found('kitchen').length).toBeGreaterThan(0);
  });

  it.each([
    ['pitch 0.5', 'U1 logger controller'],
    ['pitch 0,5', 'U1 logger controller'],
    ['pitch 19.7mil', 'U1 logger controller'],
    ['7x7', 'U1 logger controller'],
    ['48 pins', 'U1 logger controller'],
    ['pins = 48 pitch < 0.6', 'U1 logger controller'],
    ['0.65', 'U4 tide converter'],
    ['10.7 x 4.4', 'J9 harness header'],
    ['4.4x10.7', 'J9 harness header'],
    ['through-hole pitch 2.5', 'J2 debug header'],
    ['tag:rf', 'J9 harness header'],
    ['group:"buoy"', 'J9 harness header'],
    ['connectors', 'J9 harness header'],
  ])('“%s” finds %s', (query, name) => {
    expect(found(query)).toContain(name);
    expect(found(query).length).toBeLessThan(SHELF.length / 2);
  });

  it('holds figures to the digits that were typed', () => {
    const [one] = SHELF.filter(({ name }) => name === 'U1 logger controller');
    const holds = (query: string) => found(query, [one as Searched]).length === 1;
    expect([holds('pitch 0.5'), holds('pitch 0.51'), holds('pitch > 0.5'), holds('pitch >= 0.5')]).toEqual([
      true,
      false,
      false,
      true,
    ]);
  });

  it('knows levels, findings, waivers and ages', () => {
    expect(found('level c')).toEqual(['D1 charge lamp']);
    expect(found('caution')).toContain('U7 buoy transceiver');
    expect(found('holds')).not.toContain('U7 buoy transceiver');
    expect(found('no waiver').length + found('waived').length).toBe(SHELF.length);
    expect(found('changed this week').length).toBe(SHELF.length);
    expect(found('made this week')).toEqual([]);
    expect(found('made this year').length).toBe(SHELF.length);
  });

  it('says what it has understood, and takes everything else as words', () => {
    const words = (query: string) =>
      readSearch(query, NOW).map((term) => [term.text, term.words, term.isWord]);
    expect(words('radio pitch 0.5 pins>40')).toEqual([
      ['radio', 'radio', true],
      ['pitch 0.5', 'pitch = 0.5 mm', false],
      ['pins>40', 'pins > 40', false],
    ]);
    expect(words('so8 0603 pitch sot-23 5x')).toEqual([
      ['so8', 'so8', true],
      ['0603', '0603', true],
      ['pitch', 'pitch', true],
      ['sot-23', 'sot-23', true],
      ['5x', '5x', true],
    ]);
  });

  it('takes all of what was typed, whatever that is', () => {
    const bare = (text: string) => text.replace(/[\s,;]+/g, '');
    const piece = fc.constantFrom(
      'pitch',
      '0.5',
      '<',
      'x',
      '5x5',
      'tag:',
      '"',
      'no waiver',
      'mm',
      'made this',
      ',',
      'ß',
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(piece).map((all) => all.join(' ')),
        ),
        (query) => {
          const terms = readSearch(query, NOW);
          expect(bare(terms.map(({ text }) => text).join(''))).toBe(bare(query));
          for (const { holds } of terms) expect(typeof holds(SHELF[0] as Searched)).toBe('boolean');
        },
      ),
    );
  });

  it('finds nothing by figures of what is not read yet', () => {
    expect(found('pitch 0.5', [{ ...(SHELF[0] as Searched), facts: null }])).toEqual([]);
  });
});
