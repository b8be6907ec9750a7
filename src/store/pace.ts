// Long work in a page goes on in strokes, so that the page stays live, is told how far it is, and can stop.

/** Told how much of a work is done; it goes on while this answers true. */
export type Progress = (done: number, all: number) => boolean;

/** Longest stroke, ms: shorter than what a person notices. */
const STROKE = 30;

let since = 0;

/** Lets the page do what it has to when the work has had its stroke. */
export async function breathe(): Promise<void> {
  if (performance.now() - since < STROKE) return;
  await new Promise((resolve) => setTimeout(resolve));
  since = performance.now();
}
