/** What may take the focus of something in it that goes away. */
const REGION = 'dialog, section, aside, fieldset, header, nav, main, [role=group], [role=dialog]';

/**
 * Keeps the focus from falling to the page where what had it goes away, as a button does that is done with, or a place
 * that is left: what it stood in takes it, or else the place that comes. Who goes by keys goes on from there.
 */
export function keepFocus(over: AbortSignal): void {
  if (over.aborted) return;
  let at = document.activeElement;
  /** The regions it stands in, the innermost first; known before it goes. */
  let around: readonly HTMLElement[] = at ? regionsRound(at) : [];
  const onFocus = ({ target }: FocusEvent) => {
    if (!(target instanceof Element) || target === at) return;
    at = target;
    around = regionsRound(target);
  };
  const mend = () => {
    if (!at || (at.isConnected && !at.matches(':disabled'))) return;
    const now = document.activeElement;
    if (now && now !== document.body && now !== at) return;
    const next = around.find((region) => region.checkVisibility()) ?? document.querySelector('main');
    // a place may still be on its way
    if (!next) return;
    if (next.tabIndex < 0) next.tabIndex = -1;
    next.focus({ preventScroll: true });
  };
  const watch = new MutationObserver(mend);
  addEventListener('focusin', onFocus, { signal: over });
  watch.observe(document.body, {
    childList: true,
    subtree: true,
    attributes: true,
    attributeFilter: ['disabled'],
  });
  over.addEventListener('abort', () => watch.disconnect());
}

function regionsRound(element: Element): HTMLElement[] {
  const regions: HTMLElement[] = [];
  for (let up = element.parentElement?.closest<HTMLElement>(REGION); up;) {
    regions.push(up);
    up = up.parentElement?.closest<HTMLElement>(REGION);
  }
  return regions;
}
