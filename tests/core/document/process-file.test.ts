import { describe, expect, it } from 'vitest';
import { DEMO_DOCUMENTS } from '../../../src/demo/documents';
import { check } from '../../../src/core/check/check';
import { compareCompiled } from '../../../src/core/compare/compare';
import { waive } from '../../../src/core/check/waivers';
import type { TapisDocument } from '../../../src/core/document/document';
import { applyEdits } from '../../../src/core/document/edit';
import { copyProcess, processDifferences } from '../../../src/core/document/process-file';
import { writeProcess } from '../../../src/core/document/write';
import { readProcess } from '../../../src/core/document/read-process';
import { openValue } from '../../../src/core/footprint/open';
import { processSchema } from '../../../src/core/document/process-schema';
import { compile } from '../../../src/core/footprint/compile';
import { PROCESSES } from '../../../src/core/process';
import { allFields, PROCESS_FIELDS } from '../../../src/core/process/fields';
import type { Process } from '../../../src/core/process/process';
import { jointModel } from '../../../src/core/joint/model';
import { converter } from '../../data/documents';
import { VARIANTS } from '../../data/families';

const standard = PROCESSES[0] as Process;
const withDimensions = (document: TapisDocument, more: Record<string, string>): TapisDocument => {
  const { dimensions } = document.package;
  const known = Object.entries(more).filter(([symbol]) => Object.hasOwn(dimensions, symbol));
  return {
    ...document,
    package: { ...document.package, dimensions: { ...dimensions, ...Object.fromEntries(known) } },
  };
};

describe('processes as files', () => {
  it.each(PROCESSES.map((process) => [process.id, process] as const))(
    '%s is written and read back',
    (_, process) => {
      expect(readProcess(writeProcess(process))).toEqual({ ok: true, value: process });
    },
  );
  it('have a field, with limits, for every number of the schema', () => {
    const properties = processSchema().properties as Record<string, { minimum?: number; maximum?: number }>;
    const numbers = Object.entries(properties).filter(([, property]) => 'minimum' in property);
    expect(new Set(numbers.map(([key]) => key))).toEqual(new Set(allFields().map(({ key }) => key)));
    for (const { key, limits } of allFields()) {
      const property = properties[key];
      expect([property?.minimum, property?.maximum], key).toEqual([...limits]);
      for (const process of PROCESSES) {
        expect(process[key], `${process.id} ${key}`).toBeGreaterThanOrEqual(limits[0]);
        expect(process[key], `${process.id} ${key}`).toBeLessThanOrEqual(limits[1]);
      }
    }
  });
  it.each([
    ['nonsense', 'not JSON'],
    ['{}', 'does not hold a process'],
    [JSON.stringify({ tapisProcess: 1, ...standard, minGap: -1 }), '/minGap'],
    [JSON.stringify({ tapisProcess: 1, ...standard, minGap: undefined }), 'minGap'],
    [JSON.stringify({ tapisProcess: 1, ...standard, colour: 'green' }), 'colour'],
  ])('%.30s is refused by name', (text, message) => {
    const read = readProcess(text);
    expect(read.ok ? '' : read.error.map((problem) => problem.message).join()).toContain(message);
  });
  it('keep their drills in order', () => {
    const read = readProcess(writeProcess({ ...standard, drills: [1, 0.5, 1] }));
    expect(read.ok && read.value.drills).toEqual([0.5, 1]);
  });
  it('are copied under names of their own', () => {
    const first = copyProcess(standard, []);
    const second = copyProcess(first, [first]);
    expect([first.id, second.id]).toEqual(['standard-copy', 'standard-copy-2']);
    expect(first).toMatchObject({ basedOn: 'standard', name: 'Standard two-sided (copy)' });
  });
  it('say in what they differ', () => {
    const other = { ...standard, minGap: 0.2, drills: [1], severities: { 'land-gap': 'note' as const } };
    expect(processDifferences(standard, other).map(({ title, to }) => [title, to])).toEqual([
      ['Smallest gap', '0.2'],
      ['Drills', '1'],
      ['Severities', 'land-gap note'],
    ]);
  });
});

