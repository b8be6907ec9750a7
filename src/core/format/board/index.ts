import { boardArtworkFormat } from './artwork';
import type { BoardFormat } from './board-format';
import { boardPdf, boardSvg } from './drawing';
import { boardIdf } from './idf';
import { boardIpc } from './ipc2581';
import { placementList } from './placement-list';
import { boardStepFormat } from './step';

/** Everything that a board can be written as. To add a format, write it and list it here. */
export const BOARD_FORMATS: readonly BoardFormat[] = [
  boardPdf,
  boardSvg,
  boardArtworkFormat,
  boardIpc,
  boardStepFormat,
  boardIdf,
  placementList,
];
