import { circleAt, place, type Placed } from '../../geometry/figure';
import { distance, type Point } from '../../geometry/point';
import { formatNumber, quantise } from '../../units/length';
import { fail, ok, type Result } from '../../units/result';

// Drill files: XNC, and the older ones that it comes from, with or without decimal points. Holes and slots come
// out in mm with the tool that makes them.

/** A hole of a drill file. */
export interface ReadHole {
  readonly hole: Placed;
  /** What its tool is for, as the file says it. */
  readonly use: string;
}

/** A drill file. */
export interface DrillFile {
  readonly attributes: ReadonlyMap<string, string>;
  /** Whether its holes are plated; `null` where it does not say. */
  readonly plated: boolean | null;
  readonly holes: readonly ReadHole[];
  /** Its numbers have no decimal points, and nothing says which zeros they leave out. */
  readonly uncertain: boolean;
  readonly left: readonly string[];
}

/** Which zeros numbers without a decimal point leave out. */
export type Zeros = 'leading' | 'trailing';

const MOST_HOLES = 200_000;
/** Largest drill file that is read, in characters. */
const LARGEST_DRILL = 20_000_000;

/** Whether a text looks like a drill file. */
export function isDrill(text: string): boolean {
  const head = text.slice(0, 6000);
  return /^\s*(;[^\n]*\r?\n\s*)*(M48|%)\s*\r?$/m.test(head) && /^T\d+/m.test(text.slice(0, 60_000));
}

/**
 * Reads a drill file.
 * @param zeros which zeros are left out, where the file does not say
 */
export function readDrill(text: string, zeros: Zeros = 'leading'): Result<DrillFile, string> {
  if (text.length > LARGEST_DRILL)
    return fail(
      `The drill file has ${Math.ceil(text.length / 1e6)} million characters; at most 20 are read.`,
    );
  const reader = new DrillReader(zeros);
  let number = 0;
  for (const line of text.split(/\r\n|\r|\n/)) {
    number += 1;
    reader.line(line.trim());
    if (reader.wrong !== null) return fail(`Line ${number}: ${reader.wrong}`);
    if (reader.ended) break;
  }
  return reader.result();
}

class DrillReader {
  wrong: string | null = null;
  ended = false;
  private unit: number | null = null;
  private said: Zeros | null = null;
  private digits: { readonly whole: number; readonly decimals: number } | null = null;
  private hasBare = false;
  private readonly attributes = new Map<string, string>();
  private readonly tools = new Map<string, { readonly diameter: number; readonly use: string }>();
  private readonly holes: ReadHole[] = [];
  private readonly left = new Map<string, number>();
  private use = '';
  private plated: boolean | null = null;
  private inHeader = false;
  private tool: { readonly diameter: number; readonly use: string } | null = null;
  private at: Point = { x: 0, y: 0 };
  private route: 'drill' | 'move' | 'down' = 'drill';

  constructor(private readonly otherwise: Zeros) {}

  result(): Result<DrillFile, string> {
    if (this.unit === null) return fail('It does not say its unit (METRIC or INCH).');
    if (!this.ended) this.leave('an end (M30)');
    const words = [...this.left].map(([what, count]) => (count > 1 ? `${count} × ${what}` : what));
    const stated = this.attributes.get('.FileFunction') ?? '';
    return ok({
      attributes: this.attributes,
      plated: /^Plated/i.test(stated) ? true : /^NonPlated/i.test(stated) ? false : this.plated,
      holes: this.holes,
      uncertain: this.hasBare && this.said === null,
      left: words.length > 0 ? [`Not understood or missing: ${words.join(', ')}.`] : [],
    });
  }

  private leave(what: string): void {
    this.left.set(what, (this.left.get(what) ?? 0) + 1);
  }

