import { USUAL_COLOURS } from '../body/colours';
import { heightsOf } from '../body/heights';
import type { Level, TapisDocument } from '../document/document';
import type { Finding } from '../document/finding';
import { over } from '../document/read-fields';
import type { TextsRead } from '../document/text-mark';
import { boxOfPoints, type Box } from '../geometry/box';
import { flatten } from '../geometry/contour';
import { grown, place, type Figure } from '../geometry/figure';
import { turned } from '../geometry/placement';
import { area, type Polygon } from '../geometry/polygon';
import type { Assembly } from '../geometry/solid';
import type { SolvedGroup } from '../land/solution';
import { solveLands } from '../land/solve';
import { drawPackage, standardBy, type Makers } from '../package/draw';
import { bodyAt, bodyOutline, bodyShape, placedPackage, type DrawnPackage } from '../package/drawn';
import { landIdOf, type Bore } from '../package/terminal';
import { completed, processById, PROCESSES, standardProcess } from '../process';
import type { Process } from '../process/process';
import { wanted } from '../standard/standard';
import { quantise } from '../units/length';
import { alternatesOf } from './alternates';
import { boardEdge } from './board-edge';
import { heightLimits, printedSolder, protrusionOf } from './board-heights';
import { readChoices, strayChoices, type Choices } from './choices';
import type {
  BoredHole,
  Compiled,
  Courtyard,
  Drawable,
  Footprint,
  MaskOpening,
  SeatedBody,
} from './footprint';
import { noModels, withModel, type GroundOf, type ModelSource } from './imported';
import { placeKeepOuts, strayAreas } from './keep-outs';
import { firstLand, openMask, placeLands } from './lands';
import { drawLegend } from './legend';
import { houseFindings, nameFindings } from './house';
import { drawAssembly, drawCourtyard, encloseLegend, LINE_WIDTHS, occupiedBy } from './marks';
import { namesOf } from './names';
import { numbersOf } from './numbering';
import { originOf } from './origin';
import { pinsOf } from './pins';
import { shapesToTry } from './pin1-shapes';
import { NO_REFERENCE, placeTexts } from './texts';

/** Everybody who has a part in compiling, as far as they are loaded. */
export interface Compilers extends Makers {
  /** Who tells what imported models lie on; `null` until that is loaded, which nothing asks for before. */
  readonly ground: GroundOf | null;
}

/**
 * Turns a document into a footprint. Pure and total: whatever a person typed gives a result,
 * and what cannot be used is named in `problems`. The same document gives the same numbers
 * on every platform. Lengths in mm, origin at the body centre, terminal 1 upper left.
 *
 * What was chosen is read first, then the package is drawn, its groups are solved where they stand,
 * and the footprint is put together from them.
 * @param makers who draw packages, and whoever else is needed
 * @param models gives imported models by their key, as far as they are at hand
 */
export function compileWith(
  makers: Compilers,
  document: TapisDocument,
  models: ModelSource = noModels,
): Compiled {
  const shop = processOf(document);
  const choices = readChoices(document, shop.process, standardBy(makers, document.standard));
  const { process, recommended, standard } = choices;
  const house = houseFindings(document, standard);
  const { resolved, drawn: unturned, problems: unread } = drawPackage(document, makers);
  const problems = [...shop.problems, ...house, ...unread, ...choices.problems];
  const { measurements, spreads } = choices.read;
  const base = { document, process, standard, recommended, measurements, spreads, resolved };
  // asked for by what checks and searches, not by what draws
  const alternates = (own: Footprint | null) =>
    once(() => alternatesOf(document, choices.read.alternates, own, (other) => compileWith(makers, other)));
  if (!unturned) {
    const others = alternates(null);
    return {
      ...base,
      footprint: null,
      levels: null,
      problems,
      get alternates() {
        return others();
      },
    };
  }
  const drawn = placedPackage(unturned, turned(choices.orientation === 'A' ? 0 : 90));
  const solve = (level: Level) => solveLands(drawn.groups, level, process, choices.land);
  const levels = solvedWhenAsked(solve);
  const bare = assemble(document, choices, drawn, levels[document.level]);
  const seated = withModel(bare, document.body?.model, choices.read.body.model, models, makers.ground);
  const footprint = { ...seated, edge: boardEdge(seated, choices.read.edge, drawn.edge) };
  const others = alternates(footprint);
  const unnamed = nameFindings(standard, drawn.name, choices.read.overrides.counter);
  return {
    ...base,
    footprint,
    levels,
    problems: [...problems, ...unnamed, ...strays(choices, drawn)],
    get alternates() {
      return others();
    },
  };
}

