import { useContext, useEffect } from 'react';
import { BenchContext } from '../state/context';

/** Whether a text is more than one line, or an HTML text has a table. */
function isTable(text: string, html: string): boolean {
  return (
    text.trim().split(/\r\n?|\n/).length > 1 || (/<table/i.test(html) && /<tr[\s>][^]*<tr[\s>]/i.test(html))
  );
}

/** What is pasted at Measure and is a table, or a picture of one, is read; a single row goes into its field. */
export function usePastedSheet(): void {
  const store = useContext(BenchContext);
  useEffect(() => {
    if (!store) return;
    const paste = (event: ClipboardEvent) => {
      const { stage, set } = store.getState();
      const target = event.target as HTMLElement;
      const data = event.clipboardData;
      if (stage !== 'measure' || !data || target.closest('textarea, dialog')) return;
      const text = data.getData('text/plain');
      const html = data.getData('text/html');
      const [file] = data.files;
      const inField = target instanceof HTMLInputElement;
      if (file?.type.startsWith('image/') && text === '') {
        event.preventDefault();
        set({ source: { kind: 'file', file } });
      } else if (isTable(text, html) || (!inField && text.trim() !== '')) {
        event.preventDefault();
        set({ source: { kind: 'pasted', text, html } });
      }
    };
    addEventListener('paste', paste);
    return () => removeEventListener('paste', paste);
  }, [store]);
}
