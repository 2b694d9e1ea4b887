import { usePreferenceText } from '@/ui/preference';

/** What is wrong with a telephone number, as a sentence; nothing where it can be called, or is left out. */
export function wrongNumber(text: string): string | undefined {
  const number = text.trim();
  if (number === '' || /^\+?[0-9][0-9 ()/-]{1,22}$/.test(number)) return undefined;
  return 'A number has digits, spaces and a leading + only: for example 112 or +44 20 7946 0000.';
}

/** A number as it is called; none where nothing is set, or nothing that can be called. */
export const callable = (set: string): readonly string[] =>
  set.trim() !== '' && wrongNumber(set) === undefined ? [set.trim()] : [];

/** Those of an emergency: what is set for the place, or 112 and 911. */
export function toCall(set: string): readonly string[] {
  const own = callable(set);
  return own.length > 0 ? own : ['112', '911'];
}

/** The numbers as they are set on this device. */
export function useEmergencyNumbers() {
  const [emergency, setEmergency] = usePreferenceText('emergency-number', '');
  const [poison, setPoison] = usePreferenceText('poison-number', '');
  return { emergency, setEmergency, poison, setPoison };
}
