import { askHelp } from './help';

/** Opens the help of the place. */
export function HelpButton() {
  return (
    <button
      type="button"
      className="btn btn-sm btn-ghost btn-square"
      aria-label="Help"
      aria-keyshortcuts="?"
      title="Help (?)"
      onClick={() => askHelp(true)}
    >
      ?
    </button>
  );
}
