import { tellNote } from '../common/note';
import { shelf } from '../common/shelf-store';
import { counted } from '../common/words';

/**
 * Writes many footprints as one act, told with its way back; those that changed meanwhile stay.
 * @param now what they are now, in words
 */
export async function rewriteMany(rows: Parameters<typeof shelf.rewrite>[0], now: string): Promise<void> {
  const { before, left } = await shelf.rewrite(rows);
  const others = left.length > 0 ? ` ${left.join(', ')} changed meanwhile and stayed.` : '';
  tellNote({
    words: `${counted(before.length, 'footprint')} now: ${now}.${others}`,
    takeBack: { words: 'Take it back', act: () => takenBack(before) },
  });
}

/** Writes what there was before, where nobody changed it since. */
async function takenBack(rows: Parameters<typeof shelf.rewrite>[0]): Promise<string> {
  const { before, left } = await shelf.rewrite(rows);
  const others = left.length > 0 ? ` ${left.join(', ')} changed since and stayed.` : '';
  return `${counted(before.length, 'footprint')} ${before.length === 1 ? 'is' : 'are'} as before.${others}`;
}
