/** What a template may name of every footprint. Symbols of the computed name, such as `{P}`, come beside them. */
export const NAME_FIELDS = {
  standard: 'the name by the published standard',
  footprint: 'the name of the footprint, in names of files',
  name: 'what the document is called',
  family: 'the id of the package family',
  level: 'the level',
  letter: 'the level’s letter',
  lands: 'how many land numbers there are',
  counter: 'the footprint’s running number; with digits, such as {counter:4}, filled up with zeros',
} as const;

/** Values by the names of fields. */
export type NameValues = Readonly<Record<string, string>>;

/** What every format and file system takes in a name. */
const PLAIN = /[A-Za-z0-9 _.+()#-]/g;

/** A field, and to how many digits its number is filled up. */
const FIELD = /\{([A-Za-z][A-Za-z0-9_]*)(?::([1-9]))?\}/g;

/** The fields that a template names. */
export function fieldsIn(template: string): string[] {
  return [...template.matchAll(FIELD)].map(([, name = '']) => name);
}

/**
 * What is wrong with a template as such; `null` where it can be used.
 * @param of the fields that it may name; `null` where these depend on the part
 */
export function templateProblem(template: string, of: readonly string[] | null): string | null {
  const words = template.replace(FIELD, '');
  if (/[{}]/.test(words)) return 'It has a bracket without its other half.';
  const [stranger] = words.replace(PLAIN, '');
  if (stranger !== undefined)
    return `“${stranger}” has no place in a name: letters, digits, blanks and _ - . + ( ) # do in every format.`;
  const fields = fieldsIn(template);
  if (fields.length === 0)
    return 'It names no field, so all would be called alike: write {standard} where the computed name stands.';
  const unknown = of && fields.find((field) => !of.includes(field));
  if (unknown) return `There is no {${unknown}} here, only ${of.map((field) => `{${field}}`).join(', ')}.`;
  return null;
}

/**
 * Fills a template.
 * @returns the text, and the fields that it asks for and this footprint does not have; those are left out
 */
export function fillName(
  template: string,
  values: NameValues,
): { readonly text: string; readonly missing: readonly string[] } {
  const missing: string[] = [];
  const text = template.replace(FIELD, (_, name: string, digits?: string) => {
    const value = Object.hasOwn(values, name) ? values[name] : undefined;
    if (value === undefined) missing.push(name);
    return plain(value?.padStart(Number(digits ?? 0), '0') ?? '');
  });
  return { text: text.trim().replace(/^\.+/, ''), missing };
}

/** A value with what every format takes: accents go, other signs become an underscore. */
function plain(value: string): string {
  return value
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[^A-Za-z0-9 _.+()#-]/gu, '_');
}

/**
 * Reads the fields back from a name.
 * @returns values by field; `null` where the name was not made by the template
 */
export function parseHouseName(template: string, name: string): NameValues | null {
  const fields = [...template.matchAll(FIELD)].map(([, field = '', digits]) => ({ field, digits }));
  const between = template.split(FIELD).filter((_, i) => i % 3 === 0);
  const pattern = between
    .map((words, i) => {
      const one = fields[i];
      const found = one ? (one.digits ? `(\\d{${one.digits},})` : '(.+?)') : '';
      return words.replace(/[.*+?^${}()|[\]\\-]/g, '\\$&') + found;
    })
    .join('');
  const match = new RegExp(`^${pattern}$`, 's').exec(name);
  if (!match) return null;
  const values: Record<string, string> = {};
  for (const [i, { field, digits }] of fields.entries()) {
    const value = (match[i + 1] ?? '').replace(digits ? /^0+(?=\d)/ : /^$/, '');
    // a field that stands twice has to say the same twice
    if (values[field] !== undefined && values[field] !== value) return null;
    values[field] = value;
  }
  return values;
}
