import type { Job } from '@fine-spray/contract';
import { View } from 'react-native';
import { Segmented } from '@/ui/segmented';
import { Words } from '@/ui/text';
import { PaperButton } from './PaperButton';
import { usePaperSize } from './usePaperSize';

const SIZES = [
  { value: 'a4', label: 'A4' },
  { value: 'letter', label: 'Letter' },
] as const;

/** The sheets of a job, and the paper they are for. */
export function Papers({ job }: { job: Pick<Job, 'id' | 'name'> }) {
  const [size, setSize] = usePaperSize();
  return (
    <View className="gap-3">
      <Words colour="ink2">
        The job sheet has the set-up cards, areas and cautions for the crew; the buy list is for the shop.
        Black on white, made from what is stored.
      </Words>
      <Segmented label="Paper" value={size} options={SIZES} onChange={setSize} />
      <View className="flex-row flex-wrap gap-2">
        <PaperButton job={job} kind="job-sheet" size={size} />
        <PaperButton job={job} kind="buy-list" size={size} />
      </View>
    </View>
  );
}
