import { describe, expect, it } from 'vitest';
import { waive } from '../../../src/core/check/waivers';
import { applyEdits } from '../../../src/core/document/edit';
import type { TrialDocument } from '../../../src/core/document/trial';
import { checkTrial } from '../../../src/core/trial/check';
import { compileTrial } from '../../../src/core/trial/compile';
import { edgeAlong } from '../../../src/core/trial/rules/edges';
import { TRIAL_RULES } from '../../../src/core/trial/rules';
import { demoTrial } from '../../../src/demo/trial';
import { DEMO_DOCUMENTS } from '../../../src/demo/documents';
import { chip } from '../../data/documents';
import { part, trialOf } from '../../data/trials';

const found = (trial: TrialDocument) =>
  checkTrial(compileTrial(trial)).findings.map(({ rule, message }) => `${rule}: ${message}`);
const rules = (trial: TrialDocument) => [
  ...new Set(checkTrial(compileTrial(trial)).findings.map(({ rule }) => rule)),
];
const after = (trial: TrialDocument, rule: string) => {
  const finding = checkTrial(compileTrial(trial)).findings.find((one) => one.rule === rule);
  const [remedy] = finding?.remedies ?? [];
  return remedy ? applyEdits(trial, remedy.edits) : trial;
};

/** The courtyard of a chip of size 1608, as its own test has it. */
const [WIDE, HIGH] = [3, 1.6];
const BOTTOM = { side: 'bottom' } as const;

describe('two parts beside one another', () => {
  it('may touch with their courtyards', () => {
    expect(found(trialOf([part('R1', 'R', 10, 10), part('R2', 'R', 10 + WIDE, 10)]))).toEqual([]);
    expect(found(trialOf([part('R1', 'R', 10, 10), part('R2', 'R', 10, 10 + HIGH)]))).toEqual([]);
  });
  it('are told by how much their courtyards overlap, and are moved apart by that', () => {
    const trial = trialOf([part('R1', 'R', 10, 10), part('R2', 'R', 9.88 + WIDE, 10.3)]);
    expect(found(trial)).toContain('trial-courtyards: The courtyards of R1 and R2 overlap by 0.12 mm.');
    // moved by whole steps of 0.05
    const apart = after(trial, 'trial-courtyards');
    expect(apart.parts?.map(({ x }) => x)).toEqual(['10', '13.03']);
    expect(found(apart)).toEqual([]);
  });
  it('are looked at as they are turned', () => {
    // upright, the second is 0.8 to either side: clear of the first at 1.5 + 0.8
    const upright = (x: number) =>
      trialOf([part('R1', 'R', 10, 10), part('R2', 'R', x, 10, { angle: '90' })]);
    expect(found(upright(12.3))).toEqual([]);
    expect(rules(upright(12.2))).toContain('trial-courtyards');
    // at 45° its corners reach further than its sides, and beside them there is room
    const slant = (x: number, y: number) =>
      trialOf([part('R1', 'R', 10, 10), part('R2', 'R', x, y, { angle: '45' })]);
    expect(rules(slant(13, 10))).toContain('trial-courtyards');
    expect(found(slant(12.6, 12))).toEqual([]);
  });
  it('do not meet through the board where they are on two sides', () => {
    expect(found(trialOf([part('R1', 'R', 10, 10), part('R2', 'R', 10, 10, BOTTOM)]))).toEqual([]);
  });
  it('keep their copper apart, and say which lands', () => {
    // lands end 1.1 from the middle and courtyards are given none: 0.1 of copper gap is less than 0.15
    const bare = chip({}, { name: 'bare', marks: { excess: '0', legend: false } } as never);
    const lands = compileTrial(
      trialOf([part('R1', 'bare', 10, 10)], { footprints: { bare: { document: bare } } }),
    ).parts[0]?.footprint.lands;
    const end = Math.max(...(lands ?? []).map(({ copper }) => copper.maxX)) - 10;
    const trial = trialOf(
      [part('R1', 'bare', 10, 10), part('R2', 'bare', (10 + 2 * end + 0.1).toFixed(4), 10)],
      {
        footprints: { bare: { document: bare } },
      },
    );
    expect(found(trial)).toContain('trial-copper: Copper of R1.2 and R2.1 is 0.10 mm apart, needs 0.15 mm.');
    expect(rules(after(trial, 'trial-copper'))).not.toContain('trial-copper');
  });
});

