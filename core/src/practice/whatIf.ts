import type { SetupCard } from '../setup';

/** What is tried on a card before spraying. */
export interface Tried {
  /** Share of the fan. */
  readonly overlap: number;
  /** m/s. */
  readonly gunSpeed: number;
  /** m. */
  readonly distance: number;
}

/** What a card says of these. */
export const triedOf = ({ overlap, gunSpeed, distance }: SetupCard): Tried => ({
  overlap: overlap.value,
  gunSpeed: gunSpeed.value,
  distance: distance.value,
});

/**
 * A card sprayed in another way: with another lap, speed or distance; further away the fan is wider in the same measure. What is wanted of
 * the film stays as it is.
 */
export function cardTried(card: SetupCard, { overlap, gunSpeed, distance }: Tried): SetupCard {
  const wider = distance / card.distance.value;
  return {
    ...card,
    overlap: { ...card.overlap, value: overlap },
    gunSpeed: { ...card.gunSpeed, value: gunSpeed },
    distance: { ...card.distance, value: distance },
    fan: { ...card.fan, value: card.fan.value * wider },
  };
}
