import { CAPABILITIES } from '@fine-spray/contract/roles';
import { GEAR_KINDS, PRICE_LIMITS, USUAL_BOOK } from '@fine-spray/contract';
import { SPRAYER_CLASSES, TIP_FAMILIES, type TipFamily } from '@fine-spray/core';
import { useRouter } from 'expo-router';
import { whyFailed } from '@/data/api';
import { useForm } from '@/data/draft';
import { whereKept } from '@/data/plans';
import { KeptTyped } from '@/features/frame';
import { useMay } from '@/data/may';
import { newId } from '@/data/newId';
import { contentOf, useCompany, useList, useWrites } from '@/data/resources';
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
import { CoatingScreen } from './CoatingScreen';
import { TipNumber } from '@/features/tips';
import { KnobMarks } from './KnobMarks';
import { TipWearPanel } from './TipWearPanel';
import {
  KIT_FORMS,
  gearOfKind,
  isKitResource,
  sprayerOfClass,
  type FormField,
  type KitResource,
  type Values,
} from './forms';

const NEW = 'new';

/** What an address of the kit shows: a coating with its values, or the form of anything else the company owns. */
export function KitRowScreen({ resource, rowId }: { resource: string; rowId: string }) {
  if (resource === 'coatings') return <CoatingScreen coatingId={rowId} />;
  if (isKitResource(resource)) return <RowScreen resource={resource} rowId={rowId} />;
  return (
    <Screen title="Not here" backTo="/kit">
      <ErrorState title="There is no such page" text="Go back to the kit and choose from there." />
    </Screen>
  );
}

/** A sprayer, hose, tip or piece of gear: made, changed, deleted, each with undo. */
function RowScreen({ resource, rowId }: { resource: KitResource; rowId: string }) {
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
          text={whyFailed(rows.error)}
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
  const mayChange = useMay('kit');
  const { put, remove } = useWrites(resource);
  const { content, errors, failed, ready, changed, change, onInvalid, submit, ...typed } = useForm<Values>({
    schema: form.schema,
    keptAs: id ?? `new ${resource}`,
    first: stored,
  });
  const set = (name: string, value: unknown) => {
    const kind = name === 'kind' ? GEAR_KINDS.find((one) => one === value) : undefined;
    const of = name === 'sprayerClass' ? SPRAYER_CLASSES.find((one) => one === value) : undefined;
    change(kind ? gearOfKind(kind, content) : of ? sprayerOfClass(of, content) : { [name]: value });
  };
  const store = () =>
    submit(async (values) => {
      const made = id ?? newId();
      const row = await put({ id: made, content: { ...values, version } });
      router.navigate('/kit');
      toast({
        text: `${form.nameOf(values)} is ${whereKept(made)}.`,
        undo: () =>
          void (id === undefined
            ? remove(row)
            : put({ id: made, content: { ...stored, version: row.version } })),
      });
    });
  async function drop(gone: string) {
    try {
      await remove({ id: gone, version });
      router.navigate('/kit');
      toast({
        text: `${form.nameOf(stored)} is deleted.`,
        undo: () => void put({ id: gone, content: { ...stored, version: version + 1 } }),
      });
    } catch (error) {
      toast({ text: `Not deleted: ${whyFailed(error)}` });
    }
  }
  return (
    <Screen
      title={id === undefined ? `New ${form.one.toLowerCase()}` : form.nameOf(stored)}
      above={form.one}
      backTo="/kit"
    >
      <KeptTyped kept={typed.kept} drop={typed.drop} />
      {resource === 'tips' && id !== undefined ? <TipWearPanel tipId={id} /> : null}
      <Panel>
        {form.fields(content).map((field) => (
          <Field
            key={field.name}
            field={field}
            value={content[field.name]}
            values={content}
            error={errorAt(errors, field)}
            onChange={(value) => set(field.name, value)}
            onTip={change}
            onInvalid={(message) => onInvalid(field.name, message)}
          />
        ))}
      </Panel>
      {failed ? <FieldError message={`Not stored: ${failed}`} /> : null}
      {mayChange ? (
        <Button
          label="Store"
          kind="primary"
          className="min-h-[56px]"
          disabled={!ready || (id !== undefined && !changed)}
          onPress={() => void store()}
        />
      ) : (
        <Words colour="ink2">{CAPABILITIES.kit}</Words>
      )}
      {id === undefined || !mayChange ? null : (
        <Button label={`Delete this ${form.one.toLowerCase()}`} kind="danger" onPress={() => void drop(id)} />
      )}
    </Screen>
  );
}

function Field({
  field,
  value,
  values,
  error,
  onChange,
  onTip,
  onInvalid,
}: {
  field: FormField;
  value: unknown;
  values: Values;
  error: string | undefined;
  onChange: (value: unknown) => void;
  /** A tip is two values at once: its number may say its family. */
  onTip: (tip: Values) => void;
  onInvalid: (message: string | undefined) => void;
}) {
  const { data: company } = useCompany();
  const money = useMay('money');
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
    case 'tip':
      return (
        <TipNumber
          tip={{ code: asText(value), family: familyOf(values['family']) }}
          error={error}
          onTip={({ code, family }) => onTip({ code, family })}
          onInvalid={onInvalid}
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
    case 'marks':
      return <KnobMarks label={field.label} marks={marksOf(value)} error={error} onChange={onChange} />;
    case 'whole':
      return (
        <Labelled label={field.label}>
          <Stepper label={field.label} value={Number(value)} min={1} max={99} onChange={onChange} />
          {error ? <FieldError message={error} /> : null}
        </Labelled>
      );
    case 'price':
      return money ? (
        <PriceField
          label={field.label}
          unit={company?.book?.currency ?? USUAL_BOOK.currency}
          value={typeof value === 'number' ? value : null}
          limits={PRICE_LIMITS}
          onChange={onChange}
        />
      ) : null;
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

const familyOf = (value: unknown): TipFamily => TIP_FAMILIES.find((one) => one === value) ?? 'standard';

/** The sentence of a field; of one with several parts the first that has one. */
const errorAt = (errors: Readonly<Record<string, string>>, { name, as }: FormField): string | undefined =>
  errors[name] ??
  (as === 'marks' ? Object.entries(errors).find(([at]) => at.startsWith(`${name}.`))?.[1] : undefined);

const marksOf = (value: unknown): readonly string[] =>
  Array.isArray(value) ? value.filter((one): one is string => typeof one === 'string') : [];

/** A value of the row as a field shows it; nothing where there is none. */
const asText = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : '';
