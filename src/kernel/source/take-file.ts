import { documentName } from './names';
import {
  bestPage,
  documentOfPage,
  tablesOn,
  type Candidate,
  type SheetAsk,
} from '../../core/source/best-page';
import { doubtWords } from '../../core/source/doubts';
import type { Grid } from '../../core/source/grid';
import { drawnPage } from '../../core/source/drawn/page';
import { drawnPatterns } from '../../core/source/drawn/pattern';
import { drawnOutline, type DrawnOutline } from '../../core/source/drawn/table';
import type { Ink } from '../../core/source/ink';
import { gridsOfHtml } from '../../core/source/html';
import { gridsOfWords } from '../../core/source/layout';
import type { SourceReading } from '../../core/source/reading';
import { kindById } from '../../core/source/kinds';
import { gridsOfWorkbook, isWorkbook } from './take-list';
import { gridsOfText, LONGEST_TEXT } from '../../core/source/text';
import { formatNumber } from '../../core/units/length';
import type { SourcePage } from '../../core/source/page';
import { pageWorth } from '../../core/source/worth';
import type { TapisDocument } from '../../core/document/document';
import { CATALOGUE } from '../../core/package/catalogue';
import { fail, ok, type Result } from '../../core/units/result';
import { keyOf } from '../inside';
import { inkOfPage } from './ink';
import { LATE, letterReader, orLate, pictureOf, pictureOfPage, withPages } from './node';
import { wordsOfPage } from './pdf';
import { readPicture } from './picture';

/** What is asked of a file. */
export interface TakeAsk extends SheetAsk {
  /** Page of a PDF, from 1; the one that fits best where it is missing. */
  readonly page?: number | undefined;
}

/** A document of what was read, and what is to be looked at. */
export interface Taken {
  readonly document: TapisDocument;
  readonly reading: SourceReading;
  readonly page: number;
  readonly isScan: boolean;
  /** What of the file was not read, in words. */
  readonly left: readonly string[];
  /** Families that the table may be of, the best first; empty where one was asked for. */
  readonly families: readonly {
    readonly id: string;
    readonly score: number;
    readonly reasons: readonly string[];
  }[];
}

/** Largest file that is read, bytes. */
export const LARGEST_SHEET = 40_000_000;
/** Pages of pictures that are read where no page was named. */
const PICTURES_READ = 3;
/** Pages that are looked through for tables, and those of them that are read whole: the likeliest. */
const MOST_PAGES = 400;
/** How long pages are looked through, ms. */
const LOOK_TIME = 8000;
/** How long one of them may take, ms: its text has a bound of its own, but what parses it may be lost in what came before. */
const PAGE_TIME = 6000;
const PAGES_READ = 12;
/** Of these, those whose drawings are read too. */
const DRAWINGS_READ = 4;
type Kind = 'pdf' | 'picture' | 'html' | 'text';

/** What a file is, by its first bytes. */
export function kindOfSheet(bytes: Uint8Array): Kind {
  const start = String.fromCharCode(...bytes.subarray(0, 1024));
  if (start.includes('%PDF-')) return 'pdf';
  if (start.startsWith('\x89PNG') || start.startsWith('\xff\xd8\xff') || start.startsWith('RIFF'))
    return 'picture';
  return /<(!doctype html|html|table|body|tr|meta)\b/i.test(
    new TextDecoder().decode(bytes.subarray(0, 65_536)),
  )
    ? 'html'
    : 'text';
}

/**
 * Reads a datasheet's page and makes a document of it.
 * @returns why it cannot be done, in words, with what there is to choose from
 */
