import type { Cell, Grid } from './grid';
import { areaRound, type Area, type Word } from './page';
import { goesOnInRange } from './ranges';
import { stated, statementRuns } from './statements';
import { headSays, isValue, letterOf } from './words';

// From words on a page to the cells of its tables. Words on one line that stand near each other are one run;
// the runs of lines with values say where the columns are, narrow ones before wide ones, so that merged cells
// are laid over the columns that others have shown.

/** Words that belong together, on one line. */
interface Run {
  readonly text: string;
  readonly area: Area;
  readonly sure: number;
  readonly words: readonly Word[];
}

interface Line {
  readonly runs: readonly Run[];
  readonly y0: number;
  readonly y1: number;
}

/** Largest gap inside of a cell, as a share of the height of its letters: one blank of equally wide letters is less. */
const GAP = 0.66;
/** The same inside of “between 0.35 and 0.45”, whose words belong together however far their face sets them. */
const RANGE_GAP = 1;
/** The same in lines of text, one blank in a face whose letters are equally wide. */
const STATED_GAP = 0.8;
/** An empty strip between lines this much higher than a line parts two tables. */
const PARTED = 2.6;

/** @param gap largest gap between words of one cell, as a share of their height */
export function gridsOfWords(printed: readonly Word[], gap = GAP): Grid[] {
  const words = withoutTitlesAside(printed);
  const lines = besideBoth(linesOf(words, gap));
  const blocks = blocksOf(lines);
  const tables = blocks.filter(isTable);
  const others = lines.filter((line) => !tables.some((block) => block.includes(line)));
  const context = others.map(({ runs }) => runs.map(({ text }) => text).join(' ')).join(' ');
  const said = stated(linesOf(words, STATED_GAP).flatMap(({ runs }) => statementRuns(runs)));
  const laidOut = tables.flatMap((block) => {
    const grid = { ...gridOfLines(block), context };
    // what stands beside a table, such as a drawing with numbers, may be none of it
    const [at] = words.length > MOST_PARTED ? [] : guttersOf(block);
    if (at === undefined) return [grid];
    const [top, bottom] = [block[0]?.y0 ?? 0, block.at(-1)?.y1 ?? 0];
    const mine = words.filter(({ area }) => middle(area) >= top && middle(area) <= bottom);
    const sides = [mine.filter(({ area }) => area.x1 <= at), mine.filter(({ area }) => area.x0 >= at)].map(
      (part) => linesOf(part, gap),
    );
    const apart = (isOneTable(sides) ? [] : sides)
      .filter(isTable)
      .map((side) => ({ ...gridOfLines(side), context, isPart: true as const }));
    return [grid, ...apart];
  });
  return said ? [...laidOut, said] : laidOut;
}

/** Lines that a turned word stands beside, where it is no head of a column. */
const BESIDE_LINES = 2;
/** Middles of words that are nearer than this stand on one line, in the page's points. */
const SAME_LINE = 3;

/**
 * The words without those that stand turned beside the lines, or left and right of them all: a title of the page,
 * or the name of its file. Turned heads stand over their columns.
 */
function withoutTitlesAside(words: readonly Word[]): readonly Word[] {
  const isAcross = ({ angle = 0 }: Word) => Math.abs(Math.sin((angle * Math.PI) / 180)) > 0.7;
  const lying = words.filter((word) => !isAcross(word));
  if (lying.length === words.length) return words;
  const middles = lying.filter(({ text }) => /\d/.test(text)).map(({ area }) => middle(area));
  const [left, right] = [
    lying.reduce((least, { area }) => Math.min(least, area.x0), Infinity),
    lying.reduce((most, { area }) => Math.max(most, area.x1), -Infinity),
  ];
  return words.filter((word) => {
    if (!isAcross(word)) return true;
    const { x0, x1, y0, y1 } = word.area;
    const within = middles.filter((y) => y > y0 && y < y1).sort((a, b) => a - b);
    const lines = within.filter((y, i) => y - (within[i - 1] ?? -Infinity) > SAME_LINE).length;
    return lines < BESIDE_LINES && x0 < right && x1 > left;
  });
}

