import { offerName, type Offer } from '@fine-spray/contract';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';

const dayText = (day: Date): string => format(day, 'd MMMM yyyy');

/** The last day an offer that was sent is valid on. */
export const validUntil = ({ validDays }: Pick<Offer, 'validDays'>, sent: string): Date =>
  addDays(parseISO(sent), validDays);

/** A later edition that was sent in the place of this one. */
export const replacedBy = (offer: Offer, all: readonly Offer[]): Offer | undefined =>
  all.find(
    ({ number, edition, state }) => number === offer.number && edition > offer.edition && state !== 'draft',
  );

/** How it stands with an offer, in a sentence. */
export function standsText(offer: Offer, all: readonly Offer[], now: Date): string {
  const { state, sent, answered } = offer;
  if (state === 'draft' || sent === null) return 'A draft, not sent yet';
  const on = answered === null ? '' : ` on ${dayText(parseISO(answered))}`;
  if (state === 'accepted') return `Accepted${on}`;
  if (state === 'declined') return `Declined${on}`;
  const later = replacedBy(offer, all);
  if (later) return `Replaced by edition ${later.edition}`;
  const until = validUntil(offer, sent);
  return until < now
    ? `Sent on ${dayText(parseISO(sent))}; ran out on ${dayText(until)}`
    : `Sent on ${dayText(parseISO(sent))}; valid until ${dayText(until)}`;
}

/** Offers with the latest first. */
export const latestFirst = (offers: readonly Offer[]): readonly Offer[] =>
  [...offers].sort((one, other) => other.number - one.number || other.edition - one.edition);

export { offerName };
