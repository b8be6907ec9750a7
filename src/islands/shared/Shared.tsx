import { useEffect, useState } from 'react';
import { navigate } from 'wouter/use-browser-location';
import { documentOf } from '../../kernel/link';
import { shelf } from '../common/shelf-store';
import { whyRefused } from '../../store/storage';

/** What a link carries, opened on a Bench that changes nothing; nothing of it was sent to a server. */
export function Shared() {
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    document.title = 'From a link · Tapis';
    const open = async () => {
      const read = await documentOf(location.hash.slice(1));
      if (!read.ok) return setTrouble(read.error);
      const { id } = await shelf.receive(read.value);
      navigate(`/bench/${id}`, { replace: true });
    };
    open().catch((error: unknown) => setTrouble(`It could not be opened: ${whyRefused(error)}.`));
  }, []);
  return (
    <main className="flex flex-col items-start gap-3 p-10 text-[15px]">
      <h1>From a link</h1>
      <p role={trouble === null ? 'status' : 'alert'}>{trouble ?? 'Opening the footprint'}</p>
      <a className="link" href="/">
        Go to the Shelf
      </a>
    </main>
  );
}
