import type { Contact } from '../body/contacts';
import type { Fit } from '../body/fit';
import type { Ground } from '../body/ground';
import type { Pose } from '../body/pose';
import { cornersOf } from '../geometry/box';
import type { Box3 } from '../geometry/mesh';
import {
  isHome,
  keepsAxes,
  putAngle,
  putBox,
  putContour,
  putPart,
  putPlaced,
  putPoint,
  putPoint3,
  within,
  type Placement,
} from '../geometry/placement';
import { fullTurn, isQuarter, turn, type Point3 } from '../geometry/point';
import type { SolvedGroup } from '../land/solution';
import { placedExtent } from '../package/drawn';
import { turnLine, type DimensionLine } from '../package/lines';
import { quantise } from '../units/length';
import type { Courtyard, Footprint, Land, SeatedBody, SeatedModel, TextMark } from './footprint';

/**
 * A footprint where it is placed: everything that it holds is moved, turned by any angle, and turned
 * over where it goes to the far side. Drawing what was moved is the same as moving what was drawn.
 * Heights stay measured from the side that the part stands on; what lies in space is moved in space.
 */
export function moved(footprint: Footprint, placement: Placement): Footprint {
  if (isHome(placement)) return footprint;
  const { lands, maskOpenings, bores, keepOuts, legend, assembly, texts, edge } = footprint;
  const put = <P extends Parameters<typeof putPlaced>[1]>(placed: P) => putPlaced(placement, placed);
  const point = <P extends { readonly x: number; readonly y: number }>(p: P) => putPoint(placement, p);
  const board = -footprint.body.heights.boardBottom;
  const { far } = placement;
  return {
    ...footprint,
    origin: point(footprint.origin),
    far: footprint.far !== far,
    package: { ...footprint.package, lines: movedLines(footprint.package.lines, placement) },
    lands: lands.map((land) => movedLand(land, placement)),
    maskOpenings: maskOpenings.map((mask) => ({
      ...mask,
      opening: put(mask.opening),
      islands: mask.islands.map(put),
      far: mask.far !== far,
    })),
    bores: bores.map((bore) => ({
      ...bore,
      at: point(bore.at),
      hole: put(bore.hole),
      opening: put(bore.opening),
    })),
    keepOuts: keepOuts.map((keepOut) => ({
      ...keepOut,
      area: put(keepOut.area),
      side: far ? OTHER_SIDE[keepOut.side] : keepOut.side,
    })),
    courtyard: movedCourtyard(footprint.courtyard, placement),
    legend: {
      ...legend,
      lines: legend.lines.map((line) => line.map(point)),
      pin1: legend.pin1 && putContour(placement, legend.pin1),
    },
    assembly: {
      ...assembly,
      outline: putContour(placement, assembly.outline),
      terminals: assembly.terminals.map((contour) => putContour(placement, contour)),
      text: { ...assembly.text, at: point(assembly.text.at) },
    },
    texts: texts.map((text): TextMark => ({
      ...text,
      at: point(text.at),
      rotation: fullTurn(placement.angle + (far ? -text.rotation : text.rotation)),
      lines: text.lines.map((line) => line.map(point)),
      box: putBox(placement, text.box),
    })),
    body: movedBody(footprint.body, placement, board),
    edge: edge && { ...edge, at: point(edge.at), outward: putAngle(placement, edge.outward) },
    groups: footprint.groups.map((group) => movedGroup(group, placement)),
  };
}

const OTHER_SIDE = { component: 'far', far: 'component', both: 'both' } as const;

function movedLand(land: Land, placement: Placement): Land {
  const put = (placed: Land['copper']) => putPlaced(placement, placed);
  const { min, nom, max } = land.contact;
  return {
    ...land,
    far: land.far !== placement.far,
    at: putPoint(placement, land.at),
    rotation: putAngle(placement, land.rotation),
    copper: put(land.copper),
    mask: land.mask.map(put),
    islands: land.islands.map(put),
    paste: land.paste.map(put),
    hole: land.hole && put(land.hole),
    vias: land.vias.map((via) => putPoint(placement, via)),
    contact: { min: put(min), nom: put(nom), max: put(max) },
  };
}

function movedGroup<G extends SolvedGroup>(group: G, placement: Placement): G {
  const { terminals } = group;
  return { ...group, terminals: { ...terminals, frame: within(placement, terminals.frame) } };
}

/** A box that is turned by other than quarters goes on as a contour. */
function movedCourtyard(
  { box, contour, excess, grownFor, width }: Courtyard,
  placement: Placement,
): Courtyard {
  const outline = contour ?? (keepsAxes(placement) ? null : cornersOf(box));
  return {
    excess,
    grownFor,
    width,
    box: putBox(placement, box),
    contour: outline && putContour(placement, outline),
  };
}

