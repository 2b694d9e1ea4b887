import { BODY, boxOf, onPass, type GunAt, type PassStage } from '@fine-spray/core';
import { useId } from 'react';
import { View } from 'react-native';
import Svg, { Circle, ClipPath, Defs, Ellipse, G, Line, Path, Rect } from 'react-native-svg';
import { pathOf } from '@/ui/svgPath';
import { useTheme, type Palette } from '@/ui/theme/theme';

type Passes = PassStage['passes'];
type Pass = Passes[number];

/** Drawing units of a line one pixel wide on a phone. */
const PHONE_WIDTH = 350;

/** The parts of a pass that have been sprayed when the gun is so far along it. */
const sprayedOf = ({ open }: Pass, way: number) =>
  open.filter(({ from }) => from < way).map(({ from, to }) => ({ from, to: Math.min(to, way) }));

/** The film of passes that are done, each as wide as the fan: where two lap it is darker. */
function Laid({ passes, gun, fan, palette }: { passes: Passes; gun: GunAt; fan: number; palette: Palette }) {
  return passes.slice(0, gun.pass + 1).flatMap((pass, index) => {
    const way = index < gun.pass ? Infinity : gun.way;
    return sprayedOf(pass, way).map((part) => {
      const [a, b] = [onPass(pass, part.from), onPass(pass, part.to)];
      return (
        <Line
          key={`${index} ${part.from}`}
          x1={a.x}
          y1={a.y}
          x2={b.x}
          y2={b.y}
          stroke={palette.wet}
          strokeOpacity={0.28}
          strokeWidth={fan}
        />
      );
    });
  });
}