/** Makes something when it is asked for first. */
function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

/** Solutions at all levels, each solved once it is asked for: most are never looked at. */
function solvedWhenAsked(
  solve: (level: Level) => readonly SolvedGroup[],
): Readonly<Record<Level, readonly SolvedGroup[]>> {
  const solved = new Map<Level, readonly SolvedGroup[]>();
  const of = (level: Level) => {
    const found = solved.get(level) ?? solve(level);
    solved.set(level, found);
    return found;
  };
  return {
    get A() {
      return of('A');
    },
    get B() {
      return of('B');
    },
    get C() {
      return of('C');
    },
    get D() {
      return of('D');
    },
  };
}

/** Puts a footprint together: copper and openings, then what surrounds them, then the body. */
function assemble(
  document: TapisDocument,
  choices: Choices,
  drawn: DrawnPackage,
  solved: readonly SolvedGroup[],
): Footprint {
  const { process, read, orientation, standard } = choices;
  const { groups, bores: bored, keepOuts: areas, windows = [], edge: _, extent, solids, ...about } = drawn;
  const { lands, padstacks } = placeLands(solved, {
    margins: choices.margins,
    ownMargins: {
      mask: read.overrides.maskMargin !== null,
      paste: read.overrides.pasteMargin !== null,
    },
    standard,
    process,
    stacks: read.stacks,
    numbers: numbersOf(drawn, orientation, read.numbering, read.overrides.numbers),
    contacts: read.contacts,
    pin1Land: read.overrides.pin1Land ?? 'square',
  });
  const maskOpenings = [
    ...openMask(lands, read.overrides.jointMask ?? false, solved),
    ...windows.map(({ figure, at, rotation, far }): MaskOpening => ({
      opening: place(figure, at, rotation),
      islands: [],
      lands: [],
      far,
    })),
  ];
  const bores = [...bored, ...cutsOf(read.cuts)].map(boreMaker(choices.margins.mask));
  const keepOuts = placeKeepOuts(areas, read.keepOuts);
  const around = { lands, bores, keepOuts };
  const bare = courtyardOf(drawn, solved, around, choices);
  const first = firstLand(lands);
  const legend = legendOf(drawn, { lands, bores, maskOpenings, courtyard: bare, first }, choices);
  // a courtyard that is given does not grow
  const courtyard = read.marks.own.courtyard ? bare : encloseLegend(bare, legend, process);
  return {
    ...namesOf({ document, choices, template: about.name, lands }),
    package: about,
    ...around,
    padstacks,
    maskOpenings,
    courtyard,
    legend,
    ...marksOf(drawn, lands, courtyard, choices),
    body: seatBody(drawn, solids, lands, choices, document),
    edge: null,
    groups: solved,
    orientation,
    far: false,
    contacts: read.contacts,
    origin: originOf(read.origin, lands, first),
    pins: pinsOf(read.pins, lands),
  };
}

/** Slots of the document that have a place and a size. */
function cutsOf(read: Choices['read']['cuts']): (Bore & { readonly isCut: true })[] {
  return read.flatMap(({ x, y, length, width, turned }) => {
    if (x === null || y === null || length === null || width === null) return [];
    const figure: Figure = { kind: 'oblong', width: length, height: width };
    const shape = { figure, rotation: turned ?? 0 };
    return [{ at: { x, y }, diameter: Math.min(length, width), shape, isCut: true as const }];
  });
}

