import type { TapisDocument } from '../../core/document/document';
import { placeWords, valueWords } from '../../core/document/edit-words';
import type { OwnFamily } from '../../core/document/own-family';
import { parseJson, problemWords, type DocumentProblem } from '../../core/document/read';
import { readProcess } from '../../core/document/read-process';
import { readStandard } from '../../core/document/read-standard';
import type { TrialDocument } from '../../core/document/trial';
import {
  writeDocument,
  writeFamily,
  writeProcess,
  writeStandard,
  writeTrial,
} from '../../core/document/write';
import { openDocument, openShelf, openTrial } from '../../core/footprint/open';
import { joined } from '../../core/library/join';
import type { Joined, There } from '../../core/library/together';
import type { Process } from '../../core/process/process';
import type { StandardDocument } from '../../core/standard/standard';
import { fail, ok, type Result } from '../../core/units/result';

// Kinds of files that a library has. To have another one in it, list it here, and say in `sync.ts` where it is kept.

/** How things of one kind are read from files and written into them. */
interface Kind<D extends object> {
  /** The field that tells such a file from others. */
  readonly marker: string;
  /** The folder that they stand in; footprints stand in those of their groups. */
  readonly folder: string;
  readonly read: (text: string) => Result<D, DocumentProblem[]>;
  readonly write: (document: D) => string;
  readonly nameOf: (document: D) => string;
}

const kind = <D extends object>(one: Kind<D>): Kind<D> => one;

export const KINDS = {
  footprint: kind<TapisDocument>({
    marker: 'tapis',
    folder: '',
    read: openDocument,
    write: writeDocument,
    nameOf: ({ name }) => name,
  }),
  standard: kind<StandardDocument>({
    marker: 'tapisStandard',
    folder: 'standards',
    read: (text) => {
      const read = readStandard(text);
      return read.ok ? ok(read.value.standard) : read;
    },
    write: writeStandard,
    nameOf: ({ name }) => name,
  }),
  process: kind<Process>({
    marker: 'tapisProcess',
    folder: 'processes',
    read: readProcess,
    write: writeProcess,
    nameOf: ({ name }) => name,
  }),
  family: kind<OwnFamily>({
    marker: 'tapisFamily',
    folder: 'families',
    read: (text) => {
      const read = openShelf(text);
      if (!read.ok) return read;
      const [family] = read.value.families;
      return family ? ok(family) : fail([...read.value.refused]);
    },
    write: writeFamily,
    nameOf: ({ title, own }) => title ?? own.id,
  }),
  trial: kind<TrialDocument>({
    marker: 'tapisTrial',
    folder: 'trials',
    read: openTrial,
    write: writeTrial,
    nameOf: ({ name }) => name,
  }),
} as const;

export type KindId = keyof typeof KINDS;

/** What each kind is of. */
export interface Things {
  readonly footprint: TapisDocument;
  readonly standard: StandardDocument;
  readonly process: Process;
  readonly family: OwnFamily;
  readonly trial: TrialDocument;
}

const kinds = Object.keys(KINDS) as KindId[];

/** What a file holds, as far as it is anything of a library; `null` where it is somebody else's. */
export function readThere(text: string): There['read'] | null {
  const parsed = parseJson(text);
  if (!parsed.ok) return { problem: problemWords(parsed.error) };
  const { value } = parsed;
  if (typeof value !== 'object' || value === null) return null;
  const id = kinds.find((one) => KINDS[one].marker in value);
  if (id === undefined) return null;
  const of = KINDS[id] as Kind<object>;
  const read = of.read(text);
  if (!read.ok) return { problem: problemWords(read.error) };
  return { kind: id, name: of.nameOf(read.value), text: of.write(read.value) };
}

/** What a text of a kind means; throws where it is none, which nothing makes that was read before. */
export function thingOf<K extends KindId>(id: K, text: string): Things[K] {
  const read = (KINDS[id] as unknown as Kind<Things[K] & object>).read(text);
  if (!read.ok) throw new RangeError(problemWords(read.error));
  return read.value;
}

/** Brings three texts of a kind together by their fields. */
export function joinTexts(id: string, base: string, ours: string, theirs: string): Joined {
  const { result, write } = joinOf(id as KindId, base, ours, theirs);
  if (result.clashes.length === 0) return { text: write(result.ours) };
  return {
    clashes: result.clashes.map((one) => ({
      place: placeWords(one.at),
      base: valueWords(one.base),
      here: valueWords(one.ours),
      there: valueWords(one.theirs),
    })),
  };
}

/** The same where they clash, with one side’s values at the places of the clash. */
export function joinedFor(
  id: string,
  [base, ours, theirs]: readonly [string, string, string],
  side: 'here' | 'there',
): string {
  const { result, write } = joinOf(id as KindId, base, ours, theirs);
  return write(side === 'here' ? result.ours : result.theirs);
}

function joinOf(id: KindId, base: string, ours: string, theirs: string) {
  const of = KINDS[id] as Kind<object>;
  const [b, o, t] = [base, ours, theirs].map((text) => thingOf(id, text) as object) as [
    object,
    object,
    object,
  ];
  return { result: joined(b, o, t), write: of.write };
}
