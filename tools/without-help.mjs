// What fields mean stands beside them in their tables, for the schemas that are published. Pages have no use for those
// sentences, and their first scripts are lighter without.

const TABLES = /\/src\/core\/document\/(intent|pieces)\.ts$/;
const HELP = /\bhelp:\s*'(?:[^'\\]|\\.)*',?/g;

/** Leaves the sentences out of what browsers get; the server publishes them. */
export const withoutHelp = {
  name: 'without-help',
  enforce: 'pre',
  apply: 'build',
  transform(code, id, { ssr } = {}) {
    return ssr || !TABLES.test(id) ? null : { code: code.replaceAll(HELP, ''), map: null };
  },
};