/** Pages of more words are no page of a table beside a drawing. */
const MOST_PARTED = 4000;

const isTable = (block: readonly Line[]): boolean => block.filter(hasValues).length >= 2;

/**
 * Whether what stands left and right of an empty strip is one table with wide columns: heads of limits on both sides
 * of one line, and nothing on the right that names its lines.
 */
function isOneTable([left = [], right = []]: readonly (readonly Line[])[]): boolean {
  const limits = (side: readonly Line[]) =>
    side.filter(({ runs }) => runs.some(({ text }) => headSays(text).limit !== null && !/\d/.test(text)));
  const isOver = limits(left).some((one) =>
    limits(right).some((other) => one.y0 < other.y1 && other.y0 < one.y1),
  );
  const named = right.filter(({ runs }) => letterOf(runs[0]?.text ?? '') !== null).length;
  return isOver && 2 * named < right.length;
}

/** An empty strip that parts a block from its top to its bottom is at least this wide, in heights of its letters. */
const GUTTER = 2.5;

/** The middle of the widest empty strip between what stands side by side in a block. */
function guttersOf(block: readonly Line[]): number[] {
  const areas = block.flatMap(({ runs }) => runs.map(({ area }) => area)).sort((a, b) => a.x0 - b.x0);
  const heights = areas.map(height).sort((a, b) => a - b);
  const usual = heights[Math.floor(heights.length / 2)] ?? 1;
  const strips: { readonly at: number; readonly wide: number }[] = [];
  let end = areas[0]?.x1 ?? 0;
  for (const { x0, x1 } of areas) {
    if (x0 - end > GUTTER * usual) strips.push({ at: (x0 + end) / 2, wide: x0 - end });
    end = Math.max(end, x1);
  }
  return strips.sort((a, b) => b.wide - a.wide).map(({ at }) => at);
}

/** The words that stand together at a point, as one text with its area; `null` where none do. */
export function runAt(
  words: readonly Word[],
  { x, y }: { readonly x: number; readonly y: number },
): Omit<Word, 'sure'> | null {
  const runs = linesOf(words, GAP).flatMap((line) => line.runs);
  return runs.find(({ area }) => x >= area.x0 && x <= area.x1 && y >= area.y0 && y <= area.y1) ?? null;
}

/** The texts that stand together on the one line of some words, from the left; `null` where there are more lines. */
export function runsOfLine(words: readonly Word[]): string[] | null {
  const lines = linesOf(words, GAP);
  return lines.length === 1 ? (lines[0]?.runs.map(({ text }) => text) ?? null) : null;
}

const height = ({ y0, y1 }: Area) => y1 - y0;
const middle = ({ y0, y1 }: Area) => (y0 + y1) / 2;

/** So many lines back a word may still belong to one: letters of very different height overlap. */
const LINES_BACK = 40;

