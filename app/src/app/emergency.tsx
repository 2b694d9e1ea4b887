import { EmergencyScreen } from '@/features/emergency';
import { InTheSprayer } from '@/features/screens';

/** The emergency cards, with what stands in the sprayer where the rest of the application is at hand. */
export default function Emergency() {
  return <EmergencyScreen material={<InTheSprayer />} />;
}
