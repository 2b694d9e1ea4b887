import {
  FEATURE_COUNT_LIMIT,
  ITEMS,
  ITEM_GROUPS,
  ITEM_IDS,
  SIZE_LIMITS,
  SIZE_NAMES,
  itemOf,
  sizeLabel,
  sizesOf,
  type Feature,
  type ItemGroup,
  type ItemId,
  type PlaceMeasure,
  type SizeName,
  type Sizes,
} from '@fine-spray/core';
import { USUAL_BOOK, type Company } from '@fine-spray/contract';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { whyFailed } from '@/data/api';
import { newId } from '@/data/newId';
import { useCompany, usePutCompany } from '@/data/resources';
import { Button } from '@/ui/button';
import { FieldError } from '@/ui/field';
import { LengthField } from '@/ui/length';
import { Sheet } from '@/ui/sheet';
import { Stepper, StepperRow } from '@/ui/stepper';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { ItemPicture } from './ItemPicture';

export interface CountingProps {
  readonly measure: PlaceMeasure;
  readonly errors: Readonly<Record<string, string | undefined>>;
  readonly onChange: (features: readonly Feature[], step: string) => void;
  readonly onInvalid: (field: string, message: string | undefined) => void;
}

/** What is counted in a place: each kind with its number and sizes, more from a list of pictures. */
export function Counting({ measure, errors, onChange, onInvalid }: CountingProps) {
  const [picking, setPicking] = useState(false);
  const { data: company } = useCompany();
  const { features } = measure;
  const replace = (id: string, change: Partial<Feature>, step: string) =>
    onChange(
      features.map((feature) => (feature.id === id ? { ...feature, ...change } : feature)),
      `${step} ${id}`,
    );
  const add = (item: ItemId) => {
    const there = features.find((feature) => feature.item === item && feature.at === undefined);
    if (there) replace(there.id, { count: Math.min(FEATURE_COUNT_LIMIT, there.count + 1) }, 'count');
    else
      onChange(
        [...features, { id: newId(), item, count: 1, sizes: company?.book?.sizes[item] ?? {} }],
        `add ${item}`,
      );
  };
  return (
    <View className="gap-3">
      {features.map((feature, index) => (
        <FeatureRow
          key={feature.id}
          feature={feature}
          measure={measure}
          at={`measure.features.${index}`}
          errors={errors}
          onChange={(change, step) => replace(feature.id, change, step)}
          onRemove={() =>
            onChange(
              features.filter(({ id }) => id !== feature.id),
              `remove ${feature.id}`,
            )
          }
          onInvalid={onInvalid}
        />
      ))}
      {errors['measure.features'] ? <FieldError message={errors['measure.features']} /> : null}
      <Button label="Count something" icon={Plus} onPress={() => setPicking(true)} />
      {picking ? <PictureList measure={measure} onPick={add} onClose={() => setPicking(false)} /> : null}
    </View>
  );
}

/** "0.9 × 2.1 m": a size that is nothing, as the depth of a flush window, is not said. */
function sizesText(sizes: readonly number[]): string {
  const said = sizes.filter((size) => size > 0).map((size) => Number(size.toFixed(2)));
  return said.length === 0 ? 'none' : `${said.join(' × ')} m`;
}

