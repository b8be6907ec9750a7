/**
 * Requires a standard name that was agreed elsewhere to state what the geometry is.
 */
import { digitsOf, numbersIn, parseName } from '../../package/naming';
import { publishedPart } from '../../standard/names';
import { formatNumber } from '../../units/length';
import { fill, type Rule, type RuleFinding } from '../rule';

const messages = {
  form: 'The name {name} does not follow the pattern of this family; the computed name is {computed}.',
  number: 'The name {name} states {symbol} {stated}, the geometry has {actual}.',
  level: 'The name {name} ends with the letter of level {stated}, the lands are of level {actual}.',
};

export const nameGeometry: Rule = {
  id: 'name-geometry',
  title: 'Name against geometry',
  fault: 'Name says another geometry',
  source: 'IPC-7351B, clause 3.1.5.7: land pattern naming',
  severity: 'caution',
  stage: 'release',
  looksAt: ['an agreed name'],
  check({ footprint, compiled: { document, standard } }) {
    const name = document.overrides?.standardName?.trim();
    const computed = footprint.standardName;
    if (!name || name === computed) return [];
    const remedies = [
      {
        label: `Use the computed name ${computed}`,
        edits: [{ at: '/overrides/standardName', value: undefined }],
      },
    ];
    const say = (message: string, symbol?: string): RuleFinding => ({
      message,
      place: symbol ? { dimensions: [symbol] } : {},
      remedies,
    });
    const stated = parseName(footprint.package.name, publishedPart(standard, name), standard.levels);
    if (!stated) return [say(fill(messages.form, { name, computed }))];
    const found: RuleFinding[] = [];
    for (const part of numbersIn(footprint.package.name)) {
      const value = stated.values[part.symbol] ?? Number.NaN;
      if (digitsOf({ ...part, value }) === digitsOf(part)) continue;
      const show = (v: number) => formatNumber(v, part.decimals, 3);
      const values = { name, symbol: part.symbol, stated: show(value), actual: show(part.value) };
      const unit = part.decimals === 0 ? 'count' : 'mm';
      const measured = { value, limit: part.value, unit } as const;
      found.push({ ...say(fill(messages.number, values), part.symbol), measured });
    }
    if (stated.level !== null && stated.level !== document.level) {
      found.push(say(fill(messages.level, { name, stated: stated.level, actual: document.level })));
    }
    return found;
  },
};
