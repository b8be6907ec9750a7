import { backupSchema, habitSchema, keptStandardSchema, targetSchema } from './backup-schema';
import { processSchema } from './process-schema';
import { documentSchema, trialSchema } from './schema';
import type { Schema } from './schema-fields';
import { familySchema, shelfSchema, teamSchema } from './shelf-schema';
import { standardSchema } from './standard-schema';
import { jsonText } from './write';

const MAKERS: readonly (readonly [name: string, make: () => Schema])[] = [
  ['tapis-document-2', () => documentSchema()],
  ['tapis-process-1', processSchema],
  ['tapis-standard-1', () => standardSchema()],
  ['tapis-family-1', familySchema],
  ['tapis-shelf-1', shelfSchema],
  ['tapis-backup-1', backupSchema],
  ['tapis-habit-1', habitSchema],
  ['tapis-kept-standard-1', keptStandardSchema],
  ['tapis-target-1', targetSchema],
  ['tapis-trial-1', () => trialSchema()],
  ['tapis-team-1', teamSchema],
];

/** The published schemas, by the last part of the address that their `$id` names; every field says what it is. */
export const SCHEMAS: ReadonlyMap<string, () => Schema> = new Map(
  MAKERS.map(([name, make]) => [name, () => titled(make())] as const),
);

/** A schema whose fields are all called something: by their key where nothing better is said. */
function titled(schema: Schema): Schema {
  return Object.fromEntries(
    Object.entries(schema).map(([key, value]) => {
      if (key === 'properties' && isSchema(value)) return [key, titledFields(value)];
      if (Array.isArray(value))
        return [key, value.map((one: unknown) => (isSchema(one) ? titled(one) : one))];
      return [key, isSchema(value) ? titled(value) : value];
    }),
  );
}

function titledFields(fields: Schema): Schema {
  return Object.fromEntries(
    Object.entries(fields).map(([key, field]) => {
      if (!isSchema(field)) return [key, field];
      const isTold = 'title' in field || 'description' in field;
      return [key, { ...(isTold ? {} : { title: wordsOf(key) }), ...titled(field) }];
    }),
  );
}

const isSchema = (value: unknown): value is Schema =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** `minGap` as “Min gap”. */
function wordsOf(key: string): string {
  const words = key
    .replaceAll(/[-_$]/g, ' ')
    .replaceAll(/([a-z])([A-Z])/g, '$1 $2')
    .trim()
    .toLowerCase();
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/**
 * The published schemas as files that lie in one folder: they name each other by their file, so that an editor that
 * reads one finds the others without a network.
 */
export function schemaFiles(): Map<string, string> {
  return new Map(
    [...SCHEMAS].map(([name, make]) => [`${name}.json`, jsonText(besideOthers(make()))] as const),
  );
}

function besideOthers({ $id: _, ...schema }: Schema): Schema {
  return JSON.parse(JSON.stringify(schema).replaceAll('"$ref":"/schema/', '"$ref":"./')) as Schema;
}

/** Which schema a file is of, by the field that says what it is; `null` where none is published for it. */
export function schemaOf(value: object): string | null {
  const versions: Readonly<Record<string, string>> = {
    tapis: 'tapis-document-2',
    tapisProcess: 'tapis-process-1',
    tapisStandard: 'tapis-standard-1',
    tapisFamily: 'tapis-family-1',
    tapisShelf: 'tapis-shelf-1',
    tapisTrial: 'tapis-trial-1',
  };
  const [key] = Object.keys(versions).filter((one) => one in value);
  return key === undefined ? null : (versions[key] ?? null);
}