/** Words that stand on one height, from the top; small raised ones are footnotes and are left out. */
function linesOf(words: readonly Word[], gap: number): Line[] {
  const lines: Word[][] = [];
  for (const word of [...words].sort((a, b) => middle(a.area) - middle(b.area))) {
    const line = lines.slice(-LINES_BACK).findLast((one) => {
      // they come by their middles: the last of a line is the nearest to what follows
      const [first, last] = [one[0], one.at(-1)];
      if (!first || !last) return false;
      const reach = 0.5 * Math.max(height(first.area), height(word.area));
      return Math.abs(middle(last.area) - middle(word.area)) < reach;
    });
    if (line) line.push(word);
    else lines.push([word]);
  }
  return lines.map((line) => {
    const sorted = line.sort((a, b) => a.area.x0 - b.area.x0);
    const runs: Run[] = [];
    let before: Word | null = null;
    let isNaming = false;
    for (const word of sorted) {
      const last = runs.at(-1);
      if (last && isRaised(last, word)) continue;
      const room = last ? word.area.x0 - last.area.x1 : Infinity;
      // “Length: 3.51” is a name and its value
      const isNamed = isNaming && /^[\d±<>≤≥.,]|^(min|max|typ)/i.test(word.text);
      const reach = last && goesOnInRange(last.text, word.text) ? RANGE_GAP : gap;
      const near = !isNamed && room < reach * Math.max(height(word.area), last ? height(last.area) : 0);
      isNaming = endsName(word.text, before?.text ?? '');
      before = word;
      if (!last || !near) {
        runs.push({ ...word, words: [word] });
        continue;
      }
      const area = areaRound([last.area, word.area]) ?? word.area;
      const apart = room > 0.12 * height(word.area) && !isSubscript(last, word) ? ' ' : '';
      runs[runs.length - 1] = {
        text: `${last.text}${apart}${word.text}`,
        area,
        sure: Math.min(last.sure, word.sure),
        words: [...last.words, word],
      };
    }
    const box = areaRound(line.map(({ area }) => area));
    return { runs, y0: box?.y0 ?? 0, y1: box?.y1 ?? 0 };
  });
}

/** Whether a word ends a name: a colon behind letters, in it or in the word before. */
const endsName = (text: string, before: string): boolean =>
  /[:：]$/u.test(text) && /\p{L}{2}/u.test(text.length === 1 ? before : text);

/** A small number high behind a value is a footnote's sign. */
function isRaised(last: Run, word: Word): boolean {
  const small = height(word.area) < 0.8 * height(last.area);
  const high = middle(word.area) < middle(last.area) - 0.12 * height(last.area);
  const near = word.area.x0 - last.area.x1 < 0.4 * height(last.area);
  return small && high && near && /^\(?[\d*†‡]\)?$/.test(word.text) && /\d/.test(last.text);
}

/** A small letter or digit low behind a letter belongs to it. */
function isSubscript(last: Run, word: Word): boolean {
  const small = height(word.area) < 0.85 * height(last.area);
  return small && middle(word.area) > middle(last.area) && /^[A-Za-z]$/.test(last.text);
}

const numbersIn = ({ runs }: Line) => runs.filter(({ text }) => /\d/.test(text) && isValue(text)).length;

function hasValues(line: Line): boolean {
  return numbersIn(line) >= 1 && line.runs.length >= 2;
}

/** Lines that follow each other closely. */
function blocksOf(lines: readonly Line[]): Line[][] {
  const blocks: Line[][] = [];
  const heights = lines.map(({ y0, y1 }) => y1 - y0).sort((a, b) => a - b);
  const usual = heights[Math.floor(heights.length / 2)] ?? 1;
  for (const line of lines) {
    const last = blocks.at(-1)?.at(-1);
    if (last && line.y0 - last.y1 < PARTED * usual) blocks.at(-1)?.push(line);
    else blocks.push([line]);
  }
  return blocks;
}

interface Column {
  x0: number;
  x1: number;
  /** Lines that it was seen on. */
  count: number;
}

/** A letter on a line of its own, between two numbers that stand one over the other: they are one line. */
function besideBoth(lines: readonly Line[]): Line[] {
  const out: Line[] = [];
  let at = 0;
  while (at < lines.length) {
    const [over, letter, under] = [lines[at], lines[at + 1], lines[at + 2]];
    const [most, sign, least] = [over?.runs[0], letter?.runs[0], under?.runs[0]];
    const isOne = [over, letter, under].every((line) => line?.runs.length === 1);
    if (isOne && over && under && most && sign && least && isStacked(most, sign, least)) {
      const text = `${most.text} ${least.text}`;
      const both = {
        text,
        area: areaRound([most.area, least.area]) ?? most.area,
        sure: Math.min(most.sure, least.sure),
        words: [...most.words, ...least.words],
      };
      out.push({ runs: [sign, both].sort((a, b) => a.area.x0 - b.area.x0), y0: over.y0, y1: under.y1 });
      at += 3;
    } else {
      if (over) out.push(over);
      at += 1;
    }
  }
  return out;
}

