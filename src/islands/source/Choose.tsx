import { useRef, useState } from 'react';
import { useBench } from '../state/context';

/** Files that datasheets come in. */
const SHEET_FILES = '.pdf,.png,.jpg,.jpeg,.webp,.txt,.tsv,.csv,.html,.htm';

/** Ways to bring a datasheet, and those that this footprint has. */
export function Choose() {
  const set = useBench((s) => s.set);
  const sources = useBench((s) => s.document.sources);
  const [text, setText] = useState('');
  const files = useRef<HTMLInputElement>(null);
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3 overflow-y-auto p-3">
      <p className="text-secondary">
        Drop a PDF or a picture of a page here, or paste the table as it stands in the datasheet.
      </p>
      <div>
        <button type="button" className="btn btn-sm btn-primary" onClick={() => files.current?.click()}>
          Choose a file
        </button>
        <input
          ref={files}
          type="file"
          hidden
          accept={SHEET_FILES}
          aria-label="Datasheet file"
          onChange={({ currentTarget }) => {
            const [file] = currentTarget.files ?? [];
            if (file) set({ source: { kind: 'file', file } });
            currentTarget.value = '';
          }}
        />
      </div>
      <label>
        <span className="text-secondary">Table as text</span>
        <textarea
          className="border-base-300 bg-base-100 block w-full border px-1 font-mono text-[12px]"
          rows={8}
          value={text}
          onChange={({ target }) => setText(target.value)}
        />
      </label>
      <button
        type="button"
        className="btn btn-sm self-start"
        disabled={text.trim() === ''}
        onClick={() => set({ source: { kind: 'pasted', text, html: '' } })}
      >
        Read this table
      </button>
      {sources && sources.length > 0 && (
        <ul aria-label="Datasheets of this footprint">
          {sources.map(({ id, name, pages }) => (
            <li key={id}>
              <button
                type="button"
                className="link"
                onClick={() => set({ source: { kind: 'kept', id, page: 1, symbol: null } })}
              >
                {name}
              </button>{' '}
              <span className="text-secondary">
                {pages ? `${pages} ${pages === 1 ? 'page' : 'pages'}` : ''}
              </span>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
