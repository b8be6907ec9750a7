import type { Footprint } from '../footprint/footprint';

/** What a view can leave out. An imported model stands in for the drawn body and its leads. */
export type Hideable = 'body' | 'leads' | 'paste' | 'board' | 'model';

/** The footprint without what is hidden. */
export function without(footprint: Footprint, hidden: ReadonlySet<Hideable>): Footprint {
  const { body, lands, bores, maskOpenings } = footprint;
  const { shapes, parts } = body.assembly;
  const stands = body.imported?.seen && !hidden.has('model');
  const shown = parts.filter(
    ({ material }) => !stands && !hidden.has(material === 'metal' ? 'leads' : 'body'),
  );
  const board = !hidden.has('board');
  return {
    ...footprint,
    lands: board ? lands : [],
    bores: board ? bores : [],
    maskOpenings: board ? maskOpenings : [],
    body: { ...body, assembly: { shapes, parts: shown }, imported: stands ? body.imported : null },
  };
}

/** Where everything is shown. */
export const NOTHING: ReadonlySet<Hideable> = new Set();
