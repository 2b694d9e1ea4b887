import { coatingFields, type Coating, type CoatingFields } from '@fine-spray/contract';
import {
  ARCHETYPE_IDS,
  CUPS,
  CUP_IDS,
  SHEET_LIMITS,
  archetypeOf,
  checkCoating,
  sheetDisagrees,
  type ArchetypeId,
  type CoatingProperty,
} from '@fine-spray/core';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useForm } from '@/data/draft';
import { useMay } from '@/data/may';
import { newId } from '@/data/newId';
import { whereKept } from '@/data/plans';
import { broughtBack, contentOf, useList, useWrites } from '@/data/resources';
import { KeptTyped } from '@/features/frame';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { FieldError, Labelled, TextField } from '@/ui/field';
import { Screen } from '@/ui/screen';
import { Segmented } from '@/ui/segmented';
import { ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { Containers } from './Containers';
import { NEW_COATING } from './forms';
import { PropertyField } from './PropertyField';
import { SheetRangeField, SheetTextField, SheetValueField } from './SheetFields';
import { ThicknessField } from './ThicknessField';

/** A coating: every value with what it stands on, each of which its maker's sheet may replace. */
export function CoatingScreen({ coatingId }: { coatingId: string }) {
  const coatings = useList('coatings');
  if (coatingId === 'new') return <Editing coating={undefined} all={coatings.data ?? []} />;
  const coating = coatings.data?.find(({ id }) => id === coatingId);
  if (coating)
    return <Editing key={`${coating.id} ${coating.version}`} coating={coating} all={coatings.data ?? []} />;
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

const HARDENER_OPTIONS = [
  { value: 'none', label: 'None' },
  { value: 'unknown', label: 'Not known' },
  { value: 'isocyanate', label: 'With isocyanate' },
] as const;

const KIND_OPTIONS = ARCHETYPE_IDS.map((value) => ({
  value,
  label: archetypeOf(value).name,
  note: archetypeOf(value).base === 'solvent' ? 'Carries solvent' : 'Water-borne',
}));

/** Properties before and after what a sheet says in words of its own, in the order people read them. */
const FILM: readonly CoatingProperty[] = ['volumeSolids', 'dryFilm', 'sagLimit', 'density'];
const DRYING: readonly CoatingProperty[] = ['thinningLimit', 'minimumTemperature', 'recoatTime'];

/** What is read from a coating's own row into the form. */
const fieldsOf = ({
  name,
  archetype,
  overrides,
  sheet,
  hardener,
  containers,
  note,
}: Coating): CoatingFields => ({ name, archetype, overrides, sheet, hardener, containers, note });

function Editing({ coating, all }: { coating: Coating | undefined; all: readonly Coating[] }) {
  const { system } = useUnits();
  const toast = useToast();
  const router = useRouter();
  const { put, remove } = useWrites('coatings');
  const mayChange = useMay('kit');
  const { content, errors, failed, ready, changed, change, onInvalid, submit, kept, drop } =
    useForm<CoatingFields>({
      schema: coatingFields,
      keptAs: coating?.id ?? 'new coatings',
      first: coating ? fieldsOf(coating) : NEW_COATING,
    });
  const { name, archetype, sheet, containers } = content;
  // Said in the user's units, which the contract does not know.
  const checked = checkCoating(content, system);
  const refused = checked.ok ? undefined : checked;
  const errorAt = (field: string) =>
    refused?.field === field ? refused.message : refused ? undefined : errors[field];
  const disagrees = sheetDisagrees(content, system);

  const store = () =>
    submit(async (given) => {
      const id = coating?.id ?? newId();
      const stored = await put({ id, content: { ...given, version: coating?.version ?? 0 } });
      if (!coating) router.navigate('/kit');
      toast({
        text: `${stored.name} is ${whereKept(id)}.`,
        undo: () =>
          void (coating
            ? put({ id, content: { ...contentOf(coating), version: stored.version } })
            : remove(stored)),
      });
    });
  async function deleteIt(gone: Coating) {
    try {
      await remove(gone);
      router.navigate('/kit');
      toast({
        text: `${gone.name} is deleted.`,
        undo: () => void put({ id: gone.id, content: broughtBack(gone) }),
      });
    } catch (error) {
      toast({ text: `Not deleted: ${whyFailed(error)}` });
    }
  }
  const setSheet = (part: Partial<CoatingFields['sheet']>) => {
    const next = { ...sheet, ...part };
    // What is taken out is not there: a row has no empty values.
    change({
      sheet: Object.fromEntries(Object.entries(next).filter(([, value]) => value !== undefined)),
    });
  };
  const property = (one: CoatingProperty) => (
    <PropertyField
      key={one}
      coating={content}
      property={one}
      error={errorAt(`overrides.${one}.value`)}
      onChange={(next) => change({ overrides: next })}
      onInvalid={onInvalid}
    />
  );

  return (
    <Screen title={coating?.name ?? 'New coating'} above="Coating" backTo="/kit">
      <KeptTyped kept={kept} drop={drop} />
      <TextField
        label="Name"
        value={name}
        error={errors['name']}
        onChange={(next) => change({ name: next })}
      />
      {coating ? null : (
        <Choice
          label="Copy of"
          value=""
          options={[
            { value: '', label: 'None: begin with the kind below' },
            ...all.map((one) => ({ value: one.id, label: one.name })),
          ]}
          onChange={(id) => {
            const from = all.find((one) => one.id === id);
            if (from) change({ ...fieldsOf(from), name: `${from.name}, copy` });
          }}
        />
      )}
      <Choice
        label="Kind of coating"
        value={archetype}
        options={KIND_OPTIONS}
        onChange={(next: ArchetypeId) => change({ archetype: next })}
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
      <Words size={18} weight="bold" heading={2}>
        What its data sheet says
      </Words>
      <Words colour="ink2">{`Type in what the sheet gives. What it does not say stays a working default for ${archetypeOf(archetype).name.toLowerCase()}, with a range, and is marked.`}</Words>
      {FILM.map(property)}
      <SheetValueField
        label="Spreading rate, theoretical"
        kind="spreading"
        bounds={SHEET_LIMITS.spreadingRate}
        value={sheet.spreadingRate}
        missing="Not given: solids over dry film"
        error={errorAt('sheet.spreadingRate')}
        note={disagrees}
        onChange={(spreadingRate) => setSheet({ spreadingRate })}
        onInvalid={(message) => onInvalid('spreadingRate', message)}
      />
      <ThicknessField
        coating={content}
        cups={CUP_IDS.map((value) => ({ value, label: CUPS[value].name }))}
        error={errorAt('sheet.viscosity.value')}
        onChange={(viscosity) => setSheet({ viscosity })}
        onInvalid={(message) => onInvalid('viscosity', message)}
      />
      {(['viscosityLowShear', 'viscosityHighShear'] as const).map(property)}
      <SheetRangeField
        label="Tip advised, thou"
        noun="Orifice"
        kind="count"
        bounds={SHEET_LIMITS.orifice}
        value={sheet.orifice}
        error={errorAt('sheet.orifice.low') ?? errorAt('sheet.orifice.high')}
        onChange={(orifice) => setSheet({ orifice })}
        onInvalid={(field, message) => onInvalid(`orifice ${field}`, message)}
      />
      <SheetRangeField
        label="Pressure advised"
        noun="Pressure"
        kind="pressure"
        bounds={SHEET_LIMITS.pressure}
        value={sheet.pressure}
        error={errorAt('sheet.pressure.low') ?? errorAt('sheet.pressure.high')}
        onChange={(pressure) => setSheet({ pressure })}
        onInvalid={(field, message) => onInvalid(`pressure ${field}`, message)}
      />
      {DRYING.map(property)}
      <SheetValueField
        label="Recoat at the latest after"
        kind="duration"
        bounds={SHEET_LIMITS.recoatLatest}
        value={sheet.recoatLatest}
        missing="Not given: as this kind usually closes, where it does"
        error={errorAt('sheet.recoatLatest')}
        onChange={(recoatLatest) => setSheet({ recoatLatest })}
        onInvalid={(message) => onInvalid('recoatLatest', message)}
      />
      <SheetTextField
        label="What to wear"
        value={sheet.wear}
        missing="Not given: by base and place, as every card says"
        error={errorAt('sheet.wear')}
        onChange={(wear) => setSheet({ wear })}
      />
      <Containers
        containers={containers}
        errorAt={errorAt}
        onChange={(next) => change({ containers: next })}
        onInvalid={onInvalid}
      />
      {failed ? <FieldError message={`Not stored: ${failed}`} /> : null}
      {mayChange ? (
        <View className="gap-3">
          <Button
            label="Store"
            kind="primary"
            disabled={!ready || refused !== undefined || (coating !== undefined && !changed)}
            onPress={() => void store()}
          />
          {coating ? (
            <Button label="Delete this coating" kind="danger" onPress={() => void deleteIt(coating)} />
          ) : null}
        </View>
      ) : null}
    </Screen>
  );
}
