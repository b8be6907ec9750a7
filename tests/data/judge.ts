import type fc from 'fast-check';
import { compile } from '../../src/core/footprint/compile';
import { documentOf, readPatterns } from '../../src/core/format/import';
import { readModel } from '../../src/kernel/read-model';
import { takeFile } from '../../src/kernel/source/take-file';
import { WILD_MODELS, WILD_PATTERNS, WILD_SHEETS, type WildFile } from './wild-files';

// What comes of a wild file: numbers that are numbers, or a sentence that a person can read.

/** Letters that a refusal may have: more is nothing that anybody reads. */
const LONGEST = 600;

/** What was said of a file, or that it was read; throws where an end is none. */
export type Judge = (file: WildFile) => Promise<string>;

function sentence(text: string): string {
  if (text.trim() === '' || text.length > LONGEST)
    throw new Error(`a refusal of ${text.length} letters: ${text.slice(0, 200)}`);
  // what a file says is quoted
  const own = text.replace(/“[^”]*”/g, '');
  if (/undefined|\[object|NaN\b|TypeError|RangeError|is not a function|Cannot read prop/.test(own))
    throw new Error(`words of a fault: ${text}`);
  return text;
}

const numbersHold = (value: unknown): boolean =>
  typeof value === 'number'
    ? Number.isFinite(value)
    : typeof value !== 'object' || value === null || Object.values(value).every(numbersHold);

const judgeSheet: Judge = async ({ name, bytes }) => {
  const taken = await takeFile(bytes, name, { family: 'gull-wing-dual' });
  if (!taken.ok) return sentence(taken.error);
  if (!numbersHold(taken.value.document)) throw new Error('a document with what is no number');
  compile(taken.value.document);
  return 'read';
};

const judgePattern: Judge = async ({ name, bytes }) => {
  const read = readPatterns([{ name, bytes }]);
  if (!read.ok) return read.error.split('\n').map(sentence).join('\n');
  for (const line of read.value.left) sentence(line);
  for (const pattern of read.value.patterns.slice(0, 20)) {
    if (!numbersHold(pattern)) throw new Error('a pattern with what is no number');
    compile(documentOf(pattern).document);
  }
  return 'read';
};

const judgeModel: Judge = async ({ name, bytes }) => {
  const read = await readModel(bytes, name, () => Promise.reject(new Error('no kernel is asked for')));
  if (!read.ok) return sentence(read.error);
  for (const { mesh } of read.value.parts) {
    if (!mesh.positions.every(Number.isFinite)) throw new Error('a mesh with what is no number');
    if (mesh.indices.some((i) => 3 * i + 2 >= mesh.positions.length))
      throw new Error('a mesh with points that are not there');
  }
  return 'read';
};

const withJudge = (files: Readonly<Record<string, fc.Arbitrary<WildFile>>>, judge: Judge) =>
  Object.entries(files).map(([kind, wild]) => ({ kind, wild, judge }));

/** Every kind of file that is read, with what makes wild ones and what judges their end. */
export const WILD = [
  ...withJudge(WILD_SHEETS, judgeSheet),
  ...withJudge(WILD_PATTERNS, judgePattern),
  ...withJudge(WILD_MODELS, judgeModel),
];
