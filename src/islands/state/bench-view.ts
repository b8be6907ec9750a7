import type { LoadedModel } from '../../core/body/loaded';
import { displayUnitOf, type TapisDocument } from '../../core/document/document';
import type { Stage } from '../../core/document/finding';
import type { PinNames } from '../../core/drawing/pin-names';
import type { Hideable } from '../../core/drawing/showing';
import type { Point } from '../../core/geometry/point';
import type { DisplayUnit } from '../../core/units/length';
import type { ProcessChange } from '../ledger/view';
import type { Quadrant } from '../sheet/layout';
import type { Standpoint } from '../turn/looks';
import { keptUnit } from './display-unit';
import { keptLetters } from './letters';

/** Moves pieces of a composed package; there while its pieces are shown. */
export interface PieceMover {
  /** Takes hold of the piece at a point of the plan; told how far it is moved, mm, and within which reach it snaps. */
  readonly hold: (point: Point) => ((by: Point, reach: number) => void) | null;
  /** Moves the opened piece by a step. */
  readonly nudge: (way: Point) => void;
}

/** A datasheet that is to be read: pasted, brought as a file, or kept with the footprint. */
export type SourceWish =
  | { readonly kind: 'none' }
  | { readonly kind: 'pasted'; readonly text: string; readonly html: string }
  | { readonly kind: 'file'; readonly file: File }
  | {
      readonly kind: 'kept';
      /** Id of one of the document's sources. */
      readonly id: string;
      readonly page: number;
      /** Symbol of the dimension whose place is looked at. */
      readonly symbol: string | null;
    };

/** How a footprint is looked at: nothing of it is in the document. */
export interface BenchView {
  readonly stage: Stage;
  readonly unit: DisplayUnit;
  /** Whether dimensions are called as in the datasheet. */
  readonly letters: boolean;
  /** Symbol of the dimension that is being edited or pointed at. */
  readonly activeDimension: string | null;
  /** Index of the selected land. */
  readonly selectedLand: number | null;
  readonly selectedFinding: number | null;
  /** Id of the piece that is opened, and whether one is being added. */
  readonly piece: string | null;
  readonly addingPiece: boolean;
  /** Whether the pieces of a family of one's own are unfolded. */
  readonly piecesOpen: boolean;
  /** The step that a piece is moved by, mm, and what is said of it while it is moved. */
  readonly pieceStep: number;
  readonly moving: string | null;
  readonly mover: PieceMover | null;
  readonly whole: Quadrant | null;
  readonly fourth: 'title' | 'turn';
  readonly commandsOpen: boolean;
  /** Whether the Ledger is drawn out, where it is a drawer. */
  readonly ledgerOpen: boolean;
  /** The number that the next pressed land gets; `null` while pressing only selects. */
  readonly counting: number | null;
  /** What the last change of the process changed in the footprint. */
  readonly change: ProcessChange | null;
  /** What is left out of elevations and the 3D view. */
  readonly hidden: ReadonlySet<Hideable>;
  /** Whether the pin table takes the column of Mark, which is wider then. */
  readonly pinsOpen: boolean;
  /** Where the names of pins stand at Mark. */
  readonly pinNames: PinNames;
  /** Wishes so far to see the whole drawing again. */
  readonly fits: number;
  /** A list of pins that was read from a datasheet and waits at the pin table. */
  readonly pinText: string | null;
  /** The datasheet beside the drawing; `null` while it is put away. */
  readonly source: SourceWish | null;
  /** A file that was dropped onto the Bench and waits to be opened. */
  readonly dropped: File | null;
  /** The ruler with what it is laid between; `null` while it is put away. */
  readonly ruler: { readonly from: string | null; readonly to: string | null } | null;
  /** From where the 3D view looks; the count tells one wish from the next. */
  readonly standpoint: { readonly from: Standpoint; readonly count: number };
}

/** Imported models that are at hand by their key; `null` where this browser does not have the file. */
export type ModelsAtHand = ReadonlyMap<string, LoadedModel | null>;

/** How a footprint is looked at when it is opened. */
export function openedView(id: string, document: TapisDocument): BenchView {
  return {
    stage: 'measure',
    unit: keptUnit(id) ?? displayUnitOf(document),
    letters: keptLetters(id),
    activeDimension: null,
    selectedLand: null,
    selectedFinding: null,
    piece: null,
    addingPiece: false,
    piecesOpen: false,
    pieceStep: 0.05,
    moving: null,
    mover: null,
    whole: null,
    fourth: 'title',
    commandsOpen: false,
    ledgerOpen: false,
    counting: null,
    change: null,
    hidden: new Set(),
    pinsOpen: false,
    pinNames: 'on',
    fits: 0,
    pinText: null,
    source: null,
    dropped: null,
    ruler: null,
    standpoint: { from: 'corner', count: 0 },
  };
}

/** The ruler with one more thing: the first, the second, and then the first again. */
export function nextLaid(
  { from, to }: NonNullable<BenchView['ruler']>,
  id: string,
): NonNullable<BenchView['ruler']> {
  return from === null || to !== null ? { from: id, to: null } : { from, to: id };
}
