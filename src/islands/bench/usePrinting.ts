import { useContext, useEffect } from 'react';
import type { Writable } from '../../core/format/format';
import type { HandOver } from '../../core/format/paper/frame';
import { keptPaper, today } from '../common/about';
import { BenchContext } from '../state/context';
import { useRevisionWords } from '../state/useRevisions';

/** What the browser prints in place of the page. */
const PAGES = 'print-pages';

type Sheets = (compiled: Writable, about: HandOver) => string;
let sheets: Sheets | null = null;

/** Loads what draws the sheets: once it is there, the browser's own way to print gives them too. */
export async function loadSheets(): Promise<void> {
  if (sheets) return;
  const [{ drawingSheets }, { svgOf }] = await Promise.all([
    import('../../core/format/paper/sheet'),
    import('../../core/format/paper/svg'),
  ]);
  sheets = (compiled, about) =>
    drawingSheets(compiled, about)
      .map((page) => svgOf(page, compiled.document.name).replace(/^<\?xml[^>]*\?>/, ''))
      .join('');
}

/** Prints the drawing sheets of the footprint on the Bench: exactly what the PDF of them has. */
export function usePrinting(): void {
  const store = useContext(BenchContext);
  const revision = useRevisionWords();
  useEffect(() => {
    if (!store) return;
    const before = () => {
      const { compiled } = store.getState().derived;
      const { footprint } = compiled;
      document.getElementById(PAGES)?.remove();
      if (!sheets || !footprint) return;
      const pages = document.createElement('div');
      pages.id = PAGES;
      pages.innerHTML = sheets({ ...compiled, footprint }, { paper: keptPaper(), date: today(), revision });
      document.body.append(pages);
    };
    const after = () => document.getElementById(PAGES)?.remove();
    addEventListener('beforeprint', before);
    addEventListener('afterprint', after);
    return () => {
      removeEventListener('beforeprint', before);
      removeEventListener('afterprint', after);
      after();
    };
  }, [store, revision]);
}
