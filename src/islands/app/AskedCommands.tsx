import { useEffect, useState } from 'react';
import { tinykeys } from 'tinykeys';
import { useLocation } from 'wouter';
import { later } from '../common/later';
import { inText } from '../common/typing';

const PlaceCommands = later(
  'The commands',
  async () => (await import('../commands/PlaceCommands')).PlaceCommands,
);

/** What can be done in the place that is shown, by K wherever the place has no list of its own. */
export function AskedCommands() {
  const [path] = useLocation();
  const [open, setOpen] = useState(false);
  const isBench = path.startsWith('/bench/');
  useEffect(() => {
    if (isBench) return;
    const ask = (event: KeyboardEvent) => {
      event.preventDefault();
      if (!document.querySelector('dialog[open]')) setOpen(true);
    };
    return tinykeys(window, {
      k: (event) => {
        if (!inText(event)) ask(event);
      },
      '$mod+k': ask,
    });
  }, [isBench]);
  return open && <PlaceCommands onClose={() => setOpen(false)} />;
}
