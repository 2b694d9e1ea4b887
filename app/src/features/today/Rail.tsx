import type { ScheduleFields } from '@fine-spray/contract';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Rect, Text as SvgText } from 'react-native-svg';
import { DryingRibbon } from '@/ui/drying';
import { useTheme } from '@/ui/theme/theme';
import type { Doing, WhatNow } from './whatNow';

const DAY = 1440;
const HEAD = 18;
const LANE = 22;
const RIBBON = 7;

/**
 * A day to scale in time: a lane for each person, set-ups dashed, what dries as a ribbon from wet to dry, and where one is. The day that is
 * now, or the next with work where nothing is left of it.
 */
export function Rail({ fields, what, now }: { fields: ScheduleFields; what: WhatNow; now: number }) {
  const today = Math.floor(now / DAY);
  const shown = what.today.length > 0 || !what.later ? { day: today, doing: what.today } : what.later;
  const { palette } = useTheme();
  const [width, setWidth] = useState(358);
  const day = shown.day * DAY;
  const { hours, crew } = fields;
  const x = (minute: number) =>
    Math.min(width, Math.max(0, ((minute - day - hours.from) / (hours.to - hours.from)) * width));
  const drying = what.drying.slice(0, 4);
  const height = HEAD + crew.length * LANE + drying.length * (RIBBON + 2) + 4;
  const steps = Array.from(
    { length: Math.floor((hours.to - hours.from) / 120) + 1 },
    (_unused, index) => hours.from + index * 120,
  );
  const blocks = shown.doing.flatMap((doing: Doing) =>
    doing.one.people.map((person) => ({ person, ...doing })),
  );
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(200, nativeEvent.layout.width))}
      aria-hidden
      testID="rail"
    >
      <Svg width={width} height={height}>
        <DryingRibbon id="rail-drying" />
        {steps.map((minute) => (
          <G key={minute}>
            <Line x1={x(day + minute)} x2={x(day + minute)} y1={HEAD - 4} y2={height} stroke={palette.rule} />
            <SvgText
              x={Math.min(width - 16, x(day + minute) + 2)}
              y={HEAD - 5}
              fill={palette.ink2}
              fontSize={12}
              fontFamily="Mono500"
            >
              {Math.floor(minute / 60)}
            </SvgText>
          </G>
        ))}
        {crew.map(({ name }, person) => (
          <SvgText
            key={person}
            x={2}
            y={HEAD + person * LANE + LANE - 7}
            fill={palette.ink2}
            fontSize={12}
            fontFamily="Next400"
          >
            {name}
          </SvgText>
        ))}
        {blocks.map(({ person, task, one }) => (
          <G key={`${person} ${task.id}`}>
            {one.setUp > 0 ? (
              <Rect
                x={x(one.start - one.setUp)}
                y={HEAD + person * LANE + 4}
                width={Math.max(1, x(one.start) - x(one.start - one.setUp))}
                height={LANE - 8}
                fill="none"
                stroke={palette.ink2}
                strokeDasharray="3 3"
              />
            ) : null}
            <Rect
              x={x(one.start)}
              y={HEAD + person * LANE + 2}
              width={Math.max(3, x(one.end) - x(one.start) - 1)}
              height={LANE - 4}
              rx={3}
              fill={task.kind === 'spray' ? palette.identity : palette['identity-tint']}
              stroke={palette.identity}
            />
          </G>
        ))}
        {drying.map(({ task, until }, index) => (
          <Rect
            key={task.id}
            x={x(now)}
            y={HEAD + crew.length * LANE + 4 + index * (RIBBON + 2)}
            width={Math.max(3, x(until) - x(now))}
            height={RIBBON}
            rx={3}
            fill="url(#rail-drying)"
          />
        ))}
        {shown.day === today ? (
          <Line x1={x(now)} x2={x(now)} y1={HEAD - 4} y2={height} stroke={palette.ink} strokeWidth={2} />
        ) : null}
      </Svg>
    </View>
  );
}