/** Dimension lines lie along the axes of the views: only quarter turns on the near side keep them. */
function movedLines(lines: readonly DimensionLine[], placement: Placement): readonly DimensionLine[] {
  if (!keepsAxes(placement) || placement.far) return [];
  const { x, y } = placement.at;
  return lines.map((line) => {
    const turned = turnLine(line, fullTurn(placement.angle) / 90);
    const by = { plan: { x, y }, front: { x, y: 0 }, side: { x: y, y: 0 } }[turned.view];
    const shift = (p: DimensionLine['from']) => ({ x: quantise(p.x + by.x), y: quantise(p.y + by.y) });
    return { ...turned, from: shift(turned.from), to: shift(turned.to) };
  });
}

function movedBody(body: SeatedBody, placement: Placement, board: number): SeatedBody {
  return {
    ...body,
    extent: placedExtent(body.extent, placement),
    assembly: {
      shapes: body.assembly.shapes,
      parts: body.assembly.parts.map((part) => putPart(placement, part, board)),
    },
    imported: body.imported && movedModel(body.imported, placement, board),
  };
}

function movedModel(model: SeatedModel, placement: Placement, board: number): SeatedModel {
  const { pose, ground, seen } = model;
  return {
    ...model,
    pose: movedPose(pose, placement, board),
    ground: movedGround(ground, placement, board),
    seen: seen && {
      ...seen,
      fit: seen.fit && movedFit(seen.fit, placement, board),
      box: movedBox(seen.box, placement, board),
    },
  };
}

/** Turning over is half a turn about Y; before the turns about Z it goes past them with their sign changed. */
function movedPose({ scale, turn: { x, y, z }, at }: Pose, placement: Placement, board: number): Pose {
  const { angle, far } = placement;
  const turned = far
    ? { x, y: fullTurn(y + 180), z: fullTurn(angle - z) }
    : { x, y, z: angle === 0 ? z : fullTurn(angle + z) };
  return { scale, turn: turned, at: putPoint3(placement, at, board) };
}

function movedGround(ground: Ground, placement: Placement, board: number): Ground {
  return {
    ...ground,
    targets: ground.targets.map((target) => ({
      ...movedContact(target, placement, board),
      outward: outwardOn(placement, target.outward),
    })),
    box: movedBox(ground.box, placement, board),
    courtyard: putBox(placement, ground.courtyard),
    holes: ground.holes.map((hole) => ({ ...hole, ...putPoint(placement, hole) })),
  };
}

/** Where an end points on a board that it was moved on; `null` where that is no whole quarter. */
function outwardOn(placement: Placement, outward: number | null): number | null {
  if (outward === null) return null;
  const angle = putAngle(placement, outward);
  return isQuarter(angle) ? angle : null;
}

function movedFit(fit: Fit, placement: Placement, board: number): Fit {
  const { angle, far } = placement;
  return {
    ...fit,
    matches: fit.matches.map(({ target, contact, off }) => ({
      target,
      contact: movedContact(contact, placement, board),
      off: {
        ...turn({ x: far ? -off.x : off.x, y: off.y }, angle),
        z: far ? -off.z : off.z,
      },
    })),
    extra: fit.extra.map((contact) => movedContact(contact, placement, board)),
  };
}

/** The box of a contact that is turned is the box round it. */
function movedContact<C extends Contact>(contact: C, placement: Placement, board: number): C {
  const { width, height } = contact;
  const angle = (placement.angle * Math.PI) / 180;
  const [c, s] = keepsAxes(placement)
    ? placement.angle % 180 === 0
      ? [1, 0]
      : [0, 1]
    : [Math.abs(Math.cos(angle)), Math.abs(Math.sin(angle))];
  return {
    ...contact,
    ...putPoint3(placement, { x: contact.x, y: contact.y, z: contact.z }, board),
    width: width * c + height * s,
    height: width * s + height * c,
  };
}

function movedBox({ min, max }: Box3, placement: Placement, board: number): Box3 {
  const { minX, minY, maxX, maxY } = putBox(placement, {
    minX: min.x,
    minY: min.y,
    maxX: max.x,
    maxY: max.y,
  });
  const height = (z: number) => putPoint3(placement, { x: 0, y: 0, z }, board).z;
  const [low, high] = placement.far ? [height(max.z), height(min.z)] : [min.z, max.z];
  const at = (x: number, y: number, z: number): Point3 => ({ x, y, z });
  return { min: at(minX, minY, low), max: at(maxX, maxY, high) };
}
