import type { Format } from '../format';
import type { Page } from '../paper/page';
import { pdfOf } from '../paper/pdf';
import { drawingSheets } from '../paper/sheet';
import { svgOf } from '../paper/svg';

/** The dimensioned drawing as it is printed: land pattern, package and tables, a sheet each or more. */
export const drawingPdf: Format = {
  id: 'drawing',
  title: 'Drawing sheet',
  summary: 'Dimensioned third-angle drawing to scale, with title block and tables (PDF, A4 or letter).',
  mediaType: 'application/pdf',
  extension: '.drawing.pdf',
  write: (compiled, about = {}) =>
    pdfOf(drawingSheets(compiled, about), {
      title: `${compiled.document.name}, ${compiled.footprint.standardName}`,
      subject: 'Footprint drawing',
      ...(about.date === undefined ? {} : { date: new Date(`${about.date}T00:00:00Z`) }),
    }),
};

/** The first sheet of the drawing, as vectors for other documents. */
export const drawingSvg: Format = {
  id: 'drawing-svg',
  title: 'Drawing sheet, first page',
  summary: 'The dimensioned land pattern with its title block, at its true size (SVG).',
  mediaType: 'image/svg+xml',
  extension: '.drawing.svg',
  write: (compiled, about = {}) => svgOf(drawingSheets(compiled, about)[0] as Page, compiled.document.name),
};
