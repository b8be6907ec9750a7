/** Units in which a length may be typed. */
export type LengthUnit = 'mm' | 'um' | 'mil' | 'in';

/** The two units in which lengths are shown. */
export type DisplayUnit = 'mm' | 'mil';

/** Millimetres in one unit; the inch is 25.4 mm exactly. */
export const MM_PER: Readonly<Record<LengthUnit, number>> = {
  mm: 1,
  um: 0.001,
  mil: 0.0254,
  in: 25.4,
};

const PER_MM = 1e6;

/**
 * Rounds a length to the nanometre, so that the same document gives the same
 * numbers on every platform. Never returns −0.
 * @param mm length in mm
 * @returns length in mm, a multiple of 1e-6
 */
export function quantise(mm: number): number {
  return Math.round(mm * PER_MM) / PER_MM + 0;
}

/**
 * Converts a length to mm.
 * @param value length in `unit`
 */
export function toMm(value: number, unit: LengthUnit): number {
  return value * MM_PER[unit];
}

/**
 * Converts a length from mm.
 * @param mm length in mm
 * @returns length in `unit`
 */
export function fromMm(mm: number, unit: LengthUnit): number {
  return mm / MM_PER[unit];
}

/**
 * Writes a number with the fewest decimals that keep it, up to `most`.
 * @param value any finite number
 * @param least decimals always shown
 * @param most decimals never exceeded
 */
export function formatNumber(value: number, least = 0, most = 6): string {
  const fixed = value.toFixed(most);
  const [whole = '0', fraction = ''] = fixed.split('.');
  const kept = fraction.replace(/0+$/, '').padEnd(least, '0');
  const text = kept ? `${whole}.${kept}` : whole;
  return /^-0(\.0*)?$/.test(text) ? text.slice(1) : text;
}

/** Writes a number for people: as `formatNumber` does, with a true minus sign. */
export function formatFigure(value: number, least = 0, most = 6): string {
  return formatNumber(value, least, most).replace('-', '−');
}

/** Writes mm as findings and notes give them, with 2 to 3 decimals. */
export function formatMm(mm: number): string {
  return formatFigure(mm, 2, 3);
}

/**
 * Writes a length as the interface shows it: mm with 2 to 3 decimals, mil with up to 1.
 * @param mm length in mm
 */
export function formatLength(mm: number, unit: DisplayUnit): string {
  return unit === 'mm' ? formatMm(mm) : formatFigure(fromMm(mm, 'mil'), 0, 1);
}
