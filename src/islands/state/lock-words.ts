/** Why a footprint is not changed. @param locked number of its approved revision; 0 where it came by a link */
export function lockWords(locked: number): string {
  return locked === 0
    ? 'this footprint came by a link and stays as it was sent. Put it on your Shelf to change it.'
    : `revision ${locked} is approved and stays as it is. Go on with the next to change it.`;
}

/** What going on is called. */
export function goOnWords(locked: number): string {
  return locked === 0 ? 'Put on my Shelf' : `Go on with revision ${locked + 1}`;
}
