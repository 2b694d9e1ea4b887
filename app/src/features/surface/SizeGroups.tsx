import type { SetupSurface } from '@fine-spray/contract/planning';
import { OPENING_KINDS, SIZE_LIMITS, type AreaOverride, type Element } from '@fine-spray/core';
import { View } from 'react-native';
import { AreaLines, OverrideField } from '@/features/area';
import { FieldError, Labelled, QuantityField } from '@/ui/field';
import { Segmented } from '@/ui/segmented';
import { StepperRow } from '@/ui/stepper';
import { Group } from './Group';
import { KindSizes } from './KindSizes';
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
export function SizeGroups({
  element,
  geometry,
  ...rest
}: SizesProps<Geometry> & { readonly element: Element }) {
  const { errors, onChange, onInvalid } = rest;
  const override = (
    <OverrideField
      geometry={geometry}
      errors={errors}
      onChange={(next: AreaOverride | undefined) => onChange({ ...geometry, override: next })}
      onInvalid={onInvalid}
    />
  );
  if (geometry.shape === 'item') {
    return (
      <>
        <KindSizes geometry={geometry} {...rest} />
        {override}
      </>
    );
  }
  if (geometry.shape === 'rectangle' || geometry.shape === 'gable') {
    return (
      <>
        <SheetSizes element={element} geometry={geometry} {...rest} />
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

/** How a flat piece is asked for: what its sides are called, whether it may end in a gable, and what it has as openings. */
function wordsOf(element: Element, shape: Sheet['shape']) {
  const height = shape === 'gable' ? 'Height at the eaves' : 'Height';
  if (element === 'wall')
    return { width: 'Width', height, alike: 'Walls alike', gable: true, openings: OPENING_KINDS };
  if (element === 'ceiling')
    return { width: 'Length', height: 'Width', alike: 'Ceilings alike', gable: false, openings: IN_CEILINGS };
  return { width: 'Width', height, alike: 'Pieces alike', gable: shape === 'gable', openings: [] };
}
/** Roof lights and hatches. */
const IN_CEILINGS = OPENING_KINDS.filter((kind) => kind !== 'door');

function SheetSizes({
  element,
  geometry,
  errors,
  onChange,
  onInvalid,
}: SizesProps<Sheet> & { readonly element: Element }) {
  const words = wordsOf(element, geometry.shape);
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
          {length('width', words.width)}
          {length('height', words.height)}
        </View>
        {words.gable ? (
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
        ) : null}
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
        <StepperRow
          label={words.alike}
          value={geometry.count}
          min={1}
          max={500}
          onChange={(count) => setGeometry({ count })}
        />
      </Group>
      {words.openings.length > 0 || geometry.openings.length > 0 ? (
        <Group title="Openings">
          <Openings
            kinds={words.openings}
            openings={geometry.openings}
            errors={errors}
            onChange={(openings) => setGeometry({ openings })}
            onInvalid={onInvalid}
          />
          {errors['geometry.openings'] ? <FieldError message={errors['geometry.openings']} /> : null}
        </Group>
      ) : null}
    </>
  );
}