  line(text: string): void {
    if (text === '') return;
    if (text.startsWith(';')) return this.comment(text.slice(1).trim());
    if (text === 'M48') {
      this.inHeader = true;
      return;
    }
    if (text === '%' || text === 'M95') {
      this.inHeader = false;
      return;
    }
    if (/^(METRIC|INCH)/.test(text)) return this.units(text);
    if (text === 'M71' || text === 'M72') {
      this.unit = text === 'M71' ? 1 : 25.4;
      return;
    }
    if (/^M(30|00)$/.test(text)) {
      this.ended = true;
      return;
    }
    const tool = /^T(\d+)(.*)$/.exec(text);
    if (tool) return this.takeTool(tool[1] as string, tool[2] ?? '');
    if (
      /^(FMAT|VER),?|^(G05|G81|G90|M47|M97|M98|ICI,?OFF|ATC|DETECT|M06|G40|M17|M09)/.test(text) &&
      !/[XY]/.test(text)
    ) {
      if (text.startsWith('G05') || text === 'G81') this.route = 'drill';
      if (text === 'M17') this.route = 'move';
      return;
    }
    if (text === 'M15') {
      this.route = 'down';
      return;
    }
    if (text === 'M16') {
      this.route = 'move';
      return;
    }
    if (/^(G91|ICI,?ON)/.test(text)) this.wrong = 'Its coordinates are incremental (G91), which is not read.';
    else if (/^(G00|G01|G02|G03)?[XY]/.test(text) || /^G8[15]|^G0[0-3]/.test(text)) this.coordinates(text);
    else if (/^R\d+/.test(text)) this.repeat(text);
    else if (/^M(02|25|01|08)/.test(text))
      this.wrong = `It repeats patterns, “${text.slice(0, 12)}”, which is not read.`;
    else this.leave(this.inHeader ? `“${text.slice(0, 20)}” of the header` : `“${text.slice(0, 20)}”`);
  }

