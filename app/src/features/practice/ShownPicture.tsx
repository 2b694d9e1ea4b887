import { sceneText, type Scene, type Shown } from '@fine-spray/core/practice';
import { showText } from '@fine-spray/core/units';
import { View } from 'react-native';
import Svg, { Circle, Line, Path, Rect, Text } from 'react-native-svg';
import { PatternPicture } from '@/features/dialin';
import { Words } from '@/ui/text';
import { useTheme, type Palette } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';

/** What stands beside a question. What the picture shows is in its name, but for what is asked. */
export function ShownPicture({ shown }: { shown: Shown }) {
  switch (shown.kind) {
    case 'tip':
      return (
        <View
          className="flex-row flex-wrap justify-center gap-4"
          role="img"
          aria-label={shown.codes.join(', ')}
        >
          {shown.codes.map((code) => (
            <View key={code} className="rounded-2xl border-2 border-ink bg-ground px-6 py-3">
              <Words size={44} weight="digits-bold">
                {code}
              </Words>
            </View>
          ))}
        </View>
      );
    case 'pattern':
      return (
        <View
          role="img"
          aria-label={`A card: ${PATTERN_TEXT[shown.seen]}`}
          className="rounded-xl bg-ground p-2"
        >
          <PatternPicture seen={shown.seen} exponent={shown.exponent} height={130} />
        </View>
      );
    case 'comb':
      return <CombPicture teeth={shown.teeth} lastWet={shown.lastWet} />;
    case 'site':
      return <SitePicture scene={shown.scene} />;
  }
}

/** A pattern in words that do not name it. */
const PATTERN_TEXT = {
  even: 'full all over, both edges soft',
  tails: 'a heavy stripe at each outer edge, parted from the rest',
  'heavy edges': 'broad dark bands left and right, light between them',
  split: 'two halves with a gap between them',
  'one-sided': 'much more on one side',
  fog: 'a mist that goes far beyond both edges',
  spitting: 'single drops all over and beside it',
  pulsing: 'darker and lighter again and again along the stroke',
} as const;

const TOOTH = { wide: 26, gap: 8, high: 64, step: 2.6 } as const;
/** Teeth drawn to each side of the last wet one. */
const AROUND = 3;

/** A comb that was pressed into the film: teeth with paint on them, and dry ones. */
function CombPicture({ teeth, lastWet }: { teeth: readonly number[]; lastWet: number }) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const at = teeth.indexOf(lastWet);
  const first = Math.max(0, at - AROUND);
  const drawn = teeth.slice(first, at + AROUND + 1);
  const width = drawn.length * (TOOTH.wide + TOOTH.gap) + 20;
  const text = (tooth: number) => showText(tooth, 'wetFilm', system);
  const name = `A comb: ${drawn.map((tooth) => `${text(tooth)} ${tooth <= lastWet ? 'wet' : 'dry'}`).join(', ')}`;
  return (
    <View role="img" aria-label={name}>
      <Svg width="100%" height={170} viewBox={`0 0 ${width} 150`}>
        <Rect x={4} y={18} width={width - 8} height={40} rx={6} fill={palette.sheet} stroke={palette.ink} />
        {drawn.map((tooth, index) => {
          const x = 12 + index * (TOOTH.wide + TOOTH.gap);
          const length = TOOTH.high - index * TOOTH.step;
          const wet = tooth <= lastWet;
          return [
            <Rect
              key={`t${index}`}
              x={x}
              y={58}
              width={TOOTH.wide}
              height={length}
              fill={palette.sheet}
              stroke={palette.ink}
            />,
            wet ? (
              <Rect
                key={`w${index}`}
                x={x}
                y={58 + length - 22}
                width={TOOTH.wide}
                height={22}
                fill={palette.wet}
              />
            ) : null,
            <Text
              key={`n${index}`}
              x={x + TOOTH.wide / 2}
              y={44}
              textAnchor="middle"
              fontSize={11}
              fill={palette.ink}
            >
              {text(tooth).replace(/[^\d.,]/g, '')}
            </Text>,
          ];
        })}
        <Line
          x1={4}
          y1={58 + TOOTH.high + 3}
          x2={width - 4}
          y2={58 + TOOTH.high + 3}
          stroke={palette.ink2}
          strokeWidth={2}
        />
      </Svg>
      <Words size={14} colour="ink2" className="text-center">
        {`${system === 'us' ? 'mil' : 'µm'}; filled ends are wet`}
      </Words>
    </View>
  );
}

/** A job in a few lines: where the machine stands, what lies and blows about, who is where. */
function SitePicture({ scene }: { scene: Scene }) {
  const { palette } = useTheme();
  return (
    <View className="gap-2">
      <View role="img" aria-label={sceneText(scene)}>
        <Svg width="100%" height={190} viewBox="0 0 340 190">
          <SiteLines scene={scene} palette={palette} />
        </Svg>
      </View>
      <Words>{sceneText(scene)}</Words>
    </View>
  );
}

