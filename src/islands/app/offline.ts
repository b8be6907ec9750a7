import { createStore } from 'zustand/vanilla';

/** A build that is newer than this page and waits to take over. */
export const newerBuild = createStore<{ readonly waiting: ServiceWorker | null }>(() => ({ waiting: null }));

/** How long after the first drawing the files are kept, ms: they do not hold it up. */
const AFTER = 4000;

/** Keeps all files in the browser, so that Tapis works with its server gone; tells of a newer build. */
export function keepOffline(): () => void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return () => {};
  const wish = setTimeout(() => {
    // a browser that keeps nothing works with its server only
    void register().catch(() => {});
  }, AFTER);
  return () => clearTimeout(wish);
}

async function register(): Promise<void> {
  const registration = await navigator.serviceWorker.register('/offline.js');
  const tell = () => newerBuild.setState({ waiting: registration.waiting });
  // the first one has nothing to wait for
  if (registration.waiting && navigator.serviceWorker.controller) tell();
  registration.addEventListener('updatefound', () => {
    const { installing } = registration;
    installing?.addEventListener('statechange', () => {
      if (installing.state === 'installed' && navigator.serviceWorker.controller) tell();
    });
  });
}

/** Lets the newer build take over and loads the page again; what is typed is written while it is left. */
export function takeNewerBuild(): void {
  const { waiting } = newerBuild.getState();
  if (!waiting) return;
  // another tab may have let it take over already
  if (waiting.state === 'activated') return location.reload();
  navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true });
  waiting.postMessage('take over');
}
