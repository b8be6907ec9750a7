import type { Review, Reviewed } from '../../library/review';
import { differenceWords, type ReviewHead } from './html';

/** Differences that are told of each footprint. */
const TOLD = 5;

/** Writes a review as a summary in Markdown, for a pull request or a mail. */
export function reviewMarkdown({ entries, unchanged }: Review, head: ReviewHead): string {
  const of = (kind: Reviewed['kind']) => entries.filter((one) => one.kind === kind);
  const lines = [
    `# ${plain(head.title)}`,
    '',
    `${plain(head.before)} → ${plain(head.after)}: ${of('changed').length} changed (${of('changed').filter(({ copperDiffers }) => copperDiffers).length} in copper), ${of('new').length} new, ${of('gone').length} gone, ${unchanged} the same.`,
    '',
    ...entries.flatMap((one) => [
      `- **${plain(one.name)}** (${one.kind}, \`${one.path.replaceAll('`', '')}\`)${verdictWords(one)}`,
      ...one.differences.slice(0, TOLD).map((difference) => `  - ${plain(differenceWords(difference))}`),
      ...(one.differences.length > TOLD ? [`  - and ${one.differences.length - TOLD} more`] : []),
      ...(one.usedBy.length > 0 ? [`  - used by ${one.usedBy.map(plain).join(', ')}`] : []),
    ]),
    '',
  ];
  return lines.join('\n');
}

function verdictWords({ was, is }: Reviewed): string {
  const said = [was?.verdict, is?.verdict].filter((one) => one !== undefined);
  return `: ${said.length === 2 && said[0] === said[1] ? said[0] : said.join(' → ')}`;
}

/** Text that Markdown takes as it is written. */
function plain(text: string): string {
  return text.replace(/[\\`*_[\]<>#|]/g, (sign) => `\\${sign}`).replaceAll('\n', ' ');
}