describe('holes and leads', () => {
  it('keep a web of laminate between them, and from copper', () => {
    const near = trialOf([part('H1', 'hole', 10, 10), part('H2', 'hole', 12.9, 10)]);
    // two holes of 2.7, 2.9 apart
    expect(found(near).join()).toContain('Between the holes of H1 and H2 0.20 mm of laminate are left');
    const copper = trialOf([part('H1', 'hole', 10, 10), part('R1', 'R', 12.5, 10, BOTTOM)]);
    expect(rules(copper)).toContain('trial-hole-copper');
    expect(rules(trialOf([part('H1', 'hole', 10, 10), part('R1', 'R', 18, 10, BOTTOM)]))).toEqual([]);
  });
  it('come out under parts of the other side, and need room there', () => {
    // pins of the header stand 2.54 apart; a chip between its rows clears the pins and not their room
    const under = (x: number, y: number) =>
      trialOf([part('J1', 'header', 15, 15), part('R1', 'R', x, y, BOTTOM)]);
    expect(found(under(15, 16.27)).join()).toMatch(/Lead \d of J1 comes out 1\.40 mm under R1/);
    expect(rules(under(15, 15))).toContain('trial-courtyards');
    expect(found(under(15, 15)).join()).toContain('within the courtyard of R1');
    expect(found(under(15, 22))).toEqual([]);
  });
});

describe('heights', () => {
  it('a part under one that stands high is told with what is left', () => {
    // held 2 mm up, the converter leaves a chip of 0.48 its room
    const high = trialOf([part('U1', 'U', 20, 15), part('R1', 'R', 20, 15, { angle: '90' })]);
    const footprints = {
      ...high.footprints,
      U: { document: { ...(high.footprints?.['U']?.document as never as object), body: { lift: '2' } } },
    };
    const lifted = { ...high, footprints } as unknown as TrialDocument;
    expect(found(lifted).join()).toMatch(/R1 \(0\.\d+ mm high\) stands under U1/);
    expect(rules(high)).toContain('trial-courtyards');
    expect(found(high).join()).toContain('The bodies of U1 and R1 stand in one another');
  });
  it('fit under covers of their side, over the area that those cover', () => {
    // the capacitor is 13.5 high
    const under = (height: string, more = {}) =>
      trialOf([part('C1', 'capacitor', 20, 15)], {
        covers: [{ id: '1', under: height, why: 'lid', ...more }],
      });
    expect(found(under('13'))).toEqual([
      'trial-cover: C1 is 13.50 mm high, the cover over it (lid) leaves 13.00 mm.',
    ]);
    expect(found(under('13.5'))).toEqual([]);
    expect(found(under('13', { x: '0', y: '0', width: '10', height: '10' }))).toEqual([]);
    expect(found(under('1', { side: 'bottom' })).join()).toContain('Leads of C1 come out 1.60 mm');
    expect(found(under('2', { side: 'bottom' }))).toEqual([]);
  });
});

