import type { Offer, OfferFigures } from '../offer';
import { listedLines, totalsOf } from '../planning';
import { columnsOf, numberIn } from './columns';
import { readTable, unguarded } from './csv';
import { readFile, refuseFile, type FileIssue, type FileRead } from './issue';
import type { Sheet } from './sheet';

/** What a line of an offer is: all of the price are together "before tax". */
export const OFFER_LINES = [
  'price',
  'set aside',
  'taken option',
  'before tax',
  'tax',
  'to pay',
  'option',
  'due',
] as const;
export type OfferLineKind = (typeof OFFER_LINES)[number];

/** One line of an offer; the amount in the money of the company. */
export interface OfferLine {
  readonly kind: OfferLineKind;
  readonly where: string;
  readonly what: string;
  readonly amount: number;
}

const COLUMNS = { kind: 'Line', where: 'Where', what: 'What', amount: 'Amount' } as const;
type Name = keyof typeof COLUMNS;

/** An offer line by line, as its paper has it. */
export function offerLines(offer: Offer, figures: OfferFigures, jobName: string): readonly OfferLine[] {
  const { net, tax, total, due } = totalsOf(offer, figures);
  const option = ({ id, net: amount }: OfferFigures['options'][number]): OfferLine => ({
    kind: offer.taken.includes(id) ? 'taken option' : 'option',
    where: '',
    what: offer.options.find((one) => one.id === id)?.name ?? '',
    amount,
  });
  const options = figures.options.map(option);
  const whole = (kind: OfferLineKind, what: string, amount: number): OfferLine => ({
    ...{ kind, where: '', what, amount },
  });
  return [
    ...listedLines(offer, figures, jobName).map(({ where, what, net: amount }): OfferLine => ({
      kind: 'price',
      where,
      what: what.join('; '),
      amount,
    })),
    ...offer.sums.map(({ what, amount }) => whole('set aside', what, amount)),
    ...options.filter(({ kind }) => kind === 'taken option'),
    whole('before tax', 'Price before tax', net),
    whole('tax', 'Tax', tax),
    whole('to pay', 'To pay', total),
    ...options.filter(({ kind }) => kind === 'option'),
    ...offer.payments.map(({ name }, index) => whole('due', name, due[index] ?? 0)),
  ];
}

/** An offer as a table, its money in the header. */
export function offerSheet(lines: readonly OfferLine[], currency: string): Sheet {
  const names = Object.keys(COLUMNS) as Name[];
  return {
    title: 'Offer',
    columns: names.map((name) => ({
      title: name === 'amount' ? `${COLUMNS.amount} (${currency})` : COLUMNS[name],
    })),
    rows: lines.map(({ kind, where, what, amount }) => [kind, where, what, amount]),
  };
}

/** Reads an offer back: all of it, or what is wrong by row and column and nothing. */
export function readOffer(bytes: Uint8Array): FileRead<readonly OfferLine[]> {
  const table = readTable(bytes);
  if (!table.ok) return table;
  const columns = columnsOf(table.value, COLUMNS);
  if (!columns.ok) return columns;
  const missing = (Object.keys(COLUMNS) as Name[]).filter((name) => !columns.value[name]);
  if (missing.length > 0)
    return refuseFile(`The header has no column ${missing.map((name) => `"${COLUMNS[name]}"`).join(', ')}.`);
  const issues: FileIssue[] = [];
  const lines = table.value.rows.map(({ row, cells }): OfferLine => {
    const cell = (name: Name) => cells[columns.value[name]?.index ?? -1] ?? '';
    const refuse = (name: Name, message: string) =>
      issues.push({ row, column: columns.value[name]?.title ?? COLUMNS[name], message });
    const kind = OFFER_LINES.find((one) => one === cell('kind'));
    if (!kind) refuse('kind', `"${cell('kind').slice(0, 40)}" must be one of: ${OFFER_LINES.join(', ')}.`);
    const amount = numberIn(cell('amount'), table.value.marks);
    if (amount === undefined) refuse('amount', `"${cell('amount').slice(0, 40)}" is not a number.`);
    return {
      kind: kind ?? 'price',
      where: unguarded(cell('where')),
      what: unguarded(cell('what')),
      amount: amount ?? NaN,
    };
  });
  return issues.length > 0 ? { ok: false, issues } : readFile(lines, [...table.notes, ...columns.notes]);
}
