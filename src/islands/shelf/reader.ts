import type { ShelfEntry } from '../../store/database';
import type { FactsAnswer, FactsRequest } from '../../workers/jobs/facts';
import { askWorker, newWorker } from '../common/job';
import { facts, shelf } from '../common/shelf-store';

/** Footprints that are read at a time. */
const BATCH = 12;

/** Has footprints compiled and drawn beside the page, a few at a time, those that are seen first. */
export class Reader {
  private worker: Worker | null = null;
  private waiting: readonly ShelfEntry[] = [];
  private running = false;
  private ended = false;

  /** @param onMade told of what was made, after it is kept */
  constructor(private readonly onMade: (made: FactsAnswer) => void) {}

  /** What is to be read, first things first; it takes the place of what was asked for before. */
  ask(entries: readonly ShelfEntry[]): void {
    this.waiting = entries;
    if (!this.running) void this.run();
  }

  end(): void {
    this.ended = true;
    this.waiting = [];
    this.worker?.terminate();
  }

  private async run(): Promise<void> {
    this.running = true;
    try {
      while (this.waiting.length > 0 && !this.ended) {
        const batch = this.waiting.slice(0, BATCH);
        this.waiting = this.waiting.slice(BATCH);
        const rows = await shelf.getAll(batch.map(({ id }) => id));
        const footprints = await Promise.all(
          rows.map(async ({ id, revision, document }) => {
            const key = document.body?.model?.key;
            const stored = key === undefined ? null : await shelf.models.get(key);
            return { id, revision, document, model: stored?.model ?? null };
          }),
        );
        const made = await this.make({ footprints });
        if (this.ended) return;
        // a store that keeps nothing more does not keep the Shelf from being shown
        await facts.keep(made).catch(() => undefined);
        this.onMade(made);
      }
    } finally {
      this.running = false;
    }
  }

  private async make(request: FactsRequest): Promise<FactsAnswer> {
    this.worker ??= newWorker();
    const made = await askWorker(this.worker, 'facts', request);
    if (made) return made;
    // one that cannot be started or falls over gives nothing, and the rest goes on
    this.worker.terminate();
    this.worker = null;
    return [];
  }
}
