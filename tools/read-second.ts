// Reads the land patterns of the second draughtsman and says how many values were read right. `npm run drawings:second
// -- apart` reads those kept apart; `packages` the views of packages; a word picks pages by name and lists everything; `print FILE` keeps the first.
import { writeFileSync } from 'node:fs';
import puppeteer from 'puppeteer-core';
import { chromium } from './chromium.mjs';
import { heldPage, heldViews, type Held } from './drawings/held';
import { OUTLINES } from './drawings/outlines';
import { PATTERNS } from './drawings/patterns';
import { SECOND, secondOutline, secondPage } from './drawings/second';

const words = process.argv.slice(2);
const isApart = words.includes('apart');
const printed = words.includes('print') ? words[words.indexOf('print') + 1] : undefined;
const picked = words.find((word) => !['apart', 'all', 'print', 'packages', printed].includes(word));
const browser = await puppeteer.launch({ executablePath: (await chromium()).whole, args: ['--no-sandbox'] });
try {
  const page = await browser.newPage();
  for (const style of SECOND) {
    if (style.isApart !== isApart) continue;
    const all: Held[] = [];
    const read = async (name: string, html: string, held: (bytes: Uint8Array) => Promise<Held>) => {
      if (picked !== undefined && !name.includes(picked)) return;
      await page.setContent(html);
      const bytes = new Uint8Array(await page.pdf({ preferCSSPageSize: true, printBackground: true }));
      if (printed !== undefined) writeFileSync(printed, bytes);
      all.push(await held(bytes));
    };
    for (const scene of words.includes('packages') ? [] : PATTERNS) {
      const name = `${scene.name} / ${style.name}`;
      await read(name, secondPage(scene, style), (bytes) => heldPage(name, scene, bytes));
    }
    for (const scene of words.includes('packages') ? OUTLINES : []) {
      const name = `${scene.name} / ${style.name}`;
      await read(name, secondOutline(scene, style), (bytes) => heldViews(name, scene, bytes));
    }
    if (all.length === 0) continue;
    const sum = (of: 'values' | 'right') => all.reduce((total, one) => total + one[of], 0);
    const silent = all.filter((one) => one.silent.length > 0);
    console.log(
      `${style.name.padEnd(28)} ${sum('right')} of ${sum('values')} right (${((100 * sum('right')) / sum('values')).toFixed(1)} %), ${all.filter((one) => one.flagged.length > 0).length} of ${all.length} flagged, ${silent.length} wrong without a word`,
    );
    for (const one of silent) console.log(`  SILENT ${one.name}: ${one.silent.slice(0, 5).join('; ')}`);
    if (words.includes('all') || picked !== undefined)
      for (const one of all)
        if (one.flagged.length > 0)
          console.log(`  told   ${one.name}: ${one.flagged.slice(0, 6).join('; ')}`);
  }
} finally {
  await browser.close();
}
