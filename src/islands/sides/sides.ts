import { loadedModel, type LoadedModel } from '../../core/body/loaded';
import type { Level, TapisDocument } from '../../core/document/document';
import { applyEdits, type Edit } from '../../core/document/edit';
import { editsFor } from '../../core/library/change';
import { PROCESSES } from '../../core/process';
import type { Process } from '../../core/process/process';
import { processes, revisions, shelf } from '../common/shelf-store';

// One side of a comparison is a footprint as it stands or a revision of it, perhaps at another level or in
// another process. The address names it: an id, then what is asked of it.

/** What is held on one side. */
export interface Side {
  readonly id: string;
  /** Number of a kept revision; as it stands where it is missing. */
  readonly revision?: number;
  readonly level?: Level;
  /** Id of another process. */
  readonly process?: string;
  /** The lands as computed, or as the datasheet recommends them; as chosen where it is missing. */
  readonly pattern?: PatternSide;
}

export type PatternSide = 'computed' | 'recommended';

/** A side as a part of an address. */
export function sideText({ id, revision, level, process, pattern }: Side): string {
  const parts = [
    ...(revision === undefined ? [] : [`revision=${revision}`]),
    ...(level === undefined ? [] : [`level=${level}`]),
    ...(process === undefined ? [] : [`process=${process}`]),
    ...(pattern === undefined ? [] : [`pattern=${pattern}`]),
  ];
  return [id, ...parts].map(encodeURIComponent).join('~');
}

/** Reads a part of an address; what it does not say is as it stands. */
export function readSide(text: string): Side {
  const [id = '', ...parts] = text.split('~').map(decodeURIComponent);
  const asked = new Map(parts.map((part) => part.split('=') as [string, string | undefined]));
  const revision = Number(asked.get('revision'));
  const level = (['A', 'B', 'C'] as const).find((one) => one === asked.get('level'));
  const process = asked.get('process');
  const pattern = (['computed', 'recommended'] as const).find((one) => one === asked.get('pattern'));
  return {
    id,
    ...(Number.isInteger(revision) && revision > 0 ? { revision } : {}),
    ...(level ? { level } : {}),
    ...(process ? { process } : {}),
    ...(pattern ? { pattern } : {}),
  };
}

/** A side with all that can be chosen of it. */
export interface Held {
  /** With the level and process that were asked for. */
  readonly document: TapisDocument;
  /** As it is kept. */
  readonly kept: TapisDocument;
  readonly revisions: readonly number[];
  readonly processes: readonly Process[];
  /** Whether its datasheet recommends lands. */
  readonly recommends: boolean;
  /** Its imported model, where the file is at hand. */
  readonly model: LoadedModel | null;
}

/** Gets what is held on a side; `null` where it is not here. */
export async function heldOn(side: Side): Promise<Held | null> {
  const [stored, all, own] = await Promise.all([
    shelf.get(side.id),
    revisions.list(side.id),
    processes.list(),
  ]);
  const kept =
    side.revision === undefined
      ? stored?.document
      : all.find(({ number }) => number === side.revision)?.document;
  const known = [...PROCESSES, ...own];
  const process = known.find(({ id }) => id === side.process);
  // what is not here is not taken for something else
  if (!kept || (side.process !== undefined && !process)) return null;
  const recommends = Object.keys(kept.recommended?.groups ?? {}).length > 0;
  if (side.pattern === 'recommended' && !recommends) return null;
  const key = kept.body?.model?.key;
  const model = key === undefined ? null : ((await shelf.models.get(key))?.model ?? null);
  const wish = { ...(process ? { process } : {}), ...(side.level ? { level: side.level } : {}) };
  return {
    document: applyEdits(kept, [...editsFor(wish), ...(side.pattern ? patternEdits(side.pattern) : [])]),
    kept,
    revisions: all.map(({ number }) => number),
    processes: known,
    recommends,
    model: model && loadedModel(model),
  };
}

/** The lands of one kind alone, without what was set by hand. */
const patternEdits = (pattern: PatternSide): Edit[] => [
  { at: '/overrides/land', value: undefined },
  { at: '/overrides/lands', value: undefined },
  { at: '/recommended/adopted', value: pattern === 'recommended' ? true : undefined },
];
