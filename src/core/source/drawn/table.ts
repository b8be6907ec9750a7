import type { SheetUnit } from '../../document/document';
import type { LaidOut } from '../layouts';
import type { SourcePage } from '../page';
import type { PrintedRow, PrintedTable } from '../table';
import type { PrintedValue } from '../value';
import type { Dimension } from './dimensions';
import type { DrawnPage } from './page';
import type { DrawnPattern } from './pattern';
import { repeatsOf, type Repeat } from './repeats';
import { offWords } from './scale';
import { placesOf, type DrawnPlace } from './views';

// A drawing as a table of dimensions: each number that stands at a dimension line is a row, known by where it stands
// instead of by a letter. Where letters stand there, they say what the rows of a table beside the drawing mean.

/** What a drawing of a package says. */
export interface DrawnOutline {
  /** Its numbers as a table; `null` where there are none. */
  readonly table: LaidOut | null;
  /** Where each letter stands. */
  readonly letters: ReadonlyMap<string, readonly DrawnPlace[]>;
  /** The terminals that it shows; `null` where nothing repeats. */
  readonly repeat: Repeat | null;
}

/** Reads the drawing of a page; two numbers of one length are two rows only where they measure different things. */
export function drawnOutline(
  page: SourcePage,
  drawn: DrawnPage,
  patterns: readonly DrawnPattern[],
): DrawnOutline {
  // numbers of lands are none of the package
  const ofLands = new Set(
    patterns
      .filter(({ isTitled }) => isTitled)
      .flatMap(({ used, unread }) => [...used.map(({ label }) => label.id), ...unread.map(({ id }) => id)]),
  );
  const { places, views } = placesOf(drawn, page);
  const repeat = repeatsOf(drawn.shapes, views);
  const letters = new Map<string, DrawnPlace[]>();
  for (const place of places)
    if (place.letter !== '') letters.set(place.letter, [...(letters.get(place.letter) ?? []), place]);
  const lengths = drawn.dimensions.filter(({ label }) => label.value !== null);
  const agreed = lengths.filter(({ drawnAs }) => drawnAs === null).length;
  // a drawing whose lengths hardly agree is not to scale, and tells nothing of a number
  const isToScale = agreed >= LEAST && 3 * agreed >= 2 * lengths.length;
  // the unit that the drawing was measured in, where the page says one
  const unit = drawn.doubts.length > 0 ? null : drawn.unit;
  const rows = lengths.flatMap((one): PrintedRow[] => {
    const own = places.filter(({ id }) => id === one.label.id);
    return own.length === 0 || ofLands.has(one.label.id) ? [] : [rowOf(one, own, { unit, isToScale })];
  });
  const table: LaidOut | null =
    rows.length < LEAST
      ? null
      : {
          rows,
          sizes: [''],
          isUnitless: drawn.doubts.length > 0,
          context: contextOf(drawn),
          leftOut: drawn.loose
            .filter(({ printed }) => /\d[.,]\d/.test(printed))
            .map(({ printed }) => `“${printed}” stands at no dimension line`),
          ...(repeat ? { repeat } : {}),
          layout: 'drawing',
          grid: -1,
          isPart: false,
        };
  return { table, letters, repeat };
}

/** Numbers at dimension lines that make a drawing of a package. */
const LEAST = 3;

function rowOf(
  { label, drawnAs }: Dimension,
  places: readonly DrawnPlace[],
  { unit, isToScale }: { readonly unit: SheetUnit | null; readonly isToScale: boolean },
): PrintedRow {
  const value: PrintedValue = {
    text: label.entry,
    unit,
    reason: 'at a dimension line',
    printed: label.printed,
    doubts: [
      ...label.doubts.filter(({ severity }) => severity === 'caution').map(({ message }) => message),
      ...(isToScale && drawnAs !== null && label.value ? [offWords(drawnAs, label.value.nom)] : []),
    ],
    others: [],
    isBroken: false,
    area: label.area,
    sure: label.sure,
  };
  return {
    letter: '',
    name: '',
    remark: label.said,
    values: new Map([['', value]]),
    area: label.area,
    isAngle: false,
    places,
  };
}

/** What stands on the page beside its numbers: titles and notes. */
const contextOf = ({ texts }: DrawnPage): string =>
  texts
    .map(({ text }) => text)
    .filter((text) => /\p{L}{3}/u.test(text))
    .join(' ')
    .slice(0, 2000);

/** A table whose letters stand in the drawing too: the drawing says what they mean. */
export function withPlaces<Table extends PrintedTable>(
  table: Table,
  { letters, repeat }: Pick<DrawnOutline, 'letters' | 'repeat'>,
): Table {
  const rows = table.rows.map((row) => {
    const places = letters.get(row.letter);
    return places ? { ...row, places } : row;
  });
  if (!rows.some(({ places }) => places)) return table;
  return { ...table, rows, ...(repeat ? { repeat } : {}) };
}
