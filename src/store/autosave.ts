import type { TapisDocument } from '../core/document/document';
import type { StoredFootprint } from './database';
import type { SaveResult } from './shelf';

/** How a footprint's saving stands. */
export type SaveState =
  | { readonly kind: 'saved'; readonly revision: number; readonly at: number }
  | { readonly kind: 'pending' }
  /** Another tab has saved; `theirs` is its state. Nothing is written until the person decides. */
  | { readonly kind: 'conflict'; readonly theirs: StoredFootprint }
  | { readonly kind: 'failed'; readonly reason: string };

/** Longest time a change waits before it is written, ms. */
const WAIT = 300;

/** Time until another try after the browser refused to write, ms. */
const RETRY = 3000;

type Save = (document: TapisDocument, revision: number) => Promise<SaveResult>;

/**
 * Writes the newest document soon after each change, one write at a time, and never onto
 * a revision that it has not seen.
 */
export class Autosave {
  private waiting: TapisDocument | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private running: Promise<boolean> | null = null;
  private stopped = false;

  constructor(
    private revision: number,
    private readonly save: Save,
    private readonly report: (state: SaveState) => void,
  ) {}

  /** Takes a changed document; the write follows within {@link WAIT} ms. */
  change(document: TapisDocument): void {
    this.waiting = document;
    if (this.stopped) return;
    this.report({ kind: 'pending' });
    this.timer ??= setTimeout(() => void this.flush(), WAIT);
  }

  /** Whether something is still to be written. */
  get pending(): boolean {
    return this.waiting !== null || this.running !== null;
  }

  /** The revision that this tab has read or written last. */
  get current(): number {
    return this.revision;
  }

  /** Writes what is waiting now; for a page that is being left. */
  async flush(): Promise<void> {
    clearTimeout(this.timer);
    this.timer = undefined;
    if (this.running) await this.running;
    if (this.waiting === null || this.stopped) return;
    this.running = this.write(this.waiting);
    this.waiting = null;
    const written = await this.running;
    this.running = null;
    if (this.waiting === null || this.stopped) return;
    this.timer ??= setTimeout(() => void this.flush(), written ? WAIT : RETRY);
  }

  /** Goes on after a conflict: further writes go onto this revision. */
  resume(revision: number, document: TapisDocument | null): void {
    this.revision = revision;
    this.stopped = false;
    if (document) this.change(document);
    else {
      this.waiting = null;
      this.report({ kind: 'saved', revision, at: Date.now() });
    }
  }

  /** Says whether the browser took the document or had a reason of its own not to. */
  private async write(document: TapisDocument): Promise<boolean> {
    try {
      const result = await this.save(document, this.revision);
      if (result.kind === 'saved') {
        this.revision = result.stored.revision;
        // what changed while this was written is not saved yet
        this.report(
          this.waiting === null
            ? { kind: 'saved', revision: this.revision, at: result.stored.updatedAt }
            : { kind: 'pending' },
        );
      } else if (result.kind === 'conflict') {
        this.stopped = true;
        this.waiting ??= document;
        this.report({ kind: 'conflict', theirs: result.stored });
      } else {
        this.report({
          kind: 'failed',
          reason: 'The footprint is no longer in this browser’s storage. Export it to keep it.',
        });
      }
    } catch (error) {
      this.waiting ??= document;
      const reason = error instanceof Error ? error.message : String(error);
      this.report({
        kind: 'failed',
        reason: `The browser refused to store it: ${reason}. Export it to keep it.`,
      });
      return false;
    }
    return true;
  }
}
