import type { Finding } from '../../core/document/finding';
import { FindingCard } from '../ledger/FindingCard';
import { useLedger } from './useLedger';

interface Props {
  finding: Finding;
  index: number;
  framed: boolean;
}

/** A finding in a stage column. */
export function StageFinding(props: Props) {
  return <FindingCard {...props} {...useLedger()} />;
}