function FeatureRow({
  feature,
  measure,
  at,
  errors,
  onChange,
  onRemove,
  onInvalid,
}: {
  feature: Feature;
  measure: PlaceMeasure;
  at: string;
  errors: Readonly<Record<string, string | undefined>>;
  onChange: (change: Partial<Feature>, step: string) => void;
  onRemove: () => void;
  onInvalid: (field: string, message: string | undefined) => void;
}) {
  const [open, setOpen] = useState(false);
  const { item, count, id } = feature;
  const { name, many } = ITEMS[item];
  const sizes = sizesOf(feature, measure);
  const names = SIZE_NAMES.filter((size) => size in itemOf(item).sizes);
  const wrong = Object.keys(errors).some((field) => field.startsWith(`${at}.`));
  const setSize = (size: SizeName, value: number | undefined) =>
    onChange({ sizes: { ...feature.sizes, [size]: value } }, `size ${size}`);
  const { follows } = itemOf(item);
  return (
    <View className="gap-2 rounded-2xl border border-rule bg-sheet p-3" role="group" aria-label={name}>
      <View className="flex-row items-center gap-3">
        <ItemPicture item={item} />
        <Words weight="semi" className="min-w-0 flex-1">
          {count === 1 ? name : many}
        </Words>
        <Stepper
          label={many}
          value={count}
          min={0}
          max={FEATURE_COUNT_LIMIT}
          onChange={(next) => (next === 0 ? onRemove() : onChange({ count: next }, 'count'))}
        />
      </View>
      {errors[`${at}.count`] ? <FieldError message={errors[`${at}.count`] ?? ''} /> : null}
      {open || wrong ? (
        <View className="gap-2">
          {names.map((size) => (
            <LengthField
              key={size}
              label={`${name}: ${sizeLabel(item, size).toLowerCase()}`}
              value={sizes[size] ?? 0}
              bounds={size === 'casing' ? { min: 0, max: 1 } : SIZE_LIMITS}
              error={errors[`${at}.sizes.${size}`]}
              onChange={(value) => setSize(size, value)}
              onInvalid={(message) => onInvalid(`${id}.${size}`, message)}
            />
          ))}
          {follows && feature.sizes.length !== undefined ? (
            <Button
              label="Let the length follow the room"
              kind="quiet"
              onPress={() => setSize('length', undefined)}
            />
          ) : null}
          <KeepSizes item={item} sizes={feature.sizes} />
          {itemOf(item).opening && count === 1 && measure.kind !== 'loose' ? (
            <Standing
              feature={feature}
              measure={measure}
              at={at}
              errors={errors}
              onChange={onChange}
              onInvalid={onInvalid}
            />
          ) : null}
        </View>
      ) : null}
      {names.length === 0 ? null : (
        <Button
          label={open ? 'Sizes done' : `Sizes: ${sizesText(names.map((size) => sizes[size] ?? 0))}`}
          kind="quiet"
          className="self-start"
          onPress={() => setOpen(!open)}
        />
      )}
    </View>
  );
}

/** Makes the sizes of a thing those that the company counts it with from now on. */
function KeepSizes({ item, sizes }: { item: ItemId; sizes: Sizes }) {
  const { data: company } = useCompany();
  const put = usePutCompany();
  const toast = useToast();
  const own = Object.fromEntries(
    SIZE_NAMES.flatMap((name) =>
      sizes[name] === undefined || name === 'length' ? [] : [[name, sizes[name]]],
    ),
  );
  const now = company?.book?.sizes[item] ?? {};
  if (
    !company ||
    Object.keys(own).length === 0 ||
    SIZE_NAMES.every((name) => name === 'length' || own[name] === now[name])
  ) {
    return null;
  }
  const write = async (to: Company, kept: Sizes) => {
    const book = to.book ?? USUAL_BOOK;
    return put({
      name: to.name,
      version: to.version,
      book: { ...book, sizes: { ...book.sizes, [item]: kept } },
    });
  };
  return (
    <Button
      label="Keep as our usual size"
      kind="quiet"
      className="self-start"
      onPress={() =>
        void write(company, own).then(
          (stored) =>
            toast({
              text: `${ITEMS[item].many} are counted with these sizes from now on.`,
              undo: () => void write(stored, now),
            }),
          (error: unknown) => toast({ text: `Not kept: ${whyFailed(error)}` }),
        )
      }
    />
  );
}

