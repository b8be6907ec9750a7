/**
 * Names every dimension that was read from a picture and that nobody has compared with it.
 */
import { entryEdit, writtenEntry } from '../../document/entries';
import { fill, type Rule } from '../rule';

const messages = {
  one: '{list}: read from a picture, where points and digits are easily lost. Compare each with the page.',
};

export const unconfirmed: Rule = {
  id: 'unconfirmed',
  title: 'Read from a picture, not confirmed',
  fault: 'Read from a picture and not confirmed',
  source: 'Reading of pictures: letters are guessed from their shapes',
  severity: 'caution',
  stage: 'measure',
  looksAt: ['dimensions'],
  check({ compiled: { document } }) {
    const read = Object.entries(document.package.dimensions).flatMap(([symbol, entry]) => {
      const { from, text } = writtenEntry(entry);
      return from?.unconfirmed ? [{ symbol, text, from }] : [];
    });
    if (read.length === 0) return [];
    const edits = read.map(({ symbol, from: { unconfirmed: _unconfirmed, ...from } }) =>
      entryEdit(document, symbol, { from }),
    );
    return [
      {
        message: fill(messages.one, { list: read.map(({ symbol, text }) => `${symbol} ${text}`).join(', ') }),
        measured: { value: read.length, limit: 0, unit: 'count' },
        place: { dimensions: read.map(({ symbol }) => symbol) },
        remedies: [{ label: 'All of them are as printed', edits }],
      },
    ];
  },
};
