import { arcCentre, type Contour, type Vertex } from '../../geometry/contour';
import { contourOf, outlineOf, sizeOf, type Placed } from '../../geometry/figure';
import { fullTurn, isQuarter, turn, type Point } from '../../geometry/point';
import { formatNumber } from '../../units/length';
import type { ArtLayer, ArtObject, ArtUse, LayerId } from './layers';

// Films in the Gerber layer format with attributes (X2). Coordinates are whole nanometres; arcs stay arcs.

/** What a layer is, in the words of `.FileFunction`, and how its film is to be read. */
const FUNCTIONS: Readonly<
  Record<LayerId, readonly [fileFunction: string, polarity: 'Positive' | 'Negative']>
> = {
  'top-copper': ['Copper,L1,Top', 'Positive'],
  'bottom-copper': ['Copper,L2,Bot', 'Positive'],
  // what is drawn is the opening: where the film is dark there is no mask
  'top-mask': ['Soldermask,Top', 'Negative'],
  'bottom-mask': ['Soldermask,Bot', 'Negative'],
  'top-paste': ['Paste,Top', 'Positive'],
  'bottom-paste': ['Paste,Bot', 'Positive'],
  'top-legend': ['Legend,Top', 'Positive'],
  'bottom-legend': ['Legend,Bot', 'Positive'],
  courtyard: ['Other,Courtyard', 'Positive'],
  assembly: ['AssemblyDrawing,Top', 'Positive'],
  'bottom-assembly': ['AssemblyDrawing,Bot', 'Positive'],
  'cut-outs': ['Profile,NP', 'Positive'],
  profile: ['Profile,NP', 'Positive'],
};

const APERTURES: Readonly<Record<ArtUse, string>> = {
  smd: 'SMDPad,CuDef',
  'smd-mask-defined': 'SMDPad,SMDef',
  component: 'ComponentPad',
  via: 'ViaPad',
  heatsink: 'HeatsinkPad',
  washer: 'WasherPad',
  test: 'TestPad',
};

/** Whose films they are. */
export interface FilmOf {
  /** What the films show, as `.Part` says it: a footprint by its name, or one board. */
  readonly part: readonly string[];
  /** Where the films have their zero in common. */
  readonly coordinates: string;
  /** Of the part, where things do not say whose they are. */
  readonly reference: string;
}

/** The films of one footprint. */
export const ofFootprint = (standardName: string, reference: string): FilmOf => ({
  part: ['Other', standardName],
  coordinates: 'Footprint',
  reference,
});

/** Writes one layer as a film. */
export function writeGerber({ id, objects }: ArtLayer, about: FilmOf, far: boolean): string {
  const [plain, polarity] = FUNCTIONS[id];
  const fileFunction = id === 'assembly' && far ? 'AssemblyDrawing,Bot' : plain;
  const film = new Film(about.reference);
  for (const object of objects) film.put(object);
  return [
    '%TF.GenerationSoftware,Tapis,Tapis,1*%',
    `%TF.Part,${about.part.map(field).join(',')}*%`,
    `%TF.FileFunction,${fileFunction}*%`,
    `%TF.FilePolarity,${polarity}*%`,
    `%TF.SameCoordinates,${about.coordinates}*%`,
    '%FSLAX46Y46*%',
    '%MOMM*%',
    ...film.definitions,
    'G75*',
    '%LPD*%',
    ...film.body,
    'M02*',
    '',
  ].join('\n');
}

/** An attribute's value: what ends or parts fields is written by its code. */
function field(text: string): string {
  return text.replace(
    /[\\*%,]|[^ -~]/g,
    (sign) => `\\u${sign.charCodeAt(0).toString(16).padStart(4, '0').toUpperCase()}`,
  );
}

const nm = (mm: number): number => Math.round(mm * 1e6);
const at = ({ x, y }: Point): string => `X${nm(x)}Y${nm(y)}`;
const mm = (length: number): string => formatNumber(length, 1, 6);

/** Outlines of more corners are regions: some readers of films stop at as many in a macro. */
const MACRO_CORNERS = 50;

/** Gathers apertures and macros while objects are put onto a film. */
class Film {
  readonly definitions: string[] = [];
  readonly body: string[] = [];
  private readonly apertures = new Map<string, number>();
  private readonly macros = new Map<string, string>();
  private current = '';
  private polarity = 'D';
  private attributes = '';

  constructor(private readonly reference: string) {}

  put(object: ArtObject): void {
    const polarity = object.clear ? 'C' : 'D';
    if (polarity !== this.polarity) this.body.push(`%LP${polarity}*%`);
    this.polarity = polarity;
    this.tell(object);
    if (object.kind === 'line') return this.line(object.points, object.width);
    const use = object.use ? APERTURES[object.use] : '';
    if (object.kind === 'region') return this.region(object.contour, use);
    const aperture = this.apertureOf(object.placed);
    if (aperture === null) return this.region(contourOf(object.placed), use);
    this.select(aperture, use);
    this.body.push(`${at(object.placed.at)}D03*`);
  }

  /** Says which pin the next objects belong to. */
  private tell({ pin, of = this.reference }: ArtObject): void {
    const said = pin
      ? `%TO.P,${[of, pin.number, ...(pin.name === '' ? [] : [pin.name])].map(field).join(',')}*%`
      : '';
    if (said === this.attributes) return;
    if (this.attributes !== '') this.body.push('%TD.P*%');
    if (said !== '') this.body.push(said);
    this.attributes = said;
  }

