import {
  CONSUMABLE_IDS,
  NO_TERMS,
  TASK_IDS,
  USUAL_RATES,
  WORK_RATES,
  WORK_RATE_IDS,
  rateLimits,
  rateShown,
  type Consumable,
  type Task,
  type WorkRate,
  type WorkRates,
} from '@fine-spray/core/quantities';
import { showText } from '@fine-spray/core/units';
import { ITEM_IDS } from '@fine-spray/core/takeoff';
import { z } from 'zod';
import { numberWithin, text } from './primitives';
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
  return kind === 'count' ? value.toLocaleString('en') : showText(value * si, kind, 'metric');
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

const share = (label: string, most: number) =>
  numberWithin(label, 0, most, `${label} must be between 0 % and ${most * 100} %.`);

const prices = Object.fromEntries(CONSUMABLE_IDS.map((id) => [id, price('Price')])) as Record<
  Consumable,
  z.ZodNullable<z.ZodNumber>
>;

/** An offer of a company that has put nothing in. */
const USUAL_OFFER = { intro: '', terms: '', validDays: 30 } as const;

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
        overhead: share('Overheads', 2),
        profit: share('Profit', 2),
        tax: share('Tax', 1),
        rounding: numberWithin('Rounding', 0.001, 10_000, 'A price is rounded to between 0.001 and 10,000.'),
        minimum: numberWithin('Minimum', 0, 1_000_000, 'The least price is between 0 and 1,000,000.'),
      })
      .strict()
      .default({ ...NO_TERMS }),
    /** What stands on an offer besides its prices. */
    offer: z
      .object({
        intro: text('Words before the prices', 2000),
        terms: text('Terms', 4000),
        validDays: numberWithin('Days it is valid', 1, 365, 'An offer is valid for 1 to 365 days.').int({
          error: 'Days come in whole numbers.',
        }),
      })
      .strict()
      .default({ ...USUAL_OFFER }),
    /** Prices of what is used up: per m, m², piece or litre. */
    prices: z.object(prices).strict(),
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
  terms: { ...NO_TERMS },
  offer: { ...USUAL_OFFER },
  prices: Object.fromEntries(CONSUMABLE_IDS.map((id) => [id, null])) as CompanyBook['prices'],
  sizes: {},
};
