import type { Difference } from '../../compare/differences';
import { INK, INK_COLOUR } from '../../drawing/palette';
import type { CardDrawing } from '../../library/facts';
import type { Review, Reviewed, Side } from '../../library/review';
import { formatFigure, formatMm } from '../../units/length';

// A review as one page that needs no server: before and after over each other, what differs, what was found.

const SHAPES: Readonly<Record<string, string>> = { stop: '●', caution: '▲', note: '■', clear: '✓' };
const KINDS = { changed: 'changed', new: 'new', gone: 'gone' } as const;
/** Differences that are listed of one footprint; the rest is counted. */
const LISTED = 40;
/** Shares of bad joints below this say nothing. */
const LEAST = 1e-8;

/** What a review is headed with. */
export interface ReviewHead {
  readonly title: string;
  readonly before: string;
  readonly after: string;
}

/** Writes a review as a self-contained page. */
export function reviewHtml({ entries, unchanged }: Review, head: ReviewHead): string {
  const count = (kind: Reviewed['kind']) => entries.filter((one) => one.kind === kind).length;
  const copper = entries.filter((one) => one.kind === 'changed' && one.copperDiffers).length;
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>${escaped(head.title)}</title><style>${STYLE}</style></head><body>
<header><h1>${escaped(head.title)}</h1>
<p>${escaped(head.before)} → ${escaped(head.after)}</p>
<p><b>${count('changed')}</b> changed (${copper} in copper), <b>${count('new')}</b> new, <b>${count('gone')}</b> gone, ${unchanged} the same.</p></header>
<nav aria-label="What changed"><table><thead><tr><th>footprint</th><th></th><th>found</th><th>bad joints</th><th>first difference</th></tr></thead><tbody>
${entries.map(row).join('\n')}
</tbody></table></nav>
${entries.map(article).join('\n')}
<script>${SCRIPT}</script></body></html>
`;
}

function row(one: Reviewed): string {
  const [first] = one.differences;
  return `<tr><td><a href="#${anchorOf(one)}">${escaped(one.name)}</a></td><td>${KINDS[one.kind]}${one.kind === 'changed' && !one.copperDiffers ? ', copper the same' : ''}</td><td>${verdicts(one)}</td><td>${joints(one)}</td><td>${first ? escaped(differenceWords(first)) : ''}</td></tr>`;
}

function verdicts({ was, is }: Reviewed): string {
  const said = (side: Side | null) => (side ? `${SHAPES[side.verdict]} ${side.verdict}` : '');
  return [said(was), said(is)].filter(Boolean).join(' → ');
}

function joints({ was, is }: Reviewed): string {
  const said = (side: Side | null) => {
    const share = side?.badShare ?? null;
    if (share === null) return '';
    return share < LEAST ? '≤ 0.01 ppm' : `${formatFigure(share * 1e6, 0, share > 1e-4 ? 0 : 2)} ppm`;
  };
  const [a, b] = [said(was), said(is)];
  return a === b ? a : [a, b].filter(Boolean).join(' → ');
}

function article(one: Reviewed): string {
  const { differences, usedBy } = one;
  const more = differences.length - LISTED;
  return `<article id="${anchorOf(one)}"><h2><a href="#${anchorOf(one)}">${escaped(one.name)}</a> <small>${KINDS[one.kind]} · ${escaped(one.path)} · ${escaped(one.standardName ?? 'no name yet')}</small></h2>
<div class="two">${drawings(one)}<div>
<p>${verdicts(one)} · bad joints ${joints(one) || 'none reckoned'}</p>
${differences.length > 0 ? `<table><thead><tr><th>what</th><th>was</th><th>is</th></tr></thead><tbody>${differences.slice(0, LISTED).map(differenceRow).join('')}</tbody></table>${more > 0 ? `<p>and ${more} more</p>` : ''}` : ''}
${findings(one)}
${usedBy.length > 0 ? `<p>Used by ${usedBy.map(escaped).join(', ')}.</p>` : ''}
</div></div></article>`;
}

function differenceRow(one: Difference): string {
  const [was, is] = [one.from, one.to].map((value) =>
    value === null ? 'none' : one.kind === 'length' ? `${formatMm(Number(value))} mm` : String(value),
  );
  const lands =
    one.lands.length > 0
      ? ` <small>${escaped(one.lands.slice(0, 6).join(' '))}${one.lands.length > 6 ? ' …' : ''}</small>`
      : '';
  return `<tr class="${one.what}"><td>${escaped(one.title)}${lands}</td><td>${escaped(was ?? '')}</td><td>${escaped(is ?? '')}</td></tr>`;
}

/** A difference in a line. */
export function differenceWords({ title, from, to, kind }: Difference): string {
  const said = (value: Difference['from']) =>
    value === null ? 'none' : kind === 'length' ? formatMm(Number(value)) : String(value);
  return `${title} ${said(from)} → ${said(to)}${kind === 'length' ? ' mm' : ''}`;
}

/** Findings that came and went. */
function findings({ was, is }: Reviewed): string {
  const keyOf = ({ severity, title }: Side['findings'][number]) => `${severity} ${title}`;
  const [old, now] = [was?.findings ?? [], is?.findings ?? []];
  const came = now.filter((one) => !old.some((other) => keyOf(other) === keyOf(one)));
  const went = old.filter((one) => !now.some((other) => keyOf(other) === keyOf(one)));
  const list = (title: string, all: Side['findings']) =>
    all.length === 0
      ? ''
      : `<p>${title}</p><ul>${all.map(({ severity, title: name, message }) => `<li>${SHAPES[severity]} <b>${escaped(name)}</b>. ${escaped(message)}</li>`).join('')}</ul>`;
  return list(was ? 'Findings that came' : 'Findings', came) + list('Findings that went', is ? went : []);
}

/** Before and after over each other, with a wipe between them where there are both. */
function drawings({ was, is, name }: Reviewed): string {
  const both = [was?.drawing, is?.drawing].filter((one) => one !== null && one !== undefined);
  if (both.length === 0) return '<div class="none">cannot be drawn</div>';
  const [x0, y0, x1, y1] = roundAll(both);
  const layer = (drawing: CardDrawing | null | undefined, side: string) =>
    drawing
      ? `<svg class="${side}" viewBox="${x0} ${y0} ${x1 - x0} ${y1 - y0}" role="img" aria-label="${escaped(name)}, ${side}">${paths(drawing)}</svg>`
      : '';
  const wipe =
    was?.drawing && is?.drawing
      ? '<input type="range" min="0" max="100" value="50" aria-label="Wipe between before and after"><div class="ends"><span>before</span><span>after</span></div>'
      : '';
  return (
    `<div class="drawn" style="aspect-ratio:${x1 - x0}/${y1 - y0}">${layer(was?.drawing, 'before')}${layer(is?.drawing, 'after')}</div>${wipe ? `<div class="wipe">${wipe}</div>` : ''}`.replace(
      /^/,
      '<div class="view">',
    ) + '</div>'
  );
}

function roundAll(all: readonly CardDrawing[]): [number, number, number, number] {
  const boxes = all.map(({ viewBox }) => viewBox.split(' ').map(Number) as [number, number, number, number]);
  return [
    Math.min(...boxes.map(([x]) => x)),
    Math.min(...boxes.map(([, y]) => y)),
    Math.max(...boxes.map(([x, , w]) => x + w)),
    Math.max(...boxes.map(([, y, , h]) => y + h)),
  ];
}

function paths({ paths: all }: CardDrawing): string {
  return all
    .map(({ layer, d, closed, width }) => {
      const ink = INK[layer] ?? { fill: 'none', stroke: INK_COLOUR, 'stroke-width': '0.02' };
      const said = {
        ...ink,
        ...(width === undefined ? {} : { 'stroke-width': String(width) }),
        ...(closed ? {} : { fill: 'none' }),
      };
      const attributes = Object.entries(said)
        .map(([key, value]) => ` ${key}="${value}"`)
        .join('');
      return `<path d="${d}"${attributes}/>`;
    })
    .join('');
}

const anchorOf = ({ path }: Reviewed): string =>
  encodeURIComponent(path.replace(/\.json$/, '')).replaceAll('%', '_');

function escaped(text: string): string {
  return text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);
}

const STYLE = `:root{color:#22303a;background:#f4efe6;font:14px/1.35 "Barlow Semi Condensed","Arial Narrow",system-ui,sans-serif;font-variant-numeric:tabular-nums}
body{margin:0 auto;max-width:1180px;padding:16px}h1{font-size:20px;margin:0}h2{font-size:15px;margin:0 0 6px}small{color:#50606b;font-weight:400}
a{color:#1f6f78}table{border-collapse:collapse;width:100%}th{color:#50606b;font-weight:400;text-align:left;font-size:12px}td,th{border-top:1px solid #d9d0bf;padding:2px 8px 2px 0;vertical-align:top}
nav,article{background:#fbf8f2;border:1px solid #d9d0bf;border-radius:3px;margin:12px 0;padding:10px 12px}tr.land td{font-weight:600}
.two{display:grid;grid-template-columns:minmax(260px,400px) 1fr;gap:16px}.drawn{position:relative;max-height:380px;background:#fff;border:1px solid #d9d0bf}
.drawn svg{position:absolute;inset:0;width:100%;height:100%}.view{--at:50%}.before+.after{clip-path:inset(0 0 0 var(--at))}.before:not(:last-child){clip-path:inset(0 calc(100% - var(--at)) 0 0)}
.wipe input{width:100%;accent-color:#1f6f78}.ends{display:flex;justify-content:space-between;color:#50606b;font-size:12px}ul{margin:2px 0 6px;padding-left:18px}p{margin:4px 0}
@media print{:root{background:#fff}article{break-inside:avoid}.wipe{display:none}.before+.after,.before:not(:last-child){clip-path:none}.before:not(:last-child){opacity:.35}}`;

const SCRIPT = `for(const v of document.querySelectorAll('.view'))v.querySelector('input')?.addEventListener('input',e=>v.style.setProperty('--at',e.target.value+'%'))`;
