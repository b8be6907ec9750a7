import { drawPlan } from '../../drawing/plan';
import { centreOf } from '../../geometry/box';
import type { Format, Writable } from '../format';
import type { HandOver } from '../paper/frame';
import { LINE, line, PAPERS, type Item, type Page } from '../paper/page';
import { pdfOf } from '../paper/pdf';
import { attributesOf } from '../paper/svg';
import { fitted, Flow, paragraph } from '../paper/table';
import { scaleWords, strokeItems } from '../paper/views';
import { written } from '../paper/type';
import { reportOf, type ReportContent } from './content';

/** Edge of the paper that nothing is printed on, mm. */
const EDGE = { side: 10, top: 12, bottom: 16 } as const;
const PICTURE = { width: 190, height: 70 } as const;

/** The review report as pages of paper. */
export const reportPdf: Format = {
  id: 'report',
  title: 'Review report',
  summary: 'Verdict, findings with sources, derivations, joints, heights and what changed (PDF).',
  mediaType: 'application/pdf',
  extension: '.report.pdf',
  write: (compiled, about = {}) =>
    pdfOf(reportPages(compiled, about), {
      title: `Review of ${compiled.document.name}`,
      subject: 'Review report',
      ...(about.date === undefined ? {} : { date: new Date(`${about.date}T00:00:00Z`) }),
    }),
};

/** The same as one page for a browser, with nothing to load. */
export const reportHtml: Format = {
  id: 'report-html',
  title: 'Review report, as a page',
  summary: 'The same report as one file for a browser (HTML).',
  mediaType: 'text/html',
  extension: '.report.html',
  write: (compiled, about = {}) => htmlOf(reportOf(compiled, about), picture(compiled, 0, 0)),
};

/** The plan in a box of paper. */
function picture(
  { footprint }: Writable,
  left: number,
  top: number,
): { readonly items: readonly Item[]; readonly height: number; readonly scale: number } {
  const { strokes, extent } = drawPlan(footprint);
  const [w, h] = [extent.maxX - extent.minX, extent.maxY - extent.minY];
  const scale =
    [50, 20, 10, 5, 2, 1, 0.5, 0.2, 0.1].find(
      (one) => w * one <= PICTURE.width && h * one <= PICTURE.height,
    ) ?? 0.1;
  const put = (p: { readonly x: number; readonly y: number }) => ({
    x: left + (p.x - extent.minX) * scale + 1,
    y: top + (extent.maxY - p.y) * scale + 1,
  });
  const numbers = footprint.lands.flatMap(({ number, copper }): Item[] => {
    const tall = Math.min(
      copper.maxY - copper.minY,
      (copper.maxX - copper.minX) / Math.max(1, number.length * 0.6),
    );
    const size = Math.min(NUMBER.most, tall * scale * 0.8);
    if (number === '' || size < NUMBER.least) return [];
    const { x, y } = put(centreOf(copper));
    return [{ kind: 'text', text: number, x, y: y + size * 0.36, size, anchor: 'middle' }];
  });
  return { items: [...strokeItems(strokes, put, scale, true), ...numbers], height: h * scale + 2, scale };
}

/** Numbers on lands, mm of paper: what is smaller cannot be read. */
const NUMBER = { most: 2.6, least: 1 } as const;

