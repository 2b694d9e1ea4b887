import { onPass, type PlannedPass, type WallFilm } from '@fine-spray/core';
import { View } from 'react-native';
import Svg, { Circle, Defs, G, Line, Path, Pattern, Rect } from 'react-native-svg';
import { pathOf } from '@/ui/svgPath';
import { Words } from '@/ui/text';
import { useTheme, type Palette } from '@/ui/theme/theme';
import { BANDS, type Band, type FilmPictureData } from '@/workers/filmBands';

/** How a band is filled: told apart by tone and by lines, not by colour alone. */
function fillOf(band: Band, palette: Palette, id: string): string {
  switch (band) {
    case 'bare':
      return palette.wall;
    case 'thin':
      return `url(#${id}-thin)`;
    case 'on target':
      return palette['wet-tint'];
    case 'heavy':
      return `url(#${id}-heavy)`;
    case 'over the sag limit':
      return `url(#${id}-over)`;
  }
}

/** Line patterns of the bands, in units of the drawing: `unit` is one width of line. */
function Patterns({ palette, unit, id }: { palette: Palette; unit: number; id: string }) {
  const size = unit * 6;
  const lines = { strokeWidth: unit * 1.4 };
  return (
    <Defs>
      <Pattern id={`${id}-thin`} width={size} height={size} patternUnits="userSpaceOnUse">
        <Rect width={size} height={size} fill={palette.wall} />
        <Circle cx={size / 2} cy={size / 2} r={unit * 1.2} fill={palette.wet} />
      </Pattern>
      <Pattern id={`${id}-heavy`} width={size} height={size} patternUnits="userSpaceOnUse">
        <Rect width={size} height={size} fill={palette['wet-tint']} />
        <Line x1={0} y1={size} x2={size} y2={0} stroke={palette.wet} {...lines} />
      </Pattern>
      <Pattern id={`${id}-over`} width={size} height={size} patternUnits="userSpaceOnUse">
        <Rect width={size} height={size} fill={palette['caution-tint']} />
        <Line x1={0} y1={size} x2={size} y2={0} stroke={palette.caution} {...lines} />
        <Line x1={0} y1={0} x2={size} y2={size} stroke={palette.caution} {...lines} />
      </Pattern>
    </Defs>
  );
}

const LEGEND_SIZE = 22;

/** What the patterns mean, for those that are in the picture. */
export function Legend({ bands }: { bands: readonly Band[] }) {
  const { palette } = useTheme();
  return (
    <View className="flex-row flex-wrap gap-x-4 gap-y-1">
      {bands.map((band, place) => (
        <View key={band} className="flex-row items-center gap-2">
          <Svg
            width={LEGEND_SIZE}
            height={LEGEND_SIZE}
            viewBox={`0 0 ${LEGEND_SIZE} ${LEGEND_SIZE}`}
            aria-hidden
          >
            <Patterns palette={palette} unit={1} id={`legend-${place}`} />
            <Rect
              width={LEGEND_SIZE}
              height={LEGEND_SIZE}
              fill={fillOf(band, palette, `legend-${place}`)}
              stroke={palette.ink2}
            />
          </Svg>
          <Words size={14}>{band}</Words>
        </View>
      ))}
    </View>
  );
}

/** One pass: its line, a ring where the trigger opens, a dot where it closes. */
function Pass({
  pass,
  unit,
  mark,
  colour,
}: {
  pass: PlannedPass;
  unit: number;
  mark: number;
  colour: string;
}) {
  const { open } = pass;
  return (
    <G>
      {open.map((part) => {
        const [a, b] = [onPass(pass, part.from), onPass(pass, part.to)];
        return (
          <G key={part.from}>
            <Line
              x1={a.x}
              y1={a.y}
              x2={b.x}
              y2={b.y}
              stroke={colour}
              strokeWidth={unit * 0.6}
              strokeOpacity={0.75}
              strokeDasharray={`${unit * 5} ${unit * 3}`}
            />
            <Circle cx={a.x} cy={a.y} r={mark} fill="none" stroke={colour} strokeWidth={unit * 0.8} />
            <Circle cx={b.x} cy={b.y} r={mark} fill={colour} />
          </G>
        );
      })}
    </G>
  );
}

/** Drawing units of a line one pixel wide on a phone. */
const PHONE_WIDTH = 350;

/** The wall with the film on it, to scale: bands of film, openings, passes with their trigger points. */
export function FilmPicture({
  wall,
  film,
  passes,
}: {
  wall: WallFilm;
  film: FilmPictureData;
  passes: boolean;
}) {
  const { palette } = useTheme();
  const { width, height } = film;
  const unit = Math.max(width, height * 1.2) / PHONE_WIDTH;
  // Marks of neighbouring passes must not touch.
  const mark = Math.min(unit * 2.2, wall.plan.spacing * 0.32);
  const name = `The wall to scale with its film and ${wall.plan.passes.length} passes`;
  const box = `M0 0H${width}V${height}H0Z`;
  return (
    <View role="img" aria-label={name} testID="film-picture">
      <Svg
        viewBox={`0 0 ${width} ${height}`}
        width="100%"
        style={{ aspectRatio: width / height, maxHeight: 520 }}
      >
        <Patterns palette={palette} unit={unit} id="film" />
        <Path d={pathOf(wall.piece.outline)} transform={`matrix(1 0 0 -1 0 ${height})`} fill={palette.wall} />
        {film.bands.map(({ band, path }) =>
          path === '' ? null : (
            <Path key={band} d={path} fill={fillOf(band, palette, 'film')} fillRule="evenodd" />
          ),
        )}
        <G transform={`matrix(1 0 0 -1 0 ${height})`}>
          {/* What lies beside the piece is masked: shown faintly, as it is not part of the answer. */}
          <Path
            d={`${box}${pathOf(wall.piece.outline)}`}
            fill={palette.ground}
            fillOpacity={0.78}
            fillRule="evenodd"
          />
          {wall.piece.openings.map((opening, index) => (
            <Path
              key={index}
              d={pathOf(opening)}
              fill={palette.ground}
              fillOpacity={0.78}
              stroke={palette.ink}
              strokeWidth={unit}
            />
          ))}
          <Path d={pathOf(wall.piece.outline)} fill="none" stroke={palette.ink} strokeWidth={unit * 1.6} />
          {passes
            ? wall.plan.passes.map((pass, index) => (
                <Pass key={index} pass={pass} unit={unit} mark={mark} colour={palette.ink2} />
              ))
            : null}
        </G>
      </Svg>
    </View>
  );
}

/** The bands that a legend has to name. */
export function shownBands({ bands, statistics }: FilmPictureData): readonly Band[] {
  const filled = new Set(bands.filter(({ path }) => path !== '').map(({ band }) => band));
  return BANDS.filter((band) => (band === 'bare' ? statistics.holidays.length > 0 : filled.has(band)));
}
