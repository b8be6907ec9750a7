import { useLiveQuery } from 'dexie-react-hooks';
import { Bar, BarButton } from '../common/Bar';
import { facts } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';

/** Says that this version of Tapis makes something otherwise of what is kept, until it was seen. */
export function News({ onLook }: { onLook: (ids: readonly string[]) => void }) {
  const news = useLiveQuery(() => facts.news(), []) ?? [];
  if (news.length === 0) return null;
  const ids = news.map(({ id }) => id);
  const they = news.length === 1 ? 'comes' : 'come';
  return (
    <Bar
      tone="warning"
      words={`${counted(news.length, 'footprint')} ${they} out otherwise with this version of Tapis than with the one before. The documents are as they were.`}
    >
      <BarButton onPress={() => onLook(ids)}>Look at what differs</BarButton>
      <BarButton onPress={() => void attempt('Keeping what was seen', () => facts.seen(ids))}>Seen</BarButton>
    </Bar>
  );
}
