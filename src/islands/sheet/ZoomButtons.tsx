import { useEffect, useRef } from 'react';
import { tinykeys } from 'tinykeys';
import { inText } from '../common/typing';
import { zoomBy, type Camera } from './layout';

interface Props {
  camera: Camera;
  hold: (camera: Camera) => void;
  onFit: () => void;
  /** Lays the ruler or puts it away; `null` where there is none. */
  ruler?: { readonly on: boolean; readonly toggle: () => void } | null;
}

/** One press of a button or a key. */
const STEP = 1.25;

/** Zooms about the middle of the views, by buttons and by the keys + and −. */
export function ZoomButtons({ camera, hold, onFit, ruler = null }: Props) {
  const zoom = (factor: number) => hold(zoomBy(camera, factor));
  // keys are bound once, and zoom what is shown then
  const latest = useRef(zoom);
  useEffect(() => {
    latest.current = zoom;
  });
  useEffect(() => {
    const by = (factor: number) => (event: KeyboardEvent) => {
      if (inText(event) || event.defaultPrevented || document.querySelector('dialog[open]')) return;
      event.preventDefault();
      latest.current(factor);
    };
    // on keyboards where + needs Shift its key without Shift is =
    return tinykeys(window, { '+': by(STEP), 'Shift++': by(STEP), '=': by(STEP), '-': by(1 / STEP) });
  }, []);
  const button = (words: string, key: string, sign: string, act: () => void) => (
    <button
      type="button"
      className="border-base-300 hover:text-primary grid h-7 w-8 place-content-center border-l text-[15px]"
      aria-label={words}
      aria-keyshortcuts={key}
      title={`${words} (${key})`}
      onClick={act}
    >
      {sign}
    </button>
  );
  return (
    <div className="-mr-3 flex shrink-0" role="group" aria-label="Zoom and ruler">
      {ruler && (
        <button
          type="button"
          className={`border-base-300 hover:text-primary h-7 border-l px-2 ${ruler.on ? 'text-primary font-semibold' : ''}`}
          aria-pressed={ruler.on}
          aria-keyshortcuts="M"
          title="Ruler (M)"
          onClick={ruler.toggle}
        >
          Ruler
        </button>
      )}
      {button('Zoom out', '-', '−', () => zoom(1 / STEP))}
      {button('Fit the drawing', 'F', '▢', onFit)}
      {button('Zoom in', '+', '+', () => zoom(STEP))}
    </div>
  );
}
