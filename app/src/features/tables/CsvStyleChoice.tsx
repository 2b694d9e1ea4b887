import type { CsvStyleName } from '@fine-spray/contract/formats';
import { Labelled } from '@/ui/field';
import { Segmented } from '@/ui/segmented';
import { useCsvStyle } from './csvStyle';

const OPTIONS: readonly { value: CsvStyleName; label: string }[] = [
  { value: 'point', label: '1.5, commas' },
  { value: 'comma', label: '1,5; semicolons' },
];

/** How numbers stand in CSV files that are saved here. */
export function CsvStyleChoice() {
  const [style, setStyle] = useCsvStyle();
  return (
    <Labelled
      label="Numbers in CSV files"
      note="As the spreadsheet program on this device has them. Both are read back; XLSX files need no choice."
    >
      <Segmented label="Numbers in CSV files" value={style} onChange={setStyle} options={OPTIONS} />
    </Labelled>
  );
}
