import type { ReactNode } from 'react';

interface Props {
  tone: 'error' | 'warning';
  words: ReactNode;
  /** What can be done about it, as buttons. */
  children?: ReactNode;
  className?: string;
}

const TONES = {
  error: 'bg-error text-error-content',
  warning: 'bg-warning text-warning-content',
} as const;

/** Something that the person has to know of, for as long as it is so, with what can be done about it. */
export function Bar({ tone, words, children, className = '' }: Props) {
  return (
    <div role="alert" className={`${TONES[tone]} flex items-center gap-3 px-4 py-1.5 ${className}`}>
      <span>{words}</span>
      {children}
    </div>
  );
}

/** A button in a bar. */
export function BarButton({ onPress, children }: { onPress: () => void; children: ReactNode }) {
  return (
    <button type="button" className="btn btn-xs" onClick={onPress}>
      {children}
    </button>
  );
}
