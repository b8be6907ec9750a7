import { lazy, Suspense, useEffect, type ReactNode } from 'react';
import { Route, Switch } from 'wouter';
import { navigate } from 'wouter/use-browser-location';
import { ErrorBoundary } from '../common/ErrorBoundary';

// each place is loaded when somebody goes there
const Shelf = lazy(async () => ({ default: (await import('../shelf/Shelf')).Shelf }));
const Processes = lazy(async () => ({ default: (await import('../processes/Processes')).Processes }));
const Bench = lazy(async () => ({ default: (await import('../bench/Bench')).Bench }));

/**
 * The place that the address names. Going from place to place keeps the page: what could not be stored
 * lives on, and nothing is loaded twice.
 * @param earlierPorts where this Tapis was served before
 */
export function App({ earlierPorts }: { earlierPorts: readonly number[] }) {
  useEffect(followLinks, []);
  return (
    <Switch>
      <Route path="/">
        <Place>
          <Shelf earlierPorts={earlierPorts} />
        </Place>
      </Route>
      <Route path="/processes">
        <Place>
          <Processes />
        </Place>
      </Route>
      <Route path="/bench/:id/:stage?">
        {({ id, stage }) => (
          <Place key={id}>
            <Bench id={id} stage={stage} />
          </Place>
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
  );
}

function Place({ children }: { children: ReactNode }) {
  return (
    <ErrorBoundary>
      <Suspense fallback={<p className="text-secondary p-10">Opening</p>}>{children}</Suspense>
    </ErrorBoundary>
  );
}

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
