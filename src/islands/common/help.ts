import { createStore } from 'zustand/vanilla';

/** Whether the help of the place is shown. */
export const asksHelp = createStore<{ readonly open: boolean }>(() => ({ open: false }));

/** Shows the help of the place, or puts it away. */
export function askHelp(open: boolean): void {
  asksHelp.setState({ open });
}
