interface Props {
  readonly title: string;
  readonly summary: string;
  readonly onSave: () => void;
}

/** A file that can be saved: what it is, what it holds, and the button. */
export function FileRow({ title, summary, onSave }: Props) {
  return (
    <li className="border-base-300 flex items-center gap-2 border-t py-1.5">
      <span className="min-w-0 flex-1">
        {title}
        <span className="text-secondary block text-[12px]">{summary}</span>
      </span>
      <button
        type="button"
        className="btn btn-sm btn-outline btn-primary"
        aria-label={`Save ${title}`}
        onClick={onSave}
      >
        Save
      </button>
    </li>
  );
}
