// Characters that XML 1.0 cannot hold at all (clause 2.2), lone surrogates among them.
const FORBIDDEN =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

/** A typed text as XML can hold it; what it cannot hold becomes the replacement character. */
export function xmlText(text: string): string {
  return text.replace(FORBIDDEN, '\ufffd');
}
