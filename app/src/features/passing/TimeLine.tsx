import type { Passing } from '@fine-spray/core';
import { useRef, useState } from 'react';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { Line, Rect } from 'react-native-svg';
import { useTheme } from '@/ui/theme/theme';

const HEIGHT = 48;
const BAR = 18;

/** Seconds as people say them: "1 min 20 s". */
export function timeText(seconds: number): string {
  const whole = Math.round(seconds);
  if (whole < 60) return `${whole} s`;
  const [minutes, rest] = [Math.floor(whole / 60), whole % 60];
  return rest === 0 ? `${minutes} min` : `${minutes} min ${rest} s`;
}

/** Time from the first pass to the last: stages as blocks, what is between them dashed. Pulled, or moved with the arrow keys. */
export function TimeLine({
  passing,
  time,
  onTo,
}: {
  passing: Passing;
  time: number;
  onTo: (time: number) => void;
}) {
  const { palette } = useTheme();
  const [width, setWidth] = useState(320);
  const line = useRef<View>(null);
  const { stages, time: length } = passing;
  const x = (moment: number) => (length > 0 ? (moment / length) * width : 0);
  const pull = ({ nativeEvent }: GestureResponderEvent) => {
    line.current?.measureInWindow((left) => onTo(((nativeEvent.pageX - left) / width) * length));
  };
  const STEP = Math.max(0.5, length / 100);
  const keys: Readonly<Record<string, number>> = {
    ArrowRight: time + STEP,
    ArrowUp: time + STEP,
    ArrowLeft: time - STEP,
    ArrowDown: time - STEP,
    Home: 0,
    End: length,
  };
  const byKey = {
    onKeyDown: (event: { key: string; preventDefault: () => void }) => {
      const next = keys[event.key];
      if (next === undefined) return;
      event.preventDefault();
      onTo(next);
    },
  };
  return (
    <View
      ref={line}
      role="slider"
      tabIndex={0}
      aria-label="Time"
      aria-valuemin={0}
      aria-valuemax={Math.round(length)}
      aria-valuenow={Math.round(time)}
      aria-valuetext={timeText(time)}
      testID="time-line"
      style={{ height: HEIGHT, justifyContent: 'center' }}
      onLayout={({ nativeEvent }) => setWidth(Math.max(80, nativeEvent.layout.width))}
      onStartShouldSetResponder={() => true}
      onMoveShouldSetResponder={() => true}
      onResponderGrant={pull}
      onResponderMove={pull}
      {...byKey}
    >
      <Svg width={width} height={HEIGHT}>
        <Line x1={0} x2={width} y1={HEIGHT / 2} y2={HEIGHT / 2} stroke={palette.ink2} strokeDasharray="3 3" />
        {stages.map(({ from, to }, index) => (
          <Rect
            key={index}
            x={x(from)}
            y={(HEIGHT - BAR) / 2}
            width={Math.max(2, x(to) - x(from) - 1)}
            height={BAR}
            rx={3}
            fill={palette['identity-tint']}
            stroke={palette.identity}
          />
        ))}
        {stages.map(({ from, to }, index) =>
          time > from ? (
            <Rect
              key={index}
              x={x(from)}
              y={(HEIGHT - BAR) / 2}
              width={Math.max(0, x(Math.min(to, time)) - x(from) - 1)}
              height={BAR}
              rx={3}
              fill={palette.identity}
            />
          ) : null,
        )}
        <Line x1={x(time)} x2={x(time)} y1={4} y2={HEIGHT - 4} stroke={palette.ink} strokeWidth={3} />
      </Svg>
    </View>
  );
}
