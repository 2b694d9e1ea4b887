import { CSV_STYLES, type CsvStyleName } from '@fine-spray/contract/formats';
import { usePreference } from '@/ui/preference';

const NAMES = Object.keys(CSV_STYLES) as CsvStyleName[];

/** As spreadsheet programs in a language have it: where the comma is the decimal mark, cells are separated by semicolons. */
export const usualCsvStyle = (language?: string): CsvStyleName =>
  new Intl.NumberFormat(language).format(1.5).includes(',') ? 'comma' : 'point';

/** How CSV files are written on this device: as its language has numbers, unless somebody chose. */
export const useCsvStyle = () => usePreference<CsvStyleName>('csv', usualCsvStyle(), NAMES);
