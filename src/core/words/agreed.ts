/**
 * A sentence that agrees with a count: `#` is the count, `[one|many]` what is said of one and of more.
 * @example agreed(2, '# [hole lies|holes lie] in no land') // '2 holes lie in no land'
 */
export const agreed = (count: number, words: string): string =>
  words
    .replace('#', String(count))
    .replace(/\[([^|\]]*)\|([^\]]*)\]/g, (_, one: string, many: string) => (count === 1 ? one : many));
