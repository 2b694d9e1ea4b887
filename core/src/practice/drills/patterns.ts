import { FAMILY_DATA } from '../../tip';
import { FAULTS, MOVES, SEEN, diagnose, type Seen } from '../../setup';
import { capital } from '../../units';
import { asked, type Draw, type Shown } from './question';

/** What tells a pattern from the others, in words. */
const LOOKS: Readonly<Record<Seen, string>> = {
  even: 'full and soft at both edges',
  tails: 'a stripe at each edge, by itself',
  'heavy edges': 'dark bands to both sides, a light middle',
  split: 'a gap in the middle',
  'one-sided': 'more to one side than to the other',
  fog: 'mist far beyond its edges',
  spitting: 'drops beside it and in it',
  pulsing: 'dark and light by turns along the stroke',
};

const shown = (seen: Seen): Shown => ({
  kind: 'pattern',
  seen,
  exponent: FAMILY_DATA.standard.profileExponent,
});

const name =
  (seen: Seen): Draw =>
  (random) =>
    asked(
      random,
      {
        skill: 'patterns',
        item: `see: ${seen}`,
        asks: 'What does this card show?',
        shown: shown(seen),
        because: [`${capital(seen)}: ${LOOKS[seen]}.`],
      },
      capital(seen),
      SEEN.map(capital),
    );

const first =
  (seen: Exclude<Seen, 'even'>): Draw =>
  (random) => {
    const found = diagnose([seen]);
    const [best] = found.ok ? found.value : [];
    const move = best?.first ?? 'clean tip';
    return asked(
      random,
      {
        skill: 'patterns',
        item: `try: ${seen}`,
        asks: `The card shows ${seen}: ${LOOKS[seen]}. Nothing else is known. What first?`,
        shown: shown(seen),
        because: best
          ? [
              `${best.name} is the most likely of ${Object.keys(FAULTS).length} faults when this is all that is seen.`,
              'What is tried first is what is most often right and costs least; the card tells whether it was.',
            ]
          : [],
      },
      MOVES[move].words,
      Object.values(MOVES).map(({ words }) => words),
    );
  };

const TROUBLES = SEEN.filter((seen): seen is Exclude<Seen, 'even'> => seen !== 'even');

export const PATTERN_DRILLS: readonly Draw[] = [...SEEN.map(name), ...TROUBLES.map(first)];
