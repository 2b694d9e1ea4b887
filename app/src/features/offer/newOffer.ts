import type { CompanyBook, Offer, OfferFields } from '@fine-spray/contract';
import { contentOf, pagesOf } from '@/data/resources';

/** The number after the highest of some offers. */
export const numberAfter = (offers: readonly Pick<Offer, 'number'>[]): number =>
  offers.reduce((most, { number }) => Math.max(most, number), 0) + 1;

/**
 * The next number of the company: those stored last are asked for, and have the highest. Without the server it is counted on from
 * what is here, and the server says so where another device was first.
 */
export async function nextNumber(here: readonly Offer[]): Promise<number> {
  try {
    for await (const { items } of pagesOf('offers')) return numberAfter([...here, ...(items as Offer[])]);
  } catch {
    // Away: counted on from what is here.
  }
  return numberAfter(here);
}

/** An offer as a company begins one. */
export const newOffer = (jobId: string, number: number, { offer }: CompanyBook): OfferFields => ({
  jobId,
  number,
  edition: 1,
  state: 'draft',
  sent: null,
  answered: null,
  intro: offer.intro,
  terms: offer.terms,
  validDays: offer.validDays,
  blocks: offer.blocks,
  listedBy: 'room',
  options: [],
  taken: [],
  exclusions: [],
  sums: [],
  payments: offer.payments,
  withInside: false,
  figures: null,
});

/** The content of an offer as it is stored, without its version. */
export function fieldsOf(offer: Offer): OfferFields {
  const { version: _version, ...fields } = contentOf(offer);
  return fields as OfferFields;
}

/** An offer once more as a draft: the next edition of its number. */
export const nextEdition = (offer: Offer, all: readonly Offer[]): OfferFields => ({
  ...fieldsOf(offer),
  edition: Math.max(...all.filter(({ number }) => number === offer.number).map((one) => one.edition)) + 1,
  state: 'draft',
  sent: null,
  answered: null,
  taken: [],
  figures: null,
});
