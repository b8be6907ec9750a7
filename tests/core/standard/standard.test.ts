import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import { applyEdits } from '../../../src/core/document/edit';
import { processById, standardProcess } from '../../../src/core/process';
import type { Process } from '../../../src/core/process/process';
import { movedDocument, movedToHouse, type MovedToHouse } from '../../../src/core/library/from-process';
import type { TapisDocument } from '../../../src/core/document/document';
import { readStandard } from '../../../src/core/document/read-standard';
import { standardHash } from '../../../src/core/document/standard-hash';
import { writeStandard } from '../../../src/core/document/write';
import { compile } from '../../../src/core/footprint/compile';
import { reportOf } from '../../../src/core/format/report/content';
import { counted } from '../../../src/core/library/counting';
import { proposeStandard } from '../../../src/core/library/propose';
import { goalRowFor } from '../../../src/core/land/goals';
import { derivationOf, type SpanSolution } from '../../../src/core/land/solution';
import { standardDifferences } from '../../../src/core/standard/differences';
import {
  clauseFields,
  PUBLISHED_ROWS,
  type ClauseField,
  type ClauseValue,
} from '../../../src/core/standard/fields';
import { fillName, parseHouseName } from '../../../src/core/standard/template';
import { fieldsOf, standardOf } from '../../../src/core/standard/resolve';
import type { Clause, OwnRow, StandardDocument } from '../../../src/core/standard/standard';
import { chip, converter } from '../../data/documents';
import { EXAMPLES, USUAL_VARIANTS, VARIANTS } from '../../data/families';

/** A house of made-up wishes. */
function house(
  clauses: Readonly<Record<string, ClauseValue | Clause>>,
  more: Partial<StandardDocument> = {},
): StandardDocument {
  return {
    id: 'hs-std-12',
    name: 'HS-STD-12',
    version: '3',
    clauses: Object.fromEntries(
      Object.entries(clauses).map(([at, said]) => [
        at,
        typeof said === 'object' ? said : { value: said, clause: '4.3', reason: 'Tried on our line.' },
      ]),
    ),
    ...more,
  };
}

const under = (document: TapisDocument, standard: StandardDocument, more: Partial<TapisDocument> = {}) =>
  compile({ ...document, ...more, standard });

const spanOf = (document: TapisDocument): SpanSolution => {
  const group = compile(document).footprint?.groups.find(({ kind }) => kind === 'span');
  if (group?.kind !== 'span') throw new Error('no span');
  return group;
};

/** Everything that follows from a document but the document itself and how its standard is named. */
const outcome = (document: TapisDocument): string => {
  const compiled = compile(document);
  const { findings, held, verdict, silenced } = check(compiled);
  const { footprint, levels, problems } = compiled;
  return JSON.stringify([footprint, levels, problems, findings, held, verdict, silenced]);
};

describe('what a process wants as a house', () => {
  const original = processById('standard') as Process;
  const own: Process = {
    ...original,
    id: 'mine',
    name: 'Mine',
    minGap: 0.2,
    rounding: 0.01,
    smallRounding: 0.01,
    courtyardRounding: 0.05,
    thermalCoverage: 0.7,
    legendWidth: 0.2,
    textHeight: 1.5,
    orientation: 'B',
    acceptanceClass: 3,
    severities: { 'land-gap': 'note', 'text-size': 'off' },
  };
  const moved = movedToHouse(own, original) as MovedToHouse;
  it.each(USUAL_VARIANTS.map((variant) => [variant.name, variant.document] as const))(
    'moves into a standard without changing %s',
    (_, plain) => {
      const document = { ...plain, process: 'mine', ownProcess: own };
      const edits = movedDocument(document, own, moved);
      const after = applyEdits(document, edits ?? []);
      expect(after.ownProcess?.rounding).toBe(original.rounding);
      const [a, b] = [compile(document), compile(after)];
      expect(b.footprint).toEqual({ ...a.footprint, groups: b.footprint?.groups });
      expect(b.footprint?.lands).toEqual(a.footprint?.lands);
      const told = (one: typeof a) =>
        check(one).findings.map(({ rule, severity, message }) => [rule, severity, message]);
      expect(told(b)).toEqual(told(a));
    },
  );
  it('goes behind what a standard says already, and leaves others alone', () => {
    const said = house({ 'rounding/lands': { value: 0.02, clause: '2' } });
    const document = { ...converter(), process: 'mine', ownProcess: own, standard: said };
    const after = applyEdits(document, movedDocument(document, own, moved) ?? []);
    expect(after.standard?.over).toEqual(said);
    expect(compile(after).footprint?.lands).toEqual(compile(document).footprint?.lands);
    expect(movedDocument({ ...document, ownProcess: { ...own, minGap: 0.3 } }, own, moved)).toBeNull();
    expect(movedDocument(converter(), own, moved)).toBeNull();
    expect(moved.process).toMatchObject({ minGap: 0.2, rounding: 0.05, severities: {} });
    expect(movedToHouse({ ...original, id: 'other', minGap: 0.2 }, original)).toBeNull();
  });
});

