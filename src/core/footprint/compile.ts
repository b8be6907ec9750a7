import { heightsOf } from '../body/heights';
import { LEVELS, type Level, type TapisDocument } from '../document/document';
import type { Finding } from '../document/finding';
import { boxAt } from '../geometry/box';
import { solveGroup, type LandSolution } from '../land/solve-group';
import { FAMILIES, familyById } from '../package/families';
import type { Dimensions } from '../package/family';
import { formatName } from '../package/naming';
import { resolvePackage, type ResolvedPackage } from '../package/resolve';
import type { TerminalGroup } from '../package/terminal';
import { processById, PROCESSES } from '../process';
import type { Process } from '../process/process';
import { quantise } from '../units/length';
import { readChoices, type Choices } from './choices';
import type { Compiled, Footprint } from './footprint';
import { openMask, placeLands } from './lands';
import { drawLegend } from './legend';
import { drawAssembly, drawCourtyard, placeTexts } from './marks';

/** Rule id of findings about dimensions that were not entered yet. */
export const MISSING = 'missing';

const ORIGIN = { x: 0, y: 0 };

/**
 * Turns a document into a footprint. Pure and total: whatever a person typed gives a result,
 * and what cannot be used is named in `problems`. The same document gives the same numbers
 * on every platform. Lengths in mm, origin at the body centre, terminal 1 upper left.
 */
export function compile(document: TapisDocument): Compiled {
  const problems: Finding[] = [];
  const process = processOf(document, problems);
  const choices = readChoices(document, process);
  problems.push(...choices.problems);
  const family = familyById(document.package.family);
  if (!family) {
    problems.push(unknownFamily(document));
    return { document, process, resolved: null, footprint: null, levels: null, problems };
  }
  const resolved = resolvePackage(family, document.package);
  problems.push(...entryProblems(resolved));
  if (!resolved.values) return { document, process, resolved, footprint: null, levels: null, problems };

  const groups = family.terminals(resolved.values);
  const solve = (level: Level) => groups.map((group) => solveGroup(group, level, process, choices.land));
  const levels = Object.fromEntries(LEVELS.map((level) => [level, solve(level)])) as Record<
    Level,
    LandSolution[]
  >;
  const solutions = levels[document.level];
  const footprint = assemble(document, process, choices, resolved, resolved.values, groups, solutions);
  return { document, process, resolved, footprint, levels, problems };
}

function assemble(
  document: TapisDocument,
  process: Process,
  choices: Choices,
  { family, options }: ResolvedPackage,
  values: Dimensions,
  groups: readonly TerminalGroup[],
  solutions: readonly LandSolution[],
): Footprint {
  const { level, overrides = {}, marks = {} } = document;
  const extent = family.body(values);
  const body = boxAt(ORIGIN, extent.x.nom, extent.y.nom);
  const bodyMax = boxAt(ORIGIN, extent.x.max, extent.y.max);
  const margins = { mask: choices.maskMargin, paste: choices.pasteMargin };
  const { lands, padstacks } = placeLands(groups, solutions, margins, process, overrides.numbers ?? {});
  const maskOpenings = openMask(lands, margins.mask, overrides.jointMask ?? false);
  const polarised = family.polarised(options);
  const excess = Math.max(...solutions.map(({ goals }) => goals.courtyard));
  const courtyard = drawCourtyard(lands, bodyMax, excess, process);
  const reference = marks.reference ?? 'REF';
  const nameTemplate = family.name(values, options);
  const heights = heightsOf(extent, process, choices.solder);
  const assembly = family.solids(values);
  return {
    standardName: formatName(nameTemplate, level),
    nameTemplate,
    lands,
    padstacks,
    maskOpenings,
    courtyard,
    legend: drawLegend({
      lands,
      maskOpenings,
      body,
      bodyMax,
      process,
      outline: marks.legend ?? true,
      pin1: polarised && (marks.pin1 ?? true),
    }),
    assembly: drawAssembly(body, lands, polarised, reference),
    texts: placeTexts(courtyard.box, process, reference, marks.value ?? 'VALUE'),
    body: {
      extent,
      heights,
      assembly: {
        shapes: assembly.shapes,
        parts: assembly.parts.map((part) => ({
          ...part,
          at: { ...part.at, z: quantise(part.at.z + heights.seating) },
        })),
      },
    },
    groups,
    solutions,
    values,
  };
}

function processOf(document: TapisDocument, problems: Finding[]): Process {
  const process = processById(document.process);
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
