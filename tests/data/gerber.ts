import { Clipper, FillRule, type Path64, type Paths64 } from 'clipper2-ts';

// A reader of films and drill files, written for the tests from the texts of the formats alone: what is dark
// is gathered as polygons in nanometres with fine chords, and attributes as they are said.

export interface Film {
  readonly attributes: ReadonlyMap<string, string>;
  readonly dark: Paths64;
  readonly objects: readonly {
    readonly pin: string | null;
    readonly use: string | null;
    readonly shape: string;
  }[];
}

type XY = readonly [number, number];
const MM = 1e6;
/** Corners of a circle: chords stay within a tenth of a micrometre up to some millimetres. */
const CORNERS = 512;

const path = (points: readonly XY[]): Path64 =>
  points.map(([x, y]) => ({ x: Math.round(x), y: Math.round(y) }));
function turned([x, y]: XY, degrees: number): XY {
  const angle = (degrees * Math.PI) / 180;
  return [x * Math.cos(angle) - y * Math.sin(angle), x * Math.sin(angle) + y * Math.cos(angle)];
}
const ring = (diameter: number, [cx, cy]: XY, corners = CORNERS, start = 0): XY[] =>
  Array.from({ length: corners }, (_, i) => {
    const angle = (start * Math.PI) / 180 + (2 * Math.PI * i) / corners;
    return [cx + (diameter / 2) * Math.cos(angle), cy + (diameter / 2) * Math.sin(angle)];
  });
const box = (w: number, h: number): XY[] => [
  [-w / 2, -h / 2],
  [w / 2, -h / 2],
  [w / 2, h / 2],
  [-w / 2, h / 2],
];
const union = (paths: Paths64): Paths64 => Clipper.union(paths, FillRule.NonZero);
/** Corners counter-clockwise, so that what lies over another does not cancel it. */
const solid = (points: readonly XY[]): Path64 => {
  const made = path(points);
  return Clipper.area(made) < 0 ? made.reverse() : made;
};

/** A shape about its origin, nm. */
function standard(shape: string, macros: ReadonlyMap<string, readonly string[]>): Paths64 {
  const [name = '', list = ''] = shape.split(',');
  const [a = 0, b = 0, c = 0] = list.split('X').map((n) => Number(n) * MM);
  if (name === 'C') return [solid(ring(a, [0, 0]))];
  if (name === 'R') return [solid(box(a, b))];
  if (name === 'O') {
    const across = Math.min(a, b);
    const end: XY = a > b ? [(a - b) / 2, 0] : [0, (b - a) / 2];
    const middle = a > b ? box(a - b, b) : box(a, b - a);
    return union([solid(middle), solid(ring(across, end)), solid(ring(across, [-end[0], -end[1]]))]);
  }
  if (name === 'P') return [solid(ring(a, [0, 0], b / MM, c / MM))];
  const parts = macros.get(name);
  if (!parts) throw new Error(`no aperture ${shape}`);
  return union(parts.map(primitive));
}

function primitive(text: string): Path64 {
  const [code, exposure, ...values] = text.split(',').map(Number);
  if (exposure !== 1) throw new Error(`exposure of ${text}`);
  if (code === 1) {
    const [d = 0, x = 0, y = 0, turn = 0] = values;
    return solid(ring(d * MM, turned([x * MM, y * MM], turn)));
  }
  if (code === 21) {
    const [w = 0, h = 0, x = 0, y = 0, turn = 0] = values;
    return solid(box(w * MM, h * MM).map(([px, py]) => turned([px + x * MM, py + y * MM], turn)));
  }
  if (code === 4) {
    const count = values[0] ?? 0;
    const points = Array.from({ length: count }, (_, i): XY => [
      (values[1 + 2 * i] ?? 0) * MM,
      (values[2 + 2 * i] ?? 0) * MM,
    ]);
    return solid(points.map((p) => turned(p, values[3 + 2 * count] ?? 0)));
  }
  throw new Error(`primitive ${code}`);
}

