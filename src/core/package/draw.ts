import { AS_PUBLISHED, type Standard, type StandardDocument } from '../standard/standard';
import type { PackageIntent, TapisDocument } from '../document/document';
import type { Edit } from '../document/edit';
import { applyEdits } from '../document/edit';
import { entryEdit, entryOf, writtenEntry } from '../document/entries';
import { MISSING, type Finding } from '../document/finding';
import { COMPOSED, isOwn } from '../document/own-family';
import type { drawComposed } from './composed/draw';
import type { askedOf, exampleValues } from './composed/own';
import type { Dimensions } from './definitions';
import type { DrawnPackage, Plausibility } from './drawn';
import type { FamilyDefinition, PlausibilityContext } from './family';
import { resolvePackage, type Asked, type ResolvedPackage } from './resolve';

/** Draws packages that are composed of pieces. */
export interface Composer {
  readonly drawComposed: typeof drawComposed;
  readonly askedOf: typeof askedOf;
  readonly exampleValues: typeof exampleValues;
}

/** Who draws packages, as far as they are loaded. */
export interface Makers {
  readonly families: readonly FamilyDefinition[];
  readonly composer: Composer | null;
  /** Who reads house standards; `null` until that is loaded, which nothing asks for before. */
  readonly standards: ((document: StandardDocument) => Standard) | null;
}

const familyIn = ({ families }: Makers, id: string): FamilyDefinition | null =>
  families.find((family) => family.id === id) ?? null;

/** A house standard ready to be asked; as published where there is none. */
export function standardBy({ standards }: Makers, document: StandardDocument | undefined): Standard {
  if (!document) return AS_PUBLISHED;
  if (!standards) throw new Error('what reads house standards is not loaded');
  return standards(document);
}

/** Who draws composed packages; nobody asks while there is none. */
function composerOf({ composer }: Makers): Composer {
  if (!composer) throw new Error('what draws composed packages is not loaded');
  return composer;
}

/** A document's package: what was entered, and how it is drawn as far as that goes. */
export interface PackageDrawing {
  /** `null` where nothing is known about such a package. */
  readonly resolved: ResolvedPackage | null;
  /** `null` while an entry is missing or cannot be read. */
  readonly drawn: DrawnPackage | null;
  readonly problems: readonly Finding[];
}

/** Draws the package of a document, pin 1 upper left. Whoever makes the drawing, it comes out alike. */
export function drawPackage(document: TapisDocument, makers: Makers): PackageDrawing {
  if (document.package.family === COMPOSED) return drawPieces(document, composerOf(makers));
  const family = familyIn(makers, document.package.family);
  if (!family) return { resolved: null, drawn: null, problems: [unknownFamily(document, makers)] };
  const resolved = resolvePackage(family, document.package);
  const problems = [
    ...entryProblems(resolved),
    ...entryDoubts(resolved, document),
    ...optionProblems(resolved),
  ];
  if (!resolved.values) return { resolved, drawn: null, problems };
  return unlessEmpty(resolved, drawFamily(family, resolved.values, resolved, document), problems);
}

/** Draws a package that is composed of pieces. */
function drawPieces(document: TapisDocument, composer: Composer): PackageDrawing {
  const { resolved, drawn, problems: ofPieces } = composer.drawComposed(document);
  const problems = [...entryProblems(resolved), ...entryDoubts(resolved, document), ...ofPieces];
  return drawn ? unlessEmpty(resolved, drawn, problems) : { resolved, drawn, problems };
}

/** A drawing, unless there is nothing on it that a land or a hole could be under. */
function unlessEmpty(
  resolved: ResolvedPackage,
  drawn: DrawnPackage,
  problems: readonly Finding[],
): PackageDrawing {
  const empty = drawn.bores.length === 0 && drawn.groups.every(({ places }) => places.length === 0);
  return empty
    ? { resolved, drawn: null, problems: [...problems, noTerminals(resolved)] }
    : { resolved, drawn, problems };
}

