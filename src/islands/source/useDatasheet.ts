import { useEffect, useState } from 'react';
import type { SourceIntent } from '../../core/document/document';
import { keyOf } from '../../kernel/inside';
import { shelf } from '../common/shelf-store';
import { useBench } from '../state/context';
import type { SourceWish } from '../state/bench-view';
import { openSheet, type OpenSheet } from './sheet-file';

/** A datasheet that lies beside the drawing. */
export interface Datasheet {
  /** As a document lists it. */
  readonly about: Omit<SourceIntent, 'id'>;
  /** `null` for what was pasted. */
  readonly open: OpenSheet | null;
  /** What was pasted. */
  readonly pasted: { readonly text: string; readonly html: string } | null;
  /** Its file, to be kept once something is taken from it. */
  readonly file: { readonly name: string; readonly bytes: Uint8Array } | null;
}

export type DatasheetState =
  | { readonly kind: 'none' }
  | { readonly kind: 'opening'; readonly name: string }
  | { readonly kind: 'failed'; readonly why: string }
  | { readonly kind: 'open'; readonly sheet: Datasheet };

/** Largest file that is opened, bytes. */
const LARGEST = 60_000_000;
/** Longest pasted text that is kept with a document. */
const LONGEST_KEPT = 40_000;

/** Opens what was wished for; what was open before is closed. */
export function useDatasheet(wish: SourceWish): DatasheetState {
  const sources = useBench((s) => s.document.sources);
  const keptId = wish.kind === 'kept' ? wish.id : null;
  const kept = keptId === null ? null : (sources?.find(({ id }) => id === keptId) ?? null);
  const what =
    wish.kind === 'file' ? wish.file : wish.kind === 'pasted' ? wish : (kept?.key ?? kept?.text ?? null);
  const [state, setState] = useState<{ readonly of: unknown; readonly state: DatasheetState }>({
    of: null,
    state: { kind: 'none' },
  });
  useEffect(() => {
    if (what === null) return;
    let left = false;
    let opened: OpenSheet | null = null;
    const show = (next: DatasheetState) => left || setState({ of: what, state: next });
    const open = async (): Promise<Datasheet> => {
      if (wish.kind === 'pasted') {
        const text = wish.text.slice(0, LONGEST_KEPT);
        return { about: { name: 'Pasted table', text }, open: null, pasted: wish, file: null };
      }
      if (kept?.key === undefined && kept?.text !== undefined)
        return { about: kept, open: null, pasted: { text: kept.text, html: '' }, file: null };
      if (wish.kind === 'file') {
        const { file } = wish;
        if (file.size > LARGEST) throw new Error(`${file.name} is larger than ${LARGEST / 1e6} MB.`);
        const bytes = new Uint8Array(await file.arrayBuffer());
        if (/\.(txt|tsv|csv|html?)$/i.test(file.name)) {
          const text = new TextDecoder().decode(bytes);
          const pasted = { text, html: /\.html?$/i.test(file.name) ? text : '' };
          return {
            about: { name: file.name, text: text.slice(0, LONGEST_KEPT) },
            open: null,
            pasted,
            file: null,
          };
        }
        opened = await openSheet(bytes, file.name);
        const about = { name: file.name.slice(0, 200), key: await keyOf(bytes), pages: opened.pages };
        return { about, open: opened, pasted: null, file: { name: file.name, bytes } };
      }
      const stored = kept?.key === undefined ? null : await shelf.sources.get(kept.key);
      if (!kept || !stored)
        throw new Error(
          `The file “${kept?.name ?? ''}” is not in this browser; choose it again and its marks come back.`,
        );
      opened = await openSheet(stored.bytes, stored.name);
      return { about: kept, open: opened, pasted: null, file: null };
    };
    void open().then(
      (sheet) => show({ kind: 'open', sheet }),
      (error: unknown) =>
        show({ kind: 'failed', why: error instanceof Error ? error.message : String(error) }),
    );
    return () => {
      left = true;
      opened?.close();
    };
    // the wish itself is a new object at every press; what it names is what counts
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [what]);
  if (what === null) return { kind: 'none' };
  if (state.of === what) return state.state;
  return { kind: 'opening', name: wish.kind === 'file' ? wish.file.name : (kept?.name ?? 'the table') };
}
