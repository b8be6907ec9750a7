interface Props {
  source: string;
  /** Gives pasted cells a name, by which they are known again; `null` for a file, which has one. */
  onName: ((name: string) => void) | null;
}

/** What a list is called. */
export function ListName({ source, onName }: Props) {
  if (!onName) return <b className="font-semibold">{source}</b>;
  return (
    <input
      key={source}
      className="border-base-300 bg-base-100 w-44 border px-1 font-semibold"
      aria-label="Name of the list"
      title="By its name a list that is pasted again is known"
      defaultValue={source}
      maxLength={80}
      onBlur={({ target }) => target.value.trim() !== '' && onName(target.value.trim())}
      onKeyDown={({ key, currentTarget }) => {
        if (key === 'Escape') currentTarget.value = source;
        if (key === 'Enter' || key === 'Escape') currentTarget.blur();
      }}
    />
  );
}