function SiteLines({ scene, palette }: { scene: Scene; palette: Palette }) {
  const { side, power, machine, wetGround, wind, high, handAtTip, solvent } = scene;
  const line = { stroke: palette.ink, strokeWidth: 2, fill: 'none' } as const;
  const inside = side === 'inside';
  const [mx, my] = machine === 'inside' || !inside ? [70, 150] : [310, 150];
  const painter = high ? { x: 215, y: 62 } : { x: 200, y: 108 };
  return (
    <>
      <Line x1={4} y1={172} x2={336} y2={172} {...line} />
      {inside ? <Path d="M12 172V22H300V172" {...line} /> : <Path d="M236 172V40L290 12L336 34" {...line} />}
      {inside ? (
        <Rect x={246} y={58} width={40} height={60} {...line} />
      ) : (
        <Rect x={262} y={76} width={36} height={44} {...line} />
      )}
      {/* The sprayer: a box with a wheel; an engine has its exhaust. */}
      <Rect
        x={mx - 26}
        y={my - 26}
        width={46}
        height={30}
        fill={palette.sheet}
        stroke={palette.ink}
        strokeWidth={2}
        rx={4}
      />
      <Circle cx={mx - 14} cy={my + 12} r={8} {...line} />
      {power === 'engine' ? (
        <Path d={`M${mx - 26} ${my - 18}h-12v-8m-2 -4c-6 -8 6 -10 0 -20m12 16c-6 -8 6 -10 0 -20`} {...line} />
      ) : (
        <Path d={`M${mx - 26} ${my - 8}C${mx - 44} ${my} ${mx - 30} 168 ${mx - 56} 168`} {...line} />
      )}
      <Text x={mx - 3} y={my - 7} textAnchor="middle" fontSize={11} fill={palette.ink}>
        {power === 'engine' ? 'engine' : 'mains'}
      </Text>
      {wetGround ? (
        <Path
          d="M4 170c14 -8 46 -8 64 0c-16 6 -48 6 -64 0z"
          fill={palette['wet-tint']}
          stroke={palette.wet}
          strokeWidth={2}
        />
      ) : null}
      {wind
        ? [40, 60, 80].map((y) => (
            <Path key={y} d={`M20 ${y}h80m-12 -7l14 7l-14 7`} {...line} stroke={palette.ink2} />
          ))
        : null}
      {wind ? (
        <Path d="M104 164h56l-8 -16h-34l-14 16zm8 0a6 6 0 1 0 .1 0zm34 0a6 6 0 1 0 .1 0z" {...line} />
      ) : null}
      {/* The painter: head, body, the arm with the gun. */}
      {high ? (
        <Path d="M196 172L226 48M212 172L240 48M200 150h16M206 126h14M212 102h14M218 78h14" {...line} />
      ) : null}
      {high ? <Path d="M150 24L336 2M150 34L336 12" {...line} strokeWidth={3} /> : null}
      <Circle cx={painter.x} cy={painter.y - 22} r={9} {...line} />
      <Path
        d={`M${painter.x} ${painter.y - 13}V${painter.y + 30}M${painter.x} ${painter.y + 30}l-9 32M${painter.x} ${painter.y + 30}l9 32M${painter.x} ${painter.y}l24 2`}
        {...line}
      />
      <Path d={`M${painter.x + 24} ${painter.y - 2}h12v4h-8v8h-4z`} fill={palette.ink} />
      {handAtTip ? (
        <>
          <Path
            d={`M${painter.x} ${painter.y + 6}C${painter.x + 20} ${painter.y + 26} ${painter.x + 40} ${painter.y + 18} ${painter.x + 40} ${painter.y + 2}`}
            {...line}
            strokeWidth={3}
          />
          <Circle cx={painter.x + 40} cy={painter.y} r={5} fill={palette.danger} />
        </>
      ) : (
        <Path
          d={`M${painter.x + 37} ${painter.y}l26 -14v28z`}
          fill={palette['wet-tint']}
          stroke={palette.wet}
        />
      )}
      {solvent ? (
        <>
          <Rect
            x={110}
            y={146}
            width={30}
            height={26}
            fill={palette['caution-tint']}
            stroke={palette.ink}
            strokeWidth={2}
          />
          <Path d="M125 150c-8 8 -4 16 0 18c4 -2 8 -10 0 -18z" fill={palette.caution} />
          <Path d="M28 172v-26h24v26M34 146c-4 -8 6 -10 2 -20M44 146c-4 -8 6 -10 2 -20" {...line} />
        </>
      ) : null}
    </>
  );
}
