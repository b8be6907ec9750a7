import { describe, expect, it } from 'vitest';
import { loadedModel } from '../../../src/core/body/loaded';
import { check } from '../../../src/core/check/check';
import type {
  BodyOptions,
  EdgeIntent,
  ModelIntent,
  TapisDocument,
} from '../../../src/core/document/document';
import { openDocument } from '../../../src/core/footprint/open';
import { compile } from '../../../src/core/footprint/compile';
import { meshOf } from '../../../src/core/geometry/mesh';
import { block, type Assembly } from '../../../src/core/geometry/solid';
import { PROCESSES } from '../../../src/core/process';
import { converter } from '../../data/documents';
import { footprintOf } from '../../data/families';
import { ownModel } from '../../data/models';

const KEY = 'a'.repeat(64);

/** Findings by rule of a document whose model is its own body, changed and put somewhere. */
function found(
  document: TapisDocument,
  part: Partial<ModelIntent> = {},
  change?: (parts: Assembly['parts']) => Assembly['parts'],
) {
  const loaded = loadedModel(ownModel(footprintOf(document), change))!;
  const intent: ModelIntent = { name: 'u4.step', key: KEY, ...part };
  const compiled = compile({ ...document, body: { ...document.body, model: intent } }, () => loaded);
  const { findings } = check(compiled);
  return new Map([...findings].reverse().map((finding) => [finding.rule, finding]));
}

const MODEL_RULES = [
  'model-contact',
  'model-pin-in-hole',
  'model-pin-count',
  'model-floating',
  'model-coplanar',
  'model-underside',
  'model-height',
  'model-span',
  'model-courtyard',
  'model-extra',
  'model-mirrored',
  'model-unseen',
  'model-lean',
];

/** A five-pin header with leads of 0.64 square in holes of 1.10. */
const header: TapisDocument = {
  tapis: 2,
  name: 'J1',
  package: {
    family: 'pin-header',
    dimensions: { k: '5', r: '1', e: '2.54', b: '0.61..0.67', c: '0.61..0.67', A: '8.4', P: '3.0' },
  },
  level: 'B',
  process: 'standard',
};

/** A no-lead part whose exposed pad has vias. */
const thermal: TapisDocument = {
  tapis: 2,
  name: 'U9',
  package: {
    family: 'no-lead-quad',
    options: { pad: 'rectangle' },
    dimensions: {
      n: '32',
      e: '0.5',
      E: '5.0±0.1',
      L: '0.3..0.5',
      b: '0.18..0.30',
      E2: '3.4..3.6',
      D2: '3.4..3.6',
      A: '0.8..1.0',
      A1: '0..0.05',
    },
  },
  level: 'B',
  process: 'standard',
  stacks: { groups: { pad: { vias: { on: true } } } },
};

describe('a model that is as the drawing says', () => {
  it.each([
    ['on lands', converter()],
    ['in holes', header],
  ])('%s has only the standing note', (_, document) => {
    const rules = found(document);
    expect(MODEL_RULES.filter((rule) => rules.has(rule))).toEqual([]);
    expect(rules.get('model-at-hand')).toMatchObject({
      severity: 'note',
      message: expect.stringContaining('proves nothing'),
    });
  });
});

