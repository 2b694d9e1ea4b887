import type { ItemId } from '@fine-spray/core';
import Svg, { Path } from 'react-native-svg';
import { useTheme } from '@/ui/theme/theme';

/** Each thing as a few lines on a field of 32: what is painted is drawn heavy, what it stands in is light. */
const PICTURES: Readonly<Record<ItemId, { readonly heavy: string; readonly light?: string }>> = {
  door: { heavy: 'M10 28V5h12v23M13 9h6v6h-6zM13 18h6v7h-6z', light: 'M3 28h26' },
  doorway: { heavy: 'M10 28V5h12v23', light: 'M3 28h26M12 28V7h8v21' },
  window: { heavy: 'M7 7h18v18H7zM16 7v18M7 16h18', light: 'M3 29h26' },
  'outside-door': { heavy: 'M10 28V6h12v22M13 10h6v5h-6z', light: 'M2 28h28M6 6l10-4 10 4' },
  'garage-door': { heavy: 'M4 28V9h24v19M4 14h24M4 19h24M4 24h24', light: 'M2 28h28' },
  shutter: { heavy: 'M6 5h8v22H6zM8 9h4M8 13h4M8 17h4M8 21h4', light: 'M17 5h11v22H17z' },
  baseboard: { heavy: 'M3 22h26v5H3z', light: 'M3 27V4M29 27V4' },
  cornice: { heavy: 'M3 5h26l-3 6H6z', light: 'M3 11v17M29 11v17' },
  'wall-rail': { heavy: 'M3 15h26v4H3z', light: 'M3 4v24M29 4v24' },
  trim: { heavy: 'M4 24L24 4l4 4L8 28z' },
  spindle: { heavy: 'M14 4h4v5l-1 3 2 6-2 5 1 1v4h-4v-4l1-1-2-5 2-6-1-3z', light: 'M6 28h20' },
  newel: { heavy: 'M12 9h8v19h-8zM11 6h10v3H11zM16 6V3', light: 'M5 28h22' },
  handrail: { heavy: 'M3 24L27 8l2 3L5 27z', light: 'M9 28v-6M16 28v-10M23 28V14' },
  'base-plate': { heavy: 'M3 23h26v5H3z', light: 'M8 23V6M16 23V6M24 23V6' },
  riser: { heavy: 'M8 12h18v9H8z', light: 'M3 21h26v4M6 12h22V9' },
  stringer: { heavy: 'M3 28L28 8v7L10 29z', light: 'M8 19v-5h6v-5h6V4h6' },
  closet: { heavy: 'M6 4h20v24H6zM6 4l6 5v15l-6 4M26 4l-6 5v15l6 4M12 9h8' },
  shelf: { heavy: 'M4 14h24v4H4z', light: 'M8 18v7M24 18v7M8 14V6h6v8' },
  cabinet: { heavy: 'M6 6h20v22H6zM16 6v22M13 16v3M19 16v3' },
  'cabinet-door': { heavy: 'M9 5h14v22H9zM12 8h8v16h-8zM20 15v3' },
  soffit: { heavy: 'M4 20h16l4 4H8z', light: 'M4 20L18 6M20 20v9' },
  fascia: { heavy: 'M3 13h26v6H3z', light: 'M3 13l4-8h18l4 8M6 19v9M26 19v9' },
  bargeboard: { heavy: 'M2 20L16 5l14 15-3 3L16 11 5 23z', light: 'M8 21v8M24 21v8' },
  gutter: { heavy: 'M4 12h24v2c0 6-4 8-12 8S4 20 4 14z', light: 'M4 9l8-6' },
  downpipe: { heavy: 'M13 7h6v21h-6zM12 12h8M12 22h8', light: 'M4 4h24v3H4z' },
  'closed-fence': { heavy: 'M4 8h6v20H4zM10 8h6v20h-6zM16 8h6v20h-6zM22 8h6v20h-6z' },
  picket: { heavy: 'M12 28V9l4-5 4 5v19z', light: 'M3 14h26M3 23h26' },
  reveal: { heavy: 'M6 6h20v4H10v18H6z', light: 'M10 10h16v18H10z' },
  'newel-top': { heavy: 'M8 8h16v4H8zM10 12h12v3H10z', light: 'M11 15h10v13H11z' },
  'shelf-edge': { heavy: 'M4 16h24v3H4z', light: 'M4 16l4-6h16l4 6' },
  plate: { heavy: 'M9 6h14v20H9zM16 11v10' },
  light: { heavy: 'M8 18h16l-3 6H11z', light: 'M16 4v14' },
  vent: { heavy: 'M6 8h20v16H6zM9 12h14M9 16h14M9 20h14' },
  alarm: { heavy: 'M7 14h18v6H7zM12 20v3h8v-3', light: 'M3 10h26' },
  curtain: { heavy: 'M6 7h7v21H6zM19 7h7v21h-7z', light: 'M3 5h26' },
  'fence-rail': { heavy: 'M3 11h26v3H3zM3 20h26v3H3z', light: 'M8 28V6M24 28V6' },
};

export function ItemPicture({ item, size = 40 }: { item: ItemId; size?: number }) {
  const { palette } = useTheme();
  const { heavy, light } = PICTURES[item];
  return (
    <Svg width={size} height={size} viewBox="0 0 32 32" aria-hidden>
      {light ? <Path d={light} fill="none" stroke={palette.ink2} strokeWidth={1} /> : null}
      <Path d={heavy} fill={palette.wall} stroke={palette.ink} strokeWidth={2} strokeLinejoin="round" />
    </Svg>
  );
}