describe('the edge', () => {
  it('is kept clear by copper, holes and bodies', () => {
    // lands reach 1.1 and more from the middle: 0.3 is the process's
    const at = (x: number) => trialOf([part('R1', 'R', x, 15)]);
    expect(found(at(1.6))).toEqual([]);
    expect(found(at(1.3)).join()).toContain('Copper of R1 is 0.');
    expect(found(at(0.5)).join()).toContain('Copper of R1 reaches');
    expect(rules(after(at(0.5), 'trial-edge-copper'))).not.toContain('trial-edge-copper');
    expect(found(trialOf([part('H1', 'hole', 1.8, 15)])).join()).toContain(
      'A hole of H1 is 0.45 mm from the edge of the board, needs 0.50 mm.',
    );
    expect(found(trialOf([part('C1', 'capacitor', 3.9, 15)])).join()).toContain('The body of C1 stands 0.');
  });
  it('is followed where it is round', () => {
    // a corner of radius 10: its arc is 2.93 from the corner along the diagonal
    const round = (at: number) =>
      trialOf([part('H1', 'hole', at, at)], { board: { width: '40', height: '30', radius: '10' } });
    // the hole's wall is 1.35 from its middle: at (5, 5) it is 10 − 7.07 − 1.35 = 1.58 from the arc
    expect(found(round(5))).toEqual([]);
    // at (4, 4): 10 − 8.49 − 1.35 = 0.16
    expect(found(round(4)).join()).toContain('A hole of H1 is 0.165 mm from the edge');
  });
  it('is reached by what belongs there as it should be, on any side', () => {
    // the screw terminal's edge lies 4.6 below its middle, its body may stand 0.8 to 0 inside
    expect(found(trialOf([part('J1', 'terminal', 20, 4.6)]))).toEqual([]);
    const inside = trialOf([part('J1', 'terminal', 20, 6)]);
    expect(found(inside)).toEqual([
      'trial-edge-reach: J1 stands out beyond the edge by −1.80 to −1.60 mm, asked for is at least −0.80 mm, at most 0.00 mm.',
    ]);
    expect(after(inside, 'trial-edge-reach').parts?.[0]?.y).toBe('4.6');
    expect(found(trialOf([part('J1', 'terminal', 4.6, 15, { fromX: 'right', angle: '90' })]))).toEqual([]);
    expect(found(trialOf([part('J1', 'terminal', 20, 4.6, { angle: '20' })])).join()).toContain(
      'turned by 20°',
    );
  });
  it('is found from a point along a direction', () => {
    const square = [
      { x: 0, y: 0 },
      { x: 10, y: 0 },
      { x: 10, y: 10 },
      { x: 0, y: 10 },
    ];
    expect(edgeAlong(square, { x: 7, y: 5 }, { x: 1, y: 0 })).toEqual({ by: 3, edge: 1 });
    expect(edgeAlong(square, { x: 7, y: -2 }, { x: 0, y: -1 })).toEqual({ by: -2, edge: 0 });
    expect(edgeAlong(square, { x: 17, y: 15 }, { x: 0, y: 1 })).toBeNull();
  });
});

describe('areas and marks', () => {
  it('a screw’s head keeps its room from neighbours, a part its own from nobody', () => {
    const trial = trialOf([part('H1', 'hole', 10, 10), part('R1', 'R', 12, 10)]);
    expect(found(trial).join()).toMatch(/lies .* within an area that H1 keeps free/);
    expect(rules(trialOf([part('H1', 'hole', 10, 10)]))).toEqual([]);
  });
  it('areas of the board are kept free of what they say, on the side that they say', () => {
    const area = (more: object) =>
      trialOf([part('R1', 'R', 10, 10)], {
        keepOuts: [
          { id: '1', x: '8', y: '8', width: '4', height: '4', what: 'components', ...more } as never,
        ],
      });
    expect(found(area({ why: 'antenna' })).join()).toContain('The body of R1 lies');
    expect(found(area({ why: 'antenna' })).join()).toContain('the board keeps free (antenna)');
    expect(found(area({ side: 'bottom' }))).toEqual([]);
    expect(found(area({ what: 'vias' }))).toEqual([]);
    expect(found(area({ what: 'copper', side: 'top' })).join()).toContain('Copper of R1');
    expect(found(area({ width: undefined })).join()).toContain('a diameter, or width and height');
  });
  it('texts and marks stay off lands of others, and out from under their bodies', () => {
    // the reference of the upper chip stands 1.5 above its middle, where the lower part’s lands are
    const trial = trialOf([part('R1', 'named', 10, 10), part('U1', 'U', 10, 13.7)]);
    expect(found(trial).join()).toMatch(
      /The reference of R1 (is printed on lands|lies under the body) of U1/,
    );
    expect(rules(trialOf([part('R1', 'named', 10, 10), part('U1', 'U', 10, 18)]))).toEqual([]);
  });
});

