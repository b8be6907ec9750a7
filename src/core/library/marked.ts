import { diffLines } from 'diff';

/**
 * Two texts as one: what they have in common once, and where they differ both, between the marks that version
 * control uses. Such a text is no document until somebody has chosen.
 */
export function markedText(
  ours: string,
  theirs: string,
  names: readonly [ours: string, theirs: string],
): string {
  const parts = diffLines(ours, theirs);
  const lines: string[] = [];
  for (let i = 0; i < parts.length; i += 1) {
    const part = parts[i];
    if (!part) continue;
    if (!part.added && !part.removed) {
      lines.push(part.value);
      continue;
    }
    const next = parts[i + 1];
    const removed = part.removed ? part.value : '';
    const added = part.added ? part.value : next?.added ? next.value : '';
    if (part.removed && next?.added) i += 1;
    lines.push(`<<<<<<< ${names[0]}\n${removed}=======\n${added}>>>>>>> ${names[1]}\n`);
  }
  return lines.join('');
}
