import {
  COUNT_LIMIT,
  SIZE_LIMITS,
  completeSizes,
  kindOfItem,
  pieceKind,
  itemOf,
  sizeLabel,
  sizesAlone,
  type Faces,
  type ItemGeometry,
} from '@fine-spray/core';
import { View } from 'react-native';
import { AreaLines } from '@/features/area';
import { QuantityField } from '@/ui/field';
import { Segmented } from '@/ui/segmented';
import { Stepper } from '@/ui/stepper';
import { Words } from '@/ui/text';
import { Group } from './Group';

const FACES = [
  { value: '1', label: 'One side' },
  { value: '2', label: 'Both sides' },
] as const;

interface KindSizesProps<Geometry extends ItemGeometry> {
  readonly geometry: Geometry;
  readonly errors: Readonly<Record<string, string | undefined>>;
  readonly onChange: (geometry: Geometry) => void;
  readonly onInvalid: (field: string, message: string | undefined) => void;
}

/** Number, sides and sizes of what is counted: doors, spindles, a length of gutter; each by its own words. */
export function KindSizes<Geometry extends ItemGeometry>({
  geometry,
  errors,
  onChange,
  onInvalid,
}: KindSizesProps<Geometry>) {
  const { item, sizes, faces = 2, count } = geometry;
  const kind = kindOfItem(item);
  const many = kind ? pieceKind(kind).many : itemOf(item).many;
  const complete = completeSizes(item, sizes);
  return (
    <Group title="Size">
      <View className="flex-row items-center justify-between gap-3">
        <Words weight="semi" className="min-w-0 flex-1">
          {many}
        </Words>
        <Stepper
          label={many}
          value={count}
          min={1}
          max={COUNT_LIMIT}
          onChange={(next) => onChange({ ...geometry, count: next })}
        />
      </View>
      {itemOf(item).oneFaceOrBoth ? (
        <Segmented
          label="Sides to paint"
          value={String(faces) as (typeof FACES)[number]['value']}
          options={FACES}
          onChange={(next) => onChange({ ...geometry, faces: Number(next) as Faces })}
        />
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        {sizesAlone(item).map((name) => (
          <View key={name} className="min-w-[130px] flex-1">
            <QuantityField
              label={sizeLabel(item, name)}
              kind="size"
              value={complete[name]}
              bounds={SIZE_LIMITS}
              error={errors[`geometry.sizes.${name}`]}
              onChange={(value) => onChange({ ...geometry, sizes: { ...sizes, [name]: value } })}
              onInvalid={(message) => onInvalid(`geometry.sizes.${name}`, message)}
            />
          </View>
        ))}
      </View>
      <AreaLines geometry={geometry} />
    </Group>
  );
}
