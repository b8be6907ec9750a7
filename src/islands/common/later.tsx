import { useEffect, useState, type ComponentType, type ReactNode } from 'react';

/** A part of the page that is loaded when it is first shown, or ahead of that. */
export type Later<P> = ComponentType<P> & {
  /** Loads it now; what fails is tried again when it is shown. */
  readonly ahead: () => void;
};

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
    const [Loaded, show] = useState<ComponentType<P> | null>(() => loaded);
    const [failed, setFailed] = useState(false);
    useEffect(() => {
      if (Loaded || failed) return;
      let left = false;
      get().then(
        (part) => left || show(() => part),
        () => left || setFailed(true),
      );
      return () => {
        left = true;
      };
    }, [Loaded, failed]);
    if (Loaded) return <Loaded {...props} />;
    if (!failed) return waiting;
    return (
      <p role="alert" className="text-error p-3">
        {what} could not be loaded: the server that gave this page does not answer. The rest goes on.{' '}
        <button type="button" className="link" onClick={() => setFailed(false)}>
          Try again
        </button>
      </p>
    );
  }
  return Object.assign(Part, { ahead: () => void get().catch(() => {}) });
}