/** Points of an arc after its start; the whole circle where it ends where it begins. */
function arc(from: XY, to: XY, [i, j]: XY, ccw: boolean): XY[] {
  const centre: XY = [from[0] + i, from[1] + j];
  const radius = Math.hypot(i, j);
  const start = Math.atan2(from[1] - centre[1], from[0] - centre[0]);
  let sweep = Math.atan2(to[1] - centre[1], to[0] - centre[0]) - start;
  if (ccw && sweep <= 1e-9) sweep += 2 * Math.PI;
  if (!ccw && sweep >= -1e-9) sweep -= 2 * Math.PI;
  const steps = Math.max(2, Math.ceil((Math.abs(sweep) / (2 * Math.PI)) * CORNERS));
  return Array.from({ length: steps }, (_, k): XY => {
    if (k === steps - 1) return to;
    const angle = start + (sweep * (k + 1)) / steps;
    return [centre[0] + radius * Math.cos(angle), centre[1] + radius * Math.sin(angle)];
  });
}

/** Reads a film. Throws on everything that the format does not have, or that is used before it is said. */
export function readFilm(text: string): Film {
  const attributes = new Map<string, string>();
  const macros = new Map<string, readonly string[]>();
  const apertures = new Map<string, { readonly shape: string; readonly use: string | null }>();
  const objects: { pin: string | null; use: string | null; shape: string }[] = [];
  let [dark, layer]: [Paths64, Paths64] = [[], []];
  let polarity = 'D';
  let current: string | null = null;
  let at: XY = [0, 0];
  let mode = 'G01';
  let outline: XY[] | null = null;
  let [pin, use]: [string | null, string | null] = [null, null];
  let [units, format, multi, ended] = [false, false, false, false];
  const flush = () => {
    if (layer.length > 0)
      dark =
        polarity === 'D'
          ? union([...dark, ...layer])
          : Clipper.difference(dark, union(layer), FillRule.NonZero);
    layer = [];
  };
  const extended = (block: string) => {
    const [, code = '', rest = ''] = /^(FS|MO|AD|AM|LP|TF|TA|TO|TD)([^]*)$/.exec(block) ?? [];
    const parts = rest
      .split('*')
      .map((part) => part.trim())
      .filter((part) => part !== '');
    const [first = ''] = parts;
    if (code === 'FS') format = first === 'LAX46Y46';
    else if (code === 'MO') units = first === 'MM';
    else if (code === 'LP') {
      flush();
      polarity = first;
    } else if (code === 'AM') macros.set(first, parts.slice(1));
    else if (code === 'AD') {
      const [, number = '', shape = ''] = /^D(\d+)(.+)$/.exec(first) ?? [];
      apertures.set(number, { shape, use });
    } else if (code === 'TF') attributes.set(first.split(',')[0] ?? '', first.slice(first.indexOf(',') + 1));
    else if (code === 'TO')
      pin = first.startsWith('.P,') || first.startsWith('P,') ? first.slice(first.indexOf(',') + 1) : pin;
    else if (code === 'TA') use = first.slice(first.indexOf(',') + 1);
    else if (code === 'TD') {
      if (first === '' || first.includes('P')) pin = null;
      if (first === '' || first.includes('AperFunction')) use = null;
    } else throw new Error(`not known: %${block}%`);
  };
  const draw = (to: XY, i: number, j: number): XY[] =>
    mode === 'G01' ? [to] : arc(at, to, [i, j], mode === 'G03');
  for (const [, block, word] of text.matchAll(/%([^%]*)%|([^*%\s]+)\*/g)) {
    if (block !== undefined) {
      extended(block);
      continue;
    }
    const command = word ?? '';
    if (/^G0[123]$/.test(command)) mode = command;
    else if (command === 'G75') multi = true;
    else if (command === 'G36') outline = [];
    else if (command === 'G37') {
      if (!outline || outline.length < 3) throw new Error('a region without an outline');
      layer.push(solid(outline));
      objects.push({ pin, use, shape: 'region' });
      outline = null;
    } else if (command === 'M02') ended = true;
    else if (/^D[1-9]\d+$/.test(command)) current = command.slice(1);
    else {
      const found = /^X(-?\d+)Y(-?\d+)(?:I(-?\d+)J(-?\d+))?D0([123])$/.exec(command);
      if (!found) throw new Error(`not known: ${command}`);
      if (!units || !format) throw new Error('coordinates before units and format');
      const to: XY = [Number(found[1]), Number(found[2])];
      const [i, j] = [Number(found[3] ?? 0), Number(found[4] ?? 0)];
      if (found[3] !== undefined && !multi) throw new Error('an arc without G75');
      const aperture = current === null ? undefined : apertures.get(current);
      if (outline) {
        if (found[5] === '2') outline = [to];
        else outline.push(...draw(to, i, j));
      } else if (found[5] === '3') {
        if (!aperture) throw new Error('a flash without an aperture');
        const shape = standard(aperture.shape, macros);
        layer.push(...shape.map((one) => one.map((p) => ({ x: p.x + to[0], y: p.y + to[1] }))));
        objects.push({ pin, use: aperture.use, shape: aperture.shape });
      } else if (found[5] === '1') {
        const width = /^C,([\d.]+)$/.exec(aperture?.shape ?? '')?.[1];
        if (width === undefined) throw new Error('a line that is not drawn by a circle');
        let from = at;
        for (const end of draw(to, i, j)) {
          const angle = (Math.atan2(end[1] - from[1], end[0] - from[0]) * 180) / Math.PI;
          const length = Math.hypot(end[0] - from[0], end[1] - from[1]);
          const d = Number(width) * MM;
          const bar = box(length, d).map(([x, y]): XY => {
            const [tx, ty] = turned([x, y], angle);
            return [tx + (from[0] + end[0]) / 2, ty + (from[1] + end[1]) / 2];
          });
          layer.push(...union([solid(ring(d, from, 64)), solid(ring(d, end, 64)), solid(bar)]));
          from = end;
        }
        objects.push({ pin, use, shape: 'line' });
      }
      at = to;
    }
  }
  flush();
  if (!ended) throw new Error('the film has no end');
  return { attributes, dark, objects };
}