function isStacked(most: Run, sign: Run, least: Run): boolean {
  const isNumber = ({ text }: Run) => /^\d*[.,]?\d+$/.test(text);
  const overlap = Math.min(most.area.x1, least.area.x1) - Math.max(most.area.x0, least.area.x0);
  const apart = middle(least.area) - middle(most.area);
  return (
    isNumber(most) &&
    isNumber(least) &&
    letterOf(sign.text) !== null &&
    overlap > 0 &&
    apart < 2.4 * height(most.area)
  );
}

/** Lines of “Length: 3.51”: their values stand where their names end, and in no column. */
function namedLines(block: readonly Line[]): Omit<Grid, 'context'> | null {
  const rows = block.filter(hasValues).map(({ runs }): Cell[] | null => {
    const at = runs.findIndex(({ text }) => /\p{L}\s*[:：]$/u.test(text));
    const value = runs.slice(at + 1);
    if (at < 0 || at > 1 || value.length === 0 || !isValue(value[0]?.text ?? '')) return null;
    const before = runs.slice(0, at + 1);
    const isLettered = before.length > 1 && letterOf(before[0]?.text ?? '') !== null;
    if (before.length > 1 && !isLettered) return null;
    const text = value.map((run) => run.text).join(' ');
    const area = areaRound(value.map((run) => run.area));
    const named = before.map(({ text: one, area: own, sure }, i): Cell => ({
      text: one.replace(/\s*[:：]$/u, ''),
      column: isLettered ? i : 1,
      span: 1,
      area: own,
      sure,
    }));
    return [...named, { text, column: 2, span: 1, area, sure: Math.min(...value.map(({ sure }) => sure)) }];
  });
  const read = rows.filter((row) => row !== null);
  return read.length >= 2 && read.length >= 0.8 * rows.length ? { rows: read, columns: 3 } : null;
}

function gridOfLines(block: readonly Line[]): Omit<Grid, 'context'> {
  const named = namedLines(block);
  if (named) return named;
  const columns = columnsOf(block);
  const rows = block.map(({ runs }) => cellsOf(runs, columns));
  return { rows: joined(block, rows), columns: columns.length };
}

/** The columns that the lines with values show. */
function columnsOf(block: readonly Line[]): Column[] {
  const body = block.filter(hasValues);
  const heads = block.filter(
    (line) => line.runs.filter(({ text }) => headSays(text).limit !== null).length > 1,
  );
  const columns: Column[] = [];
  const overlap = (a: Column, b: Area) => Math.min(a.x1, b.x1) - Math.max(a.x0, b.x0);
  const width = (run: Run) => run.area.x1 - run.area.x0;
  // heads of limits are the surest: there is one for each column of values
  const sure = heads.flatMap(({ runs }) => runs.filter(({ text }) => headSays(text).limit !== null));
  const others = body.flatMap(({ runs }) => runs).sort((a, b) => width(a) - width(b));
  for (const run of [...sure, ...others]) {
    const met = columns.filter((column) => overlap(column, run.area) > 0);
    const [one] = met;
    if (!one) columns.push({ x0: run.area.x0, x1: run.area.x1, count: 1 });
    else if (met.length === 1) {
      // a wide name may not swallow what lies beside it
      one.x0 = Math.min(one.x0, run.area.x0);
      one.x1 = Math.max(one.x1, run.area.x1);
      one.count += 1;
    }
  }
  const sorted = columns.sort((a, b) => a.x0 - b.x0);
  return withoutBetweens(sorted, block, sure);
}