describe('an empty standard', () => {
  it.each(USUAL_VARIANTS.map((variant) => [variant.name, variant.document] as const))(
    'changes nothing of %s',
    (_, document) => {
      expect(outcome({ ...document, standard: house({}) })).toBe(outcome(document));
    },
  );
});

describe('a clause', () => {
  // Lmin 6.20, C_L 0.40, F 0.10, P 0.05: √(0.16 + 0.01 + 0.0025) = 0.41533; Z = 6.20 + 2·0.45 + 0.41533
  it('goes into the formulas as it is written, in any unit', () => {
    const plain = spanOf(converter());
    for (const value of [0.45, '0.45', '0.45 mm', '17.7165354331 mil', '450 µm'] as const) {
      const wished = spanOf({ ...converter(), standard: house({ 'goals/gull-wing/outer/B': value }) });
      expect(wished.goals.outer).toBeCloseTo(0.45, 9);
      expect(wished.computed.Z - plain.computed.Z).toBeCloseTo(0.2, 9);
      expect(wished.computed.G).toBe(plain.computed.G);
      expect(wished.computed.X).toBe(plain.computed.X);
    }
  });
  it('is cited by derivation, finding, report and drawing', () => {
    const standard = house({
      'goals/gull-wing/outer/B': { value: 0.45, clause: '4.3', reason: 'Fillets seen from above.' },
    });
    const compiled = under(converter(), standard);
    const [group] = compiled.footprint?.groups ?? [];
    expect(group?.source).toBe('HS-STD-12 clause 4.3; over IPC-7351B, tables 3-2 to 3-6');
    const step = group && derivationOf(group, 'Z').find(({ symbol }) => symbol === 'J_outer');
    expect(step?.note).toBe('toe, HS-STD-12 clause 4.3, over 0.35 as published: Fillets seen from above.');
    expect(step?.result).toBe(0.45);
    const short = under(converter(), standard, { overrides: { land: { Y: '1.2', C: '5.6' } } });
    const toe = check(short).findings.find(
      ({ rule, message }) => rule === 'joint-goal' && /^Toe/.test(message),
    );
    expect(toe?.source).toContain('HS-STD-12 clause 4.3');
    expect(toe?.measured?.limit).toBeCloseTo(0.45, 9);
    if (!compiled.footprint) throw new Error('no footprint');
    const report = JSON.stringify(reportOf({ ...compiled, footprint: compiled.footprint }, {}));
    expect(report).toContain(`HS-STD-12, version 3 (${standardHash(standard)})`);
    expect(report).toContain('HS-STD-12 4.3');
  });
  it('of goals changes lands of its own row alone', () => {
    for (const row of PUBLISHED_ROWS) {
      const standard = house({
        [`goals/${row.id}/outer/B`]: row.levels.B.outer + 0.2,
        [`goals/${row.id}/side/B`]: row.levels.B.side + 0.1,
      });
      for (const { document } of EXAMPLES) {
        const [before, after] = [compile(document), under(document, standard)];
        for (const [i, group] of (before.footprint?.groups ?? []).entries()) {
          const now = after.footprint?.groups[i];
          const isOfRow = group.kind === 'span' && group.goalRow.id === row.id;
          if (group.kind === 'span' && now?.kind === 'span')
            expect(now.computed.Z - group.computed.Z).toBeCloseTo(isOfRow ? 0.4 : 0, 9);
        }
        // level C is not said of
        expect(after.levels?.C.map(({ derivation }) => derivation)).toEqual(
          before.levels?.C.map(({ derivation }) => derivation),
        );
      }
    }
  });
  it('does not go before what the person chose', () => {
    const standard = house({
      'rounding/lands': 0.01,
      'marks/legend': 'ends',
      'marks/origin': 'pin-1',
      'pads/surface/mask-margin': 0.09,
      'trims/row-gap': false,
    });
    const own = under(converter(), standard, {
      overrides: { rounding: 0.05, maskMargin: '0.02', trims: { 'row-gap': true } },
      origin: { at: 'body' },
      marks: { style: 'outline' },
    }).footprint;
    const plain = compile({
      ...converter(),
      overrides: { rounding: 0.05, maskMargin: '0.02', trims: { 'row-gap': true } },
      origin: { at: 'body' },
      marks: { style: 'outline' },
    }).footprint;
    expect(JSON.stringify([own?.lands, own?.legend, own?.origin])).toBe(
      JSON.stringify([plain?.lands, plain?.legend, plain?.origin]),
    );
  });
});

