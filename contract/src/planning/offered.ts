import { digitsOf, offerTotals, type OfferTotals } from '@fine-spray/core/quantities';
import { counted } from '@fine-spray/core/units';
import type { Surface } from '../job';
import { notTogether, type Offer, type OfferFigures, type OfferOption } from '../offer';
import { paintCost } from './buying';
import type { Kit } from './kit';
import { choiceOf, layersOf } from './layers';
import { priceFor } from './jobPlan';
import { PRICED_AT, workOutJob, type JobToWorkOut, type WorkedOut } from './wholeJob';

/** "prime with Board primer, 2 coats of Interior wall matt": what is done to a surface, in the words of who pays for it. */
export function workText(surface: Surface, coatings: Kit['coatings']): string {
  return layersOf(surface)
    .map(({ role, coats, coatingId }) => {
      const name = coatings.find(({ id }) => id === coatingId)?.name ?? 'a coating';
      return role === 'finish' ? `${counted(coats, 'coat')} of ${name}` : `${role} with ${name}`;
    })
    .join(', ');
}

/** Whether an option is about a surface. */
export const isAbout = ({ rooms, elements }: OfferOption, { room, element }: Surface): boolean =>
  (rooms.length === 0 || rooms.includes(room)) && (elements.length === 0 || elements.includes(element));

/** The surfaces of a job as they are done where some options are taken; without any it is what the price is for. */
export function surfacesWith(
  surfaces: readonly Surface[],
  options: readonly OfferOption[],
  taken: ReadonlySet<string>,
): readonly Surface[] {
  return surfaces.flatMap((surface): Surface[] => {
    let done = surface;
    for (const option of options) {
      if (!isAbout(option, surface)) continue;
      // What is extra is not in the price, what is left out is, each until the option is taken.
      if ((option.kind === 'extra') !== taken.has(option.id) && option.kind !== 'other system') return [];
      const choice = taken.has(option.id) && option.layers ? choiceOf(option.layers) : undefined;
      if (choice) done = { ...done, ...choice, tip: null };
    }
    return [done];
  });
}

/**
 * What is wrong with options beside the surfaces of their job, a sentence each by id. Prices of options add up only where
 * no two that are taken are about the same surface.
 */
export function optionProblems(
  options: readonly OfferOption[],
  surfaces: readonly Surface[],
  coatings: Kit['coatings'],
): Readonly<Record<string, string>> {
  const problems: Record<string, string> = {};
  options.forEach((option, index) => {
    const about = surfaces.filter((surface) => isAbout(option, surface));
    const [first] = about;
    const missing = option.layers?.some((layer) => coatings.every(({ id }) => id !== layer.coatingId));
    const together = options
      .slice(0, index)
      .find((other) => !notTogether(option, other) && about.some((surface) => isAbout(other, surface)));
    if (!first) problems[option.id] = 'There is nothing like that in this job.';
    else if (missing === true) problems[option.id] = 'A coating of it is not in the kit any more.';
    else if (option.kind !== 'other system' && about.length === surfaces.length)
      problems[option.id] = 'Without that there is nothing left to do.';
    else if (together)
      problems[option.id] =
        `It changes what ${together.name} changes, too. Say that they are not taken together.`;
  });
  return problems;
}

/** The figures of an offer, or why it has none; and what its price is without. */
export type Offered =
  | { readonly ok: true; readonly figures: OfferFigures; readonly unready: readonly string[] }
  | { readonly ok: false; readonly message: string };

const NOTHING = 'There is nothing to offer yet: the job has no surfaces that could be planned.';

/** What keeps an offer from being sent, in words: money that would be missing in it. */
function unreadyOf({ refused, plan }: WorkedOut): readonly string[] {
  const missing = plan?.cost.missing.map(({ name }) => name.toLowerCase()) ?? [];
  return [
    ...(refused > 0 ? [`${counted(refused, 'surface is', 'surfaces are')} not in it`] : []),
    ...(missing.length > 0 ? [`without a price: ${missing.join(', ')}`] : []),
  ];
}

const rounded = (amount: number, currency: string): number => Number(amount.toFixed(digitsOf(currency)));

/** A job as it is offered. */
export type JobToOffer = Omit<JobToWorkOut, 'risk' | 'aim'>;

