// Reads all made-up drawings and says how many values were read right, for the ways of drawing that the reader was
// made with and for those held apart. `npm run drawings -- apart` reads those too; `all` lists what was flagged.
import { writeFileSync } from 'node:fs';
import { drawPattern } from './drawings/draw';
import { held, heldOutline, swapped, type Held } from './drawings/held';
import { OUTLINES } from './drawings/outlines';
import { PATTERNS } from './drawings/patterns';
import { STYLES } from './drawings/styles';

/** Scene, file and part. */
const DEMO_SHEETS = [
  ['connector with tabs and pegs', 'HS-FC05 land pattern.pdf', 'HS-FC05 flat cable socket'],
  ['no-lead, pad', 'HS-BC10 land pattern.pdf', 'HS-BC10 charger'],
] as const;

const [, , word, of, by, file] = process.argv;
if (word === 'print') {
  // one page to look at: scene, style, file
  const [scene, style] = [PATTERNS[Number(of)], STYLES[Number(by)]];
  if (scene && style) writeFileSync(file ?? 'drawing.pdf', await drawPattern(scene, style, Number(of)));
  process.exit();
}
if (word === 'demo') {
  // the two drawn sheets of the demonstration board
  const style = STYLES.find(({ name }) => name === 'filled-over');
  for (const [name, file, title] of DEMO_SHEETS) {
    const scene = PATTERNS.find((one) => one.name === name);
    if (scene && style)
      writeFileSync(
        `public/demo/${file}`,
        await drawPattern(scene, style, 1, `Harrow Sound Instruments  ${title}: recommended land pattern`),
      );
  }
  process.exit();
}
const isApart = process.argv.includes('apart');
let isSilent = false;

function told(what: string, style: (typeof STYLES)[number], all: readonly Held[]): void {
  const sum = (of: 'values' | 'right') => all.reduce((total, one) => total + one[of], 0);
  const silent = all.filter((one) => one.silent.length > 0);
  const flagged = all.filter((one) => one.flagged.length > 0);
  isSilent ||= silent.length > 0;
  const share = ((100 * sum('right')) / sum('values')).toFixed(1);
  console.log(
    `${what.padEnd(9)}${style.name.padEnd(18)}${style.isApart ? 'held apart' : 'tuned on  '} ${sum('right')} of ${sum('values')} right (${share} %), ${flagged.length} drawings flagged, ${silent.length} wrong without a flag`,
  );
  if (style.isApart && !process.argv.includes('all')) return;
  for (const one of silent) console.log(`  SILENT ${one.name}: ${one.silent.slice(0, 4).join('; ')}`);
  if (process.argv.includes('all'))
    for (const one of flagged) console.log(`  ${one.name}: ${one.flagged.slice(0, 4).join('; ')}`);
}

const only = ['patterns', 'numbers', 'letters'].filter((one) => process.argv.includes(one));
const isMeant = (one: string) => only.length === 0 || only.includes(one);
for (const style of STYLES.filter((one) => isApart || !one.isApart)) {
  const patterns: Held[] = [];
  const numbers: Held[] = [];
  const letters: Held[] = [];
  if (isMeant('patterns'))
    for (const [i, scene] of PATTERNS.entries()) patterns.push(await held(scene, style, i));
  for (const [i, scene] of OUTLINES.entries()) {
    if (isMeant('numbers')) numbers.push(await heldOutline(scene, style, null, i));
    if (isMeant('letters')) letters.push(await heldOutline(scene, style, swapped(scene, i), i));
  }
  if (isMeant('patterns')) told('patterns', style, patterns);
  if (isMeant('numbers')) told('numbers', style, numbers);
  if (isMeant('letters')) told('letters', style, letters);
}
process.exitCode = isSilent ? 1 : 0;
