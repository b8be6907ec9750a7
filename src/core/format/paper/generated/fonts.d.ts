/** A font file, and the width of its letters by their code, in thousandths of its size. */
interface EmbeddedFont {
  readonly base64: string;
  readonly widths: Readonly<Record<string, number>>;
}
export const regular: EmbeddedFont;
export const bold: EmbeddedFont;
/** Faces of other scripts: only the letters that the type has not. */
export const others: readonly {
  readonly script: string;
  readonly widths: Readonly<Record<string, number>>;
}[];
