import { create } from 'xmlbuilder2';
import type { CheckedFile } from '../checked-file';

// Findings as test results, in the form that build servers read: a suite for each file, a case for each rule.
// A rule that had nothing to look at was skipped; a stop or a caution is a failure, a note holds.

/** Writes what was found in files as JUnit's XML. */
export function writeJunit(files: readonly CheckedFile[]): string {
  const root = create({ version: '1.0', encoding: 'UTF-8' }).ele('testsuites', { name: 'Tapis' });
  for (const { path, compiled, report } of files) {
    const { findings, waived, held, idle } = report;
    const failing = findings.filter(({ severity }) => severity !== 'note');
    const notes = findings.filter(({ severity }) => severity === 'note');
    const suite = root.ele('testsuite', {
      name: path,
      tests: findings.length + waived.length + held.length + idle.length,
      failures: failing.length,
      errors: 0,
      skipped: idle.length,
      time: 0,
    });
    const name = compiled.document.name;
    const testcase = (title: string) => suite.ele('testcase', { name: title, classname: name, time: 0 });
    for (const { title, message, severity, source } of failing)
      testcase(title).ele('failure', { message, type: severity }).txt(`${message} [${source}]`);
    for (const { title, message } of notes) testcase(title).ele('system-out').txt(message);
    for (const { finding, waiver } of waived)
      testcase(finding.title).ele('system-out').txt(`Accepted: ${waiver.reason}. ${finding.message}`);
    for (const { title } of held) testcase(title);
    for (const { title, without } of idle) testcase(title).ele('skipped').txt(`without ${without}`);
  }
  return `${root.end({ prettyPrint: true })}\n`;
}
