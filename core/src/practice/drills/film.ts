import {
  CUPS,
  PREFERRED_SECONDS,
  archetypeOf,
  coatingValues,
  cupForPaint,
  thinningAdvice,
  viscosityOf,
  type ArchetypeId,
  type Coating,
  type ThinningAdvice,
  type ThinningMove,
} from '../../coating';
import { combFor, combReading, combVerdict, type CombVerdict } from '../../film';
import { of, quantity, showText, small, type UnitSystem } from '../../units';
import type { Random } from '../../random';
import { asked, pick, type Draw } from './question';

/** What a verdict of the comb means for the hand. */
const VERDICTS: Readonly<Record<Exclude<CombVerdict, 'unsure'>, string>> = {
  'too thin': 'Too thin: slower, or more lap',
  'on target': 'On target: go on like this',
  'too thick': 'Too thick: faster, or less lap',
  'over the sag limit': 'Over the sag limit: stop, it will run',
};

export interface CombFacts {
  readonly wanted: number;
  readonly sagLimit: number;
  readonly lastWet: number;
}

/** The verdict of three readings that agree. */
export function verdictOf({ wanted, sagLimit, lastWet }: CombFacts, system: UnitSystem): CombVerdict {
  const reading = combReading(quantity(lastWet), combFor(system), system);
  if (!reading.ok) return 'unsure';
  const { value } = reading;
  const verdict = combVerdict(
    [value, value, value],
    { wetFilm: quantity(wanted), sagLimit: quantity(sagLimit) },
    system,
  );
  return verdict.ok ? verdict.value.verdict : 'unsure';
}

/** A film in the steps that a card says it in. */
function readable(film: number, system: UnitSystem): number {
  const step = system === 'us' ? of(0.5, 'mil') : of(5, 'μm');
  return Math.round(film / step) * step;
}

const comb =
  (verdict: Exclude<CombVerdict, 'unsure'>): Draw =>
  (random, system) => {
    const teeth = combFor(system);
    for (;;) {
      // As a card says them: the verdict is that of the numbers that are read.
      const wanted = readable(pick(random, teeth.slice(3, 11)) * 1.04, system);
      const sagLimit = readable(wanted * (1.3 + 0.5 * random()), system);
      const lastWet = pick(random, teeth.slice(0, -1));
      // No verdict on a knife's edge.
      const about = [0.98, 1, 1.02].map((by) =>
        verdictOf({ wanted: by * wanted, sagLimit: by * sagLimit, lastWet }, system),
      );
      if (about.some((one) => one !== verdict)) continue;
      const next = teeth[teeth.indexOf(lastWet) + 1] ?? lastWet;
      const text = (value: number) => showText(value, 'wetFilm', system);
      return asked(
        random,
        {
          skill: 'comb',
          item: `comb: ${verdict}`,
          asks: `Wanted: ${text(wanted)} wet. Sag limit: ${text(sagLimit)}. Three readings, all like this. What now?`,
          shown: { kind: 'comb', teeth, lastWet },
          because: [
            `The last wet tooth is ${text(lastWet)}, the first dry one ${text(next)}: the film lies between.`,
            `Against ${text(wanted)}: ${small(VERDICTS[verdict])}.`,
          ],
        },
        VERDICTS[verdict],
        Object.values(VERDICTS),
      );
    }
  };

const read: Draw = (random, system) => {
  const teeth = combFor(system);
  const at = 2 + Math.floor(random() * (teeth.length - 5));
  const text = (value: number) => showText(value, 'wetFilm', system);
  const between = (low: number, high: number) => `${text(low)} to ${text(high)}`;
  const tooth = (index: number) => teeth[index] ?? 0;
  return asked(
    random,
    {
      skill: 'comb',
      item: 'comb: the tooth',
      asks: 'How thick is this film?',
      shown: { kind: 'comb', teeth, lastWet: tooth(at) },
      because: [
        `The last tooth that is wet, and the first that is dry: ${between(tooth(at), tooth(at + 1))}.`,
        'A comb gives an interval; several of them give a mean.',
      ],
    },
    between(tooth(at), tooth(at + 1)),
    [between(tooth(at - 1), tooth(at)), between(tooth(at + 1), tooth(at + 2)), between(0, tooth(0))],
  );
};

