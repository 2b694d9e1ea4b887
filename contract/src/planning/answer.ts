import { PRECEDENCE_NOTE } from '@fine-spray/core/safety';
import { setupCard, type SetupCard } from '@fine-spray/core/setup';
import { counted, showRange, showText, type UnitSystem } from '@fine-spray/core/units';
import { firstSetup } from './firstSetup';
import type { Kit } from './kit';
import { requestFor } from './layers';

/** A number of an answer as it is shown. */
export interface AnswerPart {
  readonly label: string;
  readonly value: string;
}

/** A card in one line: the numbers without which nobody begins. */
export const answerParts = (card: SetupCard, system: UnitSystem): readonly AnswerPart[] => [
  { label: 'tip', value: card.tip.code },
  { label: 'gun', value: showRange(card.gunPressure.start, card.gunPressure.stop, 'pressure', system) },
  { label: 'stroke', value: showText(card.stroke.time, 'time', system) },
  { label: 'paint', value: showText(card.paint.value, 'volume', system) },
];

/** The answer of the set-up without a job, for a page that shows it before its program is there. */
export interface FirstAnswer {
  readonly parts: readonly AnswerPart[];
  /** For what it is. */
  readonly of: string;
  readonly why: string;
  /** What takes precedence over it. */
  readonly note: string;
  /** That it is not all. */
  readonly coming: string;
}

/** What the set-up without a job says when it is first opened; nothing where the kit is not enough for a card. */
export function firstAnswer(kit: Kit, system: UnitSystem): FirstAnswer | undefined {
  const first = firstSetup(kit);
  const request = first && requestFor(first.surface, first.job, kit);
  const card = request && setupCard(request, system);
  if (!first || !card?.ok) return undefined;
  const { surface, job } = first;
  const named = (rows: readonly { readonly id: string; readonly name: string }[], id: string) =>
    rows.find((one) => one.id === id)?.name ?? '';
  return {
    parts: answerParts(card.value, system),
    of: `A usual wall, ${counted(surface.coats, 'coat')} of ${named(kit.coatings, surface.coatingId)}, with ${named(kit.sprayers, job.sprayerId)}`,
    why: card.value.tip.reason,
    note: PRECEDENCE_NOTE,
    coming: 'The rest of the card is on its way.',
  };
}