describe('a model that was moved', () => {
  it('has contacts off their lands, by what', () => {
    // lands of 0.40 under leads of 0.245: 0.0775 on either side, so 0.2 stands out by 0.1225
    const rules = found(converter(), { y: '0.2' });
    expect(rules.get('model-contact')?.measured?.value).toBeCloseTo(0.1225, 6);
    expect(rules.get('model-contact')?.message).toContain('16 such in all');
  });
  it('floats or sinks', () => {
    expect(found(converter(), { z: '0.15' }).get('model-floating')?.measured).toMatchObject({
      value: expect.closeTo(0.15, 9),
      limit: 0.1,
    });
    expect(found(converter(), { z: '0.08' }).has('model-floating')).toBe(false);
    const sunk = found(converter(), { z: '-0.03' }).get('model-floating');
    expect(sunk?.message).toContain('0.03 mm below');
    const [remedy] = sunk?.remedies ?? [];
    expect(remedy?.label).toBe('Seat it anew: 0.03 mm higher');
    const [edit] = remedy?.edits ?? [];
    expect(found(converter(), edit?.value as { z: string }).has('model-floating')).toBe(false);
  });
  it('reaches into the board with its underside', () => {
    expect(found(converter(), { z: '-0.3' }).get('model-underside')).toMatchObject({
      severity: 'stop',
      measured: { value: expect.closeTo(0.115, 6) },
    });
  });
  it('lies on the legend, or above open vias', () => {
    // drafted to ±2.432 and made larger, the underside reaches the lines from ±2.55 on; it comes down to 0.026
    const onLegend = found(converter(), { z: '-0.17', scale: 1.06 }).get('model-underside');
    expect(onLegend?.message).toContain('lies on the legend: 0.026 mm');
    expect(found(converter(), { z: '-0.1', scale: 1.06 }).has('model-underside')).toBe(false);
    // the moulding between the terminals at 0.11 comes down to 0.05: plated vias under mask stand 0.055 high
    const open = found(thermal, { z: '-0.06' }).get('model-underside');
    expect(open?.message).toContain('0.05 mm above open vias');
    expect(found(thermal).has('model-underside')).toBe(false);
  });
  it('cuts the walls of its holes', () => {
    // hole 1.15; the corner of 0.64 square is 0.4525 from the middle: 0.1225 are left
    expect(found(header, { x: '0.08', y: '0.08' }).has('model-pin-in-hole')).toBe(false);
    const rule = found(header, { x: '0.1', y: '0.1' }).get('model-pin-in-hole');
    expect(rule).toMatchObject({
      severity: 'stop',
      measured: { value: expect.closeTo(0.575 - 0.42 * Math.SQRT2, 6) },
    });
  });
  it('stands out of the courtyard, and elsewhere altogether', () => {
    expect(found(converter(), { x: '1' }).get('model-courtyard')?.measured?.value).toBeGreaterThan(0.2);
    expect(found(converter(), { x: '30' }).get('model-pin-count')).toMatchObject({
      severity: 'stop',
      message: expect.stringContaining('stands elsewhere'),
    });
  });
  it('is taller or longer than the part', () => {
    const rules = found(converter(), { scale: 1.1 });
    expect(rules.get('model-span')?.message).toContain(
      '7.04 mm long across; by the drawing the part is 6.20 mm to 6.60',
    );
    expect(rules.has('model-height')).toBe(true);
  });
});

describe('a model that leans', () => {
  it('is told by its angle, and stands where it stood once that is taken out', () => {
    const lean = found(converter(), { turn: { x: 0, y: 2, z: 0 }, z: '0.1' }).get('model-lean');
    expect(lean?.message).toBe('The model leans by 2° from upright.');
    const upright = lean?.remedies[0]?.edits[0]?.value as ModelIntent;
    expect(upright.turn).toEqual({ x: 0, y: 0, z: 0 });
    const rules = found(converter(), upright);
    expect(MODEL_RULES.filter((rule) => rules.has(rule))).toEqual([]);
  });
  it('is not told where it is turned about Z only, or by quarters', () => {
    for (const turn of [
      { x: 0, y: 0, z: 30 },
      { x: 90, y: 0, z: 180 },
    ])
      expect(found(converter(), { turn }).has('model-lean')).toBe(false);
  });
});

