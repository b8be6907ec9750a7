import { backupSchema, habitSchema, keptStandardSchema, targetSchema } from './backup-schema';
import {
  documentSchema,
  familySchema,
  processSchema,
  shelfSchema,
  standardSchema,
  teamSchema,
  trialSchema,
  type Schema,
} from './schema';
import { jsonText } from './write';

/** The published schemas, by the last part of the address that their `$id` names. */
export const SCHEMAS: ReadonlyMap<string, () => Schema> = new Map([
  ['tapis-document-2', documentSchema],
  ['tapis-process-1', processSchema],
  ['tapis-standard-1', () => standardSchema()],
  ['tapis-family-1', familySchema],
  ['tapis-shelf-1', shelfSchema],
  ['tapis-backup-1', backupSchema],
  ['tapis-habit-1', habitSchema],
  ['tapis-kept-standard-1', keptStandardSchema],
  ['tapis-target-1', targetSchema],
  ['tapis-trial-1', trialSchema],
  ['tapis-team-1', teamSchema],
]);

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
