import type { Stage } from '../../core/document/finding';
import { STAGE_NAMES } from '../state/stages';

/** Something that is written or pressed, and what it means or does. */
export type Told = readonly [what: string, words: string];

/** What is said of a place: what it is for, how it is worked, what is written and pressed there. */
export interface HelpPage {
  readonly title: string;
  readonly what: string;
  readonly how: readonly string[];
  /** Entries as examples, and what they are read as. */
  readonly written?: readonly Told[];
  /** Keys and gestures of this place alone. */
  readonly keys?: readonly Told[];
}

/** Every place of Tapis that has a page of its own. */
export type HelpPlace =
  | Stage
  | 'shelf'
  | 'trial'
  | 'trials'
  | 'processes'
  | 'standards'
  | 'folder'
  | 'sides'
  | 'opinion';

/** How entries of a datasheet are written; each is read as it says. */
export const WRITTEN: readonly Told[] = [
  ['5.8..6.2', 'a range, also 5.8-6.2, 5.8 to 6.2 or 5.8 6.2'],
  ['6±0.2', 'a value and its tolerance, also 6 +0.2/-0.1'],
  ['max 1.75', 'a maximum; min in the same way'],
  ['1.27 BSC', 'a basic value, without a tolerance'],
  ['240mil', 'a length in another unit: mm, um, mil, in'],
  ['e*(n/2-1)', 'computed from other dimensions'],
];

/** Gestures on the Sheet of the Bench. */
export const ON_THE_SHEET: readonly Told[] = [
  ['wheel, two fingers', 'zoom about the pointer'],
  ['+ −', 'zoom about the middle; F fits the drawing'],
  ['drag', 'move the drawing'],
  ['press a land', 'choose it; the elevations are cut through it'],
  ['press a dimension', 'change its number where it is drawn'],
];