describe('two layers', () => {
  const places = clauseFields().filter(({ kind }) => kind === 'length' || kind === 'flag');
  const clauses = fc.dictionary(
    fc.constantFrom(...places.map(({ at }) => at)),
    fc.integer({ min: 0, max: 1000 }),
    { maxKeys: 12 },
  );
  const valued = (said: Readonly<Record<string, number>>): Record<string, ClauseValue> =>
    Object.fromEntries(
      Object.entries(said).map(([at, part]) => {
        const field = places.find((one) => one.at === at) as ClauseField;
        const [least, most] = field.limits ?? [0, 1];
        return [at, field.kind === 'flag' ? part % 2 === 0 : least + ((most - least) * part) / 1000];
      }),
    );
  it('say what their sum says, the nearer one first', () => {
    fc.assert(
      fc.property(clauses, clauses, (far, near) => {
        const [below, above] = [valued(far), valued(near)];
        const layered = standardOf(house(above, { over: house(below, { id: 'below', name: 'Below' }) }));
        const summed = standardOf(house({ ...below, ...above }));
        expect(layered.places).toEqual(summed.places);
        for (const at of summed.places) expect(layered.stated(at)?.value).toBe(summed.stated(at)?.value);
        expect(standardDifferences(layered, summed)).toEqual([]);
      }),
    );
  });
  it('are cited each by its own name', () => {
    const base = house({ 'goals/gull-wing/inner/B': 0.4 }, { id: 'group', name: 'Group rules' });
    const standard = standardOf(house({ 'goals/gull-wing/outer/B': 0.4 }, { over: base }));
    expect(standard.stated('goals/gull-wing/inner/B')?.by.name).toBe('Group rules');
    expect(standard.stated('goals/gull-wing/outer/B')?.by.name).toBe('HS-STD-12');
  });
});