export async function takeFile(
  bytes: Uint8Array,
  name: string,
  ask: TakeAsk,
): Promise<Result<Taken, string>> {
  if (bytes.length > LARGEST_SHEET) return fail(`${name} is larger than ${LARGEST_SHEET / 1e6} MB.`);
  if (ask.family !== undefined && !kindById(ask.family))
    return fail(`There is no family “${ask.family}”; known are ${CATALOGUE.map(({ id }) => id).join(', ')}.`);
  const kind = kindOfSheet(bytes);
  const opened = await candidatesOf(bytes, name, kind, ask);
  if (!opened.ok) return opened;
  const { candidates, pages } = opened.value;
  const best = bestPage(candidates, name, ask);
  if (!best.ok) return fail([best.error, ...opened.value.left].join(' '));
  const { candidate, reading, guesses } = best.value;
  const isFile = kind === 'pdf' || kind === 'picture';
  const source = isFile
    ? { name: name.slice(0, 200), key: await keyOf(bytes), ...(pages === null ? {} : { pages }) }
    : { name: name.slice(0, 200), text: new TextDecoder().decode(bytes).slice(0, 40_000) };
  const document = documentOfPage(documentName(name, reading.size), best.value, candidates, source);
  return ok({
    document,
    reading,
    page: candidate.page,
    isScan: candidate.isScan,
    left: opened.value.left,
    families: guesses.map(({ kind: { id }, score, reasons }) => ({ id, score, reasons })),
  });
}

/** The tables of a file, whatever kind it is; a workbook's sheets too. */
export async function gridsOfSheet(
  bytes: Uint8Array,
  name: string,
): Promise<Result<readonly Grid[], string>> {
  if (bytes.length > LARGEST_SHEET) return fail(`${name} is larger than ${LARGEST_SHEET / 1e6} MB.`);
  if (isWorkbook(bytes)) return gridsOfWorkbook(bytes, name);
  const opened = await candidatesOf(bytes, name, kindOfSheet(bytes), {});
  return opened.ok ? ok(opened.value.candidates.flatMap(({ grids }) => grids)) : opened;
}

interface Opened {
  readonly candidates: readonly Candidate[];
  readonly pages: number | null;
  readonly left: readonly string[];
}

async function candidatesOf(
  bytes: Uint8Array,
  name: string,
  kind: Kind,
  ask: TakeAsk,
): Promise<Result<Opened, string>> {
  const text = () => new TextDecoder().decode(bytes);
  switch (kind) {
    case 'html': {
      const why = tooMuchText(text(), MOST_HTML);
      if (why !== null) return fail(`${name} ${why}`);
      return ok({
        candidates: [{ page: 1, grids: gridsOfHtml(text()), isScan: false }],
        pages: null,
        left: [],
      });
    }
    case 'text': {
      const why = tooMuchText(text(), LONGEST_TEXT);
      if (why !== null) return fail(`${name} ${why}`);
      if (bytes.includes(0)) return fail(`${name} is no PDF, picture, HTML or text.`);
      return ok({
        candidates: [{ page: 1, grids: gridsOfText(text()), isScan: false }],
        pages: null,
        left: [],
      });
    }
    case 'picture': {
      const picture = await pictureOf(bytes);
      if (!picture.ok) return fail(`${name}: ${picture.error}`);
      const reader = letterReader();
      try {
        const { page, seen } = await readPicture(picture.value, reader.recognise);
        const grids = gridsOfWords(page.words);
        const candidates = [{ page: 1, grids, isScan: true, seenAt: seen }];
        return ok({ candidates, pages: null, left: [] });
      } catch (error) {
        return fail(`${name}: ${(error as Error).message.slice(0, 200)}.`);
      } finally {
        await reader.end();
      }
    }
    case 'pdf':
      return pdfCandidates(bytes, name, ask);
  }
}

/** Characters of an HTML page that are read, and lines of a text. */
const MOST_HTML = 1_000_000;
const MOST_LINES = 5000;

/** Why a text is not read, as the rest of a sentence; `null` where it is. */
function tooMuchText(text: string, most: number): string | null {
  if (text.length > most)
    return `has ${formatNumber(text.length)} characters; at most ${formatNumber(most)} are read: give the part with the table.`;
  let lines = 1;
  for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) lines += 1;
  return lines > MOST_LINES
    ? `has ${lines} lines; at most ${MOST_LINES} are read: give the part with the table.`
    : null;
}

