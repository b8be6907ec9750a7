import { useLayoutEffect, useRef, useState } from 'react';

/** The size of an element in whole pixels, followed as it changes; 0 × 0 before it is laid out. */
export function useSize<T extends Element>() {
  const ref = useRef<T>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => {
      if (!entry) return;
      const [width, height] = [Math.floor(entry.contentRect.width), Math.floor(entry.contentRect.height)];
      setSize((before) => (before.width === width && before.height === height ? before : { width, height }));
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return { ref, ...size };
}