describe('everything in a standard is used', () => {
  const row: OwnRow = {
    id: 'fine-gulls',
    title: 'Gull wing, 0.5 and finer',
    form: 'gull-wing',
    pitch: [null, 0.7],
  };
  const base = house({}, { rows: [row], levels: { D: { title: 'hand', from: 'A', letter: 'H' } } });
  // a level D that says nothing is the level it comes from; its fields are those of the others
  const fields = fieldsOf(standardOf(base)).filter(({ at }) => !at.endsWith('/D'));
  const example = (id: string) => EXAMPLES.find(({ family }) => family.id === id)!.document;
  const sized = (document: TapisDocument, dimensions: Readonly<Record<string, string>>): TapisDocument => ({
    ...document,
    package: { ...document.package, dimensions: { ...document.package.dimensions, ...dimensions } },
  });
  const BALLS = [0.75, 0.65, 0.6, 0.55, 0.5, 0.45, 0.4, 0.35, 0.3, 0.25, 0.2, 0.17, 0.15, 0.33];
  const documents: readonly TapisDocument[] = [
    ...EXAMPLES.map(({ document }) => document),
    ...VARIANTS.filter(({ name }) => /pulled|pad exposed|pad thermal/i.test(name)).map(
      ({ document }) => document,
    ),
    ...BALLS.map((ball) => sized(example('ball-grid'), { b: String(ball) })),
    chip({ L: '1.0..1.1', W: '0.5..0.6', T: '0.2..0.3' }),
    sized(example('electrolytic-can'), { A: '8.0..8.5' }),
    sized(example('electrolytic-can'), { A: '12.0..12.5' }),
    sized(example('no-lead-quad'), { E2: '4.2..4.3', D2: '4.2..4.3' }),
    { ...sized(example('no-lead-quad'), {}), stacks: { groups: { pad: { vias: { on: true } } } } },
    sized(example('no-lead-quad'), { S: '0.05..0.15' }),
    chip({ L: '1.0..1.1', W: '0.5..0.6', T: '0.42..0.5' }),
    { ...converter(), overrides: { land: { X: '0.20' } } },
    // mains beside mains, by each of the tables
    ...([1, 2] as const).map((spacingBy) => ({
      ...converter(),
      process: 'mains',
      ownProcess: { ...standardProcess, id: 'mains', name: 'Mains', spacingBy },
      pins: [
        { id: '1', lands: '1', name: 'L', voltage: '230 ac' },
        { id: '2', lands: '2', name: 'N', voltage: '230 ac' },
      ],
    })),
    {
      ...converter({ e: '0.5', b: '0.17..0.27' }),
      package: converter({ e: '0.5', b: '0.17..0.27', D: '3.9..4.1' }).package,
    },
  ];
  /** Which rows of goals a document has a use for, so that a clause is tried where it can matter. */
  const rowsOf = documents.map((document) =>
    (compile({ ...document, standard: base }).footprint?.groups ?? []).flatMap((group) =>
      group.kind === 'span' ? [group.goalRow.id, goalRowFor(group.terminals).id] : [],
    ),
  );
  const all = documents.map((document, i) => ({ document, i, rows: rowsOf[i] ?? [] }));
  const worth = (place: string) => {
    const row = /^(?:goals|rounding)\/([^/]+)/.exec(place)?.[1] ?? '';
    const ball = /^balls\/([\d.]+)\//.exec(place)?.[1];
    if (ball) return all.filter(({ document }) => document.package.dimensions['b'] === ball);
    const ofRow = all.filter(({ rows }) => rows.includes(row));
    return ofRow.length > 0 ? ofRow : all;
  };
  const at = (document: TapisDocument, clauses: Record<string, ClauseValue>, level: TapisDocument['level']) =>
    outcome({ ...document, level, standard: { ...base, clauses: house(clauses).clauses } });
  const before = new Map<string, string>();
  const plain = (document: TapisDocument, i: number, level: TapisDocument['level']) => {
    const key = `${i} ${level}`;
    const known = before.get(key) ?? at(document, {}, level);
    before.set(key, known);
    return known;
  };
  const others = ({ kind, limits, of, published }: ClauseField): ClauseValue[] => {
    switch (kind) {
      case 'flag':
        return [published !== true];
      case 'choice':
        return (of ?? []).filter((one) => one !== published);
      case 'order':
        return ['hook, plus'];
      case 'text':
        return ['HS-{standard}'];
      default: {
        const [least, most] = limits ?? [0, 1];
        const now = typeof published === 'number' ? published : 0.1;
        return [now + 0.15, now / 2, now * 3, most, least].filter(
          (v) => v !== published && v >= least && v <= most,
        );
      }
    }
  };
  it.each(fields.map((field) => [field.at, field] as const))('%s', (place, field) => {
    const level = (/\/([ABC])$/.exec(place)?.[1] ?? 'B') as TapisDocument['level'];
    const found = others(field).some((value) =>
      worth(place).some(
        ({ document, i }) => at(document, { [place]: value }, level) !== plain(document, i, level),
      ),
    );
    expect(found).toBe(true);
  });
});

