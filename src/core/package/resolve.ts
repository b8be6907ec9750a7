import type { PackageIntent, PrintedAt, SheetUnit } from '../document/document';
import { TYPICAL, writtenEntry, type WrittenEntry } from '../document/entries';
import { evaluateEntry, type EntryScope } from '../units/entry';
import { isNotGiven } from '../units/entry-text';
import type { EntryError } from '../units/entry-tokens';
import { parseEntry, type EntryDoubt, type EntryHints, type EntryTree } from '../units/entry-tree';
import { formatNumber, toMm } from '../units/length';
import { ASSUMPTION, type Toleranced } from '../units/toleranced';
import type {
  DimensionDefinition,
  Dimensions,
  OptionDefinition,
  Options,
  StandardOutline,
} from './definitions';
import type { FamilyDefinition } from './family';

/** One dimension after reading: what was entered, what it means, what is wrong with it. */
export interface ResolvedDimension {
  readonly definition: DimensionDefinition;
  /** What was entered, or the family's own formula; empty where the dimension is missing. */
  readonly text: string;
  readonly unit: SheetUnit;
  readonly source: 'entered' | 'derived' | 'missing';
  readonly label: string;
  readonly where: string;
  /** The place on a page that it was read from; `null` where it was typed. */
  readonly from: PrintedAt | null;
  /** `null` where it is missing or cannot be read. */
  readonly value: Toleranced | null;
  readonly error: { readonly at: number; readonly message: string } | null;
  /** What had to be assumed about an incomplete value. */
  readonly assumption: string | null;
  /** What else has to be said about the entry. */
  readonly doubts: readonly EntryDoubt[];
  /** What came with the number: a count, a letter, the sign of a diameter. */
  readonly hints: EntryHints;
  /** Whether the part has it under its options, or it was entered all the same. */
  readonly asked: boolean;
}

/** What a package's drawing asks for, and what was entered: all that a stage needs to show of it. */
export interface ResolvedPackage {
  /** Of what kind the package is, in words. */
  readonly title: string;
  readonly dimensions: readonly ResolvedDimension[];
  /** What can be chosen, and what is chosen. */
  readonly choices: readonly OptionDefinition[];
  readonly options: Options;
  /** Common sizes to start from. */
  readonly outlines: readonly StandardOutline[];
  /** `null` while a dimension is missing or cannot be read. */
  readonly values: Dimensions | null;
  /** Entered symbols that the package does not have. */
  readonly unknown: readonly string[];
}

/** What a package asks for, whether a family says so or its own document. */
export type Asked = Pick<FamilyDefinition, 'title' | 'dimensions' | 'options' | 'outlines'> & {
  /** Unit of its own formulas; mm where it is missing. */
  readonly unit?: SheetUnit;
};

/**
 * Reads all dimensions of a package. Entries may refer to one another in any order;
 * a circle of references is an error of each entry in it.
 */
export function resolvePackage(family: Asked, intent: PackageIntent): ResolvedPackage {
  const options = chosenOptions(family, intent.options ?? {});
  const resolver = new Resolver(family, intent, options);
  const dimensions = family.dimensions.map((definition) => resolver.resolve(definition.symbol));
  const complete = dimensions.every(({ value, error }) => value && !error);
  const known = new Set(family.dimensions.map(({ symbol }) => symbol));
  return {
    title: family.title,
    dimensions,
    choices: family.options,
    options,
    outlines: family.outlines ?? [],
    values: complete
      ? Object.fromEntries(dimensions.map((d) => [d.definition.symbol, d.value as Toleranced]))
      : null,
    unknown: Object.keys(intent.dimensions).filter((symbol) => !known.has(symbol)),
  };
}

function chosenOptions(family: Asked, chosen: Readonly<Record<string, string>>): Options {
  return Object.fromEntries(
    family.options.map(({ id, choices }) => {
      const wanted = Object.hasOwn(chosen, id) ? chosen[id] : undefined;
      if (choices.length === 0) return [id, wanted ?? ''];
      const choice = choices.find((c) => c.id === wanted) ?? choices[0];
      return [id, choice?.id ?? ''];
    }),
  );
}

