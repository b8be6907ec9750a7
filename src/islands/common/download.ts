import type { WrittenFile } from '../../core/format/format';

/** Offers a text or bytes as a file to save; it never leaves the machine otherwise. */
export function download({ name, mediaType, content }: WrittenFile): void {
  const data = typeof content === 'string' ? content : content.slice();
  offer(name, new Blob([data], { type: mediaType }));
}

/** Offers data as a file to save. */
export function offer(name: string, data: Blob): void {
  const url = URL.createObjectURL(data);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // the browser has taken its own hold of the data by then
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