/** A column that has only merged cells, such as `1.27 BSC` between Min and Max, is none. */
function withoutBetweens(
  columns: readonly Column[],
  block: readonly Line[],
  heads: readonly Run[],
): Column[] {
  if (heads.length < 2) return [...columns];
  const within = (column: Column, run: Run) => run.area.x0 < column.x1 && run.area.x1 > column.x0;
  const first = Math.min(...heads.map(({ area }) => area.x0));
  const last = Math.max(...heads.map(({ area }) => area.x1));
  return columns.filter((column) => {
    if (column.x1 < first || column.x0 > last || heads.some((head) => within(column, head))) return true;
    const users = block.filter(({ runs }) => runs.some((run) => within(column, run)));
    // its lines have nothing in the columns beside it
    const index = columns.indexOf(column);
    const beside = [columns[index - 1], columns[index + 1]];
    const alone = users.filter(({ runs }) =>
      beside.every((other) => !other || !runs.some((run) => within(other, run) && isValue(run.text))),
    );
    return alone.length < users.length;
  });
}

/** The cells of a line: each run in the columns that it covers, or in those it stands between. */
function cellsOf(runs: readonly Run[], columns: readonly Column[]): Cell[] {
  const cells: Cell[] = [];
  for (const { text, area, sure } of runs) {
    const met = columns.flatMap(({ x0, x1 }, i) => (area.x0 < x1 && area.x1 > x0 ? [i] : []));
    let [column = -1] = met;
    let span = met.length;
    if (column < 0) {
      // between two columns: merged over both
      const after = columns.findIndex(({ x0 }) => x0 >= area.x1);
      column = after < 0 ? columns.length - 1 : Math.max(0, after - 1);
      span = after > 0 && /\d/.test(text) ? 2 : 1;
    }
    const last = cells.at(-1);
    if (last && last.column + last.span > column) {
      const one = areaRound([last.area, area]);
      cells[cells.length - 1] = {
        ...last,
        text: `${last.text} ${text}`,
        area: one,
        sure: Math.min(last.sure, sure),
      };
    } else cells.push({ text, column, span, area, sure });
  }
  return cells;
}

/**
 * Lines that only go on with names of a line above or below are joined with it: a name printed in two lines
 * stands half a line over and half a line under its values.
 */
function joined(block: readonly Line[], rows: readonly (readonly Cell[])[]): (readonly Cell[])[] {
  const isBody = rows.map((row) => row.some(({ text }) => isValue(text) || letterOf(text) !== null));
  const first = isBody.indexOf(true);
  const out: Cell[][] = rows.map((row) => [...row]);
  const gone = new Set<number>();
  rows.forEach((row, i) => {
    if (i <= first || isBody[i] || row.length === 0 || row.some(({ text }) => headSays(text).limit)) return;
    const line = block[i];
    if (!line) return;
    const near = [i - 1, i + 1]
      .filter((j) => isBody[j] && !gone.has(j))
      .map((j) => ({ j, apart: Math.abs(middleOf(block[j]) - middleOf(line)) }))
      .sort((a, b) => a.apart - b.apart)[0];
    if (!near || near.apart > 1.25 * (line.y1 - line.y0)) return;
    const target = out[near.j] ?? [];
    for (const cell of row) {
      const at = target.findIndex((one) => one.column === cell.column && !isValue(one.text));
      const there = target[at];
      if (there) {
        const text = near.j < i ? `${there.text} ${cell.text}` : `${cell.text} ${there.text}`;
        target[at] = { ...there, text, area: areaRound([there.area, cell.area]) };
      } else if (!target.some((one) => one.column <= cell.column && cell.column < one.column + one.span))
        target.push(cell);
    }
    out[near.j] = target.sort((a, b) => a.column - b.column);
    gone.add(i);
  });
  return out.filter((_, i) => !gone.has(i));
}

const middleOf = (line: Line | undefined) => (line ? (line.y0 + line.y1) / 2 : Infinity);