/** The family's own formula for a dimension; empty where it has to be entered. */
export function derivedText(
  { derived = '' }: DimensionDefinition,
  options: Options,
  entered: (symbol: string) => boolean = () => false,
): string {
  return typeof derived === 'string' ? derived : derived(options, entered);
}

/** What became of a text. */
type Meaning = Pick<ResolvedDimension, 'value' | 'error' | 'assumption' | 'doubts' | 'hints'>;

const NOTHING: Meaning = { value: null, error: null, assumption: null, doubts: [], hints: {} };
const NO_SYMBOLS: EntryScope['symbols'] = new Map();

class Resolver {
  private readonly done = new Map<string, ResolvedDimension>();
  private readonly open: string[] = [];

  constructor(
    private readonly family: Asked,
    private readonly intent: PackageIntent,
    private readonly options: Options,
  ) {}

  resolve(symbol: string): ResolvedDimension {
    const known = this.done.get(symbol);
    if (known) return known;
    this.open.push(symbol);
    const definition = this.definition(symbol) as DimensionDefinition;
    const resolved = this.read(definition);
    this.open.pop();
    this.done.set(symbol, resolved);
    return resolved;
  }

  /** Whether a dimension was entered, for those that follow from others only then. */
  private readonly entered = (symbol: string): boolean => {
    const { dimensions } = this.intent;
    return Object.hasOwn(dimensions, symbol) && isEntered(writtenEntry(dimensions[symbol]));
  };

  private definition(symbol: string): DimensionDefinition | undefined {
    return this.family.dimensions.find((d) => d.symbol === symbol);
  }

  private read(definition: DimensionDefinition): ResolvedDimension {
    const { symbol } = definition;
    const packageUnit = this.intent.unit ?? 'mm';
    const raw = Object.hasOwn(this.intent.dimensions, symbol) ? this.intent.dimensions[symbol] : undefined;
    const written = raw === undefined ? null : writtenEntry(raw);
    const entered = written !== null && isEntered(written);
    const text = entered ? written.text : derivedText(definition, this.options, this.entered);
    const unit = entered ? (written.unit ?? packageUnit) : (written?.unit ?? this.family.unit ?? 'mm');
    const where = written?.where ?? '';
    const { value, error, assumption, doubts, hints } = this.meaning(definition, text, unit, entered, where);
    return {
      definition,
      text,
      unit,
      source: entered ? 'entered' : text ? 'derived' : 'missing',
      label: written?.label ?? '',
      where,
      from: (entered ? written.from : null) ?? null,
      asked: entered || !definition.when || definition.when(this.options),
      value,
      error,
      assumption,
      doubts,
      hints,
    };
  }

  /** What a text means for a dimension. */
  private meaning(
    definition: DimensionDefinition,
    text: string,
    unit: SheetUnit,
    entered: boolean,
    where: string,
  ): Meaning {
    if (!text) return NOTHING;
    const tree = parseEntry(text);
    if (!tree.ok) return { ...NOTHING, error: tree.error };
    const blocked = this.blockedBy(tree.value, definition.symbol);
    // a formula of the family waits for its terms, which are named as missing themselves
    if (blocked) return entered ? { ...NOTHING, error: { at: 0, message: blocked } } : NOTHING;
    const read = evaluateEntry(tree.value, this.scope(definition, unit, tree.value));
    if (!read.ok) return { ...NOTHING, error: read.error };
    const value = withLeast(read.value.value, definition);
    const { hints } = tree.value;
    const typical = entered ? where === TYPICAL && definition.kind === 'length' : definition.typical;
    return {
      value,
      error: outOfLimits(value, definition),
      assumption: typical ? TYPICAL : entered ? assumptionAbout(value, definition) : null,
      // a family's own formula is not doubted
      doubts: entered ? [...read.value.doubts, ...aboutHints(hints)] : [],
      hints,
    };
  }

