import { habit, keptStandard, target } from '../core/document/generated/validators.js';
import type { DocumentProblem } from '../core/document/read';
import type { TapisDatabase } from './database';

// Tables whose rows a backup holds as they stand. To have another one kept so, list it here, with the schema
// of its rows in `core/document/backup-schema.ts`.

type Validate = typeof habit;

interface RowTable {
  readonly what: string;
  readonly validate: Validate;
  /** A row under an id of its own, beside the one that is here and differs; what is here stays alone without it. */
  readonly beside?: (row: Row) => Row;
}

interface Row {
  readonly id: string;
  readonly [field: string]: unknown;
}

export const ROW_TABLES = {
  habits: { what: 'what a maker’s letters mean', validate: habit },
  targets: {
    what: 'a release target',
    validate: target,
    beside: (row) => ({
      ...row,
      id: crypto.randomUUID(),
      title: `${String(row['title'])} (from the backup)`.slice(0, 200),
    }),
  },
  standards: {
    what: 'a house standard',
    validate: keptStandard,
    beside: (row) => {
      const document = row['document'] as { readonly id: string; readonly name: string };
      const id = `${document.id.slice(0, 28)}-from-backup`;
      const name = `${document.name} (from the backup)`.slice(0, 80);
      return { ...row, id, document: { ...document, id, name } };
    },
  },
} as const satisfies Readonly<Record<string, RowTable>>;

export type RowTableName = keyof typeof ROW_TABLES;
/** Rows by the table that they are of; a backup of an earlier time lacks some. */
export type Rows = Readonly<Partial<Record<RowTableName, readonly unknown[]>>>;

const names = Object.keys(ROW_TABLES) as RowTableName[];

/** All rows, as a backup holds them. */
export async function rowsOf(db: TapisDatabase): Promise<Rows> {
  return Object.fromEntries(
    await Promise.all(names.map(async (name) => [name, await db[name].toArray()] as const)),
  );
}

/** Rows that are what they should be, and what is wrong with the others. */
export function soundRows(rows: Rows): {
  readonly sound: Readonly<Partial<Record<RowTableName, readonly Row[]>>>;
  readonly refused: readonly DocumentProblem[];
} {
  const refused: DocumentProblem[] = [];
  const sound = Object.fromEntries(
    names.map((name) => {
      const { validate, what } = ROW_TABLES[name];
      const good = (rows[name] ?? []).filter((row, i) => {
        if (validate(row)) return true;
        const [first] = validate.errors ?? [];
        refused.push({
          field: `/${name}/${i}${first?.instancePath ?? ''}`,
          message: `${what} is left out: ${first?.instancePath || 'it'} ${first?.message ?? 'is not valid'}.`,
        });
        return false;
      });
      return [name, good as Row[]];
    }),
  );
  return { sound, refused };
}

/** Keeps rows that are not here; of one that differs from what is here neither is lost where both can be. */
export async function bringRows(
  db: TapisDatabase,
  rows: Readonly<Partial<Record<RowTableName, readonly Row[]>>>,
): Promise<void> {
  for (const name of names) {
    const { beside }: RowTable = ROW_TABLES[name];
    const table = db.table<Row, string>(name);
    for (const row of rows[name] ?? []) {
      const own = await table.get(row.id);
      if (!own) await table.put(row);
      else if (beside && JSON.stringify(own) !== JSON.stringify(row)) await table.put(beside(row));
    }
  }
}
