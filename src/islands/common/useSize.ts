import { useLayoutEffect, useRef, useState } from 'react';

/** The size of an element in whole pixels, followed as it changes; 0 × 0 until it is in the page. */
export function useSize<T extends Element>() {
  const ref = useRef<T>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const take = (rect: DOMRectReadOnly) => {
      const [width, height] = [Math.floor(rect.width), Math.floor(rect.height)];
      setSize((before) => (before.width === width && before.height === height ? before : { width, height }));
    };
    // what is drawn to size is there with the first frame
    take(element.getBoundingClientRect());
    const observer = new ResizeObserver(([entry]) => entry && take(entry.contentRect));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return { ref, ...size };
}