  /** Why an entry cannot be evaluated yet: it refers to itself or to something missing. */
  private blockedBy(tree: EntryTree, symbol: string): string | null {
    for (const name of tree.symbols) {
      if (!this.definition(name)) continue; // the evaluator names unknown symbols with their place
      if (this.open.includes(name)) {
        return `${symbol} refers to itself${name === symbol ? '' : ` through ${name}`}; enter one of them as a number.`;
      }
      const { value, error } = this.resolve(name);
      // a value outside of what can be meant is none to compute with
      if (!value || error) return `${symbol} is computed from ${name}, which has no value yet.`;
    }
    return null;
  }

  private scope(definition: DimensionDefinition, unit: SheetUnit, tree: EntryTree): EntryScope {
    const { kind } = definition;
    if (tree.symbols.length === 0) return { kind, unit, symbols: NO_SYMBOLS };
    const needed = new Set(tree.symbols);
    const known = this.family.dimensions.flatMap((d) => {
      if (!needed.has(d.symbol)) return [];
      const value = this.resolve(d.symbol).value;
      return value ? [[d.symbol, { kind: d.kind, value }] as const] : [];
    });
    const strangers = tree.symbols.some((name) => !this.definition(name));
    // only the message about an unknown symbol needs the names of all others
    const names = strangers
      ? this.family.dimensions.map((d) => [d.symbol, { kind: d.kind, value: ZERO }] as const)
      : [];
    return { kind, unit, symbols: new Map([...names, ...known]) };
  }
}

function isEntered({ text }: WrittenEntry): boolean {
  return text.trim() !== '' && !isNotGiven(text);
}

const ZERO: Toleranced = { min: 0, nom: 0, max: 0, given: 'exact' };

function assumptionAbout({ given }: Toleranced, definition: DimensionDefinition): string | null {
  const { kind, basic, maximumSuffices, leastUnderMax } = definition;
  const complete = (basic && given === 'bare') || (maximumSuffices && given === 'max');
  if (kind === 'count' || complete) return null;
  if (given === 'exact' && !basic) return 'stated as basic: it has no tolerance';
  if (given === 'max' && leastUnderMax !== undefined) {
    return `only a maximum is given, the least taken as ${leastUnderMax}`;
  }
  return ASSUMPTION[given] ?? null;
}

/** What a sign beside the number says that a dimension is rarely given by. */
function aboutHints({ mark }: EntryHints): EntryDoubt[] {
  const what = mark === 'radius' ? 'a radius' : mark === 'chamfer' ? 'a chamfer' : null;
  return what ? [{ severity: 'note', message: `The drawing gives it as ${what}.` }] : [];
}

function withLeast(value: Toleranced, { leastUnderMax }: DimensionDefinition): Toleranced {
  if (value.given !== 'max' || leastUnderMax === undefined) return value;
  return { ...value, min: leastUnderMax, nom: (leastUnderMax + value.max) / 2 };
}

function outOfLimits(value: Toleranced, definition: DimensionDefinition): EntryError | null {
  const { kind, limits, multipleOf, oneOf, name, symbol } = definition;
  const [least, most] = limits;
  const unit = kind === 'length' ? ' mm' : '';
  const refuse = (v: number, expected: string, asked = ''): EntryError => {
    const found = `${formatNumber(v, 0, 4)}${unit}`;
    return {
      at: 0,
      found,
      expected,
      message: `${name} ${symbol} is ${found}: expected ${expected}.${asked}`,
    };
  };
  if (value.min < least || value.max > most) {
    const v = value.min < least ? value.min : value.max;
    const slip = kind === 'length' && v > most && v / toMm(1, 'in') < most;
    return refuse(v, `between ${least}${unit} and ${most}${unit}`, slip ? ' Is the unit right?' : '');
  }
  if (kind === 'count' && (value.min !== value.max || !Number.isInteger(value.nom)))
    return refuse(value.nom, 'one whole number');
  if (oneOf && !oneOf.includes(value.nom)) return refuse(value.nom, `one of ${oneOf.join(', ')}`);
  if (multipleOf && value.nom % multipleOf !== 0) return refuse(value.nom, `a multiple of ${multipleOf}`);
  return null;
}