export function reportPages(compiled: Writable, about: HandOver): Page[] {
  const { width, height } = PAPERS[about.paper ?? 'a4'];
  const content = reportOf(compiled, about);
  const x = EDGE.side;
  const inner = width - 2 * EDGE.side;
  const flow = new Flow(EDGE.top, height - EDGE.bottom);
  flow.add([
    paragraph(content.name, { x, width: inner, size: 6, bold: true, gap: 1 }),
    paragraph(content.standardName, { x, width: inner, size: 4, gap: 3 }),
    paragraph(content.verdict, { x, width: inner, size: 3.6, bold: true, gap: 2 }),
    ...content.about.map(([name, value]) =>
      paragraph(`${name}: ${value}`, { x, width: inner, size: 2.8, gap: 0.4 }),
    ),
  ]);
  flow.space(3);
  const drawn = picture(compiled, x, 0);
  flow.add([
    { height: drawn.height, items: (top) => picture(compiled, x, top).items },
    paragraph(`Plan, ${scaleWords(drawn.scale)}`, { x, width: inner, size: 2.2, gap: 4 }),
  ]);
  for (const { title, words, tables } of content.sections) {
    const lead = [
      paragraph(title, { x, width: inner, size: 4.4, bold: true, gap: 1.2 }),
      ...words.map((text) => paragraph(text, { x, width: inner, size: 2.5, gap: 1.5 })),
    ];
    if (tables.length === 0) flow.add(lead);
    tables.forEach((table, i) => flow.table(fitted(table, inner), x, i === 0 ? lead : []));
  }
  const pages = flow.pages;
  return pages.map((items, i) => ({
    width,
    height,
    items: [
      ...items,
      line({ x, y: height - 11 }, { x: width - x, y: height - 11 }, LINE.thin),
      { kind: 'text', text: `${content.name}, ${content.standardName}`, x, y: height - 7, size: 2.2 },
      {
        kind: 'text',
        text: `${i + 1} of ${pages.length}`,
        x: width - x,
        y: height - 7,
        size: 2.2,
        anchor: 'end',
      },
    ],
  }));
}

const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

const STYLE = `body{font:14px/1.45 "Barlow Semi Condensed",system-ui,sans-serif;max-width:60rem;margin:2rem auto;padding:0 1rem;color:#22303a}
h1{margin:0}h2{margin:2rem 0 .3rem;border-bottom:2px solid}h3{margin:1rem 0 .2rem;font-size:1rem}
table{border-collapse:collapse;width:100%;font-variant-numeric:tabular-nums}th,td{text-align:left;vertical-align:top;padding:.15rem .6rem .15rem 0;border-bottom:1px solid #ccc}
.end{text-align:right}svg{max-width:100%;height:auto}@media print{body{margin:0;max-width:none}}`;

/** The report as one file. Everything in it is text of the document's, written as text. */
export function htmlOf(content: ReportContent, drawn: ReturnType<typeof picture>): string {
  const attributes = (all: Readonly<Record<string, string>>) =>
    Object.entries(all)
      .map(([name, value]) => ` ${name}="${escaped(value)}"`)
      .join('');
  const svg = drawn.items
    .map((item) =>
      item.kind === 'text'
        ? `<text${attributes(attributesOf(item))}>${escaped(written(item.text))}</text>`
        : `<path${attributes(attributesOf(item))}/>`,
    )
    .join('');
  const sections = content.sections.map(({ title, words, tables }) =>
    [
      `<section><h2>${escaped(title)}</h2>`,
      ...words.map((text) => `<p>${escaped(text)}</p>`),
      ...tables.map(({ title: name, columns, rows }) => {
        const cell = (tag: 'th' | 'td', text: string, i: number) =>
          `<${tag}${columns[i]?.align === 'end' ? ' class="end"' : ''}>${escaped(text)}</${tag}>`;
        return `<h3>${escaped(name)}</h3><table><thead><tr>${columns.map(({ head }, i) => cell('th', head, i)).join('')}</tr></thead><tbody>${rows
          .map((row) => `<tr>${row.map((text, i) => cell('td', text, i)).join('')}</tr>`)
          .join('')}</tbody></table>`;
      }),
      '</section>',
    ].join('\n'),
  );
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Review of ${escaped(content.name)}</title>
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'">
<style>${STYLE}</style></head><body>
<h1>${escaped(content.name)}</h1><p>${escaped(content.standardName)}</p><p><b>${escaped(content.verdict)}</b></p>
<table>${content.about.map(([name, value]) => `<tr><th>${escaped(name)}</th><td>${escaped(value)}</td></tr>`).join('')}</table>
<p><svg role="img" aria-label="Plan, ${scaleWords(drawn.scale)}" width="${PICTURE.width + 2}mm" viewBox="0 0 ${PICTURE.width + 2} ${Math.ceil(drawn.height)}">${svg}</svg></p>
${sections.join('\n')}
</body></html>
`;
}
