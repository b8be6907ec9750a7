import { useSyncExternalStore } from 'react';

/** Below this width, in CSS pixels, three columns leave the drawing too little. */
const NARROW = '(max-width: 1100px)';

/** Whether the window is too narrow for all columns side by side, as at 1024 px or when zoomed in. */
export function useNarrow(): boolean {
  return useSyncExternalStore(
    (changed) => {
      const query = matchMedia(NARROW);
      query.addEventListener('change', changed);
      return () => query.removeEventListener('change', changed);
    },
    () => matchMedia(NARROW).matches,
    () => false,
  );
}
