import type { APIRoute } from 'astro';
import {
  documentSchema,
  familySchema,
  processSchema,
  shelfSchema,
  standardSchema,
  teamSchema,
  trialSchema,
} from '../../core/document/schema';
import {
  backupSchema,
  habitSchema,
  keptStandardSchema,
  targetSchema,
} from '../../core/document/backup-schema';
import { only } from '../../server/endpoint';
import { json, problem, response } from '../../server/reply';

const SCHEMAS = new Map([
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

/** The published schemas, at the addresses that their `$id`s name. */
export const GET: APIRoute = ({ params }) => {
  const schema = SCHEMAS.get(params['name'] ?? '');
  if (schema) return response(json(schema(), 'application/schema+json'));
  return response(problem(404, 'No such schema', `Known are ${[...SCHEMAS.keys()].join(', ')}.`));
};

export const ALL = only('GET, HEAD');