describe('every number of a process', () => {
  // parts whose footprints, rules and joints have a use for every number between them
  const parts = ['gull-wing-dual', 'no-lead-quad', 'ball-grid', 'dip', 'pin-header', 'rectangular-chip'];
  const documents = parts.flatMap((name) => {
    const { document } = VARIANTS.find((variant) => variant.name === name)!;
    const vias = { pad: { vias: { on: true } } };
    return [
      document,
      {
        ...document,
        stacks: { groups: vias },
        body: { solderFrom: 'paste' as const },
        edge: { side: 'right' as const, at: '4' },
      },
      { ...document, edge: { side: 'right' as const, at: '1.2' }, level: 'C' as const },
      withDimensions(document, { L: '0.6..1.0', W: '0.3..0.5', T: '0.1..0.3' }),
    ];
  });
  const outcome = (document: TapisDocument, process: Process) => {
    const compiled = compile({ ...document, process: 'own', ownProcess: { ...process, id: 'own' } });
    const { findings, held, verdict } = check(compiled);
    const { footprint, levels } = compiled;
    const joints = footprint?.lands.slice(0, 3).map((land) => jointModel(footprint, land, process));
    return JSON.stringify([footprint, levels, joints, findings, held.map(({ id }) => id), verdict]);
  };
  const before = documents.map((document) => outcome(document, standard));
  const RELAY = DEMO_DOCUMENTS.find(({ name }) => name.startsWith('K1'))!;
  const isVoltage = (key: string) =>
    PROCESS_FIELDS.some(({ id, fields }) => id === 'voltage' && fields.some((field) => field.key === key));
  it.each(allFields().map(({ key, limits }) => [key, limits] as const))(
    '%s changes something',
    (key, [least, most]) => {
      const now = standard[key];
      const others = [now * 1.5, now / 2, now + 0.2, most, least]
        .map((value) =>
          Number.isInteger(now) && Number.isInteger(least) && key.includes('pokes')
            ? Math.round(value)
            : value,
        )
        .map((value) => (isVoltage(key) ? Math.round(value) : value))
        .filter((value) => value !== now && value >= least && value <= most);
      // what insulation asks for counts where lands are held against it
      const base = isVoltage(key) ? { ...standard, spacingBy: 3 } : standard;
      const isSeen = (value: number) =>
        isVoltage(key)
          ? outcome(RELAY, { ...base, [key]: value }) !== outcome(RELAY, base)
          : documents.some((document, i) => outcome(document, { ...standard, [key]: value }) !== before[i]);
      expect(others.some(isSeen)).toBe(true);
    },
  );
});

describe('a document with a process of its own', () => {
  const own = { ...standard, id: 'my-shop', name: 'My shop', maskMargin: 0.08 };
  const document = converter({}, { process: 'my-shop', ownProcess: own });
  it('is compiled by it', () => {
    const { process, footprint, problems } = compile(document);
    expect([process.name, problems]).toEqual(['My shop', []]);
    expect(footprint?.padstacks[0]?.mask[0]?.figure).toMatchObject({ width: 1.71 });
  });
  it('is held against the schema with it', () => {
    expect(openValue(document).ok).toBe(true);
    const broken = openValue({ ...document, ownProcess: { ...own, minGap: 'wide' } });
    expect(broken.ok ? [] : broken.error.map(({ field }) => field)).toContain('/ownProcess/minGap');
  });
});

describe('what a change of the process costs', () => {
  const compiledBy = (process: string) => {
    const compiled = compile(converter({}, { process }));
    return { compiled, report: check(compiled) };
  };
  it('is told: sizes, marks and findings', () => {
    const changes = compareCompiled(compiledBy('standard'), compiledBy('kitchen-table'));
    const of = (title: string) => changes.find((change) => change.title === title);
    expect(of('Text height')).toMatchObject({ from: 1, to: 1.5 });
    expect(of('Mask opening beyond the land')).toMatchObject({
      from: expect.closeTo(0.05, 9),
      to: expect.closeTo(0.1, 9),
    });
    expect(of('Land width')).toMatchObject({ from: 0.4 });
    expect(of('Web of mask too narrow')).toMatchObject({ from: 'held', to: 'caution' });
  });
  it('tells of vias that no longer fit', () => {
    const thermal = (process: string) => {
      const compiled = compile({
        ...converter({}, { process }),
        package: {
          family: 'no-lead-quad',
          options: { pad: 'rectangle' },
          dimensions: { n: '16', e: '0.5', E: '3', L: '0.4', b: '0.25', A: '0.9', E2: '1.7', D2: '1.7' },
        },
        stacks: { groups: { pad: { vias: { on: true, pitch: '0.6', cover: 'filled' } } } },
      });
      return { compiled, report: check(compiled) };
    };
    // rings of 0.5 on 1.7: (1.7 − 0.5)/0.6 + 1 = 3 each way; rings of 1.2: one
    const changes = compareCompiled(thermal('standard'), thermal('kitchen-table'));
    expect(changes.find(({ title }) => title === 'Vias in lands')).toMatchObject({ from: '9', to: '1' });
  });
  it('is nothing for the same process', () => {
    expect(compareCompiled(compiledBy('standard'), compiledBy('standard'))).toEqual([]);
  });
});

describe('waivers', () => {
  const wide = (X: string) => converter({}, { overrides: { land: { X } } });
  const waived = (() => {
    const document = wide('0.55');
    const finding = check(compile(document)).findings.find(({ rule }) => rule === 'land-gap');
    if (!finding) throw new Error('no finding');
    return applyEdits(document, [waive(finding, 'the shop holds 0.10')]);
  })();
  const report = (X: string) => check(compile({ ...waived, overrides: { land: { X } } }));
  it('keep an accepted finding out of the verdict, and its reason', () => {
    const { findings, waived: accepted, verdict } = report('0.55');
    expect(findings.filter(({ rule }) => rule === 'land-gap')).toEqual([]);
    expect(accepted[0]?.waiver).toMatchObject({
      reason: 'the shop holds 0.10',
      value: expect.closeTo(0.1, 9),
    });
    expect(verdict).not.toBe('stop');
  });
  it('hold while it gets better', () => expect(report('0.53').waived).toHaveLength(1));
  it('lapse when it gets worse, and say so', () => {
    const { findings, waived: accepted } = report('0.57');
    expect(accepted).toEqual([]);
    const again = findings.find(({ rule }) => rule === 'land-gap');
    expect(again?.lapsed?.reason).toBe('the shop holds 0.10');
  });
  it('are part of the document', () => expect(openValue(waived).ok).toBe(true));
});
