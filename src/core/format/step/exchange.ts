/** The text of an ISO 10303-21 file (clear text encoding), one entity a line; equal entities are written once. */
export class ExchangeFile {
  readonly #lines: string[] = [];
  readonly #known = new Map<string, string>();

  /**
   * Adds an entity unless the same one is there.
   * @returns its name, such as `#12`
   */
  shared(entity: string): string {
    const known = this.#known.get(entity);
    if (known) return known;
    const name = this.add(entity);
    this.#known.set(entity, name);
    return name;
  }

  /** Adds an entity that stands for itself, even where another one reads the same. */
  add(entity: string): string {
    const name = `#${this.#lines.length + 1}`;
    this.#lines.push(`${name}=${entity};`);
    return name;
  }

  /** The whole file. */
  text(header: readonly string[]): string {
    return [
      'ISO-10303-21;',
      'HEADER;',
      ...header.map((line) => `${line};`),
      'ENDSEC;',
      'DATA;',
      ...this.#lines,
      'ENDSEC;',
      'END-ISO-10303-21;',
      '',
    ].join('\n');
  }
}

/**
 * A string in quotes: apostrophes and backslashes doubled, everything outside of printable ASCII as
 * its code (ISO 10303-21, 6.4.3: \X2\ for two bytes, \X4\ for four).
 */
export function quoted(text: string): string {
  let out = '';
  for (const character of text) {
    const code = character.codePointAt(0) as number;
    if (character === "'" || character === '\\') out += character + character;
    else if (code >= 0x20 && code < 0x7f) out += character;
    else if (code <= 0xffff) out += `\\X2\\${hex(code, 4)}\\X0\\`;
    else out += `\\X4\\${hex(code, 8)}\\X0\\`;
  }
  return `'${out}'`;
}

function hex(code: number, digits: number): string {
  return code.toString(16).toUpperCase().padStart(digits, '0');
}

/** A real number: always with a point, to a hundredth of a nanometre. */
export function real(value: number): string {
  const rounded = Math.round(value * 1e11) / 1e11 + 0;
  const text = String(rounded);
  if (text.includes('e')) {
    const [mantissa, exponent] = text.split('e') as [string, string];
    return `${mantissa.includes('.') ? mantissa : `${mantissa}.`}E${exponent}`;
  }
  return text.includes('.') ? text : `${text}.`;
}

/** A list of entities or values. */
export function list(items: readonly string[]): string {
  return `(${items.join(',')})`;
}
