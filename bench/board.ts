import type { TrialDocument } from '../src/core/document/trial';
import { DEMO_DOCUMENTS } from '../src/demo/documents';
import { demoTrial } from '../src/demo/trial';

const KEYS = ['U4', 'U1', 'C12', 'R20', 'U8', 'D2'];
const [ACROSS, APART] = [40, 11.6];
let shifts = 0;

/** So many parts on one board, each new in its place: nothing that was found before helps. */
export function boardOf(count: number): TrialDocument {
  shifts += 1;
  return {
    ...demoTrial(DEMO_DOCUMENTS),
    board: { width: '480', height: String(Math.max(300, 16 + APART * Math.ceil(count / ACROSS))) },
    covers: [],
    keepOuts: [],
    parts: Array.from({ length: count }, (_, i) => ({
      id: String(i + 1),
      reference: `X${i + 1}`,
      footprint: KEYS[i % KEYS.length] as string,
      x: String(8 + (i % ACROSS) * APART + shifts * 1e-4),
      y: String(8 + Math.floor(i / ACROSS) * APART),
      angle: String([0, 90, 45, 30][i % 4]),
    })),
  };
}
