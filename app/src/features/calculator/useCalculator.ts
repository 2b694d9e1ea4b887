import {
  BUILD_SCHOOLS,
  accept,
  coatingInput,
  coatsNeeded,
  dryFilmFrom,
  evenFanProfile,
  filmAtSpeed,
  quantity,
  show,
  speedForFilm,
  spreadingOf,
  variationOf,
  visibleShare,
  wetFilmFor,
  FAMILY_DATA,
  type BuildSchool,
  type Coats,
  type Explained,
  type Fraction,
  type Input,
  type Length,
  type Result,
  type SetupCard,
  type UnitSystem,
} from '@fine-spray/core';
import { useMemo, useState } from 'react';
import type { Site } from '@/features/site';
import { useUnits } from '@/ui/units';

/** What a trial stands on. */
export type TrialSite = Pick<Site, 'request' | 'coating' | 'card'>;

/** What is tried: the card's own numbers at first, each changed by hand. */
export interface Trial {
  /** The film that was typed last; the other one follows from it. */
  readonly film: { readonly is: 'dry' | 'wet'; readonly value: number };
  /** Thinner per paint, by volume. */
  readonly thinner: number;
  readonly overlap: number;
  /** Time of a stroke, s. */
  readonly time: number;
  /** Dry film in all, m. */
  readonly total: number;
  readonly build: BuildSchool;
}

/** Both films of one pass, m, and the one that follows from what was typed, with its formula. */
export interface Films {
  readonly wet: number;
  readonly dry: number;
  readonly follows: Explained;
}

/** Everything a trial comes to; each a refusal by itself where it cannot be. */
export interface TrialAnswer {
  readonly films: Result<Films>;
  readonly spreading: Result<Explained>;
  /** Gun speed that lays the wet film in one pass. */
  readonly speed: Result<Explained>;
  /** Film that the hand's own speed lays. */
  readonly laid: Result<Explained>;
  readonly variation: Result<Explained>;
  readonly coats: Result<Coats>;
  /** Whether one pass of the film is over what stays up. */
  readonly sags: boolean;
}

/** The numbers of a card, to start from. */
export function trialOf({ request }: Pick<Site, 'request'>, card: SetupCard, system: UnitSystem): Trial {
  const dry = coatingInput(request.coating, 'dryFilm').value;
  return {
    film: { is: 'dry', value: card.dryFilm.value / card.passesPerCoat },
    thinner: request.thinning,
    overlap: card.overlap.value,
    // As the card says it: a hand does not keep a hundredth of a second.
    time: Number(show(card.stroke.time, 'time', system).number),
    total: dry * card.coats,
    build: 'lighter',
  };
}

function filmsOf(
  { is, value }: Trial['film'],
  solids: Input,
  thinner: Fraction,
  system: UnitSystem,
): Result<Films> {
  const typed = quantity<Length>(value);
  const follows =
    is === 'dry' ? wetFilmFor(typed, solids, thinner, system) : dryFilmFrom(typed, solids, thinner, system);
  if (!follows.ok) return follows;
  const other = follows.value.value;
  return accept({
    wet: is === 'wet' ? value : other,
    dry: is === 'dry' ? value : other,
    follows: follows.value,
  });
}

/** Films, gun speeds and coats of a trial, by the formulas of the card. */
export function answerOf(
  { request }: Pick<Site, 'request'>,
  card: SetupCard,
  trial: Trial,
  system: UnitSystem,
): TrialAnswer {
  const solids = coatingInput(request.coating, 'volumeSolids');
  const thinner = quantity<Fraction>(trial.thinner);
  const films = filmsOf(trial.film, solids, thinner, system);
  const pass = { ...card.pass, overlap: quantity<Fraction>(trial.overlap) };
  const { profileExponent } = FAMILY_DATA[card.tip.candidate.tip.family];
  return {
    films,
    spreading: films.ok ? spreadingOf(quantity(films.value.dry), solids, system) : films,
    speed: films.ok ? speedForFilm(pass, quantity(films.value.wet), system) : films,
    laid: filmAtSpeed(pass, quantity(card.stroke.length / trial.time), system),
    variation: variationOf(evenFanProfile(profileExponent), trial.overlap, visibleShare(profileExponent)),
    coats: coatsNeeded(
      {
        dryTotal: quantity(trial.total),
        dryPerCoat: quantity(coatingInput(request.coating, 'dryFilm').value),
        sagLimit: quantity(card.sagLimit.value),
        solids,
        thinner,
        school: trial.build,
      },
      system,
    ),
    sags: films.ok && films.value.wet > card.sagLimit.value * (1 + 1e-9),
  };
}

/** The calculator of a site: its trial, how it is changed, and what comes of it. */
export function useCalculator(site: TrialSite, card: SetupCard) {
  const { system } = useUnits();
  const [trial, setTrial] = useState(() => trialOf(site, card, system));
  const answer = useMemo(() => answerOf(site, card, trial, system), [site, card, trial, system]);
  return {
    trial,
    answer,
    change: (next: Partial<Trial>) => setTrial({ ...trial, ...next }),
    reset: () => setTrial(trialOf(site, card, system)),
  };
}

export const BUILDS = Object.keys(BUILD_SCHOOLS) as BuildSchool[];
