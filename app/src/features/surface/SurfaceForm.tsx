import type { Coating } from '@fine-spray/contract';
import type { SetupSurface } from '@fine-spray/contract/planning';
import { archetypeOf, coatingInput, type TipFamily } from '@fine-spray/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useList } from '@/data/resources';
import { SystemNotes, SystemSheet, UnderLayers, useKeepSystem } from '@/features/system';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { QuantityField } from '@/ui/field';
import { Segmented } from '@/ui/segmented';
import { Stepper } from '@/ui/stepper';
import { Words } from '@/ui/text';
import { CONDITION_OPTIONS, ELEMENT_OPTIONS, KIND_OPTIONS, SIDE_OPTIONS, WIND_OPTIONS } from './labels';
import { Group } from './Group';
import { SizeGroups } from './SizeGroups';
import { TipField } from './TipField';

export interface SurfaceFormProps {
  /** Whether it follows from a room or elevation: its piece and sizes are given there. */
  readonly fromPlace?: boolean;
  readonly surface: SetupSurface;
  readonly coatings: readonly Coating[];
  readonly bestTip: { family: TipFamily; code: string };
  /** Sentences by field name, from the contract and the core. */
  readonly errors: Readonly<Record<string, string | undefined>>;
  readonly onChange: (change: Partial<SetupSurface>) => void;
  readonly onInvalid: (field: string, message: string | undefined) => void;
}

/** Everything the set-up of a surface depends on; each input moves the card. */
export function SurfaceForm({
  fromPlace = false,
  surface,
  coatings,
  bestTip,
  errors,
  onChange,
  onInvalid,
}: SurfaceFormProps) {
  const { geometry } = surface;
  const [choosing, setChoosing] = useState(false);
  const coating = coatings.find(({ id }) => id === surface.coatingId);
  const thinLimit = coating ? coatingInput(coating, 'thinningLimit').value : 0.5;
  return (
    <View className="gap-5">
      <SizeGroups
        geometry={geometry}
        errors={errors}
        onChange={(next) => onChange({ geometry: next })}
        onInvalid={onInvalid}
      />
      <WhatItIs fromPlace={fromPlace} surface={surface} onChange={onChange} />
      <Group title="Coating">
        <Button label="Choose a system" onPress={() => setChoosing(true)} className="self-start" />
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
      <Group title="Under the coating">
        <UnderLayers
          under={surface.under}
          coatings={coatings}
          errors={errors}
          onChange={(under) => onChange({ under })}
          onInvalid={onInvalid}
        />
        <SystemNotes choice={surface} ground={surface} coatings={coatings} />
      </Group>
      {choosing ? (
        <SystemChoice
          surface={surface}
          coatings={coatings}
          onChange={onChange}
          onClose={() => setChoosing(false)}
        />
      ) : null}
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

type PartProps = Pick<SurfaceFormProps, 'surface' | 'onChange'>;

/** Piece, surface, side, condition, wind. */
function WhatItIs({ fromPlace, surface, onChange }: PartProps & { fromPlace: boolean }) {
  return (
    <Group title="What it is">
      {fromPlace ? null : (
        <Choice
          label="Piece"
          value={surface.element}
          options={ELEMENT_OPTIONS}
          onChange={(element) => onChange({ element })}
        />
      )}
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
  );
}

/** The company's systems and the usual ones, to put on the surface at once. */
function SystemChoice({
  surface,
  coatings,
  onChange,
  onClose,
}: PartProps & Pick<SurfaceFormProps, 'coatings'> & { onClose: () => void }) {
  const { data: systems = [] } = useList('systems');
  const keep = useKeepSystem();
  return (
    <SystemSheet
      title="Coating system"
      piece={surface}
      now={surface}
      systems={systems}
      coatings={coatings}
      onChoose={({ coatingId, coats, thinning, under }) => {
        onChange({ coatingId, coats, thinning, under, tip: null });
        onClose();
      }}
      onKeep={(name, choice) => void keep(name, surface, choice)}
      onClose={onClose}
    />
  );
}
