import { useEffect, useState, type ComponentType, type ReactNode } from 'react';

/** A part of the page that is loaded when it is first shown, or ahead of that. */
export type Later<P> = ComponentType<P> & {
  /** Loads it now; what fails is tried again when it is shown. */
  readonly ahead: () => void;
};

/** What is loaded when it is first needed. */
export interface Loaded<T> {
  /** `null` until it is there. */
  readonly value: T | null;
  /** Says that it could not be loaded, and asks again; `null` while there is hope. */
  readonly trouble: ReactNode;
}

/**
 * What a part of the page needs of what is not loaded with it.
 * @param what what it is called where it cannot be loaded
 * @param load must be stable between renders; the same answer comes at once the second time
 */
export function useLoaded<T>(what: string, load: () => Promise<T>, known: T | null = null): Loaded<T> {
  const [value, show] = useState<T | null>(() => known);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    if (value !== null || failed) return;
    let left = false;
    load().then(
      (loaded) => left || show(() => loaded),
      () => left || setFailed(true),
    );
    return () => {
      left = true;
    };
  }, [value, failed, load]);
  const trouble = failed ? (
    <p role="alert" className="text-error p-3">
      {what} could not be loaded: the server that gave this page does not answer. The rest goes on.{' '}
      <button type="button" className="link" onClick={() => setFailed(false)}>
        Try again
      </button>
    </p>
  ) : null;
  return { value, trouble };
}

/**
 * Loads a part of the page when it is first shown. One that cannot be loaded, as while the server is away,
 * says so in its own place and can be asked for again; the rest goes on.
 * @param what what it is called in that sentence
 * @param waiting stands in its place until it is there
 */
export function later<P extends object>(
  what: string,
  load: () => Promise<ComponentType<P>>,
  waiting: ReactNode = null,
): Later<P> {
  let loaded: ComponentType<P> | null = null;
  const get = async () => (loaded = await load());

  function Part(props: P) {
    const { value: Loaded, trouble } = useLoaded(what, get, loaded);
    if (Loaded) return <Loaded {...props} />;
    return trouble ?? waiting;
  }
  return Object.assign(Part, { ahead: () => void get().catch(() => {}) });
}
