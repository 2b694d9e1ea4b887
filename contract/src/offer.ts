import { NUMBER_LANGUAGES, TASK_IDS, type Task } from '@fine-spray/core/quantities';
import { ELEMENTS } from '@fine-spray/core/takeoff';
import { z } from 'zod';
import { offerWords, paymentSteps, textBlocks } from './offerParts';
import { id, line, numberWithin, oneOf, stored, text } from './primitives';
import { systemLayers } from './system';

export const OFFER_STATES = ['draft', 'sent', 'accepted', 'declined'] as const;
export type OfferState = (typeof OFFER_STATES)[number];

/** How finely an offer lists its prices. */
export const LISTED_BY = ['job', 'room', 'surface'] as const;

export const OPTION_KINDS = ['leave out', 'extra', 'other system'] as const;
export type OptionKind = (typeof OPTION_KINDS)[number];

/** Money of a company, before tax; what is taken off is below nothing. */
const MOST = 100_000_000;
const money = (label: string) => numberWithin(label, -MOST, MOST, `${label} must be less than 100,000,000.`);

/** What is done otherwise than in the price: on which pieces of which rooms, and what. */
export const offerOption = z
  .object({
    id,
    name: line('Name of the option', 120),
    kind: oneOf('Option', OPTION_KINDS),
    /** Rooms it is for; none: all. */
    rooms: z.array(text('Room', 120)).max(200),
    /** Pieces it is for; none: all. */
    elements: z.array(oneOf('Piece', ELEMENTS)).max(ELEMENTS.length),
    /** What they are painted with instead, the finish last; null where nothing else. */
    layers: systemLayers.nullable(),
    /** Options that are not taken together with it. */
    notWith: z.array(id).max(20),
  })
  .strict()
  .superRefine(({ kind, layers }, context) => {
    if ((kind === 'other system') !== (layers !== null))
      context.addIssue({
        code: 'custom',
        path: ['layers'],
        message:
          layers === null ? 'Choose what is painted instead.' : 'Only another system has layers of its own.',
      });
  });
export type OfferOption = z.infer<typeof offerOption>;

/** Whether two options are said not to be taken together, by either of them. */
export const notTogether = (
  one: Pick<OfferOption, 'id' | 'notWith'>,
  other: Pick<OfferOption, 'id' | 'notWith'>,
): boolean => one.notWith.includes(other.id) || other.notWith.includes(one.id);

/** Options of an offer: none stands in its own way, and none names one that is not there. */
const options = z
  .array(offerOption)
  .max(12, { error: 'Twelve options at most.' })
  .superRefine((all, context) => {
    all.forEach((option, index) => {
      const refuse = (message: string) =>
        context.addIssue({ code: 'custom', path: [index, 'notWith'], message });
      if (option.notWith.includes(option.id))
        refuse(`${option.name} is said not to go with itself: nobody could take it.`);
      if (option.notWith.some((one) => all.every((other) => other.id !== one)))
        refuse(`${option.name} is said not to go with an option that is not there.`);
    });
  });

/** Low, likely and high of something that is not below nothing. */
const rangeTo = (label: string, most: number) => {
  const part = numberWithin(label, 0, most, `${label} is not below nothing.`);
  return z.object({ low: part, likely: part, high: part }).strict();
};
const costRange = rangeTo('Cost', MOST);
/** Hours of one task, s. */
const hoursRange = rangeTo('Hours', 1e10);

