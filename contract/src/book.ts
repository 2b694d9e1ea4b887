import {
  CONSUMABLE_IDS,
  NO_TERMS,
  NUMBER_LANGUAGES,
  TASK_IDS,
  USUAL_RATES,
  WORK_RATES,
  WORK_RATE_IDS,
  rateLimits,
  rateShown,
  type Consumable,
  type PriceTerms,
  type Task,
  type WorkRate,
  type WorkRates,
} from '@fine-spray/core/quantities';
import { numberText, showText } from '@fine-spray/core/units';
import { ITEM_IDS } from '@fine-spray/core/takeoff';
import { z } from 'zod';
import { offerWords, paymentSteps, textBlocks } from './offerParts';
import { numberWithin, oneOf, text } from './primitives';
import { itemSizes } from './sizes';

/** What one pays for something: more than nothing, less than a house. */
export const PRICE_LIMITS = { min: 0.01, max: 100_000 } as const;

/** A price in the company's money; null while nobody has put one in. */
export const price = (label: string) =>
  numberWithin(
    label,
    PRICE_LIMITS.min,
    PRICE_LIMITS.max,
    `${label} must be between 0.01 and 100,000. Leave it empty when you do not know it.`,
  ).nullable();

/** A number as a sentence has it, in the unit a rate is stored in. */
const limitText = (id: WorkRate, value: number): string => {
  const { kind, si } = rateShown(id);
  return kind === 'count' ? numberText(value) : showText(value * si, kind, 'metric');
};

/** Rates that a company has put in; the others are the usual ones. */
const rates = Object.fromEntries(
  WORK_RATE_IDS.map((id) => {
    const { min, max } = rateLimits(id);
    const { name } = WORK_RATES[id];
    const sentence = `${name} must be between ${limitText(id, min)} and ${limitText(id, max)}.`;
    return [id, numberWithin(name, min, max, sentence).optional()];
  }),
) as Record<WorkRate, z.ZodOptional<z.ZodNumber>>;

/** All rates of a company: its own where it has put them in. */
export const ratesOf = (book: Pick<CompanyBook, 'rates'>): WorkRates => ({
  ...USUAL_RATES,
  ...Object.fromEntries(Object.entries(book.rates).filter(([, value]) => value !== undefined)),
});

/** What may be put on a cost; the company's money for rounding and the least price. */
export const TERM_LIMITS = {
  overhead: { min: 0, max: 2 },
  profit: { min: 0, max: 2 },
  tax: { min: 0, max: 1 },
  rounding: { min: 0.001, max: 10_000 },
  minimum: { min: 0, max: 1_000_000 },
} as const satisfies Record<keyof PriceTerms, { readonly min: number; readonly max: number }>;
const share = (label: string, { min, max }: { readonly min: number; readonly max: number }) =>
  numberWithin(label, min, max, `${label} must be between ${min * 100} % and ${max * 100} %.`);
const amount = (label: string, part: 'rounding' | 'minimum', sentence: string) =>
  numberWithin(label, TERM_LIMITS[part].min, TERM_LIMITS[part].max, sentence);

const prices = Object.fromEntries(CONSUMABLE_IDS.map((id) => [id, price('Price')])) as Record<
  Consumable,
  z.ZodNullable<z.ZodNumber>
>;

/** An offer of a company that has put nothing in. */
const USUAL_OFFER = { intro: '', terms: '', validDays: 30, numbers: 'en' } as const;

/** What a company calculates with: its money, what an hour costs, its crew, how fast it works, what things cost. */
export const companyBook = z
  .object({
    /** ISO 4217 code. */
    currency: z.string().regex(/^[A-Z]{3}$/, { error: 'A currency has three capital letters, such as EUR.' }),
    /** Price of an hour of one person. */
    hour: price('Price of an hour'),
    people: numberWithin('People', 1, 20, 'A crew has 1 to 20 people.').int({
      error: 'People come in whole numbers.',
    }),
    rates: z.object(rates).strict(),
    /** Tasks no hours are counted for. */
    notCounted: z
      .array(z.enum(TASK_IDS as [Task, ...Task[]]))
      .max(TASK_IDS.length)
      .default([]),
    /** Whether openings are taken off the area for labour, as they are for paint. */
    openingsOffLabour: z.boolean().default(false),
    /** Whether hours are paid as whole days of the crew. */
    wholeDays: z.boolean().default(false),
    /** What is put on the cost of a job: shares of it, and how its price ends. */
    terms: z
      .object({
        overhead: share('Overheads', TERM_LIMITS.overhead),
        profit: share('Profit', TERM_LIMITS.profit),
        tax: share('Tax', TERM_LIMITS.tax),
        rounding: amount('Rounding', 'rounding', 'A price is rounded to between 0.001 and 10,000.'),
        minimum: amount('Minimum', 'minimum', 'The least price is between 0 and 1,000,000.'),
      })
      .strict()
      .default({ ...NO_TERMS }),
    /** What stands on an offer besides its prices. */
    offer: z
      .object({
        ...offerWords,
        /** More blocks of terms, each with its title, that go on every offer. */
        blocks: textBlocks.default([]),
        /** Steps of payment that an offer begins with. */
        payments: paymentSteps.default([]),
        /** Language its numbers are written in. */
        numbers: oneOf('Language of numbers', NUMBER_LANGUAGES).default('en'),
      })
      .strict()
      .default({ ...USUAL_OFFER, blocks: [], payments: [] }),
    /** Prices of what is used up: per m, m², piece or litre. */
    prices: z.object(prices).strict(),
    /** What stands under the company's name on its paper: address, telephone, registration. */
    head: text('What stands under the name', 400).default(''),
    /** Whether stand-ins of outside devices are offered: weather station, forecast, gauge, laser. What they say is made up. */
    standIns: z.boolean().default(false),
    /** Sizes that things are counted with in this company, by item. */
    sizes: z.partialRecord(z.enum(ITEM_IDS), itemSizes),
  })
  .strict();

export type CompanyBook = z.infer<typeof companyBook>;

/** The book of a company that has put nothing in: usual rates, no prices. */
export const USUAL_BOOK: CompanyBook = {
  currency: 'EUR',
  hour: null,
  people: 2,
  rates: {},
  notCounted: [],
  openingsOffLabour: false,
  wholeDays: false,
  head: '',
  standIns: false,
  terms: { ...NO_TERMS },
  offer: { ...USUAL_OFFER, blocks: [], payments: [] },
  prices: Object.fromEntries(CONSUMABLE_IDS.map((id) => [id, null])) as CompanyBook['prices'],
  sizes: {},
};
