/**
 * A pure function of a text that remembers what it answered last. Of one text it gives one and the same
 * answer, which nobody may change.
 * @param most answers that are kept; the oldest goes first
 */
export function remembered<T>(read: (text: string) => T, most: number): (text: string) => T {
  const answers = new Map<string, T>();
  return (text) => {
    const known = answers.get(text);
    if (known !== undefined) return known;
    const answer = read(text);
    const [oldest] = answers.keys();
    if (answers.size >= most && oldest !== undefined) answers.delete(oldest);
    answers.set(text, answer);
    return answer;
  };
}
