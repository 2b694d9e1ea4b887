import { useWindowDimensions } from 'react-native';

/** Width from which list, drawing and answer stand side by side. */
const WIDE_FROM = 900;

export function useWide(): boolean {
  return useWindowDimensions().width >= WIDE_FROM;
}
