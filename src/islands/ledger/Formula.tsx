import { Fragment } from 'react';

const NAME = /([A-Z])_([A-Za-z]+)|([A-Z][0-9]?)(min|max)('?)/g;

/** A formula with its indices set low: `C_L` and `Lmin` as they are printed. */
export function Formula({ text }: { text: string }) {
  const parts: React.ReactNode[] = [];
  let at = 0;
  for (const match of text.matchAll(NAME)) {
    parts.push(text.slice(at, match.index));
    const [, letter, index, other, limit, prime = ''] = match;
    parts.push(
      <Fragment key={match.index}>
        {letter ?? other}
        <sub className="text-[0.8em] leading-none">{index ?? limit}</sub>
        {prime}
      </Fragment>,
    );
    at = match.index + match[0].length;
  }
  parts.push(text.slice(at));
  return <>{parts}</>;
}
