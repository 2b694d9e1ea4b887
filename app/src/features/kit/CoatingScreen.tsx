import { useMay } from '@/data/may';
import { coatingFields, type Coating } from '@fine-spray/contract';
import {
  COATING_PROPERTIES,
  COATING_PROPERTY_NAMES,
  archetypeOf,
  checkCoating,
  coatingInput,
  showRange,
  type CoatingProperty,
} from '@fine-spray/core';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useForm } from '@/data/draft';
import { whereKept } from '@/data/plans';
import { KeptTyped } from '@/features/frame';
import { contentOf, useList, useWrites } from '@/data/resources';
import { Button } from '@/ui/button';
import { FieldError, Labelled, QuantityField, TextField } from '@/ui/field';
import { Containers } from './Containers';
import { Screen } from '@/ui/screen';
import { Segmented } from '@/ui/segmented';
import { ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';

/** A coating: every value with what it stands on, each of which its data sheet may replace. */
export function CoatingScreen({ coatingId }: { coatingId: string }) {
  const coatings = useList('coatings');
  const coating = coatings.data?.find(({ id }) => id === coatingId);
  if (coating) return <Editing key={`${coating.id} ${coating.version}`} coating={coating} />;
  return (
    <Screen title="Coating" backTo="/kit">
      {coatings.isPending ? <Skeleton rows={5} /> : null}
      {coatings.isError && !coatings.data ? (
        <ErrorState
          title="The coating cannot be read now"
          text={whyFailed(coatings.error)}
          onRetry={() => void coatings.refetch()}
        />
      ) : null}
      {coatings.data ? (
        <ErrorState title="There is no such coating" text="It may have been deleted." />
      ) : null}
    </Screen>
  );
}

const SHEET = 'Data sheet';

const HARDENER_OPTIONS = [
  { value: 'none', label: 'None' },
  { value: 'unknown', label: 'Not known' },
  { value: 'isocyanate', label: 'With isocyanate' },
] as const;

function Editing({ coating }: { coating: Coating }) {
  const { system } = useUnits();
  const toast = useToast();
  const { put } = useWrites('coatings');
  const mayChange = useMay('kit');
  const { content, errors, failed, ready, changed, change, onInvalid, submit, kept, drop } = useForm({
    schema: coatingFields,
    keptAs: coating.id,
    first: {
      name: coating.name,
      archetype: coating.archetype,
      overrides: coating.overrides,
      hardener: coating.hardener,
      containers: coating.containers,
      note: coating.note,
    },
  });
  const { name, overrides, containers } = content;
  // Said in the user's units, which the contract does not know.
  const checked = checkCoating(content, system);

  const store = () =>
    submit(async (given) => {
      const stored = await put({ id: coating.id, content: { ...given, version: coating.version } });
      toast({
        text: `${stored.name} is ${whereKept(coating.id)}.`,
        undo: () => void put({ id: coating.id, content: { ...contentOf(coating), version: stored.version } }),
      });
    });
  const give = (property: CoatingProperty, value: number) =>
    change({
      overrides: {
        ...overrides,
        [property]: { value, basis: 'data-sheet', source: overrides[property]?.source ?? SHEET },
      },
    });
  const takeBack = (property: CoatingProperty) => {
    const { [property]: _gone, ...others } = overrides;
    change({ overrides: others });
  };

  return (
    <Screen title={coating.name} above="Coating" backTo="/kit">
      <KeptTyped kept={kept} drop={drop} />
      <TextField
        label="Name"
        value={name}
        error={errors['name']}
        onChange={(next) => change({ name: next })}
      />
      <Labelled
        label="Second part that goes in"
        note="Isocyanate is named on the label and in section 8 of the safety data sheet."
      >
        <Segmented
          label="Second part that goes in"
          value={content.hardener}
          options={HARDENER_OPTIONS}
          onChange={(hardener) => change({ hardener })}
        />
      </Labelled>
      <Containers
        containers={containers}
        onChange={(next) => change({ containers: next })}
        onInvalid={onInvalid}
      />
      <Words colour="ink2">{`Values not given by a data sheet are working defaults for ${archetypeOf(coating.archetype).name.toLowerCase()}, with a range.`}</Words>
      {COATING_PROPERTY_NAMES.map((property) => {
        const input = coatingInput({ ...coating, overrides }, property);
        const error =
          !checked.ok && checked.field === `overrides.${property}.value` ? checked.message : undefined;
        return (
          <View key={property} className="gap-1 rounded-2xl border border-rule bg-sheet p-4">
            <QuantityField
              label={COATING_PROPERTIES[property].label}
              kind={input.kind}
              value={input.value}
              bounds={COATING_PROPERTIES[property].bounds}
              error={error}
              onChange={(value) => give(property, value)}
              onInvalid={(message) => onInvalid(property, message)}
            />
            <View className="flex-row flex-wrap items-center justify-between">
              <Words size={14} colour={input.basis === 'default' ? 'ink2' : 'identity'}>
                {input.basis === 'default' ? 'Working default' : input.source}
                {input.low < input.high ? `, ${showRange(input.low, input.high, input.kind, system)}` : ''}
              </Words>
              {input.basis === 'default' ? null : (
                <Button label="Back to the default" kind="quiet" onPress={() => takeBack(property)} />
              )}
            </View>
          </View>
        );
      })}
      {failed ? <FieldError message={`Not stored: ${failed}`} /> : null}
      {mayChange ? (
        <Button label="Store" kind="primary" disabled={!ready || !changed} onPress={() => void store()} />
      ) : null}
    </Screen>
  );
}
