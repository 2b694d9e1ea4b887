import { fluidWord, type Machine } from '@fine-spray/core';
import { View } from 'react-native';
import Svg, { Circle, G, Line as Rule, Path, Rect, Text as SvgText } from 'react-native-svg';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';

const WORDS = {
  pump: { off: 'pump off', on: 'pump on' },
  valve: { prime: 'valve: prime', spray: 'valve: spray' },
  trigger: { locked: 'trigger locked', free: 'trigger free', held: 'trigger held' },
  gun: { down: '', waste: ', into the waste', paint: ', over the paint', work: ', at the work' },
  pressure: {
    none: 'no pressure',
    unknown: 'pressure unknown',
    low: 'lowest pressure',
    working: 'spraying pressure',
  },
  tip: { off: 'tip off', forward: 'tip on', turned: 'tip turned back' },
  returns: { loose: '', waste: 'return in the waste', paint: 'return clipped in the paint' },
} as const;

/** How a machine stands, in words. */
export function stateWords(machine: Machine): string {
  const { pump, valve, trigger, gun, hosePressure, tip, suction, returns, inHose } = machine;
  return [
    WORDS.pump[pump],
    WORDS.valve[valve],
    `${WORDS.trigger[trigger]}${WORDS.gun[gun]}`,
    WORDS.pressure[hosePressure],
    WORDS.tip[tip],
    suction === 'air' ? '' : `suction in ${fluidWord(suction)}`,
    WORDS.returns[returns],
    `in the hose: ${fluidWord(inHose)}`,
  ]
    .filter((one) => one !== '')
    .join(', ');
}

/** Pump, valve, hose, gun and waste container as they stand after a step; told by form and word, not by colour. */
export function MachinePicture({ state }: { state: Machine }) {
  const { palette } = useTheme();
  const { pump, valve, trigger, hosePressure: pressure, tip } = state;
  const words = { fontSize: 12, fontFamily: 'Next600', fill: palette.ink } as const;
  const hose =
    pressure === 'none'
      ? { strokeDasharray: '2 7' }
      : pressure !== 'working'
        ? { strokeDasharray: '12 5' }
        : {};
  return (
    <View className="gap-1">
      <Words size={14} colour="ink2" weight="semi">
        After this step
      </Words>
      <View role="img" aria-label={stateWords(state)}>
        <Svg width="100%" viewBox="0 0 340 112" style={{ aspectRatio: 340 / 112 }} aria-hidden>
          <Rect
            x={8}
            y={34}
            width={70}
            height={46}
            rx={8}
            fill={pump === 'on' ? palette['identity-tint'] : palette.ground}
            stroke={palette.ink}
            strokeWidth={2}
          />
          <SvgText x={43} y={62} textAnchor="middle" {...words} fontFamily="Next700">
            {pump === 'on' ? 'ON' : 'OFF'}
          </SvgText>
          <SvgText x={43} y={98} textAnchor="middle" {...words}>
            {pump === 'on' ? 'pump on' : 'pump off'}
          </SvgText>
          {/* The valve: its handle points down to the waste, or along the hose. */}
          <Circle cx={104} cy={57} r={13} fill={palette.sheet} stroke={palette.ink} strokeWidth={2} />
          <Rule
            x1={104}
            y1={57}
            x2={valve === 'prime' ? 104 : 122}
            y2={valve === 'prime' ? 75 : 57}
            stroke={palette.identity}
            strokeWidth={6}
            strokeLinecap="round"
          />
          <SvgText x={104} y={valve === 'prime' ? 98 : 36} textAnchor="middle" {...words}>
            {valve}
          </SvgText>
          <Path
            d="M118 57C150 57 150 40 180 40S214 50 232 50"
            stroke={palette.ink}
            strokeWidth={pressure === 'working' ? 7 : 4}
            fill="none"
            {...hose}
          />
          <SvgText x={172} y={28} textAnchor="middle" {...words}>
            {WORDS.pressure[pressure]}
          </SvgText>
          <G>
            <Path
              d="M232 42H286V56H262L256 86H240L246 56H232Z"
              fill={palette.ground}
              stroke={palette.ink}
              strokeWidth={2}
            />
            <Path
              d={trigger === 'held' ? 'M266 58L262 78' : 'M266 58L272 80'}
              stroke={palette.identity}
              strokeWidth={5}
              strokeLinecap="round"
            />
            {trigger === 'locked' ? (
              <Path
                d="M276 64v-5a6 6 0 0 1 12 0v5M273 64h18v14h-18Z"
                stroke={palette.ink}
                strokeWidth={2}
                fill={palette.sheet}
              />
            ) : null}
            {tip !== 'off' ? (
              <Rect x={286} y={38} width={12} height={22} fill={palette.ink} />
            ) : (
              <Rect x={286} y={44} width={3} height={10} fill={palette.ink} />
            )}
            {trigger === 'held' && pressure !== 'none' ? (
              <Path d="M292 49C306 49 312 66 314 84" stroke={palette.wet} strokeWidth={4} fill="none" />
            ) : null}
          </G>
          {trigger === 'held' ? (
            <Path d="M302 84V106H328V84" stroke={palette.ink} strokeWidth={2.5} fill="none" />
          ) : null}
          <SvgText x={258} y={104} textAnchor="middle" {...words}>
            {trigger === 'locked' ? 'locked' : trigger === 'held' ? 'held' : 'free'}
          </SvgText>
          <SvgText x={296} y={28} textAnchor="middle" {...words}>
            {WORDS.tip[tip]}
          </SvgText>
        </Svg>
      </View>
    </View>
  );
}
