import type { TrialDocument } from '../../core/document/trial';
import { writeTrial } from '../../core/document/write';
import type { WrittenFile } from '../../core/format/format';
import { trials } from '../common/shelf-store';

/** A trial as its file, with the files of its models and datasheets inside. */
export async function trialFile(trial: TrialDocument): Promise<WrittenFile> {
  const whole = await trials.packed(trial);
  return {
    name: `${whole.name.replace(/[\\/:*?"<>|]+/g, '-')}.tapis-trial.json`,
    mediaType: 'application/json',
    content: writeTrial(whole),
  };
}