/** Draws a package as its family does. */
function drawFamily(
  family: FamilyDefinition,
  values: Dimensions,
  resolved: ResolvedPackage,
  document: TapisDocument,
): DrawnPackage {
  const { options } = resolved;
  return {
    title: family.title,
    type: typeof family.type === 'function' ? family.type(values, options) : (family.type ?? 'OTHER'),
    groups: family.terminals(values, options),
    bores: family.bores?.(values, options) ?? [],
    keepOuts: family.keepOuts?.(values, options) ?? [],
    extent: family.body(values, options),
    solids: family.solids(values, options),
    lines: family.dimensionLines(values, options),
    name: family.name(values, options),
    polarised: family.polarised(options),
    polarity: family.polarity?.(options) ?? null,
    legend: family.legend ?? 'outline',
    leadThickness: (Object.hasOwn(values, 'c') && values['c']?.nom) || null,
    plausibility: plausibilityOf(family, values, resolved, document),
  };
}

/** Holds the datasheet's numbers against the family's geometry. */
function plausibilityOf(
  family: FamilyDefinition,
  values: Dimensions,
  resolved: ResolvedPackage,
  document: TapisDocument,
): Plausibility {
  const context: PlausibilityContext = {
    d: values,
    options: resolved.options,
    entered: (symbol) => {
      const dimension = resolved.dimensions.find(({ definition }) => definition.symbol === symbol);
      return dimension?.source === 'entered' ? dimension.text : null;
    },
    // a value that has another origin carries the datasheet's letter no longer
    enter: (symbol, text, where = '') =>
      entryEdit(document, symbol, { text, where, unit: null, ...(where ? { label: '', from: null } : {}) }),
    move: (from, to) => entryEdit(document, to, writtenEntry(entryOf(document, from))),
  };
  const checked = family.plausibility.map(({ id, title, fault, source, check }) => ({
    rule: { id, title, source },
    found: check(context).map((f): Finding => ({ ...f, rule: id, title: fault, source, stage: 'measure' })),
  }));
  return {
    findings: checked.flatMap(({ found }) => found),
    held: checked.filter(({ found }) => found.length === 0).map(({ rule }) => rule),
  };
}

/**
 * What is wrong with the dimensions of a package, by itself and against each other, without drawing it.
 * What is missing is not told.
 */
export function soundness(
  document: TapisDocument,
  makers: Makers,
): {
  readonly resolved: ResolvedPackage;
  readonly findings: readonly Finding[];
} | null {
  const family = familyIn(makers, document.package.family);
  if (!family) return null;
  const resolved = resolvePackage(family, document.package);
  const problems = entryProblems(resolved).filter(({ rule }) => rule !== MISSING);
  const { values } = resolved;
  const findings = values ? plausibilityOf(family, values, resolved, document).findings : [];
  return { resolved, findings: [...problems, ...findings] };
}

/** A document completed with example values of its package, and the symbols that were filled in. */
export interface ExampleDocument {
  readonly document: TapisDocument;
  readonly filled: readonly string[];
}

/**
 * Fills what is missing or unreadable with the package's example, so that there is something
 * to look at while a datasheet is typed in. Never to be saved or handed over.
 * @returns `null` for a package that is not known
 */
export function withExamples(document: TapisDocument, makers: Makers): ExampleDocument | null {
  const known = exampleOf(document.package, makers);
  if (!known) return null;
  const { asked, example } = known;
  const filled = resolvePackage(asked, document.package)
    .dimensions.filter(({ value, error }) => !value || error)
    .map(({ definition }) => definition.symbol)
    .filter((symbol) => Object.hasOwn(example, symbol));
  const edits = filled.map((symbol): Edit => {
    // examples are printed in their family's unit, whatever unit the datasheet has
    const text = example[symbol] as string;
    return entryEdit(document, symbol, { text, unit: asked.unit ?? 'mm' });
  });
  return { document: applyEdits(document, edits), filled };
}

/** What a package asks for, and its family's example of it. A composition of its own has none but itself. */
function exampleOf(
  intent: PackageIntent,
  makers: Makers,
): { readonly asked: Asked; readonly example: Readonly<Partial<Record<string, string>>> } | null {
  if (intent.family === COMPOSED) {
    const composer = composerOf(makers);
    return {
      asked: composer.askedOf(intent).asked,
      example: isOwn(intent) ? composer.exampleValues(intent) : {},
    };
  }
  const family = familyIn(makers, intent.family);
  return family ? { asked: family, example: family.example } : null;
}

