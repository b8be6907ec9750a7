/** What a footprint is called that is read from a file: by the file, and by its size where it has several. */
export function documentName(file: string, size = ''): string {
  const base =
    file
      .replace(/^.*[/\\]/, '')
      .replace(/\.[A-Za-z0-9]{1,5}$/, '')
      .trim() || 'From a datasheet';
  return `${base}${size === '' ? '' : `, ${size}`}`.slice(0, 120);
}