export const HELP_PAGES: Readonly<Record<HelpPlace, HelpPage>> = {
  measure: {
    title: 'Measure',
    what: 'The dimensions of the package, as the datasheet prints them.',
    how: [
      'Choose the package family at the top of the column, and the unit of the datasheet beside it.',
      'Type each number as it is printed, with its limits. The Sheet follows every key; what is missing is drawn with example values and said so.',
      'A dimension that follows from others shows its formula until it is entered.',
      'A PDF, a picture or a copied table can be read: press “Read the datasheet”, drop the file, or paste.',
      'Findings below the table hold the numbers against one another. Their remedies show what they change before they are taken.',
    ],
    written: WRITTEN,
    keys: [
      ['Tab, Enter', 'to the next dimension'],
      ['↑ ↓', 'to the dimension above or below'],
      ['→ at the end', 'to the letter that the datasheet has for it; ← comes back'],
      ['Esc', 'takes back what was typed; once more leaves the field'],
    ],
  },
  land: {
    title: 'Land',
    what: 'The lands and holes that the formulas give, at all three density levels beside each other.',
    how: [
      'Press a number to see how it came about, with every tolerance that went into it.',
      'A size that is set by hand goes before the formulas; emptying the field takes the computed one again.',
      'Enter the datasheet’s own pattern to hold it against the computed one, and adopt it with a reason.',
      'Plain numbers are in the unit that is shown in the bar above.',
    ],
  },
  stack: {
    title: 'Stack',
    what: 'The padstack of each kind of land: copper, mask, paste, hole, relief and clearance, drawn to scale.',
    how: [
      'Everything follows the process until it is changed here: margins, or a size of an opening’s own.',
      'A large pad’s paste is split into windows; its vias keep out of them.',
      'A single land can have a padstack of its own: choose it on the Sheet first.',
      'Areas that are kept free, the package’s and one’s own, are listed at the end, with what they keep away and on which side.',
    ],
  },
  mark: {
    title: 'Mark',
    what: 'Legend, pin-1 mark, texts, courtyard, origin and the numbers of the lands.',
    how: [
      'Lines of the legend keep clear of lands and openings by the process’s gap, whatever style is chosen.',
      'Numbers follow a scheme from a corner; single ones can be typed, or given by pressing lands in their order.',
      'A pin table can be pasted: names and functions go to their lands.',
    ],
  },
  rise: {
    title: 'Rise',
    what: 'Heights from the board to the top of the body, and a 3D model laid onto the lands.',
    how: [
      'The stack of heights says what each layer adds, with its tolerance.',
      'Drop a STEP, STL or glTF file: Tapis finds how it sits on the lands, says how sure it is, and what is left over at each contact.',
      'Nudge it by typing, or drag it in an elevation; “Seat it again” finds its place anew.',
    ],
  },
  prove: {
    title: 'Prove',
    what: 'Everything that was checked, against which limit, from which source.',
    how: [
      'A finding points at its place on the Sheet; its remedies show what becomes of the others before they are taken.',
      'A finding that is meant to be can be waived with a reason, which goes into the files.',
      'Simulate a joint to see how often its margins hold, and which tolerance brings the spread.',
      'What held is listed too, and what had nothing to look at.',
    ],
  },
  release: {
    title: 'Release',
    what: 'The computed name, the files to hand over, and the revisions that were kept.',
    how: [
      'A target makes all its files at once, as one ZIP; each format can be saved alone too.',
      'A revision keeps what stands. An approved one is locked: going on starts the next.',
      'Stops do not block the document itself: it is saved all the time, and can be exported.',
    ],
  },
  shelf: {
    title: 'Shelf',
    what: 'All footprints of this browser, in groups, found by words and figures.',
    how: [
      '“New footprint” starts from a package family. Files and datasheets can be dropped anywhere on the page.',
      'Tick several, with Shift a whole run of them, to change, check, move or export them at once. What is done to many is looked at first and taken back as one.',
      '“Back up” saves everything as one file; a browser may clear its storage, a file stays.',
    ],
    written: [
      ['pitch 0.5', 'a figure of the footprint'],
      ['height < 1.2', 'below a limit; pins > 40 above one'],
      ['5x5', 'a body’s size'],
      ['tag:rf', 'a tag'],
    ],
    keys: [['/', 'to the search']],
  },
  trial: {
    title: 'Trial',
    what: 'A small board on which footprints are placed, to see whether their bodies and courtyards go together.',
    how: [
      'Place a footprint by typing its name; drag it, move it by arrow keys, or type its place.',
      'Findings tell what collides, by how much, and mend it.',
      'Press a dimension on the Sheet to change it where it is drawn.',
    ],
  },
  trials: {
    title: 'Trials',
    what: 'All boards that footprints are tried on.',
    how: ['“New trial” starts an empty board. A trial’s own file, dropped or imported, comes in again.'],
  },
  processes: {
    title: 'Processes',
    what: 'What a board maker and an assembler can do: the limits that footprints are checked against.',
    how: [
      'The processes that come with Tapis are not changed: a copy is.',
      'Footprints keep the numbers that they were made with until the newer ones are taken on the Bench.',
    ],
  },
  standards: {
    title: 'Standards',
    what: 'What a house wants of its footprints, over what is published: goals, marks, names, how grave rules are.',
    how: [
      'A standard says only what differs, each with its clause and its reason; it may build on another one.',
      'Goals are joints cut through: type at a dimension line. An empty field takes what is published.',
      'At the right stands what each change does to a part; before it reaches many footprints, a table shows what would move.',
      'A footprint carries the edition that it was made with until the newer one is taken on the Bench.',
    ],
  },
  folder: {
    title: 'Folder',
    what: 'The library in a folder of the machine, or going to and fro as a ZIP: each side gets what the other has changed.',
    how: [
      'What changes here is written within seconds; what changes in the folder is taken in when the page is looked at again.',
      'What both have changed is joined field by field. Where both changed the same, both values stand side by side and you choose.',
      'Deleted on one side and untouched on the other goes to the bin; deleted and changed comes back.',
    ],
  },
  sides: {
    title: 'Side by side',
    what: 'Two footprints, revisions, variants or levels over each other, and each size in which they differ.',
    how: ['Choose what stands on either side above. Zooming and moving goes for both.'],
  },
  opinion: {
    title: 'Second opinion',
    what: 'Somebody else’s pattern held against the package that it is meant for.',
    how: [
      'Say which package that is: a footprint of the Shelf, or a family with its dimensions.',
      'Lands and terminals are paired by place, whatever they are called. What differs is told land by land, with the toe, heel and side that each would leave.',
    ],
  },
};

/** The place that an address names. */
export function placeOf(path: string): HelpPlace {
  const [place = '', , stage = 'measure'] = path.split('/').slice(1);
  if (place === 'bench') return STAGE_NAMES.find(([each]) => each === stage)?.[0] ?? 'measure';
  if (place === 'side-by-side') return 'sides';
  return place === 'trial' ||
    place === 'trials' ||
    place === 'processes' ||
    place === 'standards' ||
    place === 'folder' ||
    place === 'opinion'
    ? place
    : 'shelf';
}
