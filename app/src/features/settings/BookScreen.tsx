import {
  PRICE_LIMITS,
  TERM_LIMITS,
  USUAL_BOOK,
  VALID_DAYS,
  companyBook,
  ratesOf,
  type Company,
  type CompanyBook,
} from '@fine-spray/contract';
import {
  CONSUMABLES,
  CONSUMABLE_IDS,
  NUMBER_LANGUAGES,
  TASKS,
  STATES,
  TASK_IDS,
  WORK_RATES,
  capital,
  exactMoney,
  isMending,
  kindOfWorkKey,
  of,
  rateLimits,
  rateShown,
  showText,
  timeShown,
  type Consumable,
  type LearnedTimes,
  type State,
  type Task,
  type UnitSystem,
  type WorkRate,
} from '@fine-spray/core';
import { useCallback } from 'react';
import { Pressable, View } from 'react-native';
import { whyFailed } from '@/data/api';
import { SaveLine, sentences, useDraft } from '@/data/draft';
import { usePlanKit } from '@/data/planKit';
import { useCompany, usePutCompany } from '@/data/resources';
import { BlockRows, PaymentRows } from '@/features/offer';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { Labelled, QuantityField, TextField } from '@/ui/field';
import { PriceField } from '@/ui/priceField';
import { Screen } from '@/ui/screen';
import { ErrorState, Skeleton } from '@/ui/states';
import { Segmented } from '@/ui/segmented';
import { StepperRow } from '@/ui/stepper';
import { Words } from '@/ui/text';
import { TickBox } from '@/ui/tickBox';
import { useUnits } from '@/ui/units';

const TITLE = 'Rates and prices';

/** What the company calculates with. */
export function BookScreen() {
  const company = useCompany();
  if (company.data) return <Book company={company.data} />;
  return (
    <Screen title={TITLE} backTo="/settings">
      {company.isError ? (
        <ErrorState
          title="The rates cannot be read now"
          text={whyFailed(company.error)}
          onRetry={() => void company.refetch()}
        />
      ) : (
        <Skeleton rows={6} />
      )}
    </Screen>
  );
}

function check(book: CompanyBook): Record<string, string> {
  const checked = companyBook.safeParse(book);
  return checked.success ? {} : sentences(checked.error.issues);
}

function read(current: unknown) {
  const { book, version } = current as Company;
  return { content: book ?? USUAL_BOOK, version };
}