describe('rows of one’s own', () => {
  const row: OwnRow = { id: 'fine', title: 'Gull wing, 0.65', form: 'gull-wing', pitch: [0.625, 0.65] };
  it('hold where their band does, and take the rest from the row that would hold', () => {
    const standard = house({ 'goals/fine/outer/B': 0.5, 'goals/gull-wing/inner/B': 0.4 }, { rows: [row] });
    const { goals, goalRow } = spanOf({ ...converter(), standard });
    expect([goalRow.title, goals.outer, goals.inner, goals.side]).toEqual([
      'Gull wing, 0.65',
      0.5,
      0.4,
      0.03,
    ]);
    const wide = { ...converter({ e: '1.27' }), standard };
    expect(spanOf(wide).goals.outer).toBe(0.35);
  });
  it('may name families', () => {
    const only = house(
      { 'goals/mine/outer/B': 0.6 },
      { rows: [{ id: 'mine', title: 'Ours', families: ['gull-wing-dual'] }] },
    );
    expect(spanOf({ ...converter(), standard: only }).goals.outer).toBe(0.6);
    expect(spanOf({ ...chip(), standard: only }).goals.outer).toBe(spanOf(chip()).goals.outer);
  });
  it('that hold for nothing, or are called as published ones, are told', () => {
    const rows = [
      { id: 'none', title: 'Nothing' },
      { id: 'gull-wing', title: 'Again', form: 'gull-wing' as const },
      { id: 'empty', title: 'Empty', form: 'j-lead' as const, pitch: [1, 0.5] as const },
    ];
    const { problems } = standardOf(house({}, { rows }));
    expect(problems.map(({ at }) => at)).toEqual(['goals/none', 'goals/gull-wing', 'goals/empty']);
  });
});

describe('a level of one’s own', () => {
  const standard = house(
    { 'goals/gull-wing/outer/D': 0.8 },
    { levels: { D: { title: 'by hand', from: 'A', letter: 'H' }, B: { title: 'usual' } } },
  );
  it('takes what it does not say from the level that it comes from, and ends names with its letter', () => {
    const compiled = under(converter(), standard, { level: 'D' });
    const { goals } = spanOf({ ...converter(), level: 'D', standard });
    expect(goals).toEqual({ outer: 0.8, inner: 0.45, side: 0.05, courtyard: 0.5 });
    expect(compiled.footprint?.standardName).toMatch(/-16H$/);
    expect(compiled.standard.levels.map(({ id, title }) => [id, title])).toEqual([
      ['A', 'most'],
      ['B', 'usual'],
      ['C', 'least'],
      ['D', 'by hand'],
    ]);
  });
  it('is told where no standard has it', () => {
    const compiled = compile({ ...converter(), level: 'D' });
    expect(compiled.problems.map(({ title }) => title)).toEqual(['Level D is not known']);
    expect(compiled.footprint?.lands).toEqual(compile(converter()).footprint?.lands);
  });
});

describe('bad clauses', () => {
  const bad = house({
    'goals/gull-wing/outer/B': 9,
    'goals/gull-wing/inner/B': 'wide',
    'goals/gull/outer/B': 0.4,
    'marks/legend': 'spiral',
    'marks/pin-1': 'disc, star',
    'trims/row-gap': 'no',
    'rules/land-gap': 'fatal',
    'names/footprint': 'FIXED',
    'goals/gull-wing/side/B': { value: 0.04 },
  });
  it('are told by their places with the mend, and nothing of them is lost', () => {
    const { problems } = standardOf(bad);
    expect(problems.map(({ at, isLeftOut }) => [at, isLeftOut])).toEqual([
      ['goals/gull-wing/outer/B', true],
      ['goals/gull-wing/inner/B', true],
      ['goals/gull/outer/B', true],
      ['marks/legend', true],
      ['marks/pin-1', true],
      ['trims/row-gap', true],
      ['rules/land-gap', true],
      ['names/footprint', true],
      ['goals/gull-wing/side/B', false],
    ]);
    expect(problems[0]?.message).toBe(
      'Gull wing, pitch above 0.625 mm: toe, level B: “9” is outside of what can be meant, −1 to 5 mm.',
    );
    const read = readStandard(writeStandard(bad));
    if (!read.ok) throw new Error(read.error[0]?.message);
    expect(read.value.standard).toEqual(bad);
    expect(read.value.problems).toHaveLength(9);
  });
  it('are findings of a footprint that carries them, which is as published otherwise', () => {
    const compiled = under(converter(), bad);
    expect(compiled.problems.filter(({ severity }) => severity === 'caution')).toHaveLength(8);
    expect(compiled.footprint?.standardName).toBe(compile(converter()).footprint?.standardName);
  });
  it('of files that are no standard are refused in words', () => {
    for (const text of [
      '{',
      '[]',
      '{"tapisStandard":1}',
      '{"tapisStandard":1,"id":"A b","name":"x","version":"1","clauses":{}}',
      '{"tapisStandard":1,"id":"a","name":"x","version":"1","clauses":{"goals/gull-wing/outer/B":{"worth":1}}}',
    ])
      expect(readStandard(text).ok).toBe(false);
  });
});

