import {
  FAN_SCHOOLS,
  NOMINAL_DISTANCE,
  fanWidth,
  sprayAngleWidth,
  tipCatalogue,
  writeTipCode,
  type TipCode,
} from '../../tip';
import { showText } from '../../units';
import { asked, pick, type Draw } from './question';
import type { Random } from '../../random';

const reading = ({ fan, orificeThou }: TipCode) => `Fan ${fan}, orifice ${orificeThou} thou`;

function tipOf(random: Random, digits: 3 | 4): TipCode {
  const all = tipCatalogue().filter((tip) => tip.fan >= 10 === (digits === 4));
  return pick(random, all);
}

/** Slips that people make with a code, as readings of it. */
function slips({ fan, orificeThou }: TipCode): readonly TipCode[] {
  const code = writeTipCode({ fan, orificeThou });
  const first = Number(code.slice(0, 1));
  const lead = Number(code.slice(0, 2));
  return [
    { fan: first, orificeThou: Number(code.slice(1)) },
    { fan: lead, orificeThou: Number(code.slice(2)) },
    { fan: orificeThou, orificeThou: fan },
    { fan: first, orificeThou },
    { fan: fan + 1, orificeThou },
    { fan, orificeThou: orificeThou + 2 },
  ];
}

const read =
  (digits: 3 | 4): Draw =>
  (random) => {
    const tip = tipOf(random, digits);
    const code = writeTipCode(tip);
    return asked(
      random,
      {
        skill: 'tip codes',
        item: digits === 3 ? 'three digits' : 'four digits',
        asks: `What does ${code} say?`,
        shown: { kind: 'tip', codes: [code] },
        because: [
          digits === 3
            ? 'Three digits are one of fan and two of orifice.'
            : 'Four digits are two of fan and two of orifice.',
          `${code} is fan ${tip.fan}, orifice ${tip.orificeThou} thou.`,
        ],
      },
      reading(tip),
      slips(tip).map(reading),
    );
  };

const write: Draw = (random) => {
  const tip = pick(random, tipCatalogue());
  const code = writeTipCode(tip);
  return asked(
    random,
    {
      skill: 'tip codes',
      item: 'the code of a tip',
      asks: `Which code is fan ${tip.fan} with an orifice of ${tip.orificeThou} thou?`,
      because: [`The fan comes first, the last two digits are the orifice: ${code}.`],
    },
    code,
    [
      `${String(tip.orificeThou).padStart(2, '0')}${tip.fan}`,
      writeTipCode({ fan: tip.fan * 2, orificeThou: tip.orificeThou }),
      writeTipCode({ fan: tip.fan, orificeThou: tip.orificeThou + 2 }),
      writeTipCode({ fan: tip.fan + 1, orificeThou: tip.orificeThou }),
    ],
  );
};

const width: Draw = (random, system) => {
  const { fan, orificeThou } = tipOf(random, 3);
  const code = writeTipCode({ fan, orificeThou });
  const text = (value: number) => showText(value, 'fanWidth', system);
  const right = fanWidth(fan, NOMINAL_DISTANCE);
  return asked(
    random,
    {
      skill: 'tip codes',
      item: 'how wide a fan is',
      asks: `How wide is the fan of ${code} on the wall, from ${showText(NOMINAL_DISTANCE, 'distance', system)}?`,
      shown: { kind: 'tip', codes: [code] },
      because: [
        `${FAN_SCHOOLS['double inches'].name}: ${fan} makes ${text(right)}.`,
        'Five times the fan number in centimetres at 30 cm is the same school.',
      ],
    },
    text(right),
    [right / 2, right * 1.5, right * 2, right * 0.75].map(text),
  );
};

