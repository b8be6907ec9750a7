import { USUAL_COLOURS } from '../body/colours';
import { heightsOf } from '../body/heights';
import type { Level, Numbering, TapisDocument } from '../document/document';
import type { Finding } from '../document/finding';
import { boxAt } from '../geometry/box';
import { place } from '../geometry/figure';
import { lowestOf } from '../geometry/faces';
import { turn } from '../geometry/point';
import type { Assembly } from '../geometry/solid';
import type { LandSolution } from '../land/solution';
import { solveLands } from '../land/solve';
import { FAMILIES, familyById } from '../package/families';
import type { Dimensions, FamilyDefinition, Options, Polarity } from '../package/family';
import { formatName } from '../package/naming';
import { oriented, type Orientation, type PackageGeometry } from '../package/orient';
import { resolvePackage, type ResolvedPackage } from '../package/resolve';
import type { TerminalGroup } from '../package/terminal';
import { completed, processById, PROCESSES } from '../process';
import type { Process } from '../process/process';
import { quantise } from '../units/length';
import { bodyOutline } from './body-outline';
import { withEdge } from './board-edge';
import { heightLimits, printedSolder } from './board-heights';
import { entryReader } from './entry-reader';
import { noModels, withModel, type ModelSource } from './imported';
import { readChoices, type Choices } from './choices';
import type { BoredHole, Compiled, Footprint, PlacedKeepOut } from './footprint';
import { FIRST_NUMBERS, openMask, placeLands, terminalAt } from './lands';
import { drawLegend } from './legend';
import { readKeepOuts } from './keep-outs';
import { drawAssembly, drawCourtyard, occupiedBy } from './marks';
import { numberTerminals, type Numbered } from './numbering';
import { originOf } from './origin';
import { usualShape } from './pin1-shapes';
import { placeTexts } from './texts';

/** Rule id of findings about dimensions that were not entered yet. */
export const MISSING = 'missing';

const ORIGIN = { x: 0, y: 0 };

/**
 * Turns a document into a footprint. Pure and total: whatever a person typed gives a result,
 * and what cannot be used is named in `problems`. The same document gives the same numbers
 * on every platform. Lengths in mm, origin at the body centre, terminal 1 upper left.
 * @param models gives imported models by their key, as far as they are at hand
 */
export function compile(document: TapisDocument, models: ModelSource = noModels): Compiled {
  const problems: Finding[] = [];
  const process = onBoard(processOf(document, problems), document);
  const choices = readChoices(document, process);
  const { recommended } = choices;
  const base = { document, process, recommended };
  const family = familyById(document.package.family);
  const without = (resolved: ResolvedPackage | null): Compiled => ({
    ...base,
    resolved,
    footprint: null,
    levels: null,
    problems: [...problems, ...choices.problems()],
  });
  if (!family) {
    problems.push(unknownFamily(document));
    return without(null);
  }
  const resolved = resolvePackage(family, document.package);
  problems.push(...entryProblems(resolved), ...optionProblems(resolved));
  if (!resolved.values) return without(resolved);

  const geometry = geometryOf(family, resolved.values, resolved.options, choices.orientation);
  const { groups } = geometry;
  if (geometry.bores.length === 0 && groups.every(({ places }) => places.length === 0)) {
    problems.push(noTerminals(family));
    return without(resolved);
  }
  const solve = (level: Level) => solveLands(groups, level, process, choices.land);
  const levels = { A: solve('A'), B: solve('B'), C: solve('C') };
  const bare = assemble(document, process, choices, resolved, resolved.values, geometry, levels);
  const footprint = withEdge(
    withModel(bare, document.body?.model, models, choices.reader),
    document.edge,
    choices.reader,
  );
  // entries of padstacks and marks are read while they are made
  return { ...base, resolved, footprint, levels, problems: [...problems, ...choices.problems()] };
}

/** A package as its family draws it, turned to an orientation. */
function geometryOf(
  family: FamilyDefinition,
  values: Dimensions,
  options: Options,
  orientation: Orientation,
): PackageGeometry {
  const geometry = {
    groups: family.terminals(values, options),
    bores: family.bores?.(values, options) ?? [],
    keepOuts: family.keepOuts?.(values, options) ?? [],
    extent: family.body(values, options),
    solids: family.solids(values, options),
  };
  return oriented(geometry, orientation);
}

