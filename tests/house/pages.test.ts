import { readdirSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { packagePages, PAGES_FOLDER } from '../../tools/package-pages';

it('the pages of packages say what the product says: npm run pages writes them anew', () => {
  const pages = packagePages();
  expect(readdirSync(PAGES_FOLDER).sort()).toEqual([...pages.keys()].sort());
  for (const [name, text] of pages) expect(readFileSync(`${PAGES_FOLDER}/${name}`, 'utf8'), name).toBe(text);
});
