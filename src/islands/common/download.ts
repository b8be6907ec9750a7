/** Offers a text as a file to save; it never leaves the machine otherwise. */
export function download({ name, mediaType, text }: { name: string; mediaType: string; text: string }): void {
  const url = URL.createObjectURL(new Blob([text], { type: mediaType }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // the browser has taken its own hold of the data by then
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
