import { writeTrial } from '../../core/document/write';
import { Bar, BarButton } from '../common/Bar';
import { download } from '../common/download';
import { useTrialStore } from './state';

/** What can be written of a trial. */
export function HandOver({ onClose }: { onClose: () => void }) {
  const store = useTrialStore();
  const save = () => {
    const { trial } = store.getState();
    download({
      name: `${trial.name}.tapis-trial.json`,
      mediaType: 'application/json',
      content: writeTrial(trial),
    });
  };
  return (
    <Bar tone="warning" words="Hand over">
      <BarButton onPress={save}>The trial itself</BarButton>
      <BarButton onPress={onClose}>Close</BarButton>
    </Bar>
  );
}
