import { PRICE_LIMITS, USUAL_BOOK, companyBook, type Company, type CompanyBook } from '@fine-spray/contract';
import { CONSUMABLES, CONSUMABLE_IDS, RATE_LIMITS, WORK_RATES, WORK_RATE_IDS } from '@fine-spray/core';
import { useCallback } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { SaveLine, sentences, useDraft } from '@/data/draft';
import { useCompany, usePutCompany } from '@/data/resources';
import { Button } from '@/ui/button';
import { QuantityField, TextField } from '@/ui/field';
import { PriceField } from '@/ui/priceField';
import { Screen } from '@/ui/screen';
import { ErrorState, Skeleton } from '@/ui/states';
import { Stepper } from '@/ui/stepper';
import { Words } from '@/ui/text';

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
      <View className="flex-row items-center justify-between">
        <Words>People on a job</Words>
        <Stepper
          label="People on a job"
          value={draft.people}
          min={1}
          max={20}
          onChange={(people) => change({ people })}
        />
      </View>
      <Words size={18} weight="bold" heading={2}>
        How fast you work
      </Words>
      {WORK_RATE_IDS.map((id) => (
        <View key={id}>
          <QuantityField
            label={`${WORK_RATES[id].name}, ${WORK_RATES[id].unit}`}
            kind="count"
            value={draft.rates[id]}
            bounds={RATE_LIMITS}
            error={errors[`rates.${id}`]}
            onChange={(rate) => change({ rates: { ...draft.rates, [id]: rate } }, `rate ${id}`)}
            onInvalid={(message) => onInvalid(id, message)}
          />
          {draft.rates[id] === WORK_RATES[id].usual ? null : (
            <Button
              label={`Back to the usual ${WORK_RATES[id].usual}`}
              kind="quiet"
              className="self-start"
              onPress={() => change({ rates: { ...draft.rates, [id]: WORK_RATES[id].usual } }, `usual ${id}`)}
            />
          )}
        </View>
      ))}
      <Words size={18} weight="bold" heading={2}>
        What things cost
      </Words>
      {CONSUMABLE_IDS.map((id) => (
        <PriceField
          key={id}
          label={CONSUMABLES[id].name}
          unit={`${draft.currency} ${PER[id]}`}
          value={draft.prices[id]}
          limits={PRICE_LIMITS}
          onChange={(price) => change({ prices: { ...draft.prices, [id]: price } }, `price ${id}`)}
        />
      ))}
      <Words colour="ink2">Prices of paint stand with each coating, under Kit.</Words>
    </Screen>
  );
}

/** What a price is for. */
const PER = {
  tape: 'a metre',
  film: 'a m²',
  paper: 'a metre',
  cover: 'a m²',
  strainer: 'each',
  filter: 'each',
  lubricant: 'a litre',
  tip: 'each',
} as const;