describe('rules that a house grades', () => {
  const tight = converter({ b: '0.55..0.62' });
  const rule = check(compile(tight)).findings.find(({ severity }) => severity !== 'note')?.rule ?? '';
  it('are cited, and counted where they are off', () => {
    const note = check(under(tight, house({ [`rules/${rule}`]: { value: 'note', clause: '7.1' } })));
    const graded = note.findings.find((finding) => finding.rule === rule);
    expect(graded?.severity).toBe('note');
    expect(graded?.source).toContain('; note by HS-STD-12 clause 7.1');
    const off = check(
      under(tight, house({ [`rules/${rule}`]: { value: 'off', clause: '7.2', reason: 'Never.' } })),
    );
    expect(off.findings.some((finding) => finding.rule === rule)).toBe(false);
    expect(off.silenced).toMatchObject([{ id: rule, by: 'HS-STD-12 clause 7.2', reason: 'Never.' }]);
    expect(off.silenced[0]?.count).toBeGreaterThan(0);
  });
  it('cite the limits that it says', () => {
    const wide = converter(
      {},
      { overrides: { lands: { rows: { X: '0.1mm', Y: '1.1mm', C: '5.7mm', reason: 'tried' } } } },
    );
    const sourceUnder = (clauses: StandardDocument['clauses']) =>
      check(under(wide, house(clauses))).findings.find((one) => one.rule === 'joint-margin')?.source;
    expect(sourceUnder({})).not.toContain('HS-STD-12');
    expect(sourceUnder({ 'rules/class': { value: 3, clause: '8.1' } })).toContain(
      '; Product class of J-STD-001 and IPC-A-610 3 by HS-STD-12 clause 8.1',
    );
  });
});

describe('names by template', () => {
  it('say what the house wants', () => {
    const standard = house({ 'names/footprint': 'HS_{standard}_{lands}', 'names/file': '{footprint}-r' });
    const footprint = under(converter(), standard).footprint;
    expect(footprint?.standardName).toBe('HS_SOP65P640X120-16N_16');
    expect(footprint?.fileName).toBe('HS_SOP65P640X120-16N_16-r');
  });
  it('tell what a part has not, and hold an agreed name against the geometry', () => {
    const standard = house({ 'names/footprint': '{standard}-{Q}' });
    const compiled = under(converter(), standard);
    expect(compiled.problems.map(({ title }) => title)).toEqual(['The name asks for what this part has not']);
    const prefixed = house({ 'names/footprint': 'HS_{standard}' });
    const agreed = (standardName: string) =>
      check(under(converter(), prefixed, { overrides: { standardName } })).findings.filter(
        ({ rule }) => rule === 'name-geometry',
      );
    expect(agreed('HS_SOP65P640X120-16N')).toEqual([]);
    expect(agreed('HS_SOP65P660X120-16N').map(({ measured }) => measured?.value)).toEqual([6.6]);
  });
  it('read back to what they were made of', () => {
    const word = fc.stringMatching(/^[A-Za-z0-9]{1,8}$/);
    fc.assert(
      fc.property(word, word, (standard, lands) => {
        const values = { standard, lands };
        const { text, missing } = fillName('HS_{standard}-{lands}', values);
        expect(missing).toEqual([]);
        expect(parseHouseName('HS_{standard}-{lands}', text)).toEqual(values);
      }),
    );
    expect(parseHouseName('HS_{standard}', 'XX_1')).toBeNull();
  });
  it('count footprints, with as many digits as asked for', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 999_999 }), fc.integer({ min: 1, max: 9 }), (n, digits) => {
        const [template, counter] = [`P{counter:${digits}}X{standard}`, String(n)];
        const { text } = fillName(template, { counter, standard: 'A1' });
        expect(text).toMatch(new RegExp(`^P0*${n}XA1$`));
        expect(text).toHaveLength(Math.max(digits, counter.length) + 4);
        expect(parseHouseName(template, text)).toEqual({ counter, standard: 'A1' });
      }),
    );
    const counts = house({ 'names/footprint': 'HS-{counter:4}_{standard}' });
    const [none, seven] = [
      under(converter(), counts),
      under(converter(), counts, { overrides: { counter: 7 } }),
    ];
    expect(seven.footprint?.standardName).toBe('HS-0007_SOP65P640X120-16N');
    expect(check(none).findings.map(({ place }) => place.field)).toContain('/overrides/counter');
    expect(check(seven).findings.map(({ rule }) => rule)).not.toContain('house-standard');
    // those that have a number keep it, those whose names ask for none get none
    const given = counted(
      [none.document, converter(), seven.document, none.document],
      [{ overrides: { counter: 9 } }],
    );
    expect([...given].map(([i, { overrides }]) => [i, overrides?.counter])).toEqual([
      [0, 10],
      [3, 11],
    ]);
    expect(standardOf(house({ 'names/padstack': '{counter}_{standard}' })).problems[0]?.message).toContain(
      'There is no {counter} here, only {standard}.',
    );
  });
});