function assemble(
  document: TapisDocument,
  process: Process,
  choices: Choices,
  { family, options }: ResolvedPackage,
  values: Dimensions,
  { groups, bores: bored, keepOuts: areas, extent, solids }: PackageGeometry,
  levels: Readonly<Record<Level, readonly LandSolution[]>>,
): Footprint {
  const { level, overrides = {}, marks = {}, numbering = {} } = document;
  const { orientation } = choices;
  const solutions = levels[level];
  const centre = extent.centre ?? ORIGIN;
  const body = boxAt(centre, extent.x.nom, extent.y.nom);
  const bodyMax = boxAt(centre, extent.x.max, extent.y.max);
  const margins = { mask: choices.maskMargin, paste: choices.pasteMargin };
  const polarity = family.polarity?.(options);
  const schemeNumbers = numbersOf(groups, orientation, numbering, polarity);
  const numbers = new Map(schemeNumbers);
  for (const [position, number] of Object.entries(overrides.numbers ?? {}))
    numbers.set(Number(position), number);
  const { lands, padstacks } = placeLands(groups, solutions, {
    margins,
    process,
    stacks: choices.stacks,
    numbers,
    schemeNumbers,
    contacts: choices.contacts,
    pin1Land: overrides.pin1Land ?? 'square',
  });
  const bores = bored.map(({ at, diameter }): BoredHole => ({
    at,
    diameter,
    opening: place({ kind: 'round', diameter: quantise(diameter + 2 * margins.mask) }, at),
  }));
  const keepOuts = [
    ...areas.map(({ figure, at, rotation, why }): PlacedKeepOut => ({
      area: place(figure, at, rotation),
      why,
      what: 'components',
      side: 'component',
    })),
    ...readKeepOuts(document.keepOuts ?? [], choices.reader),
  ];
  const maskOpenings = openMask(lands, overrides.jointMask ?? false);
  const polarised = family.polarised(options);
  const excess =
    choices.reader.length(marks.excess, '/marks/excess', 'Courtyard excess', 'mark', 0) ??
    Math.max(0, ...solutions.map((solution) => solution.courtyard));
  const shape = bodyOutline(extent);
  const courtyard = drawCourtyard(
    {
      occupied: occupiedBy(lands, bodyMax, bores, keepOuts),
      bodyShape: extent.outline ? shape : null,
      excess,
      shape: marks.courtyard ?? 'box',
    },
    process,
  );
  const reference = marks.reference ?? 'REF';
  const nameTemplate = family.name(values, options);
  const heights = heightsOf(extent, process, {
    solder: choices.solder ?? printedSolder(lands, process),
    land: lands[0] ? lands[0].copper.maxX - lands[0].copper.minX : 0,
    lift: choices.lift,
    onStandoff: document.body?.seat === 'standoff',
  });
  const standing: Assembly = {
    shapes: solids.shapes,
    parts: solids.parts.map((part) => ({
      ...part,
      at: { ...part.at, z: quantise(part.at.z + heights.seating) },
    })),
  };
  const first = lands.find(({ number }) => FIRST_NUMBERS.includes(number));
  return {
    standardName: formatName(nameTemplate, level),
    nameTemplate,
    lands,
    padstacks,
    maskOpenings,
    bores,
    keepOuts,
    courtyard,
    legend: drawLegend({
      lands,
      maskOpenings,
      bores,
      body: shape,
      bodyMax,
      process,
      style: marks.legend === false ? null : (marks.style ?? family.legend ?? 'outline'),
      pin1: polarised && marks.pin1 !== false ? (marks.pin1Shape ?? usualShape(polarity)) : null,
      ...(first ? { first } : {}),
    }),
    assembly: drawAssembly(
      body,
      extent.outline ? shape : null,
      lands,
      polarised ? orientation : null,
      reference,
    ),
    texts: placeTexts(courtyard.box, body, process, marks, choices.reader),
    body: {
      extent,
      heights,
      limits: heightLimits(document.body ?? {}, process, choices.reader),
      protrusion: lands.some(({ hole, plated }) => hole && plated)
        ? quantise(-lowestOf(standing) - process.boardThickness - process.copperThickness)
        : null,
      colours: { ...USUAL_COLOURS, ...document.body?.colours },
      imported: null,
      assembly: standing,
    },
    edge: null,
    groups,
    solutions,
    values,
    orientation,
    contacts: choices.contacts,
    origin: originOf(document.origin, lands, first, choices.reader),
  };
}

