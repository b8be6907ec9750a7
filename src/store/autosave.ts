import type { TapisDocument } from '../core/document/document';
import type { StoredFootprint } from './database';
import { whyRefused } from './storage';

/** What is saved: something with a revision that counts its changes. */
export interface Saved {
  /** Counts every saved change; a tab may only save onto the revision it has read. */
  readonly revision: number;
  readonly updatedAt: number;
  /** When it was put into the bin; 0 while it is listed. */
  readonly binnedAt: number;
}

/** What saving came to. */
export type SaveResult<T extends Saved = StoredFootprint> =
  | { readonly kind: 'saved'; readonly stored: T }
  /** Somebody else saved since this revision was read; nothing was written. */
  | { readonly kind: 'conflict'; readonly stored: T }
  | { readonly kind: 'gone' };

/** How a footprint's saving stands. */
export type SaveState<T extends Saved = StoredFootprint> =
  | { readonly kind: 'saved'; readonly revision: number; readonly at: number }
  | { readonly kind: 'pending' }
  /** Another tab has saved; `theirs` is its state. Nothing is written until the person decides. */
  | { readonly kind: 'conflict'; readonly theirs: T }
  /** The browser refuses for now; writing is tried again until it does not. */
  | { readonly kind: 'failed'; readonly reason: string }
  /** Saved, but it lies in the bin: another tab has put it there. */
  | { readonly kind: 'binned' }
  /** Another tab has removed it for good. Nothing is written until the person decides. */
  | { readonly kind: 'gone' };

/** Whether a state is one that the person has to know of, and that lasts until it is over. */
export function isTrouble({ kind }: SaveState<Saved>): boolean {
  return kind !== 'saved' && kind !== 'pending';
}

/** Whether changes are in this tab only. */
export function isUnsaved(state: SaveState<Saved>): boolean {
  return isTrouble(state) && state.kind !== 'binned';
}

/** Longest time a change waits before it is written, ms. */
const WAIT = 300;

/** Time until another try after the browser refused to write, ms. */
const RETRY = 3000;

type Save<D, T extends Saved> = (document: D, revision: number) => Promise<SaveResult<T>>;

/**
 * Writes the newest document soon after each change, one write at a time, and never onto
 * a revision that it has not seen.
 */
export class Autosave<D = TapisDocument, T extends Saved = StoredFootprint> {
  private waiting: D | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private running: Promise<boolean> | null = null;
  private stopped = false;
  private troubled = false;

  constructor(
    private revision: number,
    private readonly save: Save<D, T>,
    private readonly listener: (state: SaveState<T>) => void,
  ) {}

  private report(state: SaveState<T>): void {
    this.troubled = isTrouble(state);
    this.listener(state);
  }

  /** Takes a changed document; the write follows within {@link WAIT} ms. */
  change(document: D): void {
    this.waiting = document;
    if (this.stopped) return;
    // what troubles is told until it is over
    if (!this.troubled) this.report({ kind: 'pending' });
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

  /** Writes nothing more until it is resumed; the document waits. */
  halt(document: D): void {
    this.stopped = true;
    this.troubled = true;
    this.waiting ??= document;
  }

  /** Takes over nothing more: another one writes this footprint now. */
  retire(): void {
    this.stopped = true;
    clearTimeout(this.timer);
  }

  /** Goes on after a conflict: further writes go onto this revision. */
  resume(revision: number, document: D | null): void {
    this.revision = revision;
    this.stopped = false;
    this.troubled = false;
    if (document) this.change(document);
    else {
      this.waiting = null;
      this.report({ kind: 'saved', revision, at: Date.now() });
    }
  }

  /** Says whether the browser took the document or had a reason of its own not to. */
  private async write(document: D): Promise<boolean> {
    try {
      const result = await this.save(document, this.revision);
      if (result.kind === 'saved') {
        this.revision = result.stored.revision;
        if (result.stored.binnedAt > 0) this.report({ kind: 'binned' });
        else
          this.report(
            // what changed while this was written is not saved yet
            this.waiting === null
              ? { kind: 'saved', revision: this.revision, at: result.stored.updatedAt }
              : { kind: 'pending' },
          );
      } else {
        this.halt(document);
        this.report(
          result.kind === 'conflict' ? { kind: 'conflict', theirs: result.stored } : { kind: 'gone' },
        );
      }
    } catch (error) {
      this.waiting ??= document;
      this.report({ kind: 'failed', reason: whyRefused(error) });
      return false;
    }
    return true;
  }
}
