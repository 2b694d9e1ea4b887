import { SIZE_LIMITS, type ElevationMeasure } from '@fine-spray/core';
import { View } from 'react-native';
import { LengthField } from '@/ui/length';
import { Segmented } from '@/ui/segmented';

const SHAPES = [
  { value: 'rectangle', label: 'Rectangle' },
  { value: 'gable', label: 'Gable' },
] as const;

/** Width and heights of one side of a house. */
export function ElevationSizes({
  elevation,
  errors,
  onChange,
  onInvalid,
}: {
  elevation: ElevationMeasure;
  errors: Readonly<Record<string, string | undefined>>;
  onChange: (change: Partial<ElevationMeasure>, step: string) => void;
  onInvalid: (field: string, message: string | undefined) => void;
}) {
  const { shape, width, height, ridge } = elevation;
  const size = (name: 'width' | 'height' | 'ridge', label: string, value: number) => (
    <LengthField
      label={label}
      value={value}
      bounds={SIZE_LIMITS}
      error={errors[`measure.${name}`]}
      onChange={(next) => onChange({ [name]: next }, name)}
      onInvalid={(message) => onInvalid(name, message)}
    />
  );
  return (
    <View className="gap-3">
      <Segmented
        label="Shape of the elevation"
        value={shape}
        options={SHAPES}
        onChange={(next) =>
          onChange(
            next === 'gable'
              ? { shape: next, ridge: ridge ?? height + width / 3 }
              : { shape: next, ridge: undefined },
            'shape',
          )
        }
      />
      {size('width', 'Width', width)}
      {size('height', shape === 'gable' ? 'Height at the eaves' : 'Height', height)}
      {shape === 'gable' ? size('ridge', 'Height at the ridge', ridge ?? height) : null}
    </View>
  );
}