describe('a model that is another part', () => {
  it('has leads without lands, told with their places', () => {
    const more = (parts: Assembly['parts']) => [
      ...parts,
      ...parts
        .filter(({ name }) => name === 'lead 8' || name === 'lead 9')
        .map((part) => ({ ...part, at: { ...part.at, y: part.at.y - 0.65 } })),
    ];
    const rule = found(converter(), {}, more).get('model-extra');
    expect(rule?.measured).toEqual({ value: 2, limit: 0, unit: 'count' });
    expect(rule?.message).toMatch(
      /^2 contacts of the model have no land: at x −2\.9\d mm, y −2\.9\d mm; x 2\.9\d mm, y −2\.9\d mm\. /,
    );
  });
  it('has fewer leads', () => {
    const rule = found(converter(), {}, (parts) => parts.filter(({ name }) => name !== 'lead 3')).get(
      'model-pin-count',
    );
    expect(rule?.message).toBe('The model touches 15 of 16 lands and holes; nothing of it is at 3.');
  });
  it('shows terminals of another pitch: they are missing and without lands, not hidden under a plane', () => {
    const wider: TapisDocument = {
      ...thermal,
      package: {
        ...thermal.package,
        dimensions: { ...thermal.package.dimensions, n: '24', e: '0.65' },
      },
    };
    const loaded = loadedModel(ownModel(footprintOf(wider)))!;
    const model: ModelIntent = { name: 'u9.step', key: KEY };
    const { findings } = check(compile({ ...thermal, body: { model } }, () => loaded));
    const rules = findings.map(({ rule }) => rule);
    expect(rules).toContain('model-pin-count');
    expect(rules).toContain('model-extra');
    expect(rules).not.toContain('model-unseen');
  });
  it('comes on a piece of board, which is left out and told with its sides, each with its unit', () => {
    const board = block(12, 9, -1.6, 0);
    const own = ownModel(footprintOf(converter()));
    const loaded = loadedModel({
      ...own,
      parts: [...own.parts, { name: 'board', colour: null, mesh: meshOf(board) }],
    })!;
    const model: ModelIntent = { name: 'u4.step', key: KEY };
    const { findings } = check(compile({ ...converter(), body: { model } }, () => loaded));
    const words = findings.filter(({ rule }) => rule === 'model-at-hand').map(({ message }) => message);
    expect(words.join()).toContain('a plate under it like a piece of board, 12.00 mm by 9.00 mm by 1.60 mm');
    expect(findings.map(({ rule }) => rule)).not.toContain('model-underside');
  });
  it('has leads at different heights', () => {
    const lifted = (by: number) => (parts: Assembly['parts']) =>
      parts.map((part) =>
        part.name === 'lead 3' ? { ...part, at: { ...part.at, z: part.at.z + by } } : part,
      );
    expect(found(converter(), {}, lifted(0.12)).get('model-coplanar')?.measured?.value).toBeCloseTo(0.12, 6);
    expect(found(converter(), {}, lifted(0.09)).has('model-coplanar')).toBe(false);
  });
  it('was read in part', () => {
    const { findings } = check(
      compile({ ...converter(), body: { model: { name: 'u4.step', key: KEY } } }, () =>
        loadedModel({ ...ownModel(footprintOf(converter())), declared: 40 }),
      ),
    );
    expect(findings.map(({ message }) => message).join()).toContain('Only 17 of the 40 solids');
  });
  it('whose file is not here says so and is not drawn', () => {
    const { findings } = check(compile({ ...converter(), body: { model: { name: 'u4.step', key: KEY } } }));
    expect(findings.find(({ rule }) => rule === 'model-at-hand')).toMatchObject({
      severity: 'caution',
      message: expect.stringContaining('not in this browser'),
    });
  });
});

