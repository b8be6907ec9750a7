// Reads all made-up pages as text, HTML, PDF and scan, and says how many values were read right, for those the
// reader was tuned on and for those held apart. `npm run sheets -- scan` reads one medium only.
import puppeteer from 'puppeteer-core';
import { chromium } from './chromium.mjs';
import { held, letterReader, type Held, type Medium } from './sheets/held';
import { makeSheets } from './sheets/make';
import { SHEETS } from './sheets/sheets';

const MEDIA: readonly Medium[] = ['tabs', 'blanks', 'bars', 'html', 'pdf', 'scan'];
const wanted = MEDIA.filter((medium) => process.argv.length < 3 || process.argv.includes(medium));
const browser = await puppeteer.launch({ executablePath: (await chromium()).whole, args: ['--no-sandbox'] });
await makeSheets(browser);
await browser.close();
const reader = letterReader();
let isSilent = false;
for (const medium of wanted) {
  for (const isApart of [false, true]) {
    const all: Held[] = [];
    for (const sheet of SHEETS.filter((one) => one.isApart === isApart))
      all.push(await held(sheet, medium, reader.recognise));
    const sum = (of: 'values' | 'right') => all.reduce((total, one) => total + one[of], 0);
    const silent = all.flatMap((one) => one.silent);
    const flagged = all.flatMap((one) => one.flagged);
    isSilent ||= silent.length > 0;
    const share = ((100 * sum('right')) / sum('values')).toFixed(1);
    console.log(
      `${medium.padEnd(7)}${isApart ? 'held apart' : 'tuned on'.padEnd(10)} ${all.length} pages  ${sum('right')} of ${sum('values')} right (${share} %), ${flagged.length} flagged or missing, ${silent.length} wrong without a flag`,
    );
    for (const line of [...silent, ...(process.argv.includes('all') ? flagged : [])])
      console.log(`  ${line}`);
  }
}
await reader.end();
process.exitCode = isSilent ? 1 : 0;
