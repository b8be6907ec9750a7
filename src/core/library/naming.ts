import type { TapisDocument } from '../document/document';

/** Whether a footprint still has the name that it was begun with: that of its kind, and a number perhaps. */
export function isUnnamed({ name }: TapisDocument, title: string): boolean {
  return name === title || (name.startsWith(`${title} `) && /^\d+$/.test(name.slice(title.length + 1)));
}

/** What a source is called begins where its kind is said: “HS-ADC1624 sheet, revision C”. */
const KIND_OF_SOURCE =
  /\s*(?:[,;:(]|\b(?:data ?sheet|sheet|drawing|specification|spec|catalogue|rev(?:ision)?|page|p\.)(?=\W|$)).*$/i;

/**
 * Names that suggest themselves: the reference and value that were given, what the source calls the part,
 * and the standard name.
 */
export function namesFor(document: TapisDocument, standardName: string | null): string[] {
  const { reference = '', value = '' } = document.marks ?? {};
  const part = (document.package.source ?? '').replace(KIND_OF_SOURCE, '').trim();
  const offered = [
    reference !== '' && value !== '' ? `${reference} ${value}` : '',
    value,
    part,
    reference !== '' && part !== '' ? `${reference} ${part}` : '',
    standardName ?? '',
  ];
  return [...new Set(offered)].filter((name) => name !== '' && name.length <= 120 && name !== document.name);
}