/** The way of one pass: dashed, with an arrow at its end; where the trigger opens a ring, where it closes a dot. */
function Way({
  pass,
  unit,
  strong,
  palette,
}: {
  pass: Pass;
  unit: number;
  strong: boolean;
  palette: Palette;
}) {
  const { from, to, open } = pass;
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  const [dx, dy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  const head = 7 * unit;
  const colour = strong ? palette.identity : palette.ink2;
  const tip = (side: number) =>
    `L${to.x - dx * head - side * dy * head * 0.5} ${to.y - dy * head + side * dx * head * 0.5}`;
  return (
    <G>
      <Line
        x1={from.x}
        y1={from.y}
        x2={to.x}
        y2={to.y}
        stroke={colour}
        strokeWidth={unit * (strong ? 1.8 : 0.7)}
        strokeDasharray={`${unit * 5} ${unit * 3}`}
      />
      <Path
        d={`M${to.x} ${to.y}${tip(1)}M${to.x} ${to.y}${tip(-1)}`}
        stroke={colour}
        strokeWidth={unit * (strong ? 2 : 1)}
        fill="none"
      />
      {strong
        ? open.map((part) => {
            const [a, b] = [onPass(pass, part.from), onPass(pass, part.to)];
            return (
              <G key={part.from}>
                <Circle
                  cx={a.x}
                  cy={a.y}
                  r={unit * 4}
                  fill={palette.sheet}
                  stroke={colour}
                  strokeWidth={unit * 1.6}
                />
                <Circle cx={b.x} cy={b.y} r={unit * 4} fill={colour} />
              </G>
            );
          })
        : null}
    </G>
  );
}

/** Two feet under the gun, a step at a time. */
function Feet({ x, floor, unit, palette }: { x: number; floor: number; unit: number; palette: Palette }) {
  const at = Math.round(x / BODY.step) * BODY.step;
  return [-0.09, 0.09].map((aside) => (
    <Ellipse
      key={aside}
      cx={at + aside}
      cy={floor - 9 * unit}
      rx={unit * 3}
      ry={unit * 6}
      fill={palette.ink}
    />
  ));
}

/**
 * A piece to scale with its passes: still, with the way of each; or at a moment, with the film laid so far, the pass that is on, the gun
 * with its fan, and the feet of who holds it.
 */
export function PassPicture({
  stage,
  fan,
  gun,
  name,
  feet = false,
  maxHeight = 420,
}: {
  stage: PassStage;
  /** Width of the fan on the piece, m. */
  fan: number;
  /** Where the gun is; none: a still picture. */
  gun?: GunAt | undefined;
  name: string;
  feet?: boolean;
  maxHeight?: number;
}) {
  const { palette } = useTheme();
  const clip = useId().replaceAll(':', '');
  const { pieces, passes, whole } = stage;
  const ends = passes.flatMap(({ from, to }) => [from, to]);
  const { left, right, low, high } = boxOf([
    ...[...pieces, ...(whole ? [whole] : [])].flatMap(({ outline }) => outline),
    ...ends,
  ]);
  const margin = Math.max(0.06, Math.min(0.3, fan / 2));
  const [wide, tall] = [right - left + 2 * margin, high - low + 2 * margin];
  const unit = Math.max(wide, tall * 0.9) / PHONE_WIDTH;
  const below = feet ? 20 * unit : 0;
  const frame = { x: left - margin, y: low - margin - below, width: wide, height: tall + below };
  const current = gun ? passes[gun.pass] : undefined;
  const level = current
    ? Math.abs(current.to.y - current.from.y) > Math.abs(current.to.x - current.from.x)
    : false;
  const half = fan / 2;
  return (
    <View role="img" aria-label={name} testID="pass-picture">
      <Svg
        viewBox={`${frame.x} ${frame.y} ${frame.width} ${frame.height}`}
        width="100%"
        style={{ aspectRatio: frame.width / frame.height, maxHeight }}
      >
        <Defs>
          <ClipPath id={clip}>
            <Rect x={frame.x} y={low - margin} width={wide} height={tall} />
          </ClipPath>
        </Defs>
        <G transform={`matrix(1 0 0 -1 0 ${2 * frame.y + frame.height})`}>
          {whole ? (
            <G>
              <Path d={pathOf(whole.outline)} fill="none" stroke={palette.ink2} strokeWidth={unit} />
              {whole.openings.map((opening, index) => (
                <Path key={index} d={pathOf(opening)} fill="none" stroke={palette.ink2} strokeWidth={unit} />
              ))}
            </G>
          ) : null}
          {pieces.map(({ outline }, index) => (
            <Path key={index} d={pathOf(outline)} fill={palette.wall} />
          ))}
          {gun ? (
            <G clipPath={`url(#${clip})`}>
              <Laid {...{ passes, gun, fan, palette }} />
            </G>
          ) : null}
          {pieces.map(({ outline, openings }, index) => (
            <G key={index}>
              {openings.map((opening, place) => (
                <Path
                  key={place}
                  d={pathOf(opening)}
                  fill={palette.ground}
                  fillOpacity={0.85}
                  stroke={palette.ink}
                  strokeWidth={unit}
                />
              ))}
              <Path d={pathOf(outline)} fill="none" stroke={palette.ink} strokeWidth={unit * 1.6} />
            </G>
          ))}
          {passes.map((pass, index) =>
            gun && index < gun.pass ? null : (
              <Way key={index} pass={pass} unit={unit} strong={index === gun?.pass} palette={palette} />
            ),
          )}
          {gun ? (
            <G>
              <Line
                x1={gun.at.x - (level ? half : 0)}
                x2={gun.at.x + (level ? half : 0)}
                y1={gun.at.y - (level ? 0 : half)}
                y2={gun.at.y + (level ? 0 : half)}
                stroke={gun.open ? palette.wet : palette.ink2}
                strokeWidth={unit * (gun.open ? 4 : 2)}
                strokeLinecap="round"
              />
              <Circle
                cx={gun.at.x}
                cy={gun.at.y}
                r={unit * 6}
                fill={gun.open ? palette.ink : palette.sheet}
                stroke={palette.ink}
                strokeWidth={unit * 2}
              />
              {feet ? <Feet x={gun.at.x} floor={low} unit={unit} palette={palette} /> : null}
            </G>
          ) : null}
          {feet ? (
            <Line
              x1={frame.x}
              x2={frame.x + wide}
              y1={low}
              y2={low}
              stroke={palette.ink}
              strokeWidth={unit * 2}
            />
          ) : null}
        </G>
      </Svg>
    </View>
  );
}
