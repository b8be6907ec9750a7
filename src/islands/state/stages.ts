import type { Stage } from '../../core/document/finding';

/** The stages of the Bench in the order of the work, with their names. */
export const STAGE_NAMES: readonly (readonly [Stage, string])[] = [
  ['measure', 'Measure'],
  ['land', 'Land'],
  ['stack', 'Stack'],
  ['mark', 'Mark'],
  ['rise', 'Rise'],
  ['prove', 'Prove'],
  ['release', 'Release'],
];

/** What a stage is for, and how it is worked from the keyboard. */
export const STAGE_HELP: Readonly<Record<Stage, string>> = {
  measure:
    'type the datasheet’s table as it is printed; Tab or Enter goes on, Escape takes back what was typed. A field takes 5.8..6.2, 6±0.2, 240mil, e*3.',
  land: 'lands and holes at levels A, B and C beside each other; press a number for its derivation. Enter the datasheet’s own pattern, adopt it, or set a size by hand.',
  stack:
    'every layer of a padstack to scale. Margins or sizes of openings, slots, reliefs; windows and vias of an exposed pad; a single land can have a padstack of its own.',
  mark: 'legend, pin-1 mark, courtyard, origin, texts and numbers: by a scheme, by pressing lands in order, or as a list.',
  rise: 'heights as one stack, and an imported model laid onto the lands. Press a land to cut the elevations through it.',
  prove:
    'what was checked, against which limit from which source, and what held. A finding can be accepted with a reason.',
  release: 'the computed name and the files to hand over.',
};