const angle: Draw = (random, system) => {
  const fan = pick(random, [3, 4, 5, 6, 7, 8]);
  const text = (value: number) => showText(value, 'fanWidth', system);
  const rule = fanWidth(fan, NOMINAL_DISTANCE);
  const wider = (sprayAngleWidth(fan, NOMINAL_DISTANCE) ?? rule) > rule;
  const [more, less] = ['Wider than the rule', 'Narrower than the rule'];
  return asked(
    random,
    {
      skill: 'tip codes',
      item: 'the school of the spray angle',
      asks: `Somebody takes ten times the fan number as the spray angle: ${fan * 10}° for fan ${fan}. What width does that give against twice the number in inches (${text(rule)})?`,
      because: [
        `As an angle it gives ${text(sprayAngleWidth(fan, NOMINAL_DISTANCE) ?? rule)} at 12 in, twice the number in inches ${text(rule)}.`,
        'The wall shows what the rule of twice the number says, for common fans.',
      ],
    },
    wider ? more : less,
    [more, less, 'The same to a hair'],
  );
};

/** Paint through an orifice goes with its area: the square of its diameter. */
export const paintRatio = (one: number, other: number): number => (one / other) ** 2;

const times = (ratio: number): string => `${(Math.round(ratio * 10) / 10).toFixed(1)} times the paint`;

const more: Draw = (random) => {
  const small = pick(random, [9, 11, 13, 15, 17]);
  const large = small + pick(random, [2, 4, 6, 8, small <= 13 ? small : 6]);
  const fan = pick(random, [3, 4, 5]);
  const [a, b] = [writeTipCode({ fan, orificeThou: small }), writeTipCode({ fan, orificeThou: large })];
  const ratio = paintRatio(large, small);
  return asked(
    random,
    {
      skill: 'tip sizes',
      item: 'how much more paint',
      asks: `${b} instead of ${a}, at the same pressure: how much paint comes out?`,
      shown: { kind: 'tip', codes: [a, b] },
      because: [
        `Paint goes with the area of the hole: (${large} ÷ ${small})² = ${ratio.toFixed(2)}.`,
        'Twice the orifice is about four times the paint.',
      ],
    },
    times(ratio),
    [large / small, ratio ** 1.5, 1, ratio + 1].map(times),
  );
};

const larger: Draw = (random) => {
  const [a, b] = [tipOf(random, 3), tipOf(random, pick(random, [3, 4] as const))];
  if (a.orificeThou === b.orificeThou || a.fan === b.fan) return larger(random, 'metric');
  const [one, other] = [a, b].map(writeTipCode) as [string, string];
  const first = a.orificeThou > b.orificeThou;
  return asked(
    random,
    {
      skill: 'tip sizes',
      item: 'which sprays more',
      asks: `Which lets more paint through: ${one} or ${other}?`,
      shown: { kind: 'tip', codes: [one, other] },
      because: [
        `${one}: orifice ${a.orificeThou} thou. ${other}: orifice ${b.orificeThou} thou. The fan does not count for how much.`,
      ],
    },
    first ? one : other,
    [one, other, 'Both the same'],
  );
};

const narrower: Draw = (random) => {
  const orificeThou = pick(random, [13, 15, 17]);
  const fan = pick(random, [3, 4, 5, 6]);
  const [wide, narrow] = [writeTipCode({ fan: fan + 2, orificeThou }), writeTipCode({ fan, orificeThou })];
  return asked(
    random,
    {
      skill: 'tip sizes',
      item: 'the fan at the same orifice',
      asks: `${narrow} instead of ${wide}, at the same gun speed: what happens to the film?`,
      shown: { kind: 'tip', codes: [wide, narrow] },
      because: [
        `The same paint on a fan of ${fan} instead of ${fan + 2}: ${((fan + 2) / fan).toFixed(1)} times as thick where it lands.`,
      ],
    },
    'Thicker, on a narrower stripe',
    [
      'Thinner, on a narrower stripe',
      'The same film, on a narrower stripe',
      'Nothing: the orifice is the same',
    ],
  );
};

export const TIP_DRILLS: readonly Draw[] = [read(3), read(4), write, width, angle, more, larger, narrower];
