import type { Coating } from '@fine-spray/contract';
import { COATING_PROPERTIES, type CoatingProperty } from '@fine-spray/core';
import { whyFailed } from '@/data/api';
import { contentOf, useWrites } from '@/data/resources';
import { useToast } from '@/ui/toast';

/** Puts a value of the data sheet in place of a working default of a coating, or takes it out again, with undo. */
export function useCoatingOverride(coating: Coating | undefined) {
  const { put } = useWrites('coatings');
  const toast = useToast();
  const say = (error: unknown) => toast({ text: `Not stored: ${whyFailed(error)}` });
  return async (property: CoatingProperty, value: { value: number; source: string } | undefined) => {
    if (!coating) return;
    const { [property]: before, ...others } = coating.overrides;
    const write = (overrides: typeof coating.overrides, version: number) =>
      put({ id: coating.id, content: { ...contentOf(coating), overrides, version } });
    try {
      const stored = await write(
        value ? { ...others, [property]: { ...value, basis: 'data-sheet' } } : others,
        coating.version,
      );
      const { label } = COATING_PROPERTIES[property];
      toast({
        text: value
          ? `${label} of ${coating.name} now comes from the data sheet.`
          : `${label} is back to the working default.`,
        undo: () =>
          void write(before ? { ...others, [property]: before } : others, stored.version).catch(say),
      });
    } catch (error) {
      say(error);
    }
  };
}
