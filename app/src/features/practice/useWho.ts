import { useMe } from '@/data/me';
import { useList } from '@/data/resources';
import { usePreferenceText } from '@/ui/preference';

/** Somebody on this device whom nobody has named. */
export const NOBODY = 'device';

/**
 * Who practises: whoever is signed in; where nobody signs in, whom this device was told. Until then what is learned stays with the
 * device.
 */
export function useWho() {
  const me = useMe();
  const people = useList('people');
  const [chosen, choose] = usePreferenceText('practice-who', '');
  const active = (people.data ?? []).filter(({ active: with_us }) => with_us);
  const own = me?.person?.id;
  const named = own ?? active.find(({ id }) => id === chosen)?.id;
  return {
    who: named ?? NOBODY,
    person: active.find(({ id }) => id === named),
    /** Whom one can choose; nobody where one is signed in. */
    people: own === undefined ? active : [],
    choose,
    me,
  };
}
