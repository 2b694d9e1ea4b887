import { readTip, type Tip } from '@fine-spray/core/tip';
import type { TipChoice } from './kit';

/** A tip by its code as the core knows it; nothing for a code its family is not made in. */
export function coreTip({ code, family }: TipChoice): Tip | undefined {
  const tip = readTip(code, family);
  return tip.ok ? tip.value : undefined;
}