/** A hole without copper with the opening that keeps mask out of it. */
function boreMaker(margin: number): (bore: Bore & { readonly isCut?: boolean }) => BoredHole {
  return ({ at, diameter, shape, peg = null, isCut = false }) => {
    const figure: Figure = shape?.figure ?? { kind: 'round', diameter };
    const rotation = shape?.rotation ?? 0;
    return {
      at,
      diameter,
      peg,
      isCut,
      hole: place(figure, at, rotation),
      opening: place(grown(figure, margin), at, rotation),
    };
  };
}

function courtyardOf(
  { extent }: DrawnPackage,
  solved: readonly SolvedGroup[],
  { lands, bores, keepOuts }: Pick<Footprint, 'lands' | 'bores' | 'keepOuts'>,
  { read: { marks }, process, standard }: Choices,
): Courtyard {
  const width = wanted(standard, 'marks/courtyard-width', LINE_WIDTHS.courtyard).value;
  const excess = marks.excess ?? Math.max(0, ...solved.map((group) => group.courtyard));
  const given = marks.own.courtyard && flatten(marks.own.courtyard);
  const round = given && boxOfPoints(given);
  if (round) return { box: round, contour: isBox(given) ? null : given, excess, grownFor: null, width };
  return drawCourtyard(
    {
      occupied: occupiedBy(lands, bodyAt(extent, 'max'), bores, keepOuts),
      bodyShape: extent.outline ? bodyOutline(extent) : null,
      excess,
      shape: marks.courtyard ?? 'box',
      width,
    },
    process,
  );
}

/** Whether an outline is its own box. */
function isBox(outline: Polygon): boolean {
  const { minX, maxX, minY, maxY } = boxOfPoints(outline) as Box;
  return outline.length === 4 && Math.abs(area(outline) - (maxX - minX) * (maxY - minY)) < 1e-6;
}

type Surroundings = Pick<Footprint, 'lands' | 'bores' | 'maskOpenings' | 'courtyard'> & {
  readonly first: ReturnType<typeof firstLand>;
};

function legendOf(
  { extent, polarised, polarity, legend }: DrawnPackage,
  { lands, bores, maskOpenings, courtyard, first }: Surroundings,
  { read: { marks }, process, pin1Shapes }: Choices,
): Footprint['legend'] {
  const { own } = marks;
  const drawn = drawLegend({
    lands,
    maskOpenings,
    bores,
    body: bodyShape(extent, 'max'),
    bodyMax: bodyAt(extent, 'max'),
    courtyard: courtyard.box,
    process,
    style: marks.legend === false || own.lines ? null : (marks.style ?? legend),
    pin1:
      polarised && marks.pin1 !== false && !own.pin1
        ? shapesToTry(marks.pin1Shape, polarity, pin1Shapes)
        : [],
    first,
  });
  return {
    width: own.lines ? (own.width ?? drawn.width) : drawn.width,
    lines: own.lines && marks.legend !== false ? own.lines : drawn.lines,
    pin1: own.pin1 && marks.pin1 !== false ? flatten(own.pin1) : drawn.pin1,
  };
}

/** Assembly drawing and texts. */
function marksOf(
  { extent, polarised }: DrawnPackage,
  lands: Footprint['lands'],
  courtyard: Courtyard,
  { read: { marks }, process, orientation, standard }: Choices,
): Pick<Footprint, 'assembly' | 'texts'> {
  const body = bodyAt(extent, 'nom');
  return {
    assembly: drawAssembly(
      body,
      extent.outline ? bodyOutline(extent) : null,
      lands,
      polarised ? orientation : null,
      marks.reference ?? NO_REFERENCE,
      wanted(standard, 'marks/assembly-width', LINE_WIDTHS.assembly).value,
    ),
    texts: placeTexts(courtyard.box, body, process, marks),
  };
}

