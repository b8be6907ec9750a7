import { pointerKey } from '../document/edit';
import type { Finding } from '../document/finding';
import type { ChoicesRead } from '../document/intent';
import { place, rectangle, type Figure } from '../geometry/figure';
import type { KeepOut } from '../package/terminal';
import type { PlacedKeepOut } from './footprint';

/** What stays out of an area, in words. */
export const FREE_OF = {
  copper: 'copper',
  vias: 'vias and holes',
  components: 'other parts',
  everything: 'everything',
} as const;
/** On which side of the board an area is kept free, in words. */
export const KEPT_SIDES = { component: 'component side', far: 'far side', both: 'both sides' } as const;

type Chosen = ChoicesRead['keepOuts'][number];

/** What a choice about one of the package's own areas is known by. @param i its place among them, from 0 */
export const idOfPackageArea = (i: number): string => `package-${i + 1}`;

/** Whether an area of a document stands in place of one of the package's. */
export const isForPackageArea = ({ id }: { readonly id: string }): boolean => /^package-\d+$/.test(id);

/** Changes of areas that the package does not have: they are kept, and told. @param count of areas that it has */
export function strayAreas(chosen: ChoicesRead['keepOuts'], count: number): Finding[] {
  const known = new Set(Array.from({ length: count }, (_, i) => idOfPackageArea(i)));
  return chosen
    .filter((area) => isForPackageArea(area) && !known.has(area.id))
    .map(({ id }): Finding => {
      const field = `/keepOuts/${pointerKey(id)}`;
      return {
        rule: 'entry',
        severity: 'note',
        title: `A change of the area ${id} is not used`,
        message: `The package keeps no area ${id} free; what was changed of it is kept in the document and not used.`,
        source: 'Document',
        stage: 'stack',
        place: { field },
        remedies: [{ label: 'Remove it', edits: [{ at: field, value: undefined }] }],
      };
    });
}

/**
 * Areas that the package keeps free for itself, as they were changed, then those of the document that
 * have a place and a size. What is free of nothing is left out.
 */
export function placeKeepOuts(
  ofPackage: readonly KeepOut[],
  chosen: ChoicesRead['keepOuts'],
): PlacedKeepOut[] {
  const changes = new Map(chosen.filter(isForPackageArea).map((own) => [own.id, own]));
  return [
    ...ofPackage.flatMap((drawn, i): PlacedKeepOut[] => {
      const own = changes.get(idOfPackageArea(i));
      const { rotation } = drawn;
      const what = own?.what ?? drawn.what ?? 'components';
      if (what === 'nothing') return [];
      const figure = (own && figureOf(own)) ?? drawn.figure;
      const at = { x: own?.x ?? drawn.at.x, y: own?.y ?? drawn.at.y };
      const [why, side] = [own?.why ?? drawn.why, own?.side ?? drawn.side ?? 'component'];
      return [{ area: place(figure, at, rotation), why, what, side, id: null }];
    }),
    ...chosen.flatMap((own): PlacedKeepOut[] => {
      const { id, x, y, what, side, why } = own;
      if (isForPackageArea(own) || x === null || y === null || what === null || what === 'nothing') return [];
      const figure = figureOf(own);
      if (!figure) return [];
      return [{ area: place(figure, { x, y }), why: why ?? '', what, side: side ?? 'component', id }];
    }),
  ];
}

/** The figure that a choice gives the sizes of; `null` where it gives none. */
function figureOf({ diameter, width, height }: Chosen): Figure | null {
  if (diameter !== null) return { kind: 'round', diameter };
  return width !== null && height !== null ? rectangle(width, height) : null;
}
