import { GEAR_KINDS, PRICE_LIMITS, USUAL_BOOK, entriesOfKind } from '@fine-spray/contract';
import { litresLeftByFan, quantity, readTip, showRange, showText, wornTip } from '@fine-spray/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useLog } from '@/data/log';
import { newId } from '@/data/newId';
import { contentOf, keys, useCompany, useList, useWrites } from '@/data/resources';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { FieldError, Labelled, QuantityField, TextField } from '@/ui/field';
import { Panel } from '@/ui/panel';
import { PriceField } from '@/ui/priceField';
import { Screen } from '@/ui/screen';
import { Segmented } from '@/ui/segmented';
import { ErrorState, Skeleton } from '@/ui/states';
import { Stepper } from '@/ui/stepper';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { KIT_FORMS, gearOfKind, problemsOf, type FormField, type KitResource, type Values } from './forms';

const NEW = 'new';

/** A sprayer, hose, tip or piece of gear: made, changed, deleted, each with undo. */
export function KitRowScreen({ resource, rowId }: { resource: KitResource; rowId: string }) {
  const rows = useList(resource);
  const { one } = KIT_FORMS[resource];
  const row = rows.data?.find(({ id }) => id === rowId);
  if (rowId === NEW)
    return <Form resource={resource} id={undefined} version={0} stored={KIT_FORMS[resource].first} />;
  if (row) {
    const { version, ...content } = contentOf(row);
    return (
      <Form
        key={`${row.id} ${row.version}`}
        resource={resource}
        id={row.id}
        version={Number(version)}
        stored={content}
      />
    );
  }
  return (
    <Screen title={one} backTo="/kit">
      {rows.isPending ? <Skeleton rows={5} /> : null}
      {rows.isError && !rows.data ? (
        <ErrorState
          title="This cannot be read now"
          text="The Fine Spray server does not answer."
          onRetry={() => void rows.refetch()}
        />
      ) : null}
      {rows.data ? (
        <ErrorState title={`There is no such ${one.toLowerCase()}`} text="It may have been deleted." />
      ) : null}
    </Screen>
  );
}

function Form({
  resource,
  id,
  version,
  stored,
}: {
  resource: KitResource;
  id: string | undefined;
  version: number;
  stored: Values;
}) {
  const form = KIT_FORMS[resource];
  const router = useRouter();
  const toast = useToast();
  const { put, remove } = useWrites(resource, keys.list(resource));
  const [values, setValues] = useState(stored);
  const [invalid, setInvalid] = useState<Record<string, string | undefined>>({});
  const [failed, setFailed] = useState<string>();
  const problems = problemsOf(form, values);
  const blocked =
    Object.keys(problems).length > 0 || Object.values(invalid).some((message) => message !== undefined);
  const changed = id === undefined || JSON.stringify(values) !== JSON.stringify(stored);
  const say = (error: unknown) => setFailed(whyFailed(error));
  const change = (name: string, value: unknown) => {
    const kind = name === 'kind' ? GEAR_KINDS.find((one) => one === value) : undefined;
    setValues(kind ? gearOfKind(kind, values) : { ...values, [name]: value });
  };
  async function store() {
    try {
      const made = id ?? newId();
      const row = await put({ id: made, content: { ...values, version } });
      router.navigate('/kit');
      toast({
        text: `${form.nameOf(values)} is stored.`,
        undo: () =>
          void (id === undefined
            ? remove(made)
            : put({ id: made, content: { ...stored, version: row.version } })),
      });
    } catch (error) {
      say(error);
    }
  }
  async function drop(gone: string) {
    try {
      await remove(gone);
      router.navigate('/kit');
      toast({
        text: `${form.nameOf(stored)} is deleted.`,
        undo: () => void put({ id: gone, content: { ...stored, version: 0 } }),
      });
    } catch (error) {
      say(error);
    }
  }
  return (
    <Screen
      title={id === undefined ? `New ${form.one.toLowerCase()}` : form.nameOf(stored)}
      above={form.one}
      backTo="/kit"
    >
      {resource === 'tips' && id !== undefined ? <TipStand tipId={id} values={stored} /> : null}
      <Panel>
        {form.fields(values).map((field) => (
          <Field
            key={field.name}
            field={field}
            value={values[field.name]}
            error={problems[field.name]}
            onChange={(value) => change(field.name, value)}
            onInvalid={(message) => setInvalid((now) => ({ ...now, [field.name]: message }))}
          />
        ))}
      </Panel>
      {failed ? <FieldError message={`Not stored: ${failed}`} /> : null}
      <Button
        label="Store"
        kind="primary"
        className="min-h-[56px]"
        disabled={blocked || !changed}
        onPress={() => void store()}
      />
      {id === undefined ? null : (
        <Button label={`Delete this ${form.one.toLowerCase()}`} kind="danger" onPress={() => void drop(id)} />
      )}
    </Screen>
  );
}

