import type { TapisDocument } from '../document/document';
import type { Finding } from '../document/finding';
import { numbersIn, type NameTemplate } from '../package/naming';
import { fieldsIn, NAME_FIELDS } from '../standard/template';
import { cited, type Standard } from '../standard/standard';

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

/** Symbols that the templates of names ask for and that this part's computed name does not have. */
export function nameFindings(standard: Standard, template: NameTemplate, counter: number | null): Finding[] {
  const known = new Set([...Object.keys(NAME_FIELDS), ...numbersIn(template).map(({ symbol }) => symbol)]);
  return (['footprint', 'file'] as const).flatMap((of): Finding[] => {
    const stated = standard.stated(`names/${of}`);
    if (!stated) return [];
    const fields = fieldsIn(String(stated.value));
    if (counter === null && fields.includes('counter'))
      return [
        {
          rule: 'house-standard',
          severity: 'caution',
          title: 'The name asks for a running number',
          message: `“${String(stated.value)}” counts footprints, and this one has no number yet: type one, or take the next that is free.`,
          source: cited(stated),
          stage: 'release',
          place: { field: '/overrides/counter' },
          remedies: [],
        },
      ];
    const missing = fields.filter((name) => !known.has(name));
    if (missing.length === 0) return [];
    const asked = missing.map((name) => `{${name}}`).join(', ');
    return [
      {
        rule: 'house-standard',
        severity: 'caution',
        title: 'The name asks for what this part has not',
        message: `“${String(stated.value)}” names ${asked}, which is left out; there are ${[...known].map((name) => `{${name}}`).join(', ')}.`,
        source: cited(stated),
        stage: 'release',
        place: { field: '/standard' },
        remedies: [],
      },
    ];
  });
}
