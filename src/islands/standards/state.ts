import { createStore, type StoreApi } from 'zustand';
import { pointerKey } from '../../core/document/edit';
import type { KeptHistory } from '../../core/document/history';
import { checkStandard } from '../../core/document/read-standard';
import { clauseFieldAt, type ClauseValue } from '../../core/standard/fields';
import type { Clause, StandardDocument } from '../../core/standard/standard';
import type { StoredStandard } from '../../store/database';
import { standards } from '../common/shelf-store';
import { workplace, type DocumentKind, type Workplace } from '../state/workplace';

/** One house standard that is worked on. */
export type StandardState = Workplace<StandardDocument, StoredStandard>;
export type StandardWork = StoreApi<StandardState>;

/** What a place of a standard is called. @param at a JSON pointer */
function placeWords(at: string): string {
  const [first = '', second = ''] = at
    .split('/')
    .slice(1)
    .map((key) => key.replaceAll('~1', '/').replaceAll('~0', '~'));
  return first === 'clauses' ? (clauseFieldAt(second)?.title ?? second) : first;
}

const STANDARD_KIND: DocumentKind<StandardDocument, StoredStandard> = {
  keeper: standards,
  wordsOf: (places) => [...new Set(places.map(placeWords))].join(', '),
  whyNotKept(standard) {
    const read = checkStandard(standard);
    return read.ok ? null : (read.error[0]?.message ?? 'This cannot be kept.');
  },
};

/** Makes the state of one standard, saved as it changes. */
export function createStandard(stored: StoredStandard, kept: KeptHistory | null): StandardWork {
  return createStore<StandardState>((set, get) =>
    workplace(STANDARD_KIND, stored, kept, { get, set, show: (document) => set({ document }) }),
  );
}

/** Changes parts of a standard. */
export interface Put {
  /** What a clause says; its number and reason stay. `undefined` takes it back. */
  readonly clause: (at: string, value: ClauseValue | undefined) => void;
  /** Where the house says so, and why. */
  readonly about: (at: string, part: Pick<Clause, 'clause' | 'reason'>) => void;
  readonly part: (part: Partial<Omit<StandardDocument, 'clauses' | 'id'>>) => void;
}

/** Edits of a standard that is worked on, each saved at once. */
export function putsOf(work: StandardWork): Put {
  const edit = (at: string, value: unknown) => {
    work.getState().edit([{ at, value }]);
    // fields commit at once: nothing more is waited for
    void work.getState().flush();
  };
  const clausesNow = () => work.getState().document.clauses;
  const place = (at: string) => `/clauses/${pointerKey(at)}`;
  return {
    clause: (at, value) => edit(place(at), value === undefined ? undefined : { ...clausesNow()[at], value }),
    about: (at, part) => {
      const clause = clausesNow()[at];
      if (clause) edit(place(at), { ...clause, ...part });
    },
    part: (part) => {
      work
        .getState()
        .edit(Object.entries(part).map(([key, value]) => ({ at: `/${key}`, value: value as unknown })));
      void work.getState().flush();
    },
  };
}