function Book({ company }: { company: Company }) {
  const { system } = useUnits();
  const times = usePlanKit().kit?.history?.times;
  const put = usePutCompany();
  const save = useCallback(
    async (book: CompanyBook, version: number) => (await put({ name: company.name, book, version })).version,
    [put, company.name],
  );
  const { draft, errors, change, onInvalid, ...stand } = useDraft<CompanyBook>({
    rowId: `book ${company.id}`,
    first: company.book ?? USUAL_BOOK,
    version: company.version,
    check,
    save,
    read,
    capability: 'money',
  });
  return (
    <Screen title={TITLE} above={company.name} backTo="/settings">
      <View className="-mx-4">
        <SaveLine {...stand} />
      </View>
      <Words colour="ink2">
        The hours and cost of every job are worked out from these. A price that is left empty is left out of
        the cost, and the cost says so.
      </Words>
      <Words size={18} weight="bold" heading={2}>
        Money and crew
      </Words>
      <TextField
        label="Currency, three letters"
        value={draft.currency}
        error={errors['currency']}
        onChange={(currency) => change({ currency: currency.toUpperCase() })}
      />
      <PriceField
        label="Labour, an hour of one person"
        unit={draft.currency}
        value={draft.hour}
        limits={PRICE_LIMITS}
        onChange={(hour) => change({ hour })}
      />
      <StepperRow
        label="People on a job"
        value={draft.people}
        min={1}
        max={20}
        onChange={(people) => change({ people })}
      />
      <Words size={18} weight="bold" heading={2}>
        How fast you work
      </Words>
      <Words colour="ink2">
        Of one person. Scraping, filling and sanding are for a fair surface; good and poor ones follow.
      </Words>
      {RATE_GROUPS.map(({ title, ids }) => (
        <View key={title} className="gap-2">
          <Words weight="semi">{title}</Words>
          {ids.map((id) => (
            <Rate
              key={id}
              id={id}
              value={ratesOf(draft)[id]}
              learned={learnedOf(times, id)}
              error={errors[`rates.${id}`]}
              onChange={(rate) => change({ rates: withRate(draft.rates, id, rate) }, `rate ${id}`)}
              onInvalid={(message) => onInvalid(id, message)}
            />
          ))}
        </View>
      ))}
      <Words size={18} weight="bold" heading={2}>
        What is counted
      </Words>
      <Words colour="ink2">What is switched off takes no hours in any job, and every job says so.</Words>
      {TASK_IDS.map((task) => (
        <Pressable
          key={task}
          role="checkbox"
          aria-checked={!draft.notCounted.includes(task)}
          className="min-h-[48px] flex-row items-center gap-3"
          onPress={() => change({ notCounted: toggled(draft.notCounted, task) }, `counted ${task}`)}
        >
          <TickBox on={!draft.notCounted.includes(task)} />
          <Words>{TASKS[task]}</Words>
        </Pressable>
      ))}
      <Labelled label="Openings in the area for labour">
        <Segmented
          label="Openings in the area for labour"
          value={draft.openingsOffLabour ? 'off' : 'in'}
          options={OPENINGS}
          onChange={(openings) => change({ openingsOffLabour: openings === 'off' })}
        />
      </Labelled>
      <Labelled label="Hours are paid">
        <Segmented
          label="Hours are paid"
          value={draft.wholeDays ? 'days' : 'hours'}
          options={PAID}
          onChange={(paid) => change({ wholeDays: paid === 'days' })}
        />
      </Labelled>
      <Words size={18} weight="bold" heading={2}>
        What you ask
      </Words>
      {(['overhead', 'profit', 'tax'] as const).map((part) => (
        <QuantityField
          key={part}
          label={SHARES[part]}
          kind="percent"
          value={draft.terms[part]}
          bounds={TERM_LIMITS[part]}
          error={errors[`terms.${part}`]}
          onChange={(next) => change({ terms: { ...draft.terms, [part]: next } }, `terms ${part}`)}
          onInvalid={(message) => onInvalid(`terms.${part}`, message)}
        />
      ))}
      {(['rounding', 'minimum'] as const).map((part) => (
        <QuantityField
          key={part}
          label={`${AMOUNTS[part]}, ${draft.currency}`}
          kind="price"
          value={draft.terms[part]}
          bounds={TERM_LIMITS[part]}
          error={errors[`terms.${part}`]}
          onChange={(next) => change({ terms: { ...draft.terms, [part]: next } }, `terms ${part}`)}
          onInvalid={(message) => onInvalid(`terms.${part}`, message)}
        />
      ))}
      <TextField
        label="Before the prices of an offer"
        value={draft.offer.intro}
        error={errors['offer.intro']}
        multiline
        onChange={(intro) => change({ offer: { ...draft.offer, intro } }, 'intro')}
      />
      <TextField
        label="Terms of an offer"
        value={draft.offer.terms}
        error={errors['offer.terms']}
        multiline
        onChange={(terms) => change({ offer: { ...draft.offer, terms } }, 'offer terms')}
      />
      <BlockRows
        blocks={draft.offer.blocks}
        errors={errors}
        path="offer.blocks"
        onChange={(blocks, step) => change({ offer: { ...draft.offer, blocks } }, step)}
      />
      <PaymentRows
        steps={draft.offer.payments}
        errors={errors}
        path="offer.payments"
        onChange={(payments, step) => change({ offer: { ...draft.offer, payments } }, step)}
        onInvalid={onInvalid}
      />
      <Choice
        label="Numbers on an offer are written as in"
        value={draft.offer.numbers}
        options={NUMBER_LANGUAGES.map((value) => ({
          value,
          label: LANGUAGES.of(value) ?? value,
          note: exactMoney(1234.5, draft.currency, value),
        }))}
        onChange={(numbers) => change({ offer: { ...draft.offer, numbers } }, 'numbers')}
      />
      <StepperRow
        label="Days an offer is valid"
        value={draft.offer.validDays}
        min={VALID_DAYS.min}
        max={VALID_DAYS.max}
        onChange={(validDays) => change({ offer: { ...draft.offer, validDays } }, 'valid')}
      />
      <Words size={18} weight="bold" heading={2}>
        What things cost
      </Words>
      {CONSUMABLE_IDS.map((id) => (
        <PriceField
          key={id}
          label={CONSUMABLES[id].name}
          unit={`${draft.currency} ${per(id, system).words}`}
          value={draft.prices[id]}
          per={per(id, system).share}
          limits={PRICE_LIMITS}
          onChange={(price) => change({ prices: { ...draft.prices, [id]: price } }, `price ${id}`)}
        />
      ))}
      <Words colour="ink2">Prices of paint stand with each coating, under Kit.</Words>
    </Screen>
  );
}

const LANGUAGES = new Intl.DisplayNames('en', { type: 'language' });

const OPENINGS = [
  { value: 'in', label: 'Left in' },
  { value: 'off', label: 'Taken off' },
] as const;
const PAID = [
  { value: 'hours', label: 'As worked' },
  { value: 'days', label: 'Whole crew-days' },
] as const;

