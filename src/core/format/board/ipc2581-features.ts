import type { XMLBuilder } from 'xmlbuilder2/lib/interfaces';
import type { Land, MaskOpening } from '../../footprint/footprint';
import { circleAt, narrowOf, place, type Figure, type Placed } from '../../geometry/figure';
import { HOME, putPlaced, undone } from '../../geometry/placement';
import type { Point } from '../../geometry/point';
import type { PlacedPart } from '../../trial/trial';
import { artworkOf, ofLand, type ArtObject, type LayerId } from '../artwork/layers';
import { drawn, filled, type Features } from '../ipc2581/features';
import { boreName, stackName, stackOf, viaName } from '../ipc2581/padstacks';
import { isEmpty, located, mm, point, polygonSteps, type ShapeBook } from '../ipc2581/shapes';
import { xmlText } from '../xml';

// What a part has on the layers of its board. A set belongs to its component; a pad names its pin and the padstack
// that it is of.

/** Layers that are drawn as their films are, and what the file calls them. */
const DRAWN: Partial<Readonly<Record<LayerId, string>>> = {
  'top-legend': 'TOP_LEGEND',
  'bottom-legend': 'BOTTOM_LEGEND',
};

/** Copper, mask, paste, legend, courtyard and holes of one part. @param own begins the names of its padstacks */
export function partFeatures(
  on: Features,
  { reference, footprint }: PlacedPart,
  own: string,
  book: ShapeBook,
) {
  const writer = new PartWriter(on, xmlText(reference), own, book);
  const mask = new Map<number, MaskOpening[]>();
  const joint: MaskOpening[] = [];
  for (const opening of footprint.maskOpenings) {
    const [land, ...others] = opening.lands;
    if (land === undefined || others.length > 0) joint.push(opening);
    else mask.set(land, [...(mask.get(land) ?? []), opening]);
  }
  for (const [i, land] of footprint.lands.entries()) writer.land(land, mask.get(i) ?? []);
  for (const bore of footprint.bores) {
    const of = { stack: own + boreName(bore), frame: bore.opening };
    for (const layer of ['TOP_MASK', 'BOTTOM_MASK']) writer.pad(layer, [bore.opening], of);
    if (bore.hole.figure.kind === 'round') writer.hole(bore.hole, 'NONPLATED');
  }
  // figures of a set come after its pads
  for (const { opening, islands, far } of joint) filled(writer.set(side(far, 'MASK')), opening, islands);
  for (const { id, objects } of artworkOf(footprint).layers) {
    const layerRef = id === 'courtyard' ? side(footprint.far, 'COURTYARD') : DRAWN[id];
    if (layerRef) for (const object of objects) ink(writer.set(layerRef), object);
  }
}

/** A layer of a side, such as `TOP_MASK`. */
const side = (far: boolean, what = ''): string => `${far ? 'BOTTOM' : 'TOP'}${what && `_${what}`}`;

function ink(set: XMLBuilder, object: ArtObject): void {
  if (object.kind === 'flash') filled(set, object.placed);
  else if (object.kind === 'line') drawn(set, object.points, object.width);
  else {
    const features = set.ele('Features');
    located(features, CENTRE);
    polygonSteps(features.ele('Contour').ele('Polygon'), object.contour);
  }
}

/** What a pad is of. */
interface PadOf {
  readonly stack: string;
  /** Where its padstack lies, and how. */
  readonly frame: Pick<Placed, 'at' | 'rotation'>;
  readonly pin?: string;
}

/** Writes what one part has on each layer. */
class PartWriter {
  private readonly sets = new Map<string, XMLBuilder>();
  private drilled = 0;

  constructor(
    private readonly on: Features,
    private readonly reference: string,
    private readonly own: string,
    private readonly book: ShapeBook,
  ) {}

  /** The part's set on a layer. */
  set(layerRef: string): XMLBuilder {
    const set = this.sets.get(layerRef) ?? this.on(layerRef).ele('Set', { componentRef: this.reference });
    this.sets.set(layerRef, set);
    return set;
  }

  /** Figures of a padstack on one layer, where they lie on the board. */
  pad(layerRef: string, figures: readonly Placed[], of: PadOf, islands: readonly Placed[] = []): void {
    const own = figures.filter(({ figure }) => !isEmpty(figure));
    const [only] = own;
    if (!only) return;
    const pad = this.set(layerRef).ele('Pad', { padstackDefRef: of.stack });
    const { at, rotation } = of.frame;
    located(pad, at, rotation);
    const back = undone({ ...HOME, at, angle: rotation });
    const about = (placed: Placed) => putPlaced(back, placed);
    const first = about(only);
    const isPlain = Math.hypot(first.at.x, first.at.y) < 1e-9 && first.rotation < 1e-9;
    if (own.length === 1 && islands.length === 0 && isPlain) this.book.standard(pad, only.figure);
    else this.book.contours(pad, own.map(about), islands.map(about));
    if (of.pin !== undefined) pad.ele('PinRef', { componentRef: this.reference, pin: of.pin });
  }

  /** A round hole. */
  hole({ at, figure }: Placed, platingStatus: 'PLATED' | 'NONPLATED' | 'VIA', { plus, minus } = EXACT): void {
    this.drilled += 1;
    this.set('DRILL').ele('Hole', {
      name: `${this.reference}_${this.drilled}`,
      diameter: mm(narrowOf(figure)),
      platingStatus,
      plusTol: mm(plus),
      minusTol: mm(minus),
      ...point(at),
    });
  }

  /** A land with its own openings, paste, hole and vias. */
  land(land: Land, mask: readonly MaskOpening[]): void {
    const { padstack, far, hole, plated, vias } = land;
    const of: PadOf = { stack: this.own + stackName(stackOf(land)), frame: land, pin: xmlText(land.number) };
    const stacked = (figure: Figure | null, at: Point) =>
      hole && figure ? [ofLand(land, place(figure, at))] : [];
    this.pad(side(far), [land.copper], of);
    this.pad(side(!far), stacked(padstack.other, padstack.offset), of);
    this.pad('INNER', stacked(padstack.inner, CENTRE), of);
    const openings = mask.map(({ opening }) => opening);
    this.pad(
      side(far, 'MASK'),
      openings,
      of,
      mask.flatMap(({ islands }) => islands),
    );
    this.pad(
      side(!far, 'MASK'),
      padstack.maskOther.map((one) => ofLand(land, one)),
      of,
    );
    this.pad(side(far, 'PASTE'), land.paste, of);
    if (hole?.figure.kind === 'round')
      this.hole(hole, plated ? 'PLATED' : 'NONPLATED', padstack.hole ?? EXACT);
    for (const via of vias) {
      const ring = circleAt(via, via.land);
      const ofVia = { ...of, stack: this.own + viaName(via), frame: ring };
      for (const layer of ['TOP', 'INNER', 'BOTTOM']) this.pad(layer, [ring], ofVia);
      this.hole(circleAt(via, via.hole), 'VIA');
    }
  }
}

const CENTRE: Point = { x: 0, y: 0 };
const EXACT = { plus: 0, minus: 0 };