/** Where a single opening stands: its wall, from the left, above the floor. Not needed for the areas, only for the drawing. */
function Standing({
  feature,
  measure,
  at,
  errors,
  onChange,
  onInvalid,
}: {
  feature: Feature;
  measure: PlaceMeasure;
  at: string;
  errors: Readonly<Record<string, string | undefined>>;
  onChange: (change: Partial<Feature>, step: string) => void;
  onInvalid: (field: string, message: string | undefined) => void;
}) {
  const walls = measure.kind === 'room' ? measure.plan.length : 1;
  const place = (change: Partial<Feature>, step: string) =>
    onChange({ wall: feature.wall ?? 0, ...change }, step);
  if (feature.at === undefined) {
    return (
      <Button label="Give its place on the wall" kind="quiet" onPress={() => place({ at: 0.3 }, 'at')} />
    );
  }
  return (
    <View className="gap-2">
      {walls > 1 ? (
        <StepperRow
          label="In wall"
          value={(feature.wall ?? 0) + 1}
          min={1}
          max={walls}
          onChange={(wall) => place({ wall: wall - 1 }, 'wall')}
        />
      ) : null}
      <LengthField
        label="From the left end"
        value={feature.at}
        bounds={{ min: 0, max: SIZE_LIMITS.max }}
        error={errors[`${at}.at`] ?? errors[`${at}.wall`]}
        onChange={(value) => place({ at: value }, 'at')}
        onInvalid={(message) => onInvalid(`${feature.id}.at`, message)}
      />
      <LengthField
        label="Above the floor"
        value={feature.sill ?? 0}
        bounds={{ min: 0, max: SIZE_LIMITS.max }}
        error={errors[`${at}.sill`]}
        onChange={(sill) => place({ sill }, 'sill')}
        onInvalid={(message) => onInvalid(`${feature.id}.sill`, message)}
      />
      <Button
        label="Its place does not matter"
        kind="quiet"
        onPress={() => onChange({ at: undefined, sill: undefined, wall: undefined }, 'unplace')}
      />
    </View>
  );
}

/** All that can be counted in such a place, as pictures by group; a tap adds one and the list stays open. */
function PictureList({
  measure,
  onPick,
  onClose,
}: {
  measure: PlaceMeasure;
  onPick: (item: ItemId) => void;
  onClose: () => void;
}) {
  const groups = (Object.keys(ITEM_GROUPS) as ItemGroup[])
    .map((group) => ({
      group,
      items: ITEM_IDS.filter((id) => itemOf(id).group === group && itemOf(id).where.includes(measure.kind)),
    }))
    .filter(({ items }) => items.length > 0);
  const countOf = (item: ItemId) =>
    measure.features.reduce((sum, feature) => sum + (feature.item === item ? feature.count : 0), 0);
  return (
    <Sheet title="Count something" onClose={onClose}>
      <Words colour="ink2">Tap once for each. Sizes are usual ones until you change them.</Words>
      {groups.map(({ group, items }) => (
        <View key={group} className="gap-2">
          <Words weight="bold" heading={3}>
            {ITEM_GROUPS[group]}
          </Words>
          <View className="flex-row flex-wrap gap-2">
            {items.map((id) => {
              const count = countOf(id);
              return (
                <Pressable
                  key={id}
                  role="button"
                  onPress={() => onPick(id)}
                  className={`w-[31%] min-h-[104px] items-center gap-1 rounded-xl border-2 px-1 py-2 ${count > 0 ? 'border-identity bg-identity-tint' : 'border-rule bg-sheet'}`}
                >
                  <ItemPicture item={id} size={44} />
                  <Words size={14} className="text-center">
                    {ITEMS[id].name}
                  </Words>
                  <Words
                    weight="digits-bold"
                    size={18}
                    colour="identity"
                    className={count > 0 ? '' : 'sr-only'}
                  >
                    {count}
                  </Words>
                  <Words className="sr-only">counted</Words>
                </Pressable>
              );
            })}
          </View>
        </View>
      ))}
      <Button label="Done" kind="primary" onPress={onClose} />
    </Sheet>
  );
}
