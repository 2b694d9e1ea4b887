import { showText, type SetupCard } from '@fine-spray/core';
import { View } from 'react-native';
import Svg, { Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';

const WIDTH = 340;
const HEIGHT = 184;
/** Heights of the drawing: room above for the sag limit, the surface below. */
const FLOOR = 150;
const TOP = 18;
/** Labels closer than this would touch. */
const LINE_GAP = 17;

/** Moves labels apart that would touch, keeping their order from top to bottom. */
export function spreadLabels(wanted: readonly number[], gap: number, floor: number): number[] {
  const order = wanted.map((_y, index) => index).sort((a, b) => (wanted[a] ?? 0) - (wanted[b] ?? 0));
  const placed = [...wanted];
  let limit = floor;
  for (const index of [...order].reverse()) {
    placed[index] = Math.min(placed[index] ?? 0, limit);
    limit = (placed[index] ?? 0) - gap;
  }
  return placed;
}

/** One coat as a cross-section to scale: the surface, the wet film, what it dries to, and the sag limit above. */
export function FilmSection({ card }: { card: SetupCard }) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const wet = card.wetFilm.value;
  const dry = card.dryFilm.value / card.passesPerCoat;
  const sag = card.sagLimit.value;
  const scale = (FLOOR - TOP) / Math.max(sag, wet);
  const at = (film: number) => FLOOR - film * scale;
  const marks = [
    { film: sag, label: 'sag limit', text: showText(sag, 'wetFilm', system), colour: palette.caution },
    {
      film: wet,
      label: card.passesPerCoat > 1 ? 'wet, a pass' : 'wet',
      text: showText(wet, 'wetFilm', system),
      colour: palette.wet,
    },
    { film: dry, label: 'dry', text: showText(dry, 'dryFilm', system), colour: palette.dry },
  ];
  const labels = spreadLabels(
    marks.map(({ film }) => at(film)),
    LINE_GAP,
    FLOOR - 2,
  );
  const name = `Film to scale: ${marks.map(({ label, text }) => `${label} ${text}`).join(', ')}`;
  return (
    <View role="img" aria-label={name}>
      <Svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" style={{ aspectRatio: WIDTH / HEIGHT }}>
        <Rect x={0} y={FLOOR} width={170} height={HEIGHT - FLOOR} fill={palette.wall} />
        <SvgText x={8} y={FLOOR + 21} fontFamily="Next600" fontSize={13} fill={palette.ink}>
          surface
        </SvgText>
        <Path
          d={`M0 ${FLOOR} V${at(wet) + 2} q 21 -4 42 0 t 42 0 t 42 0 t 44 0 V${FLOOR} Z`}
          fill={palette['wet-tint']}
          stroke={palette.wet}
          strokeWidth={2}
        />
        <Rect x={0} y={at(dry)} width={170} height={FLOOR - at(dry)} fill={palette.dry} />
        <Line
          x1={0}
          y1={at(sag)}
          x2={170}
          y2={at(sag)}
          stroke={palette.caution}
          strokeWidth={2.5}
          strokeDasharray="9 5"
        />
        {marks.map(({ film, label, text, colour }, index) => {
          const y = labels[index] ?? 0;
          return [
            <Path
              key={`${label} line`}
              d={`M172 ${at(film)} L188 ${y} H194`}
              stroke={colour}
              strokeWidth={1.5}
              fill="none"
            />,
            <SvgText key={label} x={198} y={y + 5} fontFamily="Next700" fontSize={14} fill={colour}>
              {text}
            </SvgText>,
            <SvgText
              key={`${label} name`}
              x={258}
              y={y + 5}
              fontFamily="Next400"
              fontSize={13}
              fill={palette.ink2}
            >
              {label}
            </SvgText>,
          ];
        })}
        {card.passesPerCoat > 1 ? (
          <SvgText x={198} y={FLOOR + 21} fontFamily="Next600" fontSize={13} fill={palette.ink}>
            {`each of ${card.passesPerCoat} passes`}
          </SvgText>
        ) : null}
      </Svg>
    </View>
  );
}
