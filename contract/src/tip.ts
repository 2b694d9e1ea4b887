import type { OwnedTip } from '@fine-spray/core/record';
import { readTip, type Tip } from '@fine-spray/core/tip';
import type { TipChoice } from './kit';

/** A tip by its code as the core knows it; nothing for a code its family is not made in. */
export function coreTip({ code, family }: TipChoice): Tip | undefined {
  const tip = readTip(code, family);
  return tip.ok ? tip.value : undefined;
}

/** Tips of a kit as the core's record takes them; those of no known code are left out. */
export const ownedTips = (
  tips: readonly (TipChoice & { readonly id: string; readonly litresBefore: number })[],
): readonly OwnedTip[] =>
  tips.flatMap((choice): OwnedTip[] => {
    const code = coreTip(choice);
    return code ? [{ tip: choice.id, code, before: choice.litresBefore }] : [];
  });
