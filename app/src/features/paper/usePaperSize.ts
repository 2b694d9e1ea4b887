import { PAPER_SIZES, type PaperSize } from '@fine-spray/contract';
import { usePreference } from '@/ui/preference';
import { useUnits } from '@/ui/units';

/** Paper of this device's printer: Letter where US units are large, A4 elsewhere, until one is chosen. */
export function usePaperSize(): readonly [PaperSize, (size: PaperSize) => void] {
  const { system } = useUnits();
  return usePreference<PaperSize>('paper', system === 'us' ? 'letter' : 'a4', PAPER_SIZES);
}
