import type { Report } from '../check/check';
import { compileAndCheck, type Checked } from '../check/guarded';
import { compareFootprints } from '../compare/differences';
import type { TapisDocument } from '../document/document';
import { applyEdits } from '../document/edit';
import type { Severity } from '../document/finding';
import { noModels, type ModelSource } from '../footprint/imported';
import { editsFor, type Wish } from './change';

// One document out of many: what becomes of it where something is wished for all, and what is found in it.

/** What is told of one document. */
export interface BatchResult {
  readonly name: string;
  readonly standardName: string | null;
  /** What was found in it, with what was wished. */
  readonly verdict: Severity | 'clear';
  readonly stops: number;
  readonly cautions: number;
  readonly notes: number;
  /** Findings in words, where they were asked for. */
  readonly findings?: readonly {
    readonly rule: string;
    readonly severity: Severity;
    readonly message: string;
  }[];
  /** What the wish changes; missing where nothing was wished. */
  readonly change?: {
    readonly differences: number;
    readonly copperDiffers: boolean;
    readonly verdictBefore: Severity | 'clear';
  };
}

/** A document as it came out of a batch. */
export interface Batched {
  readonly result: BatchResult;
  readonly checked: Checked;
  /** With what was wished. */
  readonly document: TapisDocument;
}

/** @param wish what is wished for every document; nothing where it is empty */
export function batched(
  document: TapisDocument,
  wish: Wish,
  inWords: boolean,
  models: ModelSource = noModels,
): Batched {
  const edits = editsFor(wish);
  const next = applyEdits(document, edits);
  const checked = compileAndCheck(next, models);
  const { report, compiled } = checked;
  const before = edits.length > 0 ? compileAndCheck(document, models) : null;
  const compared = before && compareFootprints(before, checked);
  return {
    checked,
    document: next,
    result: {
      name: document.name,
      standardName: compiled.footprint?.standardName ?? null,
      verdict: report.verdict,
      stops: count(report, 'stop'),
      cautions: count(report, 'caution'),
      notes: count(report, 'note'),
      ...(inWords
        ? { findings: report.findings.map(({ rule, severity, message }) => ({ rule, severity, message })) }
        : {}),
      ...(before && compared
        ? {
            change: {
              differences: compared.differences.length,
              copperDiffers: compared.copperDiffers,
              verdictBefore: before.report.verdict,
            },
          }
        : {}),
    },
  };
}

const count = ({ findings }: Report, severity: Severity): number =>
  findings.filter((finding) => finding.severity === severity).length;