async function pdfCandidates(
  bytes: Uint8Array,
  name: string,
  { page, unit }: TakeAsk,
): Promise<Result<Opened, string>> {
  return withPages({ bytes, name, page, most: MOST_PAGES }, async (pdf, numbers) => {
    const pages = pdf.numPages;
    const left: string[] = [];
    const late = performance.now() + LOOK_TIME;
    let looked = 0;
    // the reader goes on with a page that was given up, and lets nothing else be done beside it
    let isSpent = false;
    const pictures: number[] = [];
    const written: { readonly page: SourcePage; readonly score: number }[] = [];
    for (const number of numbers) {
      if (looked > 0 && performance.now() > late) break;
      const read = await orLate(wordsOfPage(pdf, number), PAGE_TIME);
      looked += 1;
      if (read === LATE) {
        left.push(
          `Page ${number} takes longer than ${PAGE_TIME / 1000} s to be opened; nothing behind it was read.`,
        );
        isSpent = true;
        break;
      }
      if (read.cut !== undefined) {
        left.push(read.cut);
        isSpent = true;
      }
      if (read.words.length === 0) pictures.push(number);
      else written.push({ page: read, score: pageWorth(read.words).score });
    }
    if (page === undefined && looked < pages)
      left.push(`${name} has ${pages} pages; the first ${looked} were looked through.`);
    const likeliest = [...written].sort((a, b) => b.score - a.score).slice(0, PAGES_READ);
    if (written.length > PAGES_READ)
      left.push(
        `Of ${written.length} pages those that are likeliest to have a table were read: ${likeliest
          .map(({ page: { number } }) => number)
          .sort((a, b) => a - b)
          .join(', ')}. Another is read by its number (page).`,
      );
    const candidates: Candidate[] = [];
    for (const one of written.filter((of) => likeliest.includes(of))) {
      const { number, words } = one.page;
      const isDrawn = !isSpent && likeliest.indexOf(one) < DRAWINGS_READ && performance.now() < late;
      const ink = isDrawn ? await inkOfPage(pdf, number) : null;
      if (ink?.cut !== undefined) {
        left.push(ink.cut);
        isSpent = true;
      }
      candidates.push({
        page: number,
        grids: gridsOfWords(words),
        isScan: false,
        ...(ink ? { drawing: drawingOf(one.page, ink, unit) } : {}),
      });
    }
    if (pictures.length > 0 && !isSpent && candidates.every((one) => tablesOn(one).length === 0)) {
      const reader = letterReader();
      try {
        for (const number of pictures.slice(0, PICTURES_READ)) {
          const drawn = await pictureOfPage(pdf, number);
          if (!drawn.ok) {
            left.push(`In ${name}, ${drawn.error}.`);
            // its thread goes on with it
            if (performance.now() > late) break;
            continue;
          }
          const { grey, scale } = drawn.value;
          const { page: read, seen } = await readPicture(grey, reader.recognise, number);
          const onPage: Candidate['seenAt'] = (area) => {
            const { x0, y0, x1, y1 } = seen(area);
            return { x0: x0 / scale, y0: y0 / scale, x1: x1 / scale, y1: y1 / scale };
          };
          candidates.push({ page: number, grids: gridsOfWords(read.words), isScan: true, seenAt: onPage });
        }
      } finally {
        await reader.end();
      }
    }
    return ok({ candidates, pages, left });
  });
}

function drawingOf(page: SourcePage, ink: Ink, unit: TakeAsk['unit']): DrawnOutline {
  const drawn = drawnPage(page, ink, { unit });
  return drawnOutline(page, drawn, drawnPatterns(page, drawn, { name: '' }));
}

/** What is to be looked at, a line each. */
export function takenInWords({ reading, isScan, families, page, left }: Taken, name: string): string {
  const lines = [
    ...left,
    ...(families.length > 0
      ? [
          `family: ${families[0]?.id ?? ''} (${families[0]?.reasons.join('; ') ?? ''}); next ${families
            .slice(1, 3)
            .map(({ id }) => id)
            .join(', ')}`,
        ]
      : []),
    ...(reading.sizes.length > 1 ? [`sizes: ${reading.sizes.join(', ')}; taken is ${reading.size}`] : []),
    ...(isScan ? [`${name}, page ${page}, is a picture: everything is to be compared with it`] : []),
    ...doubtWords(reading),
  ];
  return lines.map((line) => `${line}\n`).join('');
}
