import { useRef, useState } from 'react';
import type { PieceIntent } from '../../../core/document/pieces';
import { counted } from '../../common/words';
import { useBench } from '../../state/context';
import { pieceAt } from './edits';

/** Takes the outline of a piece from a DXF drawing: its largest closed outline, or another of them. */
export function OutlineFromDrawing({ piece }: { piece: PieceIntent }) {
  const edit = useBench((s) => s.edit);
  const file = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ readonly words: string; readonly texts: readonly string[] } | null>(
    null,
  );
  const at = `${pieceAt(piece.id)}/contour`;
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    // reading drawings is loaded with the first one
    const { cornersText, readOutlines } = await import('../../../core/format/dxf/outlines');
    const read = readOutlines(await chosen.text());
    if (!read.ok) return setSaid({ words: `${chosen.name}: ${read.error}`, texts: [] });
    const { outlines, texts: words, left } = read.value;
    const texts = outlines.slice(0, 12).map(cornersText);
    const [first] = texts;
    if (first !== undefined) edit([{ at, value: first }]);
    const found =
      outlines.length === 0
        ? 'There is no closed outline in it; the piece is as it was.'
        : `Taken: the largest of ${outlines.length} closed outline${outlines.length === 1 ? '' : 's'}, about the middle of its box.`;
    const beside = words.length > 0 ? [`Its ${counted(words.length, 'text')} are left out.`] : [];
    setSaid({ words: [found, ...left, ...beside].join(' '), texts });
    if (file.current) file.current.value = '';
  };
  return (
    <div className="col-span-2">
      <button type="button" className="text-primary hover:underline" onClick={() => file.current?.click()}>
        Take it from a DXF drawing
      </button>
      <input
        ref={file}
        type="file"
        hidden
        accept=".dxf,image/vnd.dxf,application/dxf"
        aria-label="DXF drawing with the outline"
        onChange={({ target }) => void take(target.files?.[0])}
      />
      {said && (
        <p role="status" className="text-secondary">
          {said.words}{' '}
          {said.texts.slice(1).map((text, i) => (
            <button
              key={i}
              type="button"
              className="text-primary mr-2 hover:underline"
              onClick={() => edit([{ at, value: text }])}
            >
              the {ORDER[i] ?? `number ${i + 2}`}
            </button>
          ))}
        </p>
      )}
    </div>
  );
}

const ORDER = ['second', 'third', 'fourth'];
