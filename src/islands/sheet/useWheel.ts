import { useCallback, useEffect, useRef, type RefCallback } from 'react';

/**
 * Takes the wheel over an element for its own: the page neither scrolls nor zooms with it, as it does where
 * React listens, and the browser tells of each turn at once instead of after it has looked what scrolls.
 */
export function useWheel(turned: (event: WheelEvent) => void): RefCallback<Element> {
  const latest = useRef(turned);
  useEffect(() => {
    latest.current = turned;
  });
  return useCallback((element: Element | null) => {
    if (!element) return;
    const stop = new AbortController();
    const take = (event: Event) => {
      event.preventDefault();
      latest.current(event as WheelEvent);
    };
    element.addEventListener('wheel', take, { passive: false, signal: stop.signal });
    return () => stop.abort();
  }, []);
}
