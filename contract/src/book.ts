import {
  CONSUMABLE_IDS,
  RATE_LIMITS,
  USUAL_RATES,
  WORK_RATES,
  WORK_RATE_IDS,
  type Consumable,
  type WorkRate,
} from '@fine-spray/core/quantities';
import { ITEM_IDS } from '@fine-spray/core/takeoff';
import { z } from 'zod';
import { numberWithin } from './primitives';
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

const rates = Object.fromEntries(
  WORK_RATE_IDS.map((id) => [
    id,
    numberWithin(
      WORK_RATES[id].name,
      RATE_LIMITS.min,
      RATE_LIMITS.max,
      `${WORK_RATES[id].name} must be between ${RATE_LIMITS.min} and ${RATE_LIMITS.max.toLocaleString('en')} ${WORK_RATES[id].unit}.`,
    ),
  ]),
) as Record<WorkRate, z.ZodNumber>;

const prices = Object.fromEntries(CONSUMABLE_IDS.map((id) => [id, price('Price')])) as Record<
  Consumable,
  z.ZodNullable<z.ZodNumber>
>;

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
  rates: { ...USUAL_RATES },
  prices: Object.fromEntries(CONSUMABLE_IDS.map((id) => [id, null])) as CompanyBook['prices'],
  sizes: {},
};