describe('a standard read off footprints', () => {
  const wishes = { 'goals/gull-wing/outer/B': 0.5, 'goals/gull-wing/inner/B': 0.25 };
  const made = ['1.27', '1.0', '0.8', '0.65'].map(
    (e) =>
      ({
        ...converter({ e }),
        name: `e ${e}`,
        standard: house({ ...wishes, 'rounding/lands': 0 }),
      }) satisfies TapisDocument,
  );
  it('finds the goals that they were made with', () => {
    // as somebody else would have them: lands set by hand, no standard
    const bare = made.map((document) => {
      const { land } = spanOf(document);
      const { standard: _, ...rest } = document;
      return { ...rest, overrides: { land: { X: String(land.X), Y: String(land.Y), C: String(land.C) } } };
    });
    const { standard, observed } = proposeStandard(bare, 'HS read off');
    expect(standard.clauses['goals/gull-wing/outer/B']?.value).toBeCloseTo(0.5, 2);
    expect(standard.clauses['goals/gull-wing/inner/B']?.value).toBeCloseTo(0.25, 2);
    expect(standard.clauses['goals/gull-wing/outer/B']?.reason).toBe(
      'As 4 of 4 footprints have it, 0.50 mm to 0.50 mm.',
    );
    expect(observed.find(({ at }) => at === 'goals/gull-wing/side/B')?.isProposed).toBe(false);
    expect(standardOf(standard).problems).toEqual([]);
  });
  it('proposes nothing where footprints are as published', () => {
    const { standard } = proposeStandard(
      ['1.27', '0.65'].map((e) => converter({ e })),
      'Plain',
    );
    expect(standard.clauses).toEqual({});
  });
});

describe('files', () => {
  it('keep every part, in one order', () => {
    const standard = house(
      { 'marks/legend': 'ends', 'goals/gull-wing/outer/B': '0.45 mm' },
      {
        summary: 'What Harrow Sound wants.',
        over: house({ 'rounding/lands': 0.01 }, { id: 'below', name: 'Below', version: '1' }),
        rows: [{ id: 'fine', title: 'Fine', form: 'gull-wing', pitch: [null, 0.4] }],
        levels: { D: { title: 'hand', from: 'A' } },
      },
    );
    const read = readStandard(writeStandard(standard));
    if (!read.ok) throw new Error(read.error[0]?.message);
    expect(read.value.standard).toEqual(standard);
    expect(standardHash(read.value.standard)).toBe(standardHash(standard));
    expect(standardHash({ ...standard, version: '4' })).not.toBe(standardHash(standard));
  });
});
