import { allFields } from '../process/fields';
import type { Process } from '../process/process';
import type { StandardDocument } from '../standard/standard';
import type { PackageIntent, TapisDocument } from './document';
import type { Field, RecordField } from './fields';
import { CHOICES } from './intent';
import { COMPOSITION } from './pieces';

// The same intent in one order, however it came about: fields stand in the order of the schema, keys that a person
// or a package chose in their natural order. So equal documents are equal texts.

const PACKAGE = ['family', 'title', 'unit', 'options', 'dimensions', 'source'];
const DIMENSION = ['text', 'min', 'nom', 'max', 'unit', 'label', 'where', 'from'];
const PROCESS = [
  ...['id', 'name', 'summary', 'basedOn'],
  ...allFields().map(({ key }) => key),
  ...['drills', 'orientation', 'acceptanceClass', 'levels', 'severities', 'reasons', 'spreads'],
];
const DOCUMENT = [
  ...['$schema', 'tapis', 'name', 'package', 'level', 'process', 'ownProcess', 'standard'],
  ...Object.keys(CHOICES.fields),
  ...['waivers', 'notes', 'approvals'],
];
const APPROVAL = ['by', 'key', 'at', 'note', 'of', 'signature'];

/** The same document with its fields in the order in which they are written. */
export function canonical(document: TapisDocument): TapisDocument {
  const arranged = {
    ...inOrder(document, CHOICES),
    package: canonicalPackage(document.package),
    ...(document.ownProcess ? { ownProcess: canonicalProcess(document.ownProcess) } : {}),
    ...(document.standard ? { standard: canonicalStandard(document.standard) } : {}),
    ...(document.waivers
      ? {
          waivers: each(byName(document.waivers), (one) =>
            ordered(one as object, ['reason', 'by', 'value', 'limit']),
          ),
        }
      : {}),
    ...(document.approvals
      ? { approvals: document.approvals.map((one) => ordered({ ...one }, APPROVAL)) }
      : {}),
  };
  return ordered(arranged, DOCUMENT) as unknown as TapisDocument;
}

/** The same package with its fields in the order in which they are written. */
export function canonicalPackage<P extends PackageIntent>(intent: P): P {
  // dimensions of a composed package stand in the order in which its datasheet lists them
  const dimensions = intent.family === 'composed' ? intent.dimensions : byName(intent.dimensions);
  const arranged = {
    ...inOrder(intent, COMPOSITION),
    ...(intent.options ? { options: byName(intent.options) } : {}),
    dimensions: each(dimensions, (entry) => (isObject(entry) ? ordered(entry, DIMENSION) : entry)),
  };
  return ordered(arranged, PACKAGE) as unknown as P;
}

/** The same process with its numbers in the order of a capability sheet. */
export function canonicalProcess(process: Process): Process {
  const { severities, reasons, spreads } = process;
  const sorted = {
    ...process,
    severities: byName(severities),
    reasons: byName(reasons),
    ...(spreads ? { spreads: each(byName(spreads), (one) => ordered(one as object, SPREAD)) } : {}),
  };
  return ordered(sorted, PROCESS) as unknown as Process;
}

/** The same standard with its parts in the order in which they are written, its clauses by their places. */
export function canonicalStandard(standard: StandardDocument): StandardDocument {
  const { over, levels, rows, clauses } = standard;
  const sorted = {
    ...standard,
    ...(over ? { over: canonicalStandard(over) } : {}),
    ...(levels
      ? {
          levels: each(byName(levels), (one) =>
            ordered(one as object, ['title', 'purpose', 'letter', 'from']),
          ),
        }
      : {}),
    ...(rows ? { rows: rows.map((row) => ordered(row, ROW)) } : {}),
    clauses: each(byName(clauses), (one) => ordered(one as object, ['value', 'clause', 'reason'])),
  };
  return ordered(sorted, STANDARD) as unknown as StandardDocument;
}

const SPREAD = ['is', 'offsets', 'source'];
const STANDARD = ['id', 'name', 'version', 'summary', 'over', 'levels', 'rows', 'clauses'];
const ROW = ['id', 'title', 'form', 'families', 'pitch', 'size', 'height'];

/** A value with its keys in the order of the field that declares it. */
export function inOrder<T>(value: T, field: Field): T {
  return arrangedBy(value, field) as T;
}

function arrangedBy(value: unknown, field: Field): unknown {
  if (Array.isArray(value))
    return field.kind === 'list' ? value.map((one: unknown) => arrangedBy(one, field.of as Field)) : value;
  if (!isObject(value)) return value;
  if (field.kind === 'map') {
    const entries = each(value, (one) => inOrder(one, field.of as Field));
    return field.ordered ? entries : byName(entries);
  }
  if (field.kind !== 'record') return value;
  const { fields } = field as RecordField;
  const arranged = Object.fromEntries(
    Object.entries(value).map(([key, one]) => [key, fields[key] ? inOrder(one, fields[key]) : one]),
  );
  return ordered(arranged, ['id', ...Object.keys(fields)]);
}

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null;

export function each(value: object, change: (one: unknown) => unknown): Record<string, unknown> {
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, change(one)] as const));
}

/** An object with some keys first, in their order, then the others in theirs. */
export function ordered(value: object, first: readonly string[]): Record<string, unknown> {
  const own = value as Record<string, unknown>;
  const others = Object.keys(own).filter((key) => !first.includes(key));
  const keys = [...first.filter((key) => own[key] !== undefined), ...others];
  return Object.fromEntries(keys.map((key) => [key, own[key]]));
}

const natural = new Intl.Collator('en', { numeric: true, caseFirst: 'upper' });

/** An object with its keys as a person would list them: b2 before b10. */
export function byName(value: object): Record<string, unknown> {
  const entries = Object.entries(value);
  return Object.fromEntries(
    entries.sort(([a], [b]) => natural.compare(a, b) || (a < b ? -1 : Number(a > b))),
  );
}