  private comment(text: string): void {
    const said = /^#@!\s*T([FAD])(.*)$/.exec(text);
    if (said) {
      const [name = '', ...fields] = (said[2] ?? '').trim().split(',');
      if (said[1] === 'F') this.attributes.set(name, fields.join(','));
      else if (said[1] === 'A') this.use = name === '.AperFunction' ? fields.join(',') : this.use;
      else this.use = '';
      return;
    }
    const format = /FORMAT\s*[=:]?\s*\{?(\d)\s*[:.]\s*(\d)/i.exec(text);
    if (format) this.digits = { whole: Number(format[1]), decimals: Number(format[2]) };
    if (/non.?plated|\bNPTH\b/i.test(text)) this.plated = false;
    else if (/\bplated\b|\bPTH\b/i.test(text)) this.plated = true;
  }

  private units(text: string): void {
    this.unit = text.startsWith('METRIC') ? 1 : 25.4;
    // what a file keeps it names: LZ keeps leading zeros, and leaves out trailing ones
    if (/\bLZ\b/.test(text)) this.said = 'trailing';
    if (/\bTZ\b/.test(text)) this.said = 'leading';
    const format = /,(0+)\.(0+)/.exec(text);
    if (format) this.digits = { whole: (format[1] as string).length, decimals: (format[2] as string).length };
  }

  private takeTool(code: string, rest: string): void {
    const key = String(Number(code));
    const size = /C([\d.]+)/.exec(rest)?.[1];
    if (size !== undefined) {
      const diameter = quantise(Number(size) * (this.unit ?? 1));
      if (this.unit === null) this.wrong = 'A tool stands before the unit (METRIC or INCH).';
      else if (!(diameter > 0)) this.leave(`the tool T${code} without a size`);
      else this.tools.set(key, { diameter, use: this.use });
      if (this.inHeader) return;
    }
    if (this.inHeader) {
      this.leave(`the tool T${code} without a size`);
      return;
    }
    this.tool = this.tools.get(key) ?? null;
    // T0 puts the tool away
    if (!this.tool && key !== '0') this.leave(`the tool T${code}, which is not defined`);
  }

  private length(text: string): number {
    const unit = this.unit ?? 1;
    if (text.includes('.')) return quantise(Number(text) * unit);
    this.hasBare = true;
    const { whole, decimals } =
      this.digits ?? (unit === 1 ? { whole: 3, decimals: 3 } : { whole: 2, decimals: 4 });
    const [, sign = '', number = '0'] = /^([-+]?)(\d+)$/.exec(text) ?? [];
    const zeros = this.said ?? this.otherwise;
    const digits = zeros === 'trailing' ? number.padEnd(whole + decimals, '0') : number;
    return quantise((sign === '-' ? -1 : 1) * (Number(digits) / 10 ** decimals) * unit);
  }

  private point(text: string): Point | null {
    const read = /^(?:X([-+]?[\d.]+))?(?:Y([-+]?[\d.]+))?(?:[AIJ][-+]?[\d.]+)*$/.exec(text);
    if (!read) return null;
    const [, x, y] = read;
    return {
      x: x === undefined ? this.at.x : this.length(x),
      y: y === undefined ? this.at.y : this.length(y),
    };
  }

  private coordinates(text: string): void {
    if (this.unit === null) {
      this.wrong = 'Coordinates stand before the unit (METRIC or INCH).';
      return;
    }
    const slot = /^(.*)G85(.*)$/.exec(text);
    if (slot) {
      const from = this.point(slot[1] ?? '');
      if (from) this.at = from;
      const to = this.point(slot[2] ?? '');
      if (!from || !to) this.leave(`“${text.slice(0, 30)}”`);
      else {
        this.slot(from, to);
        this.at = to;
      }
      return;
    }
    const [, code = '', rest = ''] = /^(G\d\d)?(.*)$/.exec(text) ?? [];
    const to = this.point(rest);
    if (!to) {
      this.leave(`“${text.slice(0, 30)}”`);
      return;
    }
    if (code === 'G00') this.route = 'move';
    else if (code === 'G02' || code === 'G03') this.leave('a routed arc');
    else if (this.route === 'drill') this.hit(to);
    else if (code === 'G01' && this.route === 'down') this.slot(this.at, to);
    else if (this.route === 'down') this.slot(this.at, to);
    this.at = to;
  }

  private repeat(text: string): void {
    const [, count = '0', rest = ''] = /^R(\d+)(.*)$/.exec(text) ?? [];
    const from = this.at;
    this.at = { x: 0, y: 0 };
    const step = this.point(rest);
    this.at = from;
    if (!step || Number(count) > MOST_HOLES) {
      this.leave(`“${text.slice(0, 30)}”`);
      return;
    }
    for (let i = 0; i < Number(count) && this.wrong === null; i += 1) {
      this.at = { x: quantise(this.at.x + step.x), y: quantise(this.at.y + step.y) };
      this.hit(this.at);
    }
  }

  private hit(at: Point): void {
    if (this.tool) this.add({ hole: circleAt(at, this.tool.diameter), use: this.tool.use });
    else this.leave('a hole before a tool is chosen');
  }

  private slot(from: Point, to: Point): void {
    if (!this.tool) return this.leave('a slot before a tool is chosen');
    const { diameter, use } = this.tool;
    const long = distance(from, to);
    if (long < 1e-6) return this.add({ hole: circleAt(from, diameter), use });
    const at = { x: quantise((from.x + to.x) / 2), y: quantise((from.y + to.y) / 2) };
    const angle = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
    const plain = quantise((angle + 360) % 180);
    this.add({
      hole: place({ kind: 'oblong', width: quantise(long + diameter), height: diameter }, at, plain),
      use,
    });
  }

  private add(hole: ReadHole): void {
    this.holes.push(hole);
    if (this.holes.length > MOST_HOLES) this.wrong = `It has more than ${formatNumber(MOST_HOLES)} holes.`;
  }
}
