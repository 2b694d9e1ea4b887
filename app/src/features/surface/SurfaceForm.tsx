import type { Coating } from '@fine-spray/contract';
import { SIZE_LIMITS, archetypeOf, coatingInput, type TipFamily } from '@fine-spray/core';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import type { SetupSurface } from '@/data/kit';
import { Choice } from '@/ui/choice';
import { FieldError, Labelled, QuantityField } from '@/ui/field';
import { Segmented } from '@/ui/segmented';
import { Stepper } from '@/ui/stepper';
import { Words } from '@/ui/text';
import {
  CONDITION_OPTIONS,
  ELEMENT_OPTIONS,
  KIND_OPTIONS,
  SHAPE_OPTIONS,
  SIDE_OPTIONS,
  WIND_OPTIONS,
} from './labels';
import { Openings } from './Openings';
import { TipField } from './TipField';

export interface SurfaceFormProps {
  readonly surface: SetupSurface;
  readonly coatings: readonly Coating[];
  readonly bestTip: { family: TipFamily; code: string };
  /** Sentences by field name, from the contract and the core. */
  readonly errors: Readonly<Record<string, string | undefined>>;
  readonly onChange: (change: Partial<SetupSurface>) => void;
  readonly onInvalid: (field: string, message: string | undefined) => void;
}

/** Everything the set-up of a surface depends on; each input moves the card. */
export function SurfaceForm({ surface, coatings, bestTip, errors, onChange, onInvalid }: SurfaceFormProps) {
  const { geometry } = surface;
  const coating = coatings.find(({ id }) => id === surface.coatingId);
  const thinLimit = coating ? coatingInput(coating, 'thinningLimit').value : 0.5;
  const setGeometry = (change: Partial<typeof geometry>) =>
    onChange({ geometry: { ...geometry, ...change } });
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
    <View className="gap-5">
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
      <Group title="What it is">
        <Choice
          label="Piece"
          value={surface.element}
          options={ELEMENT_OPTIONS}
          onChange={(element) => onChange({ element })}
        />
        <Choice
          label="Surface"
          value={surface.kind}
          options={KIND_OPTIONS}
          onChange={(kind) => onChange({ kind })}
        />
        <Segmented
          label="Inside or outside"
          value={surface.side}
          options={SIDE_OPTIONS}
          onChange={(side) => onChange({ side })}
        />
        <Segmented
          label="Condition"
          value={surface.condition}
          options={CONDITION_OPTIONS}
          onChange={(condition) => onChange({ condition })}
        />
        {surface.side === 'outside' ? (
          <Segmented
            label="Wind"
            value={surface.wind}
            options={WIND_OPTIONS}
            onChange={(wind) => onChange({ wind })}
          />
        ) : null}
      </Group>
      <Group title="Coating">
        <Choice
          label="Coating"
          value={surface.coatingId}
          options={coatings.map(({ id, name, archetype }) => ({
            value: id,
            label: name,
            note: archetypeOf(archetype).base === 'solvent' ? 'Carries solvent' : 'Water-borne',
          }))}
          error={errors['coatingId']}
          onChange={(coatingId) => onChange({ coatingId })}
        />
        <View className="flex-row items-center justify-between">
          <Words>Coats</Words>
          <Stepper
            label="Coats"
            value={surface.coats}
            min={1}
            max={9}
            onChange={(coats) => onChange({ coats })}
          />
        </View>
        <QuantityField
          label="Thinner, per volume of paint"
          kind="percent"
          value={surface.thinning}
          bounds={{ min: 0, max: thinLimit }}
          error={errors['thinning']}
          onChange={(thinning) => onChange({ thinning })}
          onInvalid={(message) => onInvalid('thinning', message)}
        />
      </Group>
      <Group title="Tip">
        <TipField
          chosen={surface.tip}
          best={bestTip}
          error={errors['tip'] ?? errors['tip.code']}
          onChange={(tip) => onChange({ tip })}
          onInvalid={(message) => onInvalid('tip', message)}
        />
      </Group>
    </View>
  );
}

export function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View className="gap-3">
      <Words size={18} weight="bold" heading={2}>
        {title}
      </Words>
      {children}
    </View>
  );
}
