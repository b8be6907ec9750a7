import { useState } from 'react';
import { shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';
import type { Done } from './Changing';

/** Says what was done to many footprints at once, and takes it back as one act. */
export function DoneNote({ done, onClose }: { done: Done; onClose: () => void }) {
  const [taken, setTaken] = useState<string | null>(null);
  const takeBack = () =>
    attempt('Taking it back', async () => {
      const { before, left } = await shelf.rewrite(done.before);
      const others = left.length > 0 ? ` ${left.join(', ')} changed since and stayed.` : '';
      setTaken(
        `${counted(before.length, 'footprint')} ${before.length === 1 ? 'is' : 'are'} as before.${others}`,
      );
    });
  return (
    <p
      role="status"
      className="border-base-300 bg-base-100 border-l-success flex gap-3 border-b border-l-4 px-4 py-1.5"
    >
      {taken ?? done.words}
      {taken === null && (
        <button type="button" className="link" onClick={() => void takeBack()}>
          Take it back
        </button>
      )}
      <button type="button" className="btn btn-xs ml-auto" onClick={onClose}>
        Close
      </button>
    </p>
  );
}