describe('the report', () => {
  it('names references that are there twice, and footprints of another process', () => {
    const trial = trialOf([part('R1', 'R', 10, 10), part('R1', 'R', 20, 10)]);
    expect(found(trial)).toEqual(['trial-references: 2 parts have the reference R1.']);
    const other = trialOf([part('R1', 'R', 10, 10)], { process: 'fine-line' });
    expect(found(other).join()).toContain(
      'R1 is made for Standard two-sided; this board is made by Fine line',
    );
  });
  it('keeps a waiver of a pair until it gets worse', () => {
    const trial = trialOf([part('R1', 'R', 10, 10), part('R2', 'R', 12.9, 10)]);
    const [first] = checkTrial(compileTrial(trial)).findings;
    const waived = applyEdits(trial, first ? [waive(first, 'hand soldered')] : []);
    expect(found(waived)).toEqual([]);
    expect(checkTrial(compileTrial(waived)).waived).toHaveLength(1);
    const worse = applyEdits(waived, [{ at: '/parts/2/x', value: '12.8' }]);
    expect(checkTrial(compileTrial(worse)).findings[0]?.lapsed?.reason).toBe('hand soldered');
  });
  it('says of no rule that it held where another said enough', () => {
    const { held, findings } = checkTrial(
      compileTrial(trialOf([part('U1', 'U', 20, 15), part('U2', 'U', 20.5, 15)])),
    );
    expect(findings.map(({ rule }) => rule)).toContain('trial-courtyards');
    expect(held.map(({ id }) => id)).not.toContain('trial-marks');
  });
  it('says of no rule that it held where there was nothing for it to look at', () => {
    const ids = (trial: TrialDocument) => checkTrial(compileTrial(trial)).held.map(({ id }) => id);
    // one chip has copper, a body and a process; no neighbour, hole, edge, area or cover
    expect(ids(trialOf([part('R1', 'R', 10, 10)]))).toEqual([
      'trial-edge-copper',
      'trial-edge-body',
      'trial-process',
    ]);
    expect(ids(trialOf([part('R1', 'R', 10, 10)], { covers: [{ id: '1', under: '9' }] }))).toContain(
      'trial-cover',
    );
    expect(ids(trialOf([part('J1', 'header', 15, 15)]))).not.toContain('trial-leads');
    expect(ids(trialOf([part('J1', 'header', 15, 15), part('R1', 'R', 30, 5, BOTTOM)]))).toContain(
      'trial-leads',
    );
    const { idle } = checkTrial(compileTrial(trialOf([part('R1', 'R', 10, 10)])));
    expect(idle.find(({ id }) => id === 'trial-hole-web')?.without).toBe('two parts with holes');
  });
  it('has nothing to look at on an empty board', () => {
    const { held, idle, verdict } = checkTrial(compileTrial(trialOf([])));
    expect([held.length, idle.length, verdict]).toEqual([0, TRIAL_RULES.length, 'clear']);
  });
  it('counts what is beyond sixty findings of a rule', () => {
    const many = Array.from({ length: 80 }, (_, i) => part(`R${i + 1}`, 'R', 5, 5 + i * 0.01));
    const { findings } = checkTrial(compileTrial(trialOf(many)));
    expect(findings.some(({ message }) => /more such, none of them worse/.test(message))).toBe(true);
    expect(findings.length).toBeLessThan(400);
  });
  it('finds two collisions on the board of the demo', () => {
    const { findings } = checkTrial(compileTrial(demoTrial(DEMO_DOCUMENTS)));
    expect(findings.map(({ rule, place }) => `${rule} ${place.parts?.join(' ')}`)).toEqual([
      'trial-leads 17 18',
      'trial-courtyards 10 11',
    ]);
  });
});
