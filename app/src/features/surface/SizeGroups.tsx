import type { SetupSurface } from '@fine-spray/contract/planning';
import { SIZE_LIMITS, type AreaOverride } from '@fine-spray/core';
import { View } from 'react-native';
import { AreaLines, OverrideField } from '@/features/area';
import { FieldError, Labelled, QuantityField } from '@/ui/field';
import { Segmented } from '@/ui/segmented';
import { Stepper } from '@/ui/stepper';
import { Words } from '@/ui/text';
import { Group } from './Group';
import { SHAPE_OPTIONS } from './labels';
import { Openings } from './Openings';

type Geometry = SetupSurface['geometry'];
type Sheet = Extract<Geometry, { shape: 'rectangle' | 'gable' }>;

interface SizesProps<Shape> {
  readonly geometry: Shape;
  readonly errors: Readonly<Record<string, string | undefined>>;
  readonly onChange: (geometry: Geometry) => void;
  readonly onInvalid: (field: string, message: string | undefined) => void;
}

/** Sizes and openings of a surface: typed for one measured by itself, shown with their arithmetic for one that follows. */
export function SizeGroups({ geometry, ...rest }: SizesProps<Geometry>) {
  const { errors, onChange, onInvalid } = rest;
  const override = (
    <OverrideField
      geometry={geometry}
      errors={errors}
      onChange={(next: AreaOverride | undefined) => onChange({ ...geometry, override: next })}
      onInvalid={onInvalid}
    />
  );
  if (geometry.shape === 'rectangle' || geometry.shape === 'gable') {
    return (
      <>
        <SheetSizes geometry={geometry} {...rest} />
        {override}
      </>
    );
  }
  return (
    <Group title="Area">
      <AreaLines geometry={geometry} />
      {override}
    </Group>
  );
}

function SheetSizes({ geometry, errors, onChange, onInvalid }: SizesProps<Sheet>) {
  const setGeometry = (change: Partial<typeof geometry>) => onChange({ ...geometry, ...change });
  const length = (part: 'width' | 'height', label: string) => (
    <View className="min-w-0 flex-1">
      <QuantityField
        label={label}
        kind="size"
        value={geometry[part]}
        bounds={SIZE_LIMITS}
        error={errors[`geometry.${part}`]}
        onChange={(value) => setGeometry({ [part]: value })}
        onInvalid={(message) => onInvalid(part, message)}
      />
    </View>
  );
  return (
    <>
      <Group title="Size">
        <View className="flex-row gap-2">
          {length('width', 'Width')}
          {length('height', geometry.shape === 'gable' ? 'Height at the eaves' : 'Height')}
        </View>
        <Labelled label="Shape">
          <Segmented
            label="Shape"
            value={geometry.shape}
            options={SHAPE_OPTIONS}
            onChange={(shape) =>
              setGeometry(
                shape === 'gable'
                  ? { shape, ridge: geometry.ridge ?? geometry.height + geometry.width / 3 }
                  : { shape, ridge: undefined },
              )
            }
          />
        </Labelled>
        {geometry.shape === 'gable' ? (
          <QuantityField
            label="Height at the ridge"
            kind="size"
            value={geometry.ridge ?? geometry.height}
            bounds={SIZE_LIMITS}
            error={errors['geometry.ridge']}
            onChange={(ridge) => setGeometry({ ridge })}
            onInvalid={(message) => onInvalid('ridge', message)}
          />
        ) : null}
        <View className="flex-row items-center justify-between">
          <Words>Pieces alike</Words>
          <Stepper
            label="Pieces alike"
            value={geometry.count}
            min={1}
            max={500}
            onChange={(count) => setGeometry({ count })}
          />
        </View>
      </Group>
      <Group title="Openings">
        <Openings
          openings={geometry.openings}
          errors={errors}
          onChange={(openings) => setGeometry({ openings })}
          onInvalid={onInvalid}
        />
        {errors['geometry.openings'] ? <FieldError message={errors['geometry.openings']} /> : null}
      </Group>
    </>
  );
}
