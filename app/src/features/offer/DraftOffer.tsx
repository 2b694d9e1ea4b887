import {
  LISTED_BY,
  USUAL_BOOK,
  VALID_DAYS,
  offerFields,
  type Offer,
  type OfferFields,
  type OfferFigures,
  type OfferOption,
} from '@fine-spray/contract';
import { optionProblems, totalsOf, type JobToOffer } from '@fine-spray/contract/planning';
import { capital, exactMoney, small } from '@fine-spray/core';
import { format } from 'date-fns/format';
import { useRouter } from 'expo-router';
import Plus from 'lucide-react-native/icons/plus';
import Send from 'lucide-react-native/icons/send';
import { useCallback, useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { whyFailed } from '@/data/api';
import { SaveLine, sentences, useDraft } from '@/data/draft';
import { newId } from '@/data/newId';
import { useCompany, usePlaces, useWrites } from '@/data/resources';
import type { StartWorker } from '@/data/worker';
import type { LoadedJob } from '@/features/frame';
import { Button } from '@/ui/button';
import { FieldError, Labelled, QuantityField, TextField } from '@/ui/field';
import { Segmented } from '@/ui/segmented';
import { Sheet } from '@/ui/sheet';
import { ErrorState, Skeleton } from '@/ui/states';
import { StepperRow } from '@/ui/stepper';
import { Words } from '@/ui/text';
import { TickBox } from '@/ui/tickBox';
import { useToast } from '@/ui/toast';
import { BlockRows } from './BlockRows';
import { OfferFiles } from './OfferFiles';
import { OfferPrice, differenceText } from './OfferPrice';
import { OptionSheet } from './OptionSheet';
import { PaymentRows } from './PaymentRows';
import { Rows } from './Rows';
import { TextLines } from './TextLines';
import { fieldsOf } from './newOffer';
import { useOffered } from './useOffered';
import { offerName } from './words';

const LISTED_WORDS = { job: 'Whole job', room: 'Rooms', surface: 'Surfaces' } as const;

const SUM_LIMITS = { min: 0.001, max: 1_000_000 } as const;
const NUMBER_LIMITS = { min: 1, max: 999_999 } as const;

function check(content: OfferFields): Record<string, string> {
  const checked = offerFields.safeParse(content);
  return checked.success ? {} : sentences(checked.error.issues);
}
const read = (current: unknown) => ({
  content: fieldsOf(current as Offer),
  version: (current as Offer).version,
});

/** What is said of options that are not taken together, on both of them. */
function withApart(options: readonly OfferOption[], id: string, apart: readonly string[]): OfferOption[] {
  return options.map((one) =>
    one.id === id
      ? { ...one, notWith: [...apart] }
      : {
          ...one,
          notWith: [...one.notWith.filter((other) => other !== id), ...(apart.includes(one.id) ? [id] : [])],
        },
  );
}

/** A draft of an offer: what it comes to now, and all that is said on it. It is stored by itself. */
export function DraftOffer({
  job,
  surfaces,
  kit,
  offer,
  startWorker,
}: LoadedJob & { offer: Offer; startWorker?: StartWorker }) {
  const { data: company } = useCompany();
  const { data: places } = usePlaces(job.id);
  const { put } = useWrites('offers');
  const save = useCallback(
    async (content: OfferFields, version: number, leaving: boolean) =>
      (await put({ id: offer.id, content: { ...content, version }, keepalive: leaving })).version,
    [put, offer.id],
  );
  const first = useMemo(() => fieldsOf(offer), [offer]);
  const { draft, errors, change, onInvalid, ...stand } = useDraft<OfferFields>({
    rowId: offer.id,
    first,
    version: offer.version,
    check,
    save,
    read,
    capability: 'money',
  });
  const whole = useMemo(
    (): JobToOffer | undefined =>
      company && places ? { job, surfaces, kit, places, book: company.book ?? USUAL_BOOK } : undefined,
    [company, places, job, surfaces, kit],
  );
  const { offered, stale } = useOffered(whole, draft.options, startWorker);
  const problems = useMemo(
    () => optionProblems(draft.options, surfaces, kit.coatings),
    [draft.options, surfaces, kit],
  );
  const [optionId, setOptionId] = useState<string>();
  const [sending, setSending] = useState(false);
  const option = draft.options.find(({ id }) => id === optionId);
  const figures = offered?.ok ? offered.figures : undefined;
  const now: Offer = { ...offer, ...draft };
  const currency = company?.book?.currency ?? USUAL_BOOK.currency;
  const changeOptions = (options: OfferOption[], step: string) => change({ options }, step);
  const changeOption = (id: string, part: Partial<OfferOption>) => {
    const changed = draft.options.map((one) => (one.id === id ? { ...one, ...part } : one));
    const options = part.notWith ? withApart(changed, id, part.notWith) : changed;
    changeOptions(options, `option ${id} ${Object.keys(part).join(' ')}`);
  };
  const addOption = () => {
    const id = newId();
    const none = { rooms: [], elements: [], layers: null, notWith: [] };
    changeOptions([...draft.options, { id, name: 'Without …', kind: 'leave out', ...none }], 'add an option');
    setOptionId(id);
  };
  const ready =
    figures !== undefined &&
    !stale &&
    !stand.held &&
    Object.keys(problems).length === 0 &&
    stand.saveState.kind !== 'conflict';
  return (
    <>
      <View className="-mx-4">
        <SaveLine {...stand} />
      </View>
      {offered?.ok === false ? <ErrorState title="No price yet" text={offered.message} /> : null}
      {offered === undefined ? <Skeleton rows={1} height={260} /> : null}
      {figures ? <OfferPrice offer={now} figures={figures} jobName={job.name} /> : null}
      {offered?.ok && offered.unready.length > 0 ? (
        <Words colour="caution" weight="semi">{`${capital(offered.unready.join('; '))}.`}</Words>
      ) : null}
      {stale && figures ? <Words colour="ink2">Working out the change …</Words> : null}
      <Labelled label="Prices on it by">
        <Segmented
          label="Prices on it by"
          value={draft.listedBy}
          options={LISTED_BY.map((value) => ({ value, label: LISTED_WORDS[value] }))}
          onChange={(listedBy) => change({ listedBy })}
        />
      </Labelled>
      <View className="gap-2" role="group" aria-label="Options">
        <Words size={18} weight="bold" heading={2}>
          Options
        </Words>
        <Words colour="ink2">
          Without the ceilings, with another paint, one room more: each with what it puts on the price or
          takes off it.
        </Words>
        {draft.options.map((one, index) => (
          <OptionRow
            key={one.id}
            option={one}
            figures={stale ? undefined : figures}
            error={problems[one.id] ?? firstOf(errors, `options.${index}.`)}
            onOpen={() => setOptionId(one.id)}
          />
        ))}
        {draft.options.length < 12 ? (
          <Button label="Add an option" icon={Plus} className="self-start" onPress={addOption} />
        ) : null}
      </View>
      <Rows
        title="Set aside"
        note="For what nobody knows yet: in the price, and charged as it turns out."
        rows={draft.sums}
        nameOf={({ what }, index) => `the sum for ${what === '' ? index + 1 : what}`}
        addLabel="Set a sum aside"
        empty={{ what: '', amount: 100 }}
        most={20}
        onChange={(sums, step) => change({ sums }, step)}
      >
        {({ what, amount }, index, set) => (
          <>
            <TextField
              label={`Sum ${index + 1}: for what`}
              value={what}
              error={errors[`sums.${index}.what`]}
              onChange={(next) => set({ what: next })}
            />
            <QuantityField
              label={`Sum ${index + 1}: amount before tax, ${currency}`}
              kind="price"
              value={amount}
              bounds={SUM_LIMITS}
              error={errors[`sums.${index}.amount`]}
              onChange={(next) => set({ amount: next })}
              onInvalid={(message) => onInvalid(`sums.${index}.amount`, message)}
            />
          </>
        )}
      </Rows>
      <View className="gap-2">
        <Words size={18} weight="bold" heading={2}>
          Not in it
        </Words>
        {figures ? <Words colour="ink2">{`${capital(figures.notCounted.join(', '))}.`}</Words> : null}
        <TextLines
          label="And not in it, a line each"
          lines={draft.exclusions}
          error={firstOf(errors, 'exclusions')}
          onChange={(exclusions) => change({ exclusions })}
        />
      </View>
      <PaymentRows
        steps={draft.payments}
        {...(figures
          ? {
              due: totalsOf(now, figures).due.map((one) =>
                exactMoney(one, figures.currency, figures.numbers),
              ),
            }
          : {})}
        errors={errors}
        path="payments"
        onChange={(payments, step) => change({ payments }, step)}
        onInvalid={onInvalid}
      />
      <Words size={18} weight="bold" heading={2}>
        Words
      </Words>
      <TextField
        label="Before the prices"
        value={draft.intro}
        error={errors['intro']}
        multiline
        onChange={(intro) => change({ intro })}
      />
      <TextField
        label="Terms"
        value={draft.terms}
        error={errors['terms']}
        multiline
        onChange={(terms) => change({ terms })}
      />
      <BlockRows
        blocks={draft.blocks}
        errors={errors}
        path="blocks"
        onChange={(blocks, step) => change({ blocks }, step)}
      />
      <StepperRow
        label="Days it is valid"
        value={draft.validDays}
        min={VALID_DAYS.min}
        max={VALID_DAYS.max}
        onChange={(validDays) => change({ validDays })}
      />
      {offer.edition === 1 ? (
        <QuantityField
          label="Number of the offer"
          kind="count"
          value={draft.number}
          bounds={NUMBER_LIMITS}
          error={errors['number']}
          onChange={(number) => change({ number: Math.round(number) })}
          onInvalid={(message) => onInvalid('number', message)}
        />
      ) : null}
      <Pressable
        role="checkbox"
        aria-checked={draft.withInside}
        className="min-h-[48px] flex-row items-center gap-3"
        onPress={() => change({ withInside: !draft.withInside })}
      >
        <TickBox on={draft.withInside} />
        <Words className="min-w-0 flex-1">Hours and cost on it, for a customer who asks</Words>
      </Pressable>
      <OfferFiles offer={now} figures={figures} jobName={job.name} />
      <Button
        label={`Mark ${small(offerName(now))} as sent`}
        kind="primary"
        icon={Send}
        disabled={!ready}
        onPress={() => setSending(true)}
      />
      {ready ? null : (
        <Words colour="ink2">It can be marked as sent once it has a price and nothing on it is wrong.</Words>
      )}
      <DeleteDraft offer={offer} version={stand.storedVersion} />
      {option ? (
        <OptionSheet
          option={option}
          others={draft.options.filter(({ id }) => id !== option.id)}
          surfaces={surfaces}
          kit={kit}
          error={problems[option.id]}
          onChange={(part) => changeOption(option.id, part)}
          onRemove={() => {
            setOptionId(undefined);
            const others = draft.options.filter(({ id }) => id !== option.id);
            changeOptions(withApart(others, option.id, []), `without the option ${option.id}`);
          }}
          onClose={() => setOptionId(undefined)}
        />
      ) : null}
      {sending && figures ? (
        <Sheet title={`${offerName(now)} was sent?`} onClose={() => setSending(false)}>
          <Words>
            From then on it stays as it is, whatever becomes of the job: prices, words and options. What is to
            be changed goes into a new edition.
          </Words>
          <Words size={30} weight="bold">
            {exactMoney(totalsOf(now, figures).total, figures.currency, figures.numbers)}
          </Words>
          <Button
            label="Yes, it was sent today"
            kind="primary"
            onPress={() => {
              setSending(false);
              change({ state: 'sent', sent: format(new Date(), 'yyyy-MM-dd'), figures });
              void stand.flush(false);
            }}
          />
        </Sheet>
      ) : null}
    </>
  );
}

/** The first sentence at a field or at what stands in it. */
const firstOf = (errors: Readonly<Record<string, string>>, at: string): string | undefined =>
  Object.entries(errors).find(([field]) => field.startsWith(at))?.[1];

function OptionRow({
  option,
  figures,
  error,
  onOpen,
}: {
  option: OfferOption;
  figures: OfferFigures | undefined;
  error: string | undefined;
  onOpen: () => void;
}) {
  return (
    <View>
      <Pressable
        role="button"
        onPress={onOpen}
        className="min-h-[56px] flex-row flex-wrap items-center gap-x-3 rounded-2xl border border-rule bg-sheet p-3"
        testID="offer-option"
      >
        <Words weight="semi" className="min-w-[160px] flex-1">
          {option.name}
        </Words>
        <Words weight="digits-bold">{figures ? differenceText(figures, option.id) : '…'}</Words>
      </Pressable>
      {error ? <FieldError message={error} /> : null}
    </View>
  );
}

/** Takes a draft back out; with a way to have it back. */
function DeleteDraft({ offer, version }: { offer: Offer; version: () => number }) {
  const { put, remove } = useWrites('offers');
  const router = useRouter();
  const toast = useToast();
  async function discard() {
    const stored = version();
    try {
      await remove({ id: offer.id, version: stored });
      router.navigate(`/jobs/${offer.jobId}/offers`);
      toast({
        text: `${offerName(offer)} deleted.`,
        undo: () =>
          void put({ id: offer.id, content: { ...fieldsOf(offer), version: stored + 1 } }).catch(
            (error: unknown) => toast({ text: `Not brought back: ${whyFailed(error)}` }),
          ),
      });
    } catch (error) {
      toast({ text: `Not deleted: ${whyFailed(error)}` });
    }
  }
  return (
    <Button label="Delete this draft" kind="danger" className="self-start" onPress={() => void discard()} />
  );
}