/** What a painter does about a cup reading. */
const ANSWERS = {
  spray: 'Leave it: spray it as it is',
  thin: 'Thin it, inside the data sheet limit',
  warm: 'Warm it first; do not thin it cold',
  'warm, then thin': 'Warm it, then thin it',
  'too thin': 'Stop: it is too thin already',
} as const satisfies Partial<Record<ThinningMove, string>>;
type Answered = keyof typeof ANSWERS;

export interface CupFacts {
  readonly archetype: ArchetypeId;
  /** °C. */
  readonly paint: number;
  readonly room: number;
  /** What it reads over what is wanted, at its temperature. */
  readonly over: number;
}

/** Advice on a paint that reads so much over what is wanted. */
export function adviceOn({ archetype, paint, room, over }: CupFacts): ThinningAdvice | undefined {
  const coating: Coating = { name: archetypeOf(archetype).name, archetype, overrides: {} };
  const usual = viscosityOf(coating, { temperature: of(23, '°C'), thinner: quantity(0) });
  if (!usual.ok) return undefined;
  const advice = thinningAdvice({
    viscosity: quantity(usual.value.value * over),
    temperature: of(paint, '°C'),
    target: quantity(usual.value.value),
    limit: quantity(coatingValues(coating).thinningLimit),
    already: quantity(0),
    container: of(10, 'L'),
    room: of(room, '°C'),
  });
  return advice.ok ? advice.value : undefined;
}

const CUP_PAINTS = ['wall-matt', 'wall-satin', 'trim-enamel', 'exterior-acrylic', 'ceiling-flat'] as const;

function cupFacts(random: Random): CupFacts {
  return {
    archetype: pick(random, CUP_PAINTS),
    paint: pick(random, [6, 8, 12, 18, 21, 23]),
    room: pick(random, [12, 20, 22, 23]),
    over: Math.exp((random() - 0.35) * 1.2),
  };
}

const cup =
  (move: Answered): Draw =>
  (random, system) => {
    for (;;) {
      const facts = cupFacts(random);
      const advice = adviceOn(facts);
      if (advice?.move !== move) continue;
      const percent = Math.round((facts.over - 1) * 100);
      const reads =
        percent === 0
          ? 'just what is wanted'
          : `${Math.abs(percent)} % ${percent > 0 ? 'more' : 'less'} than wanted`;
      const text = (value: number) => showText(value + 273.15, 'temperature', system);
      return asked(
        random,
        {
          skill: 'cup',
          item: `cup: ${move}`,
          asks: `${archetypeOf(facts.archetype).name}, paint at ${text(facts.paint)}, room ${text(facts.room)}. By the cup it reads ${reads}. What now?`,
          because: [advice.words],
        },
        ANSWERS[move],
        Object.values(ANSWERS),
      );
    }
  };

const which: Draw = (random, system) => {
  const coating = (archetype: ArchetypeId): Coating => ({
    name: archetypeOf(archetype).name,
    archetype,
    overrides: {},
  });
  const archetype = pick(random, [
    'penetrating-stain',
    'clear-varnish',
    'solid-stain',
    'trim-enamel',
  ] as const);
  const chosen = cupForPaint(coating(archetype), { temperature: of(23, '°C'), thinner: quantity(0) }, system);
  if (!chosen.ok) return which(random, system);
  const { cup: id, others } = chosen.value;
  const wrong = Object.keys(CUPS).filter(
    (other): other is typeof id => other !== id && !others.includes(other as typeof id),
  );
  return asked(
    random,
    {
      skill: 'cup',
      item: 'cup: which one',
      asks: `Which cup reads ${archetypeOf(archetype).name.toLowerCase()} as it comes, in the middle of its range?`,
      because: [
        `A reading of ${PREFERRED_SECONDS.min} to ${PREFERRED_SECONDS.max} s can be trusted most: ${CUPS[id].name} gives one here.`,
      ],
    },
    CUPS[id].name,
    wrong.map((other) => CUPS[other].name),
  );
};

export const FILM_DRILLS: readonly Draw[] = [
  read,
  ...(Object.keys(VERDICTS) as (keyof typeof VERDICTS)[]).map(comb),
  ...(Object.keys(ANSWERS) as Answered[]).map(cup),
  which,
];