describe('heights', () => {
  const standard = PROCESSES[0]!;
  const rules = (document: TapisDocument) =>
    new Map(check(compile(document)).findings.map((f) => [f.rule, f]));
  const body = (options: BodyOptions, document = converter()) => ({ ...document, body: options });
  it('are held against the least clearance of document or process', () => {
    // the underside is 0.135 to 0.235 above the laminate
    expect(rules(body({ minClearance: '0.13' })).has('body-clearance')).toBe(false);
    expect(rules(body({ minClearance: '0.14' })).get('body-clearance')?.measured).toEqual({
      value: 0.135,
      limit: 0.14,
      unit: 'mm',
    });
    expect(rules(body({ minClearance: '0.14', lift: '0.1' })).has('body-clearance')).toBe(false);
  });
  it('say how far leads come out below the board', () => {
    // leads of 3.0 through 1.6 and 0.035 of copper: 1.365
    expect(rules(header).has('lead-protrusion')).toBe(false);
    expect(rules(body({ maxProtrusion: '1.3' }, header)).get('lead-protrusion')?.measured).toEqual({
      value: 1.365,
      limit: 1.3,
      unit: 'mm',
    });
    expect(rules(body({ minProtrusion: '1.4' }, header)).get('lead-protrusion')?.message).toContain(
      'end 1.365 mm below',
    );
    expect(rules(body({ boardThickness: '3.2' }, header)).get('lead-protrusion')).toMatchObject({
      severity: 'caution',
      message: expect.stringContaining('0.235 mm inside'),
    });
  });
  it('take solder from the paste that is printed', () => {
    // paste as large as its land: 0.12 thick, half of it metal
    const { footprint } = compile(body({ solderFrom: 'paste' }));
    expect(footprint?.body.heights.seating).toBeCloseTo(0.035 + 0.5 * standard.stencilThickness, 9);
  });
  it('stand on the body where that is chosen, and say when paste no longer reaches the leads', () => {
    // the mask at 0.02 and a standoff of 0.05 to 0.15 would put the leads below their lands: the lands carry them
    expect(compile(body({ seat: 'standoff' })).footprint?.body.heights.seating).toBe(0.035);
    expect(rules(body({ lift: '0.06' })).has('terminal-gap')).toBe(false);
    expect(rules(body({ lift: '0.08' })).get('terminal-gap')?.measured).toMatchObject({
      value: expect.closeTo(0.13, 9),
      limit: 0.12,
    });
  });
  it('report what cannot be read', () => {
    const { problems } = compile(body({ boardThickness: 'thick', lift: 'high' }));
    expect(problems.map(({ title }) => title)).toEqual(
      expect.arrayContaining(['Board thickness cannot be used', 'Lift cannot be used']),
    );
  });
});

describe('the edge of the board', () => {
  const at = (edge: EdgeIntent, copper = false) =>
    check(compile({ ...header, edge })).findings.filter(
      ({ rule, message }) => rule === 'edge-overhang' && (copper || !message.includes('copper')),
    );
  const reach = footprintOf(header).body.extent.y.nom / 2;
  it('is passed by a part that stands out as far as its drawing says', () => {
    expect(at({ side: 'top', at: String(reach - 0.15), minOverhang: '0.1', maxOverhang: '0.4' })).toEqual([]);
  });
  it.each([
    [reach - 0.1, 'needs 0.20 mm'],
    [reach + 0.2, 'ends 0.20 mm inside the top edge'],
    [reach - 0.45, 'at most 0.40 mm'],
  ])('at %d is told what is wrong', (y, words) => {
    expect(at({ side: 'top', at: String(y), minOverhang: '0.2', maxOverhang: '0.4' })[0]?.message).toContain(
      words,
    );
  });
  it('keeps copper away', () => {
    const y = footprintOf(header).lands[0]!.copper.maxY + 0.1;
    expect(at({ side: 'top', at: String(y) }, true)[0]?.measured).toMatchObject({
      value: expect.closeTo(0.1, 6),
      limit: 0.3,
    });
  });
  it('is none until its place is given, and the document stays one that can be read', () => {
    const document: TapisDocument = { ...header, edge: { side: 'top' } };
    expect(compile(document).footprint?.edge).toBeNull();
    expect(openDocument(JSON.stringify(document)).ok).toBe(true);
  });
  it('ends the board in elevations', () => {
    const { footprint } = compile({ ...header, edge: { side: 'right', at: '5' } });
    expect(footprint?.edge).toMatchObject({ side: 'right', at: { x: 5, y: 0 }, outward: 0 });
  });
});
