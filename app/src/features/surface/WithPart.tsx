import type { Coating } from '@fine-spray/contract';
import { archetypeOf, coatingInput } from '@fine-spray/core';
import { useState } from 'react';
import { useList } from '@/data/resources';
import { SystemNotes, SystemSheet, UnderLayers, useKeepSystem } from '@/features/system';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { QuantityField } from '@/ui/field';
import { StepperRow } from '@/ui/stepper';
import { Group } from './Group';
import type { PartProps } from './WhatPart';

type WithProps = PartProps & { readonly coatings: readonly Coating[] };

/** With what: the coating, how often, how thin, and what goes under it. */
export function WithPart({ surface, coatings, errors, onChange, onInvalid }: WithProps) {
  const [choosing, setChoosing] = useState(false);
  const coating = coatings.find(({ id }) => id === surface.coatingId);
  const thinLimit = coating ? coatingInput(coating, 'thinningLimit').value : 0.5;
  return (
    <>
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
        <StepperRow
          label="Coats"
          value={surface.coats}
          min={1}
          max={9}
          onChange={(coats) => onChange({ coats })}
        />
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
    </>
  );
}

/** The company's systems and the usual ones, to put on the surface at once. */
function SystemChoice({
  surface,
  coatings,
  onChange,
  onClose,
}: Pick<WithProps, 'surface' | 'coatings' | 'onChange'> & { onClose: () => void }) {
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
