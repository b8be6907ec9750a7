import type { ReactNode } from 'react';
import { HelpButton } from './HelpButton';

interface Props {
  title: string;
  /** What the page is about, after its title. */
  children?: ReactNode;
  /** What can be chosen for the page, at its end. */
  end: ReactNode;
}

/** The head of a page beside the Bench: the way back to the Shelf, and what is looked at. */
export function PageHead({ title, children, end }: Props) {
  return (
    <header className="border-base-300 bg-base-100 flex min-h-11 shrink-0 flex-wrap items-center gap-3 border-b px-3.5 py-1">
      <a href="/" className="text-[20px] font-semibold">
        Tapis
      </a>
      <a href="/" className="text-secondary hover:text-base-content">
        Shelf ▸
      </a>
      <h1 className="text-[15px] font-semibold">{title}</h1>
      {children}
      <div className="ml-auto flex items-center gap-2">
        {end}
        <HelpButton />
      </div>
    </header>
  );
}