/** Works out what a draft of an offer comes to: its price surface by surface, and what each option puts on it. */
export function offeredFor(job: JobToOffer, { options }: Pick<Offer, 'options'>): Offered {
  const { surfaces, kit, book } = job;
  const priceWith = (taken: ReadonlySet<string>) => {
    const done = workOutJob({ ...job, ...PRICED_AT, surfaces: surfacesWith(surfaces, options, taken) });
    const { work, plan } = done;
    return work && plan ? { done, work, plan, ...priceFor(work, plan) } : done.unquantified;
  };
  const base = priceWith(new Set());
  if (base === undefined || typeof base === 'string') return { ok: false, message: base ?? NOTHING };
  const { currency } = book;
  const differences: { id: string; net: number }[] = [];
  for (const { id, name } of options) {
    const other = priceWith(new Set([id]));
    if (other === undefined || typeof other === 'string')
      return { ok: false, message: `${name}: ${other ?? NOTHING}` };
    differences.push({ id, net: rounded(other.price.net - base.price.net, currency) });
  }
  const { plan, work } = base;
  const { paint, consumables, labour, total } = plan.cost;
  const offered = new Map(work.surfaces.map((surface) => [surface.id, surface]));
  const hours = Object.entries(plan.hours).map(([task, { low, value, high }]) => [
    task,
    { low, likely: value, high },
  ]);
  return {
    ok: true,
    unready: unreadyOf(base.done),
    figures: {
      currency,
      numbers: book.offer.numbers,
      tax: book.terms.tax,
      lines: base.rooms.flatMap(({ room, surfaces: parts }) =>
        parts.map(({ id, name, net }) => {
          const surface = offered.get(id);
          return { room, name, what: surface ? workText(surface, kit.coatings) : '', net };
        }),
      ),
      options: differences,
      notCounted: [...plan.notCounted],
      inside: {
        cost: { paint, consumables, labour, total },
        hours: Object.fromEntries(hours) as OfferFigures['inside']['hours'],
        days: plan.days,
        hour: book.hour,
        paint: base.done.buyings.map((buying) => ({
          coatingId: buying.order.id,
          name: buying.order.name,
          volume: buying.likely,
          cost: paintCost(buying)?.likely ?? null,
        })),
      },
    },
  };
}

/** What an offer comes to by its figures, with the options that were taken. */
export function totalsOf(
  { sums, payments, taken }: Pick<Offer, 'sums' | 'payments' | 'taken'>,
  { lines, options, tax, currency }: OfferFigures,
): OfferTotals {
  const prices = [
    ...lines.map(({ net }) => net),
    ...sums.map(({ amount }) => amount),
    ...options.filter(({ id }) => taken.includes(id)).map(({ net }) => net),
  ];
  const shares = payments.map(({ share }) => share);
  return offerTotals(prices, tax, shares, currency);
}

/** What of an offer's price is for the work: what was set aside is spent as it turns out, and stays with nobody. */
export function netOfWork(offer: Pick<Offer, 'sums' | 'payments' | 'taken'>, figures: OfferFigures): number {
  return totalsOf({ ...offer, sums: [] }, figures).net;
}

/** A line of an offer as it is listed: by job, room or surface, each with its price. */
export interface ListedLine {
  readonly where: string;
  readonly what: readonly string[];
  readonly net: number;
}

/** The lines of an offer as finely as it lists them; together its price, to the coin. */
export function listedLines(
  { listedBy }: Pick<Offer, 'listedBy'>,
  { lines, currency }: OfferFigures,
  jobName: string,
): readonly ListedLine[] {
  const said = ({ name, what }: OfferFigures['lines'][number]) => `${name}: ${what}`;
  if (listedBy === 'surface')
    return lines.map((one) => ({
      where: one.room === '' ? one.name : `${one.room}, ${one.name}`,
      what: [one.what],
      net: one.net,
    }));
  const groups = new Map<string, OfferFigures['lines'][number][]>();
  for (const one of lines) {
    const key = listedBy === 'job' ? '' : one.room;
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  return [...groups].map(([room, some]) => ({
    where: room === '' ? jobName : room,
    what: some.map((one) =>
      listedBy === 'job' && one.room !== '' ? `${one.room}, ${said(one)}` : said(one),
    ),
    net: offerTotals(
      some.map(({ net }) => net),
      0,
      [],
      currency,
    ).net,
  }));
}
