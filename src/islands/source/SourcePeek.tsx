import { useEffect, useRef, useState } from 'react';
import type { PrintedAt } from '../../core/document/document';
import { entryOf, writtenEntry } from '../../core/document/entries';
import { shelf } from '../common/shelf-store';
import { useBench } from '../state/context';
import { openSheet, type OpenSheet } from './sheet-file';

/** What is shown round the place, in the page's points. */
const AROUND = { x: 70, y: 16 };
/** Of the picture, pixels. */
const WIDTH = 266;
const HEIGHT = 80;

/** The datasheet that was looked at last stays open: hovering from number to number is quick. */
let last: { readonly key: string; readonly sheet: Promise<OpenSheet | null> } | null = null;

function sheetOf(key: string): Promise<OpenSheet | null> {
  if (last?.key !== key) {
    void last?.sheet.then((sheet) => sheet?.close());
    const sheet = shelf.sources
      .get(key)
      .then((stored) => (stored ? openSheet(stored.bytes, stored.name) : null));
    last = { key, sheet };
  }
  return last.sheet;
}

/** The piece of the page that a dimension was read from; pressing it goes there. */
export function SourcePeek({ symbol, from }: { symbol: string; from: PrintedAt }) {
  const source = useBench(({ document }) => document.sources?.find(({ id }) => id === from.source));
  const text = useBench(({ document }) => writtenEntry(entryOf(document, symbol)).text);
  const set = useBench((s) => s.set);
  const holder = useRef<HTMLSpanElement>(null);
  const [state, setState] = useState<'drawn' | 'missing' | 'none'>('none');
  const key = source?.key;
  const { box, page } = from;
  useEffect(() => {
    let left = false;
    const draw = async () => {
      const sheet = key !== undefined && box ? await sheetOf(key) : null;
      if (left) return;
      if (!sheet || !box) return setState(key !== undefined && !sheet ? 'missing' : 'none');
      const piece = await pieceOf(sheet, page, box);
      if (left) return;
      holder.current?.replaceChildren(piece);
      setState('drawn');
    };
    draw().catch(() => left || setState('missing'));
    return () => {
      left = true;
    };
  }, [key, page, box]);
  if (!source) return null;
  return (
    <button
      type="button"
      className="border-base-300 bg-base-100 absolute bottom-2 left-[60px] z-10 flex max-w-[284px] flex-col items-start border px-2 py-1 text-left text-[12px]"
      aria-label={`${symbol} in ${source.name}, page ${page}: go there`}
      onClick={() => set({ source: { kind: 'kept', id: source.id, page, symbol } })}
    >
      <span className="text-secondary">
        <b className="text-primary font-semibold">{symbol}</b> {source.name}
        {source.key === undefined ? '' : `, page ${page}`}
      </span>
      <span ref={holder} aria-hidden="true" />
      {state !== 'drawn' && <span>{from.text}</span>}
      {state === 'missing' && <span className="text-secondary">The file is not in this browser.</span>}
      {text !== from.entry && (
        <span className="text-warning">▲ Changed by hand since: it was read as {from.entry}.</span>
      )}
      {from.unconfirmed && <span className="text-warning">▲ Read from a picture, not confirmed yet.</span>}
    </button>
  );
}

async function pieceOf(
  sheet: OpenSheet,
  page: number,
  [x0, y0, x1, y1]: readonly [number, number, number, number],
): Promise<HTMLCanvasElement> {
  const { width: pageWidth } = await sheet.size(page);
  // pictures are in pixels, pages in points: what is shown is a share of the page either way
  const unit = pageWidth / 600;
  const [w, h] = [x1 - x0 + 2 * AROUND.x * unit, y1 - y0 + 2 * AROUND.y * unit];
  const scale = Math.min(WIDTH / w, HEIGHT / h);
  const density = Math.min(2, devicePixelRatio || 1);
  const whole = await sheet.draw(page, scale * density);
  const piece = document.createElement('canvas');
  [piece.width, piece.height] = [Math.round(w * scale * density), Math.round(h * scale * density)];
  piece.style.width = `${w * scale}px`;
  const pen = piece.getContext('2d');
  const [left, top] = [(x0 - AROUND.x * unit) * scale * density, (y0 - AROUND.y * unit) * scale * density];
  pen?.drawImage(whole, -left, -top);
  if (pen) {
    pen.strokeStyle = getComputedStyle(document.documentElement).getPropertyValue('--color-primary');
    pen.lineWidth = density;
    pen.strokeRect(
      x0 * scale * density - left - 2,
      y0 * scale * density - top - 2,
      (x1 - x0) * scale * density + 4,
      (y1 - y0) * scale * density + 4,
    );
  }
  return piece;
}