  /** The standard aperture or macro of a figure; `null` for one with arcs or many corners, which a region draws. */
  private apertureOf({ figure, rotation }: Placed): string | null {
    const upright = isQuarter(rotation);
    const { width, height } = sizeOf(figure);
    const [w, h] = rotation % 180 === 0 ? [width, height] : [height, width];
    if (figure.kind === 'round') return `C,${mm(width)}`;
    if (figure.kind === 'oblong') {
      if (width === height) return `C,${mm(width)}`;
      return upright ? `O,${mm(w)}X${mm(h)}` : this.macro(oblongParts(width, height, rotation));
    }
    if (figure.kind === 'rectangle' && !figure.chamfer) {
      const radius = Math.min(figure.radius ?? 0, width / 2, height / 2);
      if (radius === 0)
        return upright
          ? `R,${mm(w)}X${mm(h)}`
          : this.macro([`21,1,${mm(width)},${mm(height)},0,0,${mm(rotation)}`]);
      return this.macro(roundedParts(width, height, radius, rotation));
    }
    const outline = outlineOf(figure);
    if (outline.some(({ bulge }) => bulge) || outline.length > MACRO_CORNERS) return null;
    return regularOf(outline, rotation) ?? this.macro([outlinePart(outline, rotation)]);
  }

  /** The name of a macro with these primitives. */
  private macro(parts: readonly string[]): string {
    const body = parts.map((part) => `${part}*`).join('\n');
    const known = this.macros.get(body);
    if (known !== undefined) return known;
    const name = `Land${this.macros.size + 1}`;
    this.macros.set(body, name);
    this.definitions.push(`%AM${name}*\n${body}%`);
    return name;
  }

  private select(shape: string, use: string): void {
    const key = `${shape} ${use}`;
    let code = this.apertures.get(key);
    if (code === undefined) {
      code = 10 + this.apertures.size;
      this.apertures.set(key, code);
      if (use !== '') this.definitions.push(`%TA.AperFunction,${use}*%`);
      this.definitions.push(`%ADD${code}${shape}*%`);
      if (use !== '') this.definitions.push('%TD.AperFunction*%');
    }
    const chosen = `D${code}*`;
    if (chosen !== this.current) this.body.push(chosen);
    this.current = chosen;
  }

  private line(points: readonly Vertex[], width: number): void {
    this.select(`C,${mm(width)}`, '');
    this.trace(points);
  }

  private region(contour: Contour, use: string): void {
    const [first] = contour;
    if (!first) return;
    if (use !== '') this.body.push(`%TA.AperFunction,${use}*%`);
    this.body.push('G36*');
    this.trace([...contour, { x: first.x, y: first.y }]);
    this.body.push('G37*');
    if (use !== '') this.body.push('%TD.AperFunction*%');
  }

  /** Straight and circular edges from point to point. */
  private trace(points: readonly Vertex[]): void {
    points.forEach((to, i) => {
      const from = points[i - 1];
      if (!from) return this.body.push(`${at(to)}D02*`);
      if (!from.bulge || (from.x === to.x && from.y === to.y)) return this.body.push(`G01*`, `${at(to)}D01*`);
      const centre = arcCentre(from, to);
      const way = from.bulge > 0 ? 'G03*' : 'G02*';
      return this.body.push(way, `${at(to)}I${nm(centre.x) - nm(from.x)}J${nm(centre.y) - nm(from.y)}D01*`);
    });
  }
}

const oblongParts = (width: number, height: number, rotation: number): string[] => {
  const across = Math.min(width, height);
  const flat = Math.abs(width - height);
  const [w, h] = width > height ? [flat, across] : [across, flat];
  const end = width > height ? { x: flat / 2, y: 0 } : { x: 0, y: flat / 2 };
  return [
    `21,1,${mm(w)},${mm(h)},0,0,${mm(rotation)}`,
    ...[end, { x: -end.x, y: -end.y }].map((p) => circlePart(across, p, rotation)),
  ];
};

const roundedParts = (width: number, height: number, radius: number, rotation: number): string[] => {
  const [x, y] = [width / 2 - radius, height / 2 - radius];
  return [
    ...(y > 0 ? [`21,1,${mm(width)},${mm(2 * y)},0,0,${mm(rotation)}`] : []),
    ...(x > 0 ? [`21,1,${mm(2 * x)},${mm(height)},0,0,${mm(rotation)}`] : []),
    ...[
      { x, y },
      { x: -x, y },
      { x: -x, y: -y },
      { x, y: -y },
    ].map((p) => circlePart(2 * radius, p, rotation)),
  ];
};

/** A circle of a macro where it lies once turned: not every reader turns a circle about the middle. */
function circlePart(diameter: number, p: Point, rotation: number): string {
  const { x, y } = turn(p, rotation);
  return `1,1,${mm(diameter)},${mm(x)},${mm(y)}`;
}

function outlinePart(outline: Contour, rotation: number): string {
  const points = [...outline, outline[0] as Vertex].map((p) => turn(p, rotation));
  return `4,1,${outline.length},${points.map(({ x, y }) => `${mm(x)},${mm(y)}`).join(',')},0`;
}

/** An outline as the polygon aperture where it is regular about its middle; `null` where it is not. */
function regularOf(outline: Contour, rotation: number): string | null {
  const count = outline.length;
  const [first] = outline;
  if (!first || count < 3 || count > 12) return null;
  const radius = Math.hypot(first.x, first.y);
  const start = (Math.atan2(first.y, first.x) * 180) / Math.PI;
  const isRegular = outline.every((p, i) => {
    const angle = ((start + (i * 360) / count) * Math.PI) / 180;
    return Math.hypot(p.x - radius * Math.cos(angle), p.y - radius * Math.sin(angle)) < 1e-6;
  });
  return isRegular && radius > 0 ? `P,${mm(2 * radius)}X${count}X${mm(fullTurn(start + rotation))}` : null;
}
