/**
 * Why a footprint is not changed.
 * @param locked number of its approved revision; 0 where it came by a link
 * @param mend what helps with an approved one
 */
export function lockWords(locked: number, mend = 'go on with the next to change it'): string {
  return locked === 0
    ? 'This footprint came by a link and stays as it was sent: put it on your Shelf to change it.'
    : `Revision ${locked} is approved and stays as it is: ${mend}.`;
}

/** What going on is called. */
export function goOnWords(locked: number): string {
  return locked === 0 ? 'Put on my Shelf' : `Go on with revision ${locked + 1}`;
}