/** What is put on the cost, as shares. */
const SHARES = {
  overhead: 'Overheads, on the cost',
  profit: 'Profit, on cost and overheads',
  tax: 'Tax, on the price',
} as const;
const AMOUNTS = {
  rounding: 'Prices end in whole',
  minimum: 'Least price of a job, before tax',
} as const;

/** Rates as people look for them. */
const RATE_GROUPS: readonly { readonly title: string; readonly ids: readonly WorkRate[] }[] = [
  { title: 'Each day', ids: ['setUp', 'cleanUp', 'travel', 'supervision', 'breaks'] },
  {
    title: 'Protecting',
    ids: [
      ...(['furniture', 'power', 'plates', 'lights', 'vents', 'alarms', 'curtains'] as const),
      ...(['maskingLine', 'floorCover', 'fittings', 'unmask'] as const),
    ],
  },
  { title: 'Preparing', ids: ['washing', 'scraping', 'filling', 'sanding', 'caulking', 'dusting'] },
  { title: 'Doors', ids: ['doors'] },
  { title: 'Machine', ids: ['move', 'flush', 'baseChange'] },
  { title: 'With the coats and after', ids: ['backRoll', 'between', 'touchUp', 'height'] },
];

/** Rates with one of them the company's own; one that is the usual again is not kept. */
function withRate(rates: CompanyBook['rates'], id: WorkRate, value: number): CompanyBook['rates'] {
  const { [id]: _before, ...others } = rates;
  return value === WORK_RATES[id].usual ? others : { ...others, [id]: value };
}

const toggled = (tasks: readonly Task[], task: Task): Task[] =>
  tasks.includes(task) ? tasks.filter((one) => one !== task) : [...tasks, task];

/** What the log says of a rate, by the state of the surface where it hangs on that. */
function learnedOf(times: LearnedTimes | undefined, id: WorkRate): readonly Learned[] {
  const states = isMending(id) ? STATES : [undefined];
  return states.flatMap((state) => {
    const input = times?.[kindOfWorkKey({ rate: id, state })];
    return input ? [{ state, input }] : [];
  });
}
interface Learned {
  readonly state: State | undefined;
  readonly input: LearnedTimes[string];
}

/** One rate in the units of the device, and the way back to the usual one. */
function Rate({
  id,
  value,
  learned,
  error,
  onChange,
  onInvalid,
}: {
  id: WorkRate;
  value: number;
  learned: readonly Learned[];
  error: string | undefined;
  onChange: (rate: number) => void;
  onInvalid: (message: string | undefined) => void;
}) {
  const { system } = useUnits();
  const { kind, si } = rateShown(id);
  const { min, max } = rateLimits(id);
  const { name, usual } = WORK_RATES[id];
  return (
    <View>
      <QuantityField
        // So many pieces are said by the hour; other units say it themselves.
        label={kind === 'count' ? `${name}, in an hour` : name}
        kind={kind}
        value={value * si}
        bounds={{ min: min * si, max: max * si }}
        error={error}
        // Typed in its unit, stored in the metric one: without the dust of the way there.
        onChange={(rate) => onChange(Number((rate / si).toPrecision(9)))}
        onInvalid={onInvalid}
      />
      {learned.map(({ state, input }) => {
        const as = timeShown(id);
        const shown = showText(as.from(input.value), as.kind, system);
        return (
          <Words key={state ?? id} size={14} colour="ink2">
            {`${state ? `${capital(state)}: ` : ''}${shown} by your log, ${input.source}. Plans go by it.`}
          </Words>
        );
      })}
      {value === usual ? null : (
        <Button
          label={`Back to the usual ${showText(usual * si, kind, system)}`}
          kind="quiet"
          className="self-start"
          onPress={() => onChange(usual)}
        />
      )}
    </View>
  );
}

/** What a price is stored for, and what it is shown for by the units of the device. */
const SOLD_BY = {
  tape: 'length',
  film: 'area',
  paper: 'length',
  cover: 'area',
  strainer: 'piece',
  filter: 'piece',
  lubricant: 'volume',
  tip: 'piece',
} as const satisfies Record<Consumable, string>;
const PER = {
  length: { metric: { words: 'a metre', share: 1 }, us: { words: 'a foot', share: of(1, 'ft') } },
  area: { metric: { words: 'a m²', share: 1 }, us: { words: 'a ft²', share: of(1, 'ft²') } },
  volume: {
    metric: { words: 'a litre', share: 1 },
    us: { words: 'a quart', share: of(0.25, 'gal') / of(1, 'L') },
  },
  piece: { metric: { words: 'each', share: 1 }, us: { words: 'each', share: 1 } },
} as const;
const per = (id: Consumable, system: UnitSystem) => PER[SOLD_BY[id]][system];
