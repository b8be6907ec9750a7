import type { TapisDocument } from '../document/document';
import type { Finding } from '../document/finding';
import { fieldsIn, NAME_FIELDS } from '../standard/template';
import { saidAt, type Standard } from '../standard/standard';

/** What of a document's house standard cannot be used: each clause by its place, nothing of it is lost. */
export function houseFindings({ level }: TapisDocument, standard: Standard): Finding[] {
  // what only lacks a reason is asked for where the standard is written
  const unused = standard.problems.filter(({ isLeftOut }) => isLeftOut);
  const found = unused.map(({ by, at, message }): Finding => ({
    rule: 'house-standard',
    severity: 'caution',
    title: 'A clause of the standard cannot be used',
    message: `${by}: ${message}${at === '' ? '' : ' What is published holds in its place.'}`,
    source: by,
    stage: 'land',
    place: { field: '/standard' },
    remedies: [],
  }));
  if (level === 'D' && !standard.levels.some(({ id }) => id === 'D'))
    found.push({
      rule: 'house-standard',
      severity: 'stop',
      title: 'Level D is not known',
      message: 'Level D is one that a house standard adds; none here does. The lands are those of level B.',
      source: 'IPC-7351B, clause 1.4',
      stage: 'land',
      place: { field: '/level' },
      remedies: [{ label: 'Level B', edits: [{ at: '/level', value: 'B' }] }],
    });
  return found;
}

/** Fields that a template asks for and that footprints may lack: symbols of their names. */
export function symbolsAsked(standard: Standard, of: 'footprint' | 'file'): string[] {
  const template = saidAt<string>(standard, `names/${of}`) ?? '';
  return fieldsIn(template).filter((name) => !Object.hasOwn(NAME_FIELDS, name));
}
