import type { Surface } from '@fine-spray/contract';
import { layersOf, priceFor, type Kit } from '@fine-spray/contract/planning';
import { exactMoney } from '@fine-spray/core/quantities';
import { capital, counted, showText } from '@fine-spray/core/units';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import type { Paper } from './page';
import type { PlannedJob } from './planned';

const dayText = (date: Date): string => format(date, 'd MMMM yyyy');

/** "Prime, then 2 coats of Interior wall matt": what is done to a surface, in the words of who pays for it. */
function systemText(surface: Surface, coatings: Kit['coatings']): string {
  const said = layersOf(surface).map(({ role, coats, coatingId }) => {
    const name = coatings.find(({ id }) => id === coatingId)?.name ?? 'a coating';
    return role === 'finish' ? `${counted(coats, 'coat')} of ${name}` : `${role} with ${name}`;
  });
  return `${surface.name}: ${said.join(', ')}`;
}

/** What is asked for a job, for who asked for it: prices by room, tax, what is not in it, terms. Nothing of hours, cost or risk. */
export function writeOffer(paper: Paper, planned: PlannedJob): void {
  const { company, job, surfaces, kit, plan, work, options, refused, unquantified } = planned;
  const date = parseISO(options.date);
  paper.text(company.name, { strong: true });
  paper.title('Offer');
  paper.text(job.name, { strong: true });
  if (job.place !== '') paper.text(job.place);
  if (!plan || !work) {
    paper.text(
      unquantified ?? 'There is nothing to offer yet: the job has no surfaces that could be planned.',
    );
    return;
  }
  const { book, cost } = plan;
  const { intro, terms, validDays } = book.offer;
  paper.text(`${dayText(date)}; valid until ${dayText(addDays(date, validDays))}`);
  const unready = [
    ...(refused > 0 ? [`${counted(refused, 'surface is', 'surfaces are')} not in it`] : []),
    ...(cost.missing.length > 0
      ? [`without a price: ${cost.missing.map(({ name }) => name.toLowerCase()).join(', ')}`]
      : []),
  ];
  if (unready.length > 0) {
    paper.space(6);
    paper.frame(['Not ready to be sent.', `${capital(unready.join('; '))}.`]);
  }
  if (intro !== '') {
    paper.space(8);
    paper.text(intro);
  }
  const { price, rooms } = priceFor(work, plan);
  const money = (amount: number) => exactMoney(amount, book.currency);
  paper.heading('What we do, and what it comes to');
  paper.table(
    [
      { title: 'Where', share: 2 },
      { title: 'What', share: 5 },
      { title: 'Before tax', share: 1.6, align: 'right' },
    ],
    rooms.map(({ room, net }) => [
      room === '' ? job.name : room,
      surfaces
        .filter((surface) => surface.room === room)
        .map((surface) => systemText(surface, kit.coatings))
        .join('\n'),
      money(net),
    ]),
  );
  paper.table(
    [
      { title: '', share: 7 },
      { title: '', share: 1.6, align: 'right' },
    ],
    [
      ['Price before tax', money(price.net)],
      [`Tax, ${showText(book.terms.tax, 'percent', options.units)}`, money(price.tax)],
      ['To pay', money(price.total)],
    ],
  );
  paper.heading('Not in it');
  paper.text(`${capital(plan.notCounted.join(', '))}.`);
  if (terms !== '') {
    paper.heading('Terms');
    paper.text(terms);
  }
}