/** A hole or slot of a drill file, mm. */
export interface Hit {
  readonly tool: number;
  readonly use: string | null;
  readonly from: XY;
  readonly to: XY;
}

/** Reads a drill file. */
export function readDrill(text: string): { readonly fileFunction: string; readonly hits: readonly Hit[] } {
  const tools = new Map<string, { readonly size: number; readonly use: string | null }>();
  const hits: Hit[] = [];
  let [use, fileFunction]: [string | null, string] = [null, ''];
  let tool: { readonly size: number; readonly use: string | null } | undefined;
  let [isHead, down, routing]: [boolean, boolean, boolean] = [true, false, false];
  let at: XY = [0, 0];
  const lines = text.split('\n');
  if (lines[0] !== 'M48' || lines.at(-2) !== 'M30' || !lines.includes('METRIC'))
    throw new Error('no drill file in mm');
  for (const line of lines.slice(1, -2)) {
    const said = /^; #@! T([AF])\.(\w+),(.*)$/.exec(line);
    const made = /^T(\d+)C([\d.]+)$/.exec(line);
    const move = /^(G00|G01)?X(-?[\d.]+)Y(-?[\d.]+)$/.exec(line);
    if (said?.[2] === 'AperFunction') use = said[3] ?? null;
    else if (said?.[2] === 'FileFunction') fileFunction = said[3] ?? '';
    else if (made) {
      if (!isHead) throw new Error('a tool after the head');
      tools.set(made[1] ?? '', { size: Number(made[2]), use });
    } else if (line === '%') isHead = false;
    else if (line === 'G05') routing = false;
    else if (/^T\d+$/.test(line)) tool = tools.get(line.slice(1));
    else if (line === 'M15') down = true;
    else if (line === 'M16') down = false;
    else if (move) {
      if (!tool) throw new Error('a hit without a tool');
      const to: XY = [Number(move[2]), Number(move[3])];
      if (move[1] === 'G00') routing = true;
      else if (move[1] === 'G01') {
        if (!down) throw new Error('routing with the tool up');
        hits.push({ tool: tool.size, use: tool.use, from: at, to });
      } else {
        if (routing) throw new Error('a hit while routing');
        hits.push({ tool: tool.size, use: tool.use, from: to, to });
      }
      at = to;
    } else if (line !== 'METRIC' && !line.startsWith(';')) throw new Error(`not known: ${line}`);
  }
  return { fileFunction, hits };
}
