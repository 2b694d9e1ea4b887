import type { Coating } from '@fine-spray/contract';
import type { SetupSurface } from '@fine-spray/contract/planning';
import { stateOf } from '@fine-spray/core';
import { Choice } from '@/ui/choice';
import { Labelled } from '@/ui/field';
import { Segmented } from '@/ui/segmented';
import {
  CONDITION_OPTIONS,
  KIND_OPTIONS,
  SIDE_OPTIONS,
  STATE_OPTIONS,
  WIND_OPTIONS,
  pieceOptions,
} from './labels';
import { Group } from './Group';
import { SizeGroups } from './SizeGroups';
import { usePieceKind } from './usePiece';

/** What every part of the questions about a surface is given. */
export interface PartProps {
  readonly surface: SetupSurface;
  /** Sentences by field name, from the contract and the core. */
  readonly errors: Readonly<Record<string, string | undefined>>;
  readonly onChange: (change: Partial<SetupSurface>) => void;
  readonly onInvalid: (field: string, message: string | undefined) => void;
}

/** What is sprayed: the kind of piece with its own sizes, what it is made of, where it is. */
export function WhatPart({
  surface,
  coatings,
  fromPlace,
  errors,
  onChange,
  onInvalid,
}: PartProps & {
  readonly coatings: readonly Coating[];
  /** Whether it follows from a room or elevation: its piece and sizes are given there. */
  readonly fromPlace: boolean;
}) {
  const piece = usePieceKind(surface, coatings, onChange);
  return (
    <>
      {fromPlace ? null : (
        <Choice
          label="Piece"
          value={piece.now ?? 'by area'}
          options={pieceOptions(surface.element, piece.now)}
          error={errors['element'] ?? errors['geometry.item']}
          onChange={(kind) => (kind === 'by area' ? undefined : piece.choose(kind))}
        />
      )}
      <SizeGroups
        element={surface.element}
        geometry={surface.geometry}
        errors={errors}
        onChange={(next) => onChange({ geometry: next })}
        onInvalid={onInvalid}
      />
      <Group title="What it is">
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
        <Labelled
          label="State, for the hours"
          note={surface.state === null ? `Taken as ${stateOf(surface)} while nobody says.` : undefined}
        >
          <Segmented
            label="State"
            value={surface.state ?? 'none'}
            options={STATE_OPTIONS}
            onChange={(state) => onChange({ state: state === 'none' ? null : state })}
          />
        </Labelled>
        {surface.side === 'outside' ? (
          <Labelled label="Wind">
            <Segmented
              label="Wind"
              value={surface.wind}
              options={WIND_OPTIONS}
              onChange={(wind) => onChange({ wind })}
            />
          </Labelled>
        ) : null}
      </Group>
    </>
  );
}
