import { drawPlan } from '../../core/drawing/plan';
import type { Severity } from '../../core/document/finding';
import type { Footprint } from '../../core/footprint/footprint';
import { documentFile, download } from '../common/download';
import { ErrorBoundary } from '../common/ErrorBoundary';
import { shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { Hatches } from '../sheet/Hatches';
import { Strokes } from '../sheet/Strokes';
import type { CardData } from './card-data';

const VERDICTS: Readonly<Record<Severity | 'clear', readonly [sign: string, text: string, colour: string]>> =
  {
    stop: ['●', 'stop', 'text-error'],
    caution: ['▲', 'caution', 'text-warning'],
    note: ['■', 'holds, with notes', 'text-info'],
    clear: ['✓', 'holds', 'text-success'],
  };

/** One footprint on the Shelf: its drawing, its names, its verdict. */
export function Card({ card }: { card: CardData }) {
  const { stored, compiled, report } = card;
  const { id, document } = stored;
  const [sign, verdict, colour] = VERDICTS[report.verdict];
  const open = report.findings.filter(({ severity }) => severity === report.verdict);
  return (
    <li className="border-base-300 bg-base-100 hover:border-primary group relative flex flex-col border">
      <a href={`/bench/${id}`} className="block" title={`Open ${document.name}`}>
        <div className="bg-base-200 border-base-300 grid h-[150px] place-content-center border-b">
          {compiled.footprint ? (
            <ErrorBoundary part="The drawing">
              <CardDrawing footprint={compiled.footprint} />
            </ErrorBoundary>
          ) : (
            <span className="text-secondary px-3">
              {report.findings[0]?.rule === 'fault' ? report.findings[0].message : 'dimensions incomplete'}
            </span>
          )}
        </div>
        <div className="px-3 pt-2">
          <p className="text-[15px] leading-tight font-semibold wrap-anywhere">{document.name}</p>
          <p className="text-secondary wrap-anywhere">
            {compiled.footprint?.standardName ?? compiled.resolved?.title ?? document.package.family}
          </p>
          <p className={`leading-tight ${colour}`} title={open[0]?.message}>
            <span aria-hidden="true">{sign}</span> {open[0] ? open[0].title : verdict}
          </p>
        </div>
      </a>
      <div className="text-secondary mt-1 flex items-center gap-3 px-3 pb-2 text-[12px]">
        <span>
          level {document.level} · {compiled.process.name}
        </span>
      </div>
      <div className="flex gap-2 px-3 pb-2">
        <button
          type="button"
          className="btn btn-xs"
          onClick={() => void attempt(`Duplicating ${document.name}`, () => shelf.duplicate(id))}
        >
          Duplicate
        </button>
        <button type="button" className="btn btn-xs" onClick={() => exportOne(card)}>
          Export
        </button>
        <button
          type="button"
          className="btn btn-xs ml-auto"
          onClick={() => void attempt(`Deleting ${document.name}`, () => shelf.bin(id))}
        >
          Delete
        </button>
      </div>
    </li>
  );
}

function exportOne({ stored, compiled }: CardData): void {
  download(documentFile(stored.document, compiled.footprint?.standardName));
}

/** Size of the drawing's room on a card, px. */
const ROOM = { width: 270, height: 134 };
/** Pixels in a millimetre, as CSS defines them. */
const PER_MM = 96 / 25.4;
/** Magnifications of the drawings: equal parts look equal from card to card. */
const SCALES = [4, 2, 1] as const;

/** The plan at a scale that all cards share, halved until it fits. */
function CardDrawing({ footprint }: { footprint: Footprint }) {
  const { strokes, extent } = drawPlan(footprint);
  const [width, height] = [extent.maxX - extent.minX, extent.maxY - extent.minY];
  const fits = (k: number) => width * k * PER_MM <= ROOM.width && height * k * PER_MM <= ROOM.height;
  const magnified = SCALES.find(fits) ?? 0.5;
  const scale = magnified * PER_MM;
  const margin = 0.6;
  const box = [extent.minX - margin, -extent.maxY - margin, width + 2 * margin, height + 2 * margin];
  return (
    <>
      <svg
        width={(width + 2 * margin) * scale}
        height={(height + 2 * margin) * scale}
        viewBox={box.join(' ')}
        role="img"
        aria-label={`Plan of ${footprint.standardName}`}
      >
        <Hatches scale={scale} />
        <g className="drawing">
          <Strokes strokes={strokes.filter(({ layer }) => !layer.startsWith('contact'))} />
        </g>
      </svg>
      <span className="text-secondary absolute top-1 right-2 text-[11px]">{magnified} : 1</span>
    </>
  );
}
