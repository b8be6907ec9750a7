import { useEffect } from 'react';
import { tinykeys } from 'tinykeys';
import { useLocation } from 'wouter';
import { useStore } from 'zustand';
import { asksHelp, askHelp } from '../common/help';
import { later } from '../common/later';
import { inText } from '../common/typing';

const Help = later('The help', async () => (await import('../help/Help')).Help);

/** The help of the place that is shown, by ? and F1 wherever one is. */
export function AskedHelp() {
  const [path] = useLocation();
  const open = useStore(asksHelp, (state) => state.open);
  useEffect(() => {
    const ask = (event: KeyboardEvent) => {
      event.preventDefault();
      if (!document.querySelector('dialog[open]')) askHelp(true);
    };
    return tinykeys(window, {
      F1: ask,
      'Shift+?': (event) => {
        if (!inText(event)) ask(event);
      },
    });
  }, []);
  return open && <Help path={path} onClose={() => askHelp(false)} />;
}
