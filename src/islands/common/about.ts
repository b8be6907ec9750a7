import type { TapisDocument } from '../../core/document/document';
import { isSameDocument } from '../../core/document/difference';
import type { HandOver } from '../../core/format/paper/frame';
import type { Paper } from '../../core/format/paper/page';
import { keepLook, keptLook } from './look';
import { revisions } from './shelf-store';

// What is said of a footprint that is handed over beside its document: which revision it is, on what it is
// printed, and what was approved before.

const PAPER = 'tapis-paper';
const RULERS = 'tapis-paper-rulers';

/** The paper that is printed on, as it was chosen last. */
export const keptPaper = (): Paper => (keptLook(PAPER) === 'letter' ? 'letter' : 'a4');
export const keepPaper = (paper: Paper): void => keepLook(PAPER, paper);
/** What the rulers of the last paper check measured, as it was typed. */
export const keptRulers = (): string => keptLook(RULERS) ?? '';
export const keepRulers = (text: string): void => keepLook(RULERS, text);

/** Today, as papers print it. */
export const today = (): string => new Date().toISOString().slice(0, 10);

/** What rulers of 100 mm measured: `null` where nothing is said, `undefined` where it cannot be. */
export function calibrationOf(text: string): HandOver['calibration'] | null {
  if (text.trim() === '') return null;
  const numbers = text
    .split(/[×x;/]|\s+/)
    .filter((part) => part !== '')
    .map((part) => Number(part.replace(',', '.')));
  const [across = NaN, upright = across] = numbers;
  // a printer is off by a few percent; more is another thing that was measured
  const isNear = (mm: number) => mm >= 80 && mm <= 120;
  return numbers.length <= 2 && isNear(across) && isNear(upright) ? { across, upright } : undefined;
}

/** What crosses to a worker that writes: the approved revision is compiled there. */
export interface About {
  readonly about: Omit<HandOver, 'previous'>;
  /** The last approved revision before this; `null` where there is none. */
  readonly approved: TapisDocument | null;
}

/** What is to be said of a footprint as it stands. @param date the day that is printed; empty for none */
export async function aboutOf(id: string, document: TapisDocument, date = today()): Promise<About> {
  const kept = await revisions.list(id);
  const same = kept.filter((one) => isSameDocument(one.document, document)).at(-1);
  const approved = kept.filter(({ state, number }) => state === 'approved' && number !== same?.number).at(-1);
  const calibration = calibrationOf(keptRulers());
  return {
    about: {
      paper: keptPaper(),
      ...(date === '' ? {} : { date }),
      ...(calibration ? { calibration } : {}),
      ...(same ? { revision: `${same.number}, ${same.state === 'review' ? 'for review' : same.state}` } : {}),
    },
    approved: approved?.document ?? null,
  };
}