/** Numbers by position: by the scheme, in orientation A. */
function numbersOf(
  groups: readonly TerminalGroup[],
  orientation: Orientation,
  numbering: Numbering,
  polarity: Polarity | undefined,
): Map<number, string> {
  const back = orientation === 'A' ? 0 : 270;
  const own = new Map<number, string>();
  const terminals: Numbered[] = [];
  // pads and corner lands keep their own numbers after those of the rows, whatever their scheme
  const hasRows = groups.some(({ kind }) => kind === 'span');
  for (const group of groups) {
    for (const terminal of group.places) {
      own.set(terminal.position, terminal.number ?? String(terminal.position));
      if (hasRows && group.kind !== 'span') continue;
      terminals.push({ position: terminal.position, at: turn(terminalAt(group, terminal), back) });
    }
  }
  return new Map([...own, ...numberTerminals(terminals, own, numbering, polarity)]);
}

/** Texts of the family's options that cannot be read; what could be read of them is used. */
function optionProblems({ family, options }: ResolvedPackage): Finding[] {
  return family.options.flatMap(({ id, name, read }): Finding[] => {
    const error = read?.(options[id] ?? '');
    if (!error) return [];
    return [
      {
        rule: 'entry',
        severity: 'stop',
        title: `${name} cannot be read`,
        message: error,
        source: 'Package families',
        stage: 'measure',
        place: {},
        remedies: [{ label: 'Clear it', edits: [{ at: `/package/options/${id}`, value: undefined }] }],
      },
    ];
  });
}

function noTerminals({ title, dimensions }: FamilyDefinition): Finding {
  return {
    rule: 'entry',
    severity: 'stop',
    title: 'No terminals left',
    message: `${title} has no terminal with these counts and omissions; there is nothing to put a land under.`,
    source: 'Package families',
    stage: 'measure',
    place: { dimensions: dimensions.slice(0, 1).map(({ symbol }) => symbol) },
    remedies: [],
  };
}

/** The process with what this document says of its board; an unreadable thickness is reported with the choices. */
function onBoard(process: Process, { body, package: { unit = 'mm' } }: TapisDocument): Process {
  const thickness = entryReader(unit).length(body?.boardThickness, '', '', 'rise', 0.05);
  return thickness === null ? process : { ...process, boardThickness: thickness };
}

function processOf(document: TapisDocument, problems: Finding[]): Process {
  const { ownProcess } = document;
  const process = ownProcess?.id === document.process ? completed(ownProcess) : processById(document.process);
  if (process) return process;
  const standard = PROCESSES[0] as Process;
  problems.push({
    rule: 'entry',
    severity: 'stop',
    title: 'Process not known',
    message: `There is no process “${document.process}” here; known are ${PROCESSES.map(({ id }) => id).join(', ')}. The drawing uses ${standard.id} until one is chosen.`,
    source: 'Processes',
    stage: 'prove',
    place: {},
    remedies: PROCESSES.map(({ id, name }) => ({
      label: `Use ${name}`,
      edits: [{ at: '/process', value: id }],
    })),
  });
  return standard;
}

function unknownFamily(document: TapisDocument): Finding {
  const known = FAMILIES.map(({ id }) => id).join(', ');
  return {
    rule: 'entry',
    severity: 'stop',
    title: 'Package family not known',
    message: `There is no family “${document.package.family}” here; known are ${known}.`,
    source: 'Package families',
    stage: 'measure',
    place: {},
    remedies: FAMILIES.map(({ id, title }) => ({
      label: `Use ${title}`,
      edits: [{ at: '/package/family', value: id }],
    })),
  };
}

/** Dimensions that are missing or cannot be read, and entries that the family does not have. */
function entryProblems({ dimensions, unknown, family }: ResolvedPackage): Finding[] {
  const base = { rule: 'entry', severity: 'stop', source: 'Entry grammar', stage: 'measure' } as const;
  const found = dimensions.flatMap(({ definition, source, error, text }): Finding[] => {
    const { symbol, name, help } = definition;
    const place = { dimensions: [symbol] };
    if (error) {
      const message = `“${text}”: ${error.message}`;
      return [{ ...base, title: `${name} ${symbol} cannot be used`, message, place, remedies: [] }];
    }
    if (source !== 'missing') return [];
    const message = `Enter ${name.toLowerCase()} ${symbol}: ${help.toLowerCase()}.`;
    return [{ ...base, rule: MISSING, title: `${name} ${symbol} is missing`, message, place, remedies: [] }];
  });
  const strangers = unknown.map((symbol): Finding => ({
    ...base,
    severity: 'note',
    title: `Dimension ${symbol} is not used`,
    message: `${family.title} has no dimension ${symbol}; it is kept in the document and not used.`,
    place: { dimensions: [symbol] },
    remedies: [
      { label: `Remove ${symbol}`, edits: [{ at: `/package/dimensions/${symbol}`, value: undefined }] },
    ],
  }));
  return [...found, ...strangers];
}
