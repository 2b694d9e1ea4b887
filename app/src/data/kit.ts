import type { Kit } from '@fine-spray/contract/planning';
import { useMemo } from 'react';
import { useList } from './resources';

/** The company's kit, or what stands in the way of having it. */
export function useKit(): { kit?: Kit; failed: Error | undefined; retry: () => void } {
  const coatings = useList('coatings');
  const sprayers = useList('sprayers');
  const hoses = useList('hoses');
  const tips = useList('tips');
  const all = [coatings, sprayers, hoses, tips];
  const kit = useMemo(
    () =>
      coatings.data && sprayers.data && hoses.data && tips.data
        ? { coatings: coatings.data, sprayers: sprayers.data, hoses: hoses.data, tips: tips.data }
        : undefined,
    [coatings.data, sprayers.data, hoses.data, tips.data],
  );
  const retry = () => all.forEach((query) => void query.refetch());
  return {
    ...(kit ? { kit } : {}),
    failed: kit ? undefined : (all.find(({ error }) => error)?.error ?? undefined),
    retry,
  };
}
