// Reads land patterns that foreign hands wrote and says how many came out right. `npm run exchange -- apart` reads
// those that were kept apart; `all` lists every difference, and a word in quotes picks files by their name.
import { foreignFiles, held } from './exchange/held';

const words = process.argv.slice(2);
const picked = words.find((word) => !['apart', 'all'].includes(word));
const all = foreignFiles(words.includes('apart'))
  .map(({ hand, scene }) => held(hand, scene))
  .filter(({ name }) => picked === undefined || name.includes(picked));
for (const { name, outcome, words: said } of all) {
  if (outcome === 'right' && picked === undefined) continue;
  console.log(`${outcome.padEnd(8)} ${name}`);
  for (const line of words.includes('all') || picked !== undefined ? said : said.slice(0, 3))
    console.log(`           ${line.slice(0, 220)}`);
}
const count = (outcome: string) => all.filter((one) => one.outcome === outcome).length;
console.log(
  `${all.length} files: ${count('right')} right, ${count('told')} wrong but told, ${count('refused')} refused, ${count('silent')} wrong without a word`,
);