/** Stands the body on the board. */
function seatBody(
  { extent }: DrawnPackage,
  solids: Assembly,
  lands: Footprint['lands'],
  { read: { body }, process }: Choices,
  document: TapisDocument,
): SeatedBody {
  const [first] = lands;
  const solder =
    body.solderFrom === 'paste'
      ? printedSolder(lands, process)
      : (body.solderThickness ?? process.solderThickness);
  const heights = heightsOf(extent, process, {
    solder,
    land: first ? first.copper.maxX - first.copper.minX : 0,
    lift: body.lift ?? 0,
    onStandoff: body.seat === 'standoff',
  });
  const assembly: Assembly = {
    shapes: solids.shapes,
    parts: solids.parts.map((part) => {
      const { x, y, z } = part.at;
      return { ...part, at: { x, y, z: quantise(z + heights.seating) } };
    }),
  };
  return {
    extent,
    heights,
    limits: heightLimits(body, process),
    protrusion: protrusionOf(assembly, lands, process),
    colours: { ...USUAL_COLOURS, ...document.body?.colours },
    imported: null,
    assembly,
  };
}

/** What was read of a compiled document's marks; asked for again for each reference that a part is placed under. */
const marksRead = new WeakMap<Drawable, Choices['read']['marks']>();

/**
 * A footprint with another reference: everything else is the same.
 * @param texts where the texts are to stand, over what the footprint says of its own
 */
export function withReference(compiled: Drawable, reference: string, texts?: TextsRead): Footprint {
  const { document, process, standard, footprint } = compiled;
  const { courtyard, body, assembly } = footprint;
  const marks = marksRead.get(compiled) ?? readChoices(document, process, standard).read.marks;
  marksRead.set(compiled, marks);
  const named = {
    ...marks,
    reference: isNone(reference) ? null : reference,
    texts: over<TextsRead>(texts ?? marks.texts, marks.texts),
  };
  return {
    ...footprint,
    texts: placeTexts(courtyard.box, bodyAt(body.extent, 'nom'), process, named),
    assembly: { ...assembly, text: { ...assembly.text, text: reference } },
  };
}

/** Whether a reference is what parts without one are called. */
const isNone = (reference: string): boolean =>
  reference.startsWith(NO_REFERENCE) && /^\d*$/.test(reference.slice(NO_REFERENCE.length));

/** What was chosen for groups and lands that the drawing does not have. */
function strays({ read }: Choices, { groups, keepOuts }: DrawnPackage): Finding[] {
  const lands = () =>
    new Set(groups.flatMap((group) => group.places.map((spot, i) => landIdOf(group, spot, i))));
  return [
    ...strayChoices(read, new Set(groups.map(({ id }) => id)), lands),
    ...strayAreas(read.keepOuts, keepOuts.length),
  ];
}

/** The process that a document or a trial names, or the standard one and why. */
export function processOf(document: Pick<TapisDocument, 'process' | 'ownProcess'>): {
  readonly process: Process;
  readonly problems: Finding[];
} {
  const { ownProcess } = document;
  const process = ownProcess?.id === document.process ? completed(ownProcess) : processById(document.process);
  if (process) return { process, problems: [] };
  const unknown: Finding = {
    rule: 'entry',
    severity: 'stop',
    title: 'Process not known',
    message: `There is no process “${document.process}” here; known are ${PROCESSES.map(({ id }) => id).join(', ')}. The drawing uses ${standardProcess.id} until one is chosen.`,
    source: 'Processes',
    stage: 'prove',
    place: {},
    remedies: PROCESSES.map(({ id, name }) => ({
      label: `Use ${name}`,
      edits: [{ at: '/process', value: id }],
    })),
  };
  return { process: standardProcess, problems: [unknown] };
}
