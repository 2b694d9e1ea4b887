import { USUAL_BOOK, notTogether, offerName, type Offer, type OfferFigures } from '@fine-spray/contract';
import { listedLines, offeredFor, totalsOf } from '@fine-spray/contract/planning';
import { TASKS, TASK_IDS, exactMoney, shareText } from '@fine-spray/core/quantities';
import { capital, showRange } from '@fine-spray/core/units';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { writeCompany } from './head';
import type { Paper } from './page';
import type { PaperRows, PrintOptions } from './planned';

/** An offer with all that its draft is worked out from. */
export interface OfferRows extends PaperRows {
  readonly offer: Offer;
}

const dayText = (date: Date): string => format(date, 'd MMMM yyyy');

const AMOUNTS = [
  { title: '', share: 7 },
  { title: '', share: 1.6, align: 'right' },
] as const;

/** The figures of an offer: as it was sent, or what a draft would come to now; with what is not ready in it. */
function figuresOf(rows: OfferRows) {
  const { offer, company, ...job } = rows;
  if (offer.figures) return { figures: offer.figures, draft: undefined };
  const offered = offeredFor({ ...job, book: company.book ?? USUAL_BOOK }, offer);
  if (!offered.ok) return offered.message;
  return { figures: offered.figures, draft: offered.unready };
}

/** What is asked for a job, for who asked for it: prices, options, tax, what is not in it, terms. Of hours and cost nothing, unless it is asked for. */
export function writeOffer(paper: Paper, rows: OfferRows, options: PrintOptions): void {
  const { company, job, offer } = rows;
  const date = parseISO(offer.sent ?? options.date);
  writeCompany(paper, company);
  paper.title(offerName(offer));
  paper.text(job.name, { strong: true });
  if (job.place !== '') paper.text(job.place);
  const found = figuresOf(rows);
  if (typeof found === 'string') {
    paper.text(found);
    return;
  }
  const { figures, draft } = found;
  paper.text(`${dayText(date)}; valid until ${dayText(addDays(date, offer.validDays))}`);
  if (draft) {
    paper.space(6);
    paper.frame(['A draft: not sent yet.', ...(draft.length > 0 ? [`${capital(draft.join('; '))}.`] : [])]);
  }
  if (offer.intro !== '') {
    paper.space(8);
    paper.text(offer.intro);
  }
  writePrices(paper, rows, figures);
  writeOptions(paper, offer, figures);
  writePayments(paper, offer, figures);
  paper.heading('Not in it');
  if (figures.notCounted.length > 0) paper.text(`${capital(figures.notCounted.join(', '))}.`);
  for (const one of offer.exclusions) paper.text(`${one}.`);
  if (offer.terms !== '') {
    paper.heading('Terms');
    paper.text(offer.terms);
  }
  for (const { title, text } of offer.blocks) {
    paper.heading(title);
    paper.text(text);
  }
  if (offer.withInside) writeInside(paper, figures, options);
  paper.room(90);
  paper.space(24);
  paper.text(offer.options.length > 0 ? 'Accepted, with the options ticked above' : 'Accepted', {
    strong: true,
  });
  paper.blanks(['Name', 'Day', 'Signature']);
}

const moneyOf =
  ({ currency, numbers }: OfferFigures) =>
  (amount: number): string =>
    exactMoney(amount, currency, numbers);

function writePrices(paper: Paper, { offer, job }: OfferRows, figures: OfferFigures): void {
  const money = moneyOf(figures);
  const totals = totalsOf(offer, figures);
  paper.heading('What we do, and what it comes to');
  paper.table(
    [
      { title: 'Where', share: 2 },
      { title: 'What', share: 5 },
      { title: 'Before tax', share: 1.6, align: 'right' },
    ],
    listedLines(offer, figures, job.name).map(({ where, what, net }) => [where, what.join('\n'), money(net)]),
  );
  if (offer.sums.length > 0) {
    paper.subheading('Set aside, and charged as it turns out');
    paper.table(
      AMOUNTS,
      offer.sums.map(({ what, amount }) => [what, money(amount)]),
    );
  }
  const taken = offer.options.filter(({ id }) => offer.taken.includes(id));
  if (taken.length > 0) {
    paper.subheading('As agreed');
    paper.table(
      AMOUNTS,
      taken.map(({ id, name }) => [name, money(netOf(figures, id))]),
    );
  }
  paper.table(AMOUNTS, [
    ['Price before tax', money(totals.net)],
    [`Tax, ${shareText(figures.tax, figures.numbers)}`, money(totals.tax)],
  ]);
  paper.grid([{ label: 'To pay', value: money(totals.total) }], 1);
}

const netOf = ({ options }: OfferFigures, id: string): number =>
  options.find((one) => one.id === id)?.net ?? 0;

/** Options to tick, with what each puts on the price or takes off it. */
function writeOptions(paper: Paper, offer: Offer, figures: OfferFigures): void {
  if (offer.options.length === 0) return;
  const money = moneyOf(figures);
  paper.heading('If you choose');
  for (const option of offer.options) {
    const { id, name } = option;
    const net = netOf(figures, id);
    const others = offer.options
      .filter((other) => other.id !== id && notTogether(option, other))
      .map((other) => other.name);
    const beside = others.length > 0 ? `; not together with ${others.join(', ')}` : '';
    paper.tick(name, `${net < 0 ? `${money(-net)} less` : `${money(net)} more`}, before tax${beside}`);
  }
}

function writePayments(paper: Paper, offer: Offer, figures: OfferFigures): void {
  if (offer.payments.length === 0) return;
  const money = moneyOf(figures);
  const { due } = totalsOf(offer, figures);
  paper.heading('When it is due');
  paper.table(
    [
      { title: '', share: 5 },
      { title: 'Part', share: 2, align: 'right' },
      { title: 'With tax', share: 1.6, align: 'right' },
    ],
    offer.payments.map(({ name, share }, index) => [
      name,
      shareText(share, figures.numbers),
      money(due[index] ?? 0),
    ]),
  );
}

/** Hours and cost, where somebody asked for them. */
function writeInside(paper: Paper, { inside, ...figures }: OfferFigures, { units }: PrintOptions): void {
  const money = (amount: number) => exactMoney(Math.round(amount), figures.currency, figures.numbers);
  paper.heading('How it was worked out');
  paper.table(
    [
      { title: 'Work', share: 5 },
      { title: 'Hours', share: 3, align: 'right' },
    ],
    TASK_IDS.flatMap((task) => {
      const hours = inside.hours[task];
      return hours && hours.likely > 0
        ? [[TASKS[task], showRange(hours.low, hours.high, 'duration', units)]]
        : [];
    }),
  );
  const { paint, consumables, labour, total } = inside.cost;
  paper.table(AMOUNTS, [
    ['Paint', money(paint.likely)],
    ['What is used up', money(consumables.likely)],
    ['Labour', money(labour.likely)],
    ['Cost', money(total.likely)],
  ]);
}
