import type { XMLBuilder } from 'xmlbuilder2/lib/interfaces';
import type { Footprint } from '../../footprint/footprint';
import { contourOf, type Placed } from '../../geometry/figure';
import type { Polyline } from '../../geometry/polygon';
import { xmlText } from '../xml';
import { contourSteps, located, mm, polyline, primitive } from './shapes';

// What stands on the layers of a file, beside its padstacks.

/** The element of a layer's features; each layer has one. */
export type Features = (layerRef: string) => XMLBuilder;

/** Features of the layers of a step; elements are made when they are first asked for, so that none is empty. */
export function featuresOf(step: XMLBuilder): Features {
  const known = new Map<string, XMLBuilder>();
  return (layerRef) => {
    const feature = known.get(layerRef) ?? step.ele('LayerFeature', { layerRef });
    known.set(layerRef, feature);
    return feature;
  };
}

/** A filled figure where it lies, but for what is left free in it. */
export function filled(set: XMLBuilder, placed: Placed, free: readonly Placed[] = []): void {
  const features = set.ele('Features');
  if (free.length === 0) {
    located(features, placed.at, placed.rotation);
    return primitive(features, placed.figure);
  }
  located(features, { x: 0, y: 0 });
  const contour = features.ele('Contour');
  contourSteps(contour.ele('Polygon'), contourOf(placed));
  for (const one of free) contourSteps(contour.ele('Cutout'), contourOf(one));
}

/** A line drawn with a round pen. */
export function drawn(set: XMLBuilder, line: Polyline, width: number): void {
  const features = set.ele('Features');
  located(features, { x: 0, y: 0 });
  polyline(features, line, width);
}

/** Slots of lands, and slots and cut-outs without copper, as the figures that are milled. */
export function slots(on: Features, { lands, bores }: Pick<Footprint, 'lands' | 'bores'>): void {
  const slotted = [
    ...lands.flatMap(({ number, hole, plated, padstack }) => {
      const { plus = 0, minus = 0 } = padstack.hole ?? {};
      return hole ? [{ name: number, hole, plated, plus, minus }] : [];
    }),
    ...bores.map(({ hole }, i) => ({ name: `bore_${i + 1}`, hole, plated: false, plus: 0, minus: 0 })),
  ].filter(({ hole }) => hole.figure.kind !== 'round');
  if (slotted.length === 0) return;
  const set = on('DRILL').ele('Set');
  for (const { name, hole, plated, plus, minus } of slotted) {
    const slot = set.ele('SlotCavity', {
      name: `slot_${xmlText(name)}`,
      platingStatus: plated ? 'PLATED' : 'NONPLATED',
      plusTol: mm(plus),
      minusTol: mm(minus),
    });
    located(slot, hole.at, hole.rotation);
    primitive(slot, hole.figure);
  }
}

/** Mask openings that free more than one land, or none, stand beside the padstacks. */
export function jointOpenings(on: Features, { maskOpenings }: Pick<Footprint, 'maskOpenings'>): void {
  const joint = maskOpenings.filter(({ lands }) => lands.length !== 1);
  for (const far of [false, true]) {
    const own = joint.filter((mask) => mask.far === far);
    if (own.length === 0) continue;
    const set = on(far ? 'BOTTOM_MASK' : 'TOP_MASK').ele('Set');
    for (const { opening, islands } of own) filled(set, opening, islands);
  }
}

/** Areas that something stays out of, each with what it is free of and on which side. */
export function keepOuts(on: Features, { keepOuts: areas }: Pick<Footprint, 'keepOuts'>): void {
  for (const { area, what, side, why } of areas) {
    const set = on('KEEP_OUT').ele('Set');
    const say = (name: string, value: string) =>
      set.ele('NonstandardAttribute', { name, value: xmlText(value), type: 'STRING' });
    say('keepOut', what);
    say('side', side);
    if (why) say('why', why);
    filled(set, area);
  }
}
