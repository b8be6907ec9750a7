import type { TapisDocument } from '../document/document';
import { digitsOf, formatName, numbersIn, type NameTemplate } from '../package/naming';
import { houseName } from '../standard/names';
import { levelWords } from '../standard/standard';
import type { NameValues } from '../standard/template';
import type { Choices } from './choices';
import type { Footprint } from './footprint';

/** What names are made of. */
interface Named {
  readonly document: TapisDocument;
  readonly choices: Choices;
  readonly template: NameTemplate;
  readonly lands: Footprint['lands'];
}

/** What the footprint and its files are called. */
export function namesOf(of: Named): Pick<Footprint, 'standardName' | 'fileName'> {
  const { standard } = of.choices;
  const values = nameValues(of);
  const standardName = houseName(standard, 'footprint', values).text;
  const { text } = houseName(standard, 'file', { ...values, footprint: standardName });
  return { standardName, fileName: text };
}

/** What a house's template of names may ask for. */
function nameValues({ document, choices, template, lands }: Named): NameValues {
  const { standard, read } = choices;
  const { name, package: pack, level } = document;
  const { counter } = read.overrides;
  const { letter } = levelWords(standard, level);
  const numbers = numbersIn(template).map((part) => [part.symbol, digitsOf(part)] as const);
  return {
    ...Object.fromEntries(numbers),
    standard: formatName(template, letter),
    name,
    family: pack.family,
    level,
    letter,
    ...(counter === null ? {} : { counter: String(counter) }),
    lands: String(new Set(lands.map(({ number }) => number)).size),
  };
}
