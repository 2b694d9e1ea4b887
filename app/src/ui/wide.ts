import { useWindowDimensions } from 'react-native';

/** Width from which list, drawing and answer stand side by side. */
const WIDE_FROM = 900;

export function useWide(): boolean {
  return useWindowDimensions().width >= WIDE_FROM;
}

/** Height up to which a window is low: at 400 %, or with the phone across (`low:` in classes). */
const LOW_TO = 420;

export function useLow(): boolean {
  return useWindowDimensions().height <= LOW_TO;
}
