import type { TapisDocument } from '../../core/document/document';
import { pathData } from '../../core/drawing/drawing';
import {
  documentOf,
  readPatterns,
  type FilmSaid,
  type ImportAsked,
  type ImportFile,
} from '../../core/format/import';
import type { PadTable } from '../../core/format/csv/read';
import type { DrawingLayer } from '../../core/format/dxf/read';
import { boxRound, type Box } from '../../core/geometry/box';
import { flatten } from '../../core/geometry/contour';
import { contourOf, type Placed } from '../../core/geometry/figure';
import type { GivenPattern } from '../../core/given/pattern';
import type { Result } from '../../core/units/result';

/** Files to be read, and the patterns of them that are to be taken. */
export interface TakeInRequest {
  readonly files: readonly ImportFile[];
  readonly asked: ImportAsked;
  /** Indices of patterns whose documents are wanted; none while they are only looked at. */
  readonly take: readonly number[];
}

/** Copper as one path, x to the right and y down. */
export interface Picture {
  readonly d: string;
  readonly box: Box;
}

/** A pattern's copper with what is drilled. */
export interface PatternPicture extends Picture {
  readonly drilled: string;
  /** Holes without copper. */
  readonly holes: string;
}

/** A pattern as it is listed. */
export interface SeenPattern {
  readonly name: string;
  readonly lands: number;
  /** Of the lands, those with a hole. */
  readonly drilled: number;
  /** Holes without copper. */
  readonly holes: number;
  readonly left: readonly string[];
  readonly picture: PatternPicture | null;
}

/** What was read of files. */
export interface SeenFiles {
  readonly patterns: readonly SeenPattern[];
  readonly left: readonly string[];
  readonly films: readonly FilmSaid[];
  /** The whole of the films. */
  readonly board: Picture | null;
  readonly table: PadTable | null;
  readonly layers: readonly DrawingLayer[];
  /** Of the patterns that were to be taken. */
  readonly documents: readonly { readonly document: TapisDocument; readonly left: readonly string[] }[];
}

export type TakeInAnswer = Result<SeenFiles, string>;

/** Pieces that a picture shows at most. */
const MOST_SHOWN = 20_000;

/** Reads files, and makes documents of the patterns that are taken. */
export function takeIn({ files, asked, take }: TakeInRequest): TakeInAnswer {
  const read = readPatterns(files, asked);
  if (!read.ok) return read;
  const { patterns, left, films, copper, table, layers } = read.value;
  return {
    ok: true,
    value: {
      patterns: patterns.map(seen),
      left,
      films,
      board: pictureOf(copper),
      table,
      layers,
      documents: take.flatMap((i) => (patterns[i] ? [documentOf(patterns[i])] : [])),
    },
  };
}

function seen({ name, lands, holes, left }: GivenPattern): SeenPattern {
  const drilled = lands.flatMap(({ hole }) => (hole ? [hole.hole] : []));
  const copper = lands.map((land) => land.copper);
  const box = boxRound([...copper, ...holes]);
  const picture = box && { d: pathOf(copper), drilled: pathOf(drilled), holes: pathOf(holes), box };
  return { name, lands: lands.length, drilled: drilled.length, holes: holes.length, left, picture };
}

function pictureOf(figures: readonly Placed[]): Picture | null {
  const box = boxRound(figures);
  if (!box) return null;
  return { d: pathOf(figures), box };
}

const pathOf = (figures: readonly Placed[]): string =>
  pathData({
    rings: figures.slice(0, MOST_SHOWN).map((placed) => flatten(contourOf(placed), 0.02)),
    closed: true,
  });