const FAMILY_BASE = {
  rule: 'entry',
  severity: 'stop',
  source: 'Package families',
  stage: 'measure',
} as const;

/** Texts of the options that cannot be read; what could be read of them is used. */
function optionProblems({ choices, options }: ResolvedPackage): Finding[] {
  return choices.flatMap(({ id, name, read }): Finding[] => {
    const message = read?.(options[id] ?? '');
    if (!message) return [];
    const remedies = [{ label: 'Clear it', edits: [{ at: `/package/options/${id}`, value: undefined }] }];
    const place = { field: `/package/options/${id}` };
    return [{ ...FAMILY_BASE, title: `${name} cannot be read`, message, place, remedies }];
  });
}

function noTerminals({ title, dimensions }: ResolvedPackage): Finding {
  return {
    ...FAMILY_BASE,
    title: 'No terminals left',
    message: `${title} has no terminal with these counts and omissions; there is nothing to put a land under.`,
    place: { dimensions: dimensions.slice(0, 1).map(({ definition }) => definition.symbol) },
    remedies: [],
  };
}

function unknownFamily({ package: { family } }: TapisDocument, { families }: Makers): Finding {
  const known = families.map(({ id }) => id).join(', ');
  return {
    ...FAMILY_BASE,
    title: 'Package family not known',
    message: `There is no family “${family}” here; known are ${known}.`,
    place: {},
    remedies: families.map(({ id, title }) => ({
      label: `Use ${title}`,
      edits: [{ at: '/package/family', value: id }],
    })),
  };
}

/** Dimensions that are missing or cannot be read, and entries that the package does not have. */
function entryProblems({ dimensions, unknown, title: kind }: ResolvedPackage): Finding[] {
  const base = { ...FAMILY_BASE, source: 'Entry grammar', remedies: [] };
  const found = dimensions.flatMap(({ definition, source, error, text }): Finding[] => {
    const { symbol, name, help } = definition;
    const place = { dimensions: [symbol] };
    if (error) {
      const message = `“${text}”: ${error.message}`;
      return [{ ...base, title: `${name} ${symbol} cannot be used`, message, place }];
    }
    if (source !== 'missing') return [];
    const message = `Enter ${name.toLowerCase()} ${symbol}: ${help.toLowerCase()}.`;
    return [{ ...base, rule: MISSING, title: `${name} ${symbol} is missing`, message, place }];
  });
  const strangers = unknown.map((symbol): Finding => ({
    ...base,
    severity: 'note',
    title: `Dimension ${symbol} is not used`,
    message: `${kind} has no dimension ${symbol}; it is kept in the document and not used.`,
    place: { dimensions: [symbol] },
    remedies: [
      { label: `Remove ${symbol}`, edits: [{ at: `/package/dimensions/${symbol}`, value: undefined }] },
    ],
  }));
  return [...found, ...strangers];
}

/** What is said about entries that were read: they stand, and one of their numbers may be wrong. */
function entryDoubts({ dimensions }: ResolvedPackage, document: TapisDocument): Finding[] {
  const leads = dimensions.find(({ definition }) => definition.symbol === 'n')?.value?.nom ?? Infinity;
  return dimensions.flatMap(({ definition: { symbol, name }, text, doubts, hints, error }): Finding[] => {
    if (error) return [];
    const base = { ...FAMILY_BASE, rule: 'entry-doubt', source: 'Entry grammar' };
    const found = doubts.map(({ severity, message, instead }): Finding => ({
      ...base,
      severity,
      title: `${name} ${symbol} as it was read`,
      message: `“${text}”: ${message}`,
      place: { dimensions: [symbol] },
      remedies:
        instead === undefined
          ? []
          : [{ label: `Take ${instead}`, edits: [entryEdit(document, symbol, { text: instead })] }],
    }));
    const { count = 0 } = hints;
    if (count > leads)
      found.push({
        ...base,
        severity: 'caution',
        title: 'Count in the drawing',
        message: `“${text}” counts ${count} of them, but n is ${leads}.`,
        place: { dimensions: ['n', symbol] },
        measured: { value: leads, limit: count, unit: 'count' },
        remedies: [],
      });
    return found;
  });
}
