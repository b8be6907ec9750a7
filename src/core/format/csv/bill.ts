import Papa from 'papaparse';
import type { BillLine } from '../../lists/bill';
import type { BillMatch } from '../../lists/bill-match';
import { safeCell } from './cells';

const COLUMNS = ['line', 'references', 'quantity', 'part', 'value', 'package', 'is', 'footprint', 'why'];

/** A bill with what each line is: a footprint that is there, a typical size, or missing (CSV, RFC 4180). */
export function billTable(found: readonly (readonly [BillLine, BillMatch])[]): string {
  const rows = found.map(([line, match]) => [
    line.number,
    safeCell(line.references),
    line.quantity ?? '',
    safeCell(line.part),
    safeCell(line.value),
    safeCell(line.package),
    match.is,
    match.is === 'there' ? safeCell(match.name) : match.is === 'typical' ? safeCell(match.document.name) : '',
    match.is === 'there' && match.doubt !== null ? `${match.why}; ${match.doubt}` : match.why,
  ]);
  return `${Papa.unparse([COLUMNS, ...rows], { newline: '\r\n' })}\r\n`;
}
