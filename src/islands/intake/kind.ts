/** Where a file belongs: onto the Shelf, among the trials, into a pattern, beside a drawing as its datasheet, or as a body. */
export type FileKind = 'shelf' | 'trial' | 'pattern' | 'sheet' | 'model' | 'unknown';

/** What is looked at to tell a file, in bytes. */
const HEAD = 200_000;
/** Largest ZIP that is looked into, in bytes. */
const LARGEST_ZIP = 120_000_000;

/** Tells what a file is by what stands in it, and only then by its name. */
export async function kindOfFile(file: File): Promise<FileKind> {
  const { name, type, size } = file;
  if (/\.(step|stp|stl|glb|gltf)$/i.test(name)) return 'model';
  // browsers take films for pictures of their own kind
  if (/^image\/(png|jpeg|webp|gif|bmp)$/.test(type) || /\.(pdf|png|jpe?g|webp)$/i.test(name)) return 'sheet';
  const head = new Uint8Array(await file.slice(0, HEAD).arrayBuffer());
  const { isZip, patternKindOf } = await import('../../core/format/import');
  if (isZip(head)) {
    if (size > LARGEST_ZIP) return 'shelf';
    return (await holdsDocuments(new Uint8Array(await file.arrayBuffer()))) ? 'shelf' : 'pattern';
  }
  const text = new TextDecoder().decode(head);
  if (text.startsWith('%PDF')) return 'sheet';
  if (patternKindOf(name, text)) return 'pattern';
  if (/^\uFEFF?\s*\{/.test(text) && /"tapisTrial"\s*:/.test(text)) return 'trial';
  if (/^\uFEFF?\s*[{[]/.test(text) || /\.json$/i.test(name)) return 'shelf';
  return /<(html|table|body)\b/i.test(text) || /\.(txt|tsv|csv|html?)$/i.test(name) ? 'sheet' : 'unknown';
}

/** Whether a ZIP holds documents or is a backup; what cannot be looked into is left to the Shelf, which says why. */
async function holdsDocuments(bytes: Uint8Array): Promise<boolean> {
  const { unzipSync } = await import('fflate');
  let found = false;
  try {
    unzipSync(bytes, {
      filter: ({ name }) => {
        found ||= name.toLowerCase().endsWith('.json');
        return false;
      },
    });
  } catch {
    return true;
  }
  return found;
}