function Field({
  field,
  value,
  error,
  onChange,
  onInvalid,
}: {
  field: FormField;
  value: unknown;
  error: string | undefined;
  onChange: (value: unknown) => void;
  onInvalid: (message: string | undefined) => void;
}) {
  const { data: company } = useCompany();
  switch (field.as) {
    case 'text':
    case 'note':
      return (
        <TextField
          label={field.label}
          value={asText(value)}
          error={error}
          multiline={field.as === 'note'}
          onChange={onChange}
        />
      );
    case 'yes':
      return (
        <Labelled label={field.label}>
          <Segmented
            label={field.label}
            value={value === true ? 'yes' : 'no'}
            options={[
              { value: 'yes', label: 'Yes' },
              { value: 'no', label: 'No' },
            ]}
            onChange={(chosen) => onChange(chosen === 'yes')}
          />
        </Labelled>
      );
    case 'whole':
      return (
        <Labelled label={field.label}>
          <Stepper label={field.label} value={Number(value)} min={1} max={99} onChange={onChange} />
          {error ? <FieldError message={error} /> : null}
        </Labelled>
      );
    case 'price':
      return (
        <PriceField
          label={field.label}
          unit={company?.book?.currency ?? USUAL_BOOK.currency}
          value={typeof value === 'number' ? value : null}
          limits={PRICE_LIMITS}
          onChange={onChange}
        />
      );
    case 'quantity':
      return (
        <QuantityField
          label={field.label}
          kind={field.kind}
          value={Number(value)}
          bounds={field.bounds}
          error={error}
          onChange={onChange}
          onInvalid={onInvalid}
        />
      );
    case 'choice': {
      // A mesh is a number in the row, and none is null.
      const mesh = /mesh/i.test(field.name);
      return (
        <Choice
          label={field.label}
          value={asText(value)}
          options={field.options}
          error={error}
          onChange={(chosen) => onChange(mesh ? (chosen === '' ? null : Number(chosen)) : chosen)}
        />
      );
    }
  }
}

/** A value of the row as a field shows it; nothing where there is none. */
const asText = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : '';

/** What the log says of a tip: its last measured fan against a new one, and what is left in it. */
function TipStand({ tipId, values }: { tipId: string; values: Values }) {
  const { system } = useUnits();
  const { entries, write } = useLog();
  const toast = useToast();
  const tip = readTip(String(values['code']), values['family'] as 'standard');
  const fans = entriesOfKind(entries, 'fan measured').filter(({ payload }) => payload.tipId === tipId);
  const last = fans.at(-1);
  const [width, setWidth] = useState(last?.payload.width ?? 0.25);
  if (!tip.ok) return null;
  const distance = 0.3048;
  // A fan widens with the distance, so what was measured nearer is brought to the usual one.
  const wide = last ? (last.payload.width * distance) / last.payload.distance : undefined;
  const wear = wide === undefined ? undefined : wornTip(tip.value, { by: 'fan', width: quantity(wide) });
  const litres = Number(values['litresBefore']);
  const left =
    wide === undefined || litres <= 0
      ? undefined
      : litresLeftByFan(tip.value, quantity(wide), quantity(litres));
  return (
    <Panel title="How worn it is" testID="tip-stand">
      {last && wear ? (
        <Words weight="semi">
          {wear.ok
            ? `${showText(last.payload.width, 'fanWidth', system)} on ${last.entry.at.slice(0, 10)}: ${Math.round((1 - wear.value.widthRatio) * 100)} % narrower than new. ${wear.value.words}`
            : wear.message}
        </Words>
      ) : (
        <Words colour="ink2">
          No fan of it is measured yet. Litres only predict wear; the width of the fan tells it.
        </Words>
      )}
      {left?.ok ? (
        <Words>{`About ${showRange(left.value.low, left.value.high, 'volume', system)} left in it.`}</Words>
      ) : null}
      <View className="gap-2">
        <QuantityField
          label="Fan now, at 12 in from the wall"
          kind="fanWidth"
          value={width}
          bounds={{ min: 0.02, max: 2 }}
          onChange={setWidth}
        />
        <Button
          label="Write this width down"
          className="min-h-[56px]"
          onPress={() => {
            write({
              kind: 'fan measured',
              payload: { tipId, width, distance, gun: null },
              jobId: null,
              surfaceId: null,
            });
            toast({ text: `${showText(width, 'fanWidth', system)} is written down.` });
          }}
        />
      </View>
    </Panel>
  );
}
