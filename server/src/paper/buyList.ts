import type { Buying, JobPlan } from '@fine-spray/contract/planning';
import {
  BOXING_VESSEL,
  CONSUMABLES,
  CONSUMABLE_IDS,
  RISKS,
  WATERFALL,
  aboutText,
  boxingPlan,
  chanceText,
  containerText,
  moneyRange,
  moneyText,
  sparesText,
  quantileOf,
  waterfall,
  type Money,
} from '@fine-spray/core/quantities';
import { roundedInUnit, showRange, showText, type UnitSystem } from '@fine-spray/core/units';
import { writeHead } from './head';
import type { Paper } from './page';
import type { PlannedJob } from './planned';

/** What to buy for a job: paint at the risk chosen, how sure that is and where it goes; then what is used up besides. */
export function writeBuyList(paper: Paper, planned: PlannedJob): void {
  const { buyings, plan, options, refused, money } = planned;
  const { units, risk, aim } = options;
  writeHead(paper, planned);
  if (buyings.length === 0) {
    paper.text(
      planned.unquantified ?? 'There is nothing to buy yet: the job has no surfaces that could be planned.',
    );
    return;
  }
  paper.heading('Paint');
  paper.text(
    `Containers ${aim === 'cost' ? 'for the least money' : 'with little left over'}, enough ${chanceText(RISKS[risk])} by what is known now.`,
  );
  if (refused > 0) {
    const what = refused === 1 ? 'One surface is' : `${refused} surfaces are`;
    paper.text(`${what} not in it: look at them in the job.`, { strong: true });
  }
  paper.space(4);
  for (const { order, purchase } of buyings)
    paper.tick(containerText(purchase.containers, units), order.name);
  if (plan) writeBesides(paper, plan, units, money);
  paper.heading('How the paint was worked out');
  for (const buying of buyings) writeCoating(paper, buying, planned);
}

/** What is used up besides paint, and what all of it costs to buy. */
function writeBesides(
  paper: Paper,
  { consumables, cost, book }: JobPlan,
  units: UnitSystem,
  money: boolean,
): void {
  paper.heading('Besides paint');
  for (const id of CONSUMABLE_IDS) {
    const { value, low, high, kind } = consumables[id];
    const { name } = CONSUMABLES[id];
    if (value > 0)
      paper.tick(
        showText(value, kind, units),
        high > low ? `${name}, likely ${showRange(low, high, kind, units)}` : name,
      );
  }
  if (!money) return;
  paper.heading('What it costs to buy');
  const part = (name: string, sum: Money) => ({
    label: name,
    value: aboutText(sum.likely, book.currency),
    note: `likely between ${moneyRange(sum, book.currency)}`,
  });
  paper.grid([part('Paint', cost.paint), part('Besides paint', cost.consumables)], 2);
  const unpriced = cost.missing.filter((one) => one.part !== 'labour').map(({ name }) => name);
  if (unpriced.length > 0) paper.text(`Without a price and not in it: ${unpriced.join(', ').toLowerCase()}.`);
}

/** One coating: how sure what is bought is, its tips, how to box it, and where it goes. */
function writeCoating(
  paper: Paper,
  { order, likely, distribution, purchase }: Buying,
  { plan, layers, options }: PlannedJob,
): void {
  const { units } = options;
  const { containers, bought, cost, enough, spares } = purchase;
  const text = (volume: number) => showText(volume, 'volume', units);
  const at = (share: number) => quantileOf(distribution.sorted, share);
  const currency = plan?.book.currency;
  const price = cost === null || currency === undefined ? '' : ` for ${moneyText(cost, currency)}`;
  const codes = new Set(
    layers.filter(({ layer }) => layer.coatingId === order.id).map(({ card }) => card.tip.code),
  );
  paper.room(220);
  paper.subheading(order.name);
  paper.text(`${containerText(containers, units)}: ${text(bought)}${price}, enough ${chanceText(enough)}.`);
  paper.text(
    `Likely ${text(likely)}; 9 times in 10 it is ${showRange(at(0.05), at(0.95), 'volume', units)}.`,
  );
  paper.text(`Tips ${[...codes].join(' or ')}. ${sparesText(spares)}`);
  writeBoxing(paper, containers, units);
  paper.table(
    [
      { title: 'Where it likely goes', share: 5 },
      { title: '', share: 2, align: 'right' },
    ],
    waterfall(order)
      .steps.filter(({ volume }) => roundedInUnit(volume, 'volume', units) > 0)
      .map(({ step, volume }) => [WATERFALL[step], text(volume)]),
  );
}

function writeBoxing(paper: Paper, containers: Buying['purchase']['containers'], units: UnitSystem): void {
  const text = (volume: number) => showText(volume, 'volume', units);
  const steps = boxingPlan(containers, BOXING_VESSEL);
  if (steps.length === 0) return;
  const said = steps.map(({ pour, keep }) => {
    const kept = keep > 0 ? `, keep ${text(keep)} for the next mix` : '';
    return `pour together ${pour.map(text).join(', ')} and stir${kept}`;
  });
  paper.text(`Box it in a ${text(BOXING_VESSEL)} vessel: ${said.join('; then ')}.`);
}
