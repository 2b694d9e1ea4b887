import type { Offer, OfferFigures } from '@fine-spray/contract';
import { listedLines, netOfWork, totalsOf } from '@fine-spray/contract/planning';
import { exactMoney, moneyRange, shareText } from '@fine-spray/core';
import { View } from 'react-native';
import { AmountLine } from '@/ui/amountLine';
import { Words } from '@/ui/text';

/** Whether the cost may lie above what is asked, in a sentence for the company alone. */
function insideText({ inside, currency }: OfferFigures, net: number, taken: boolean): string {
  const { total } = inside.cost;
  const left = net - total.likely;
  const share = net > 0 ? Math.round((left / net) * 100) : 0;
  return `Inside: costs you between ${moneyRange(total, currency)}; likely ${share} % of the price stays${taken ? ', options aside' : ''}.`;
}

/** What an offer comes to, largest, with its lines as they stand on the paper; and what only the company sees. */
export function OfferPrice({
  offer,
  figures,
  jobName,
}: {
  offer: Offer;
  figures: OfferFigures;
  jobName: string;
}) {
  const totals = totalsOf(offer, figures);
  const { currency, tax, numbers } = figures;
  const money = (amount: number) => exactMoney(amount, currency, numbers);
  const taken = offer.options.filter(({ id }) => offer.taken.includes(id));
  return (
    <View className="gap-2 rounded-2xl border-2 border-identity bg-sheet p-4" testID="offer-price">
      <Words size={44} weight="bold" testID="offer-total">
        {money(totals.net)}
      </Words>
      <Words colour="ink2">{`before tax; ${money(totals.total)} to pay, with tax of ${shareText(tax, numbers)}`}</Words>
      <Words colour="ink2" testID="offer-inside">
        {insideText(figures, netOfWork({ ...offer, taken: [] }, figures), taken.length > 0)}
      </Words>
      <View className="gap-1 border-t border-rule pt-2" role="group" aria-label="Lines, before tax">
        {listedLines(offer, figures, jobName).map(({ where, net }) => (
          <AmountLine key={where} name={where} amount={money(net)} />
        ))}
        {offer.sums.map(({ what, amount }, index) => (
          <AmountLine key={`${index} ${what}`} name={`Set aside: ${what}`} amount={money(amount)} />
        ))}
        {taken.map(({ id, name }) => (
          <AmountLine key={id} name={name} amount={money(netOf(figures, id))} />
        ))}
        <AmountLine name="Before tax" amount={money(totals.net)} strong />
      </View>
    </View>
  );
}

/** What an option puts on the price, or takes off it. */
export const netOf = ({ options }: OfferFigures, id: string): number =>
  options.find((one) => one.id === id)?.net ?? 0;

/** "€290 less", "€90 more". */
export function differenceText(figures: OfferFigures, id: string): string {
  const net = netOf(figures, id);
  return `${exactMoney(Math.abs(net), figures.currency, figures.numbers)} ${net < 0 ? 'less' : 'more'}`;
}