/** The figures of an offer as it was sent: whatever becomes of the job, they stay. */
export const offerFigures = z
  .object({
    currency: z.string().regex(/^[A-Z]{3}$/),
    numbers: oneOf('Language of numbers', NUMBER_LANGUAGES),
    /** On the price, as a share of it. */
    tax: z.number().min(0).max(1),
    /** Each surface with its price before tax. */
    lines: z
      .array(
        z
          .object({
            room: text('Room', 120),
            name: text('Name', 120),
            what: text('What is done', 2000),
            net: money('Price'),
          })
          .strict(),
      )
      .max(1000),
    /** What each option puts on the price, or takes off it. */
    options: z.array(z.object({ id, net: money('Price') }).strict()).max(12),
    notCounted: z.array(text('What is not counted', 200)).max(60),
    /** What it was worked out with, for the company alone. */
    inside: z
      .object({
        cost: z
          .object({ paint: costRange, consumables: costRange, labour: costRange, total: costRange })
          .strict(),
        /** Hours by task, s. */
        hours: z.partialRecord(z.enum(TASK_IDS as [Task, ...Task[]]), hoursRange),
        days: numberWithin('Days', 0, 10_000, 'Days are not below nothing.'),
        /** What an hour of one person cost then; null where nobody had said. */
        hour: numberWithin('Price of an hour', 0, MOST, 'An hour costs something.').nullable(),
        /** Paint it likely takes, m³, and what that costs: by coating. */
        paint: z
          .array(
            z
              .object({
                coatingId: id,
                name: text('Coating', 120),
                volume: numberWithin('Paint', 0, 1000, 'Paint is not below nothing.'),
                cost: numberWithin('Cost', 0, MOST, 'Cost is not below nothing.').nullable(),
              })
              .strict(),
          )
          .max(200),
      })
      .strict(),
  })
  .strict();
export type OfferFigures = z.infer<typeof offerFigures>;

export const offerFields = z
  .object({
    jobId: id,
    /** Counted through in the company; editions of one offer have one number. */
    number: z.int({ error: 'An offer has a whole number.' }).min(1).max(999_999),
    edition: z.int().min(1).max(99, { error: 'An offer has 99 editions at most.' }),
    state: oneOf('State', OFFER_STATES),
    /** The day it was sent; null while it is a draft. */
    sent: z.iso.date({ error: 'The date must be written like 2026-01-31.' }).nullable(),
    /** The day it was answered. */
    answered: z.iso.date({ error: 'The date must be written like 2026-01-31.' }).nullable(),
    ...offerWords,
    blocks: textBlocks,
    listedBy: oneOf('Prices by', LISTED_BY),
    options,
    /** Options that were taken when it was accepted. */
    taken: z.array(id).max(12),
    /** What else is not in it, a line each. */
    exclusions: z.array(line('What is not in it', 200)).max(30, { error: 'Thirty lines at most.' }),
    /** Money set aside for what nobody knows yet; in the price. */
    sums: z
      .array(
        z
          .object({
            what: line('What it is for', 200),
            amount: numberWithin(
              'Amount',
              0.001,
              1_000_000,
              'A sum set aside is more than nothing and at most 1,000,000.',
            ),
          })
          .strict(),
      )
      .max(20, { error: 'Twenty sums at most.' }),
    payments: paymentSteps,
    /** Whether hours and cost stand on it. */
    withInside: z.boolean(),
    figures: offerFigures.nullable(),
  })
  .strict()
  .superRefine(({ state, figures, sent, taken, options: all }, context) => {
    const refuse = (path: string, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message });
    if ((state === 'draft') === (figures !== null))
      refuse('figures', 'An offer that was sent has its figures, a draft has none yet.');
    if ((state === 'draft') !== (sent === null)) refuse('sent', 'An offer that was sent says on which day.');
    if (taken.length > 0 && state !== 'accepted') refuse('taken', 'Only who accepts an offer takes options.');
    for (const one of taken) {
      const option = all.find((other) => other.id === one);
      if (!option) {
        refuse('taken', 'An option was taken that is not on the offer.');
        continue;
      }
      const against = all.find((other) => taken.includes(other.id) && notTogether(option, other));
      if (against && against.id !== one)
        refuse('taken', `${option.name} and ${against.name} do not go together.`);
    }
  });

export const offer = offerFields.safeExtend(stored).meta({ id: 'Offer' });

export type Offer = z.infer<typeof offer>;
export type OfferFields = z.infer<typeof offerFields>;

/** How an offer is called: "14", and "14, edition 2". */
export const offerName = ({ number, edition }: Pick<Offer, 'number' | 'edition'>): string =>
  edition === 1 ? `Offer ${number}` : `Offer ${number}, edition ${edition}`;
