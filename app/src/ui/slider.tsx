import { createElement, useId } from 'react';
import { View } from 'react-native';
import { useTheme } from './theme/theme';
import { useTarget } from './target';
import { Words } from './text';

export interface SliderProps {
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  /** The value as people say it. */
  readonly text: string;
  readonly onChange: (value: number) => void;
}

/** A value between two ends, set by sliding: the browser's own, so that fingers, keys and screen readers have it. */
export function Slider({ label, value, min, max, step, text, onChange }: SliderProps) {
  const { palette } = useTheme();
  const { minHeight } = useTarget();
  const id = useId();
  return (
    <View className="min-w-0 flex-1">
      <View className="flex-row flex-wrap items-baseline justify-between gap-x-2">
        {createElement(
          'label',
          { htmlFor: id, style: { fontFamily: 'inherit' } },
          <Words size={14} colour="ink2">
            {label}
          </Words>,
        )}
        <Words weight="semi">{text}</Words>
      </View>
      {createElement('input', {
        id,
        type: 'range',
        min,
        max,
        step,
        value,
        'aria-valuetext': text,
        onChange: (event: { target: { valueAsNumber: number } }) => onChange(event.target.valueAsNumber),
        style: { width: '100%', height: minHeight, margin: 0, accentColor: palette.identity },
      })}
    </View>
  );
}
