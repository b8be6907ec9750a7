import { useEffect } from 'react';
import { Route, Switch } from 'wouter';
import { navigate } from 'wouter/use-browser-location';
import { useStore } from 'zustand';
import { ErrorBoundary } from '../common/ErrorBoundary';
import { later } from '../common/later';
import { keptLook } from '../common/look';
import { tour } from '../common/tour';
import { letGoOfLists } from '../common/typing';
import { holdWithDrafts } from '../state/draft';
import { AskedCommands } from './AskedCommands';
import { AskedHelp } from './AskedHelp';
import { NewVersion } from './NewVersion';
import { keepOffline } from './offline';

// each place is loaded when somebody goes there
const opening = <p className="text-secondary p-10">Opening</p>;
const Shelf = later('The Shelf', async () => (await import('../shelf/Shelf')).Shelf, opening);
const Processes = later(
  'This place',
  async () => (await import('../processes/Processes')).Processes,
  opening,
);
const Standards = later(
  'This place',
  async () => (await import('../standards/Standards')).Standards,
  opening,
);
const SideBySide = later(
  'Side by side',
  async () => (await import('../sides/SideBySide')).SideBySide,
  opening,
);
const OpinionView = later(
  'The second opinion',
  async () => (await import('../opinion/OpinionView')).OpinionView,
  opening,
);
const FolderPlace = later(
  'This place',
  async () => (await import('../folder/FolderPlace')).FolderPlace,
  opening,
);
const Shared = later('This place', async () => (await import('../shared/Shared')).Shared, opening);
const Lists = later('The list', async () => (await import('../lists/Lists')).Lists, opening);
const Trials = later('The trials', async () => (await import('../trials/Trials')).Trials, opening);
const Trial = later('The trial', async () => (await import('../trials/Trial')).Trial, opening);
const Tour = later('The tour', async () => (await import('../tour/Tour')).Tour);
const Bench = later('The Bench', async () => (await import('../bench/Bench')).Bench, opening);

/** The tour, while somebody takes it. */
function TakenTour() {
  return useStore(tour, ({ step }) => step !== null) && <Tour />;
}

/**
 * The place that the address names. Going from place to place keeps the page: what could not be stored
 * lives on, and nothing is loaded twice.
 * @param earlierPorts where this Tapis was served before
 */
export function App({ earlierPorts }: { earlierPorts: readonly number[] }) {
  useEffect(followLinks, []);
  useEffect(keepOffline, []);
  useEffect(holdWithDrafts, []);
  useEffect(stayInStep, []);
  useEffect(letGoOfLists, []);
  useEffect(holdFocus, []);
  return (
    <>
      <NewVersion />
      <AskedHelp />
      <AskedCommands />
      <TakenTour />
      <Switch>
        <Route path="/">
          <ErrorBoundary>
            <Shelf earlierPorts={earlierPorts} />
          </ErrorBoundary>
        </Route>
        <Route path="/processes">
          <ErrorBoundary>
            <Processes />
          </ErrorBoundary>
        </Route>
        <Route path="/standards">
          <ErrorBoundary>
            <Standards />
          </ErrorBoundary>
        </Route>
        <Route path="/folder">
          <ErrorBoundary>
            <FolderPlace />
          </ErrorBoundary>
        </Route>
        <Route path="/shared">
          <ErrorBoundary>
            <Shared />
          </ErrorBoundary>
        </Route>
        <Route path="/list">
          <ErrorBoundary>
            <Lists />
          </ErrorBoundary>
        </Route>
        <Route path="/trials">
          <ErrorBoundary>
            <Trials />
          </ErrorBoundary>
        </Route>
        <Route path="/trial/:id">
          {({ id }) => (
            <ErrorBoundary key={id}>
              <Trial id={id} />
            </ErrorBoundary>
          )}
        </Route>
        <Route path="/bench/:id/:stage?">
          {({ id, stage }) => (
            <ErrorBoundary key={id}>
              <Bench id={id} stage={stage} />
            </ErrorBoundary>
          )}
        </Route>
        <Route path="/side-by-side/:a/:b">
          {({ a, b }) => (
            <ErrorBoundary>
              <SideBySide a={a} b={b} />
            </ErrorBoundary>
          )}
        </Route>
        <Route path="/opinion/:pattern/:against?">
          {({ pattern, against }) => (
            <ErrorBoundary key={pattern}>
              <OpinionView pattern={pattern} against={against} />
            </ErrorBoundary>
          )}
        </Route>
        <Route>
          <main className="p-10 text-[15px]">
            <p>There is nothing at this address.</p>
            <a className="link" href="/">
              Go to the Shelf
            </a>
          </main>
        </Route>
      </Switch>
    </>
  );
}

/** How long after the first drawing a folder is looked at, ms. */
const STEP_AFTER = 2500;

/** Keeps the library in step with its folder, where it has one. */
function stayInStep(): (() => void) | undefined {
  if (keptLook('tapis-folder') !== 'yes') return undefined;
  const wish = setTimeout(() => {
    // a page that cannot load it says so where the folder is looked at
    void import('../folder/keeper').then(({ keepInStep }) => keepInStep()).catch(() => {});
  }, STEP_AFTER);
  return () => clearTimeout(wish);
}

/** Keeps the focus from falling to the page; loaded once something stands there that can have it. */
function holdFocus(): () => void {
  const over = new AbortController();
  const wish = setTimeout(() => {
    // without it focus falls to the page, as pages do by themselves
    void import('./keep-focus').then(({ keepFocus }) => keepFocus(over.signal)).catch(() => {});
  }, FOCUS_AFTER);
  return () => {
    clearTimeout(wish);
    over.abort();
  };
}

/** How long after the first drawing the focus is held, ms. */
const FOCUS_AFTER = 500;

/** Follows links to other places without leaving the page; a key held down asks for a tab of its own. */
function followLinks(): () => void {
  const onClick = (event: MouseEvent) => {
    const link = (event.target as Element | null)?.closest('a');
    if (!link || event.defaultPrevented || event.button !== 0) return;
    if (event.ctrlKey || event.metaKey || event.shiftKey || event.altKey) return;
    const href = link.getAttribute('href') ?? '';
    if (!href.startsWith('/') || link.target !== '' || link.hasAttribute('download')) return;
    event.preventDefault();
    navigate(href);
  };
  addEventListener('click', onClick);
  return () => removeEventListener('click', onClick);
}
