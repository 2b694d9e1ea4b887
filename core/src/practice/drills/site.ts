import { EMERGENCY_CARDS } from '../../emergency';
import { archetypeOf } from '../../coating';
import { SPRAYER_CLASS_DATA, type SprayerClass } from '../../line';
import { cautionsFor, type CautionCode, type SafetyContext, type Step } from '../../safety';
import { meshFor } from '../../setup';
import { SEALS, TIP_FAMILIES, orificeDiameter, sealFor, writeTipCode } from '../../tip';
import { jobTip } from './jobTip';
import { asked, pick, type Draw, type Scene } from './question';

const CALM: Scene = {
  side: 'inside',
  power: 'electric',
  machine: 'inside',
  wetGround: false,
  wind: false,
  high: false,
  handAtTip: false,
  solvent: false,
};

/** Scenes with one thing wrong, and the caution that names it. */
const SCENES: readonly { readonly code: CautionCode; readonly step: Step; readonly scene: Partial<Scene> }[] =
  [
    { code: 'carbon monoxide', step: 'spray', scene: { power: 'engine', machine: 'inside' } },
    { code: 'wet cord', step: 'spray', scene: { side: 'outside', machine: 'outside', wetGround: true } },
    { code: 'drift', step: 'spray', scene: { side: 'outside', machine: 'outside', wind: true } },
    { code: 'injection', step: 'spray', scene: { handAtTip: true } },
    { code: 'power line', step: 'spray', scene: { side: 'outside', machine: 'outside', high: true } },
    { code: 'ignition', step: 'spray', scene: { solvent: true } },
  ];

/** A scene as the safety rules take it. */
export function contextOf(scene: Scene, step: Step): SafetyContext {
  return {
    step,
    base: scene.solvent ? 'solvent' : 'water',
    element: scene.high ? 'edge' : 'wall',
    side: scene.side,
    kind: 'smooth-board',
    wind: scene.wind ? 'breeze' : 'calm',
    reach: scene.high ? 5 : 2.4,
    power: scene.power,
    surfaceAge: 'new',
    hardener: 'none',
    waterOnly: false,
    wetGround: scene.wetGround,
    hot: false,
  };
}

/** What is on a picture, for whoever does not see it. */
export function sceneText({
  side,
  power,
  machine,
  wetGround,
  wind,
  high,
  handAtTip,
  solvent,
}: Scene): string {
  return [
    `${side === 'inside' ? 'A room' : 'Outside, at a house wall'}.`,
    `The sprayer ${power === 'engine' ? 'runs on an engine and' : 'is electric and'} stands ${machine === 'inside' ? 'in the room' : 'outside'}${wetGround ? ', its cord lies in a puddle' : ''}.`,
    ...(wind ? ['The wind blows towards parked cars.'] : []),
    ...(high ? ['The painter stands on a long ladder, a power line close by.'] : []),
    ...(handAtTip ? ['A hand wipes the tip; the trigger is not locked.'] : []),
    ...(solvent ? ['The pail says: solvent-borne, flammable. A heater burns in the corner.'] : []),
  ].join(' ');
}

const wrongHere =
  ({ code, scene }: (typeof SCENES)[number]): Draw =>
  (random) => {
    const whole: Scene = { ...CALM, ...scene };
    const all = SCENES.map((one) => {
      const said = cautionsFor(contextOf({ ...CALM, ...one.scene }, one.step));
      return { code: one.code, caution: said.find((caution) => caution.code === one.code) };
    });
    const right = all.find((one) => one.code === code)?.caution;
    return asked(
      random,
      {
        skill: 'site',
        item: `site: ${code}`,
        asks: 'What is wrong on this job?',
        shown: { kind: 'site', scene: whole },
        because: right ? [right.what, right.why] : [],
      },
      right?.what ?? '',
      all.flatMap((one) => (one.code !== code && one.caution ? [one.caution.what] : [])),
    );
  };

/** What people do who do not know better. */
const HARM = [
  'Wait until tomorrow: it hardly hurts.',
  'Squeeze the paint out and put a plaster on.',
  'Tie the finger off above the cut.',
  'Wash it out with thinner and go on working.',
  'Cool it with ice and see whether it swells.',
] as const;

const SAY_WRONG = [
  'I have cut my finger a little.',
  'I have got some paint on my hand.',
  'I need a plaster and something against pain.',
] as const;

const injection: readonly Draw[] = [
  (random) => {
    const { lead, under, name } = EMERGENCY_CARDS.skin;
    return asked(
      random,
      {
        skill: 'injection',
        item: 'injection: first',
        asks: `${name}: the jet has hit a finger. It looks like a small cut and hardly bleeds. What now?`,
        because: [under],
      },
      lead,
      HARM,
    );
  },
  (random) => {
    const { say = '', never } = EMERGENCY_CARDS.skin;
    return asked(
      random,
      {
        skill: 'injection',
        item: 'injection: what to say',
        asks: 'You are at the emergency department. What do you say first?',
        because: ['Nobody there sees it: it looks like a small cut.', ...never.slice(0, 1)],
      },
      say,
      SAY_WRONG,
    );
  },
  (random) => {
    const { never, steps } = EMERGENCY_CARDS.skin;
    const right = pick(random, never.slice(0, 2));
    return asked(
      random,
      {
        skill: 'injection',
        item: 'injection: never',
        asks: 'Paint under the skin, on the way to the emergency department. Which of these is on the card?',
        because: [right, ...steps.slice(1, 2)],
      },
      right,
      HARM,
    );
  },
];

const seal: Draw = (random) => {
  const family = pick(random, TIP_FAMILIES);
  const advice = sealFor(family, 'water');
  return asked(
    random,
    {
      skill: 'fits',
      item: 'fits: the seal',
      asks: `Which seat does a ${family} tip take?`,
      because: [
        `A ${family} tip seats on: ${SEALS[advice.seal].toLowerCase()}. A seal of another family leaks at full pressure.`,
      ],
    },
    SEALS[advice.seal],
    Object.values(SEALS),
  );
};

const filter: Draw = (random) => {
  const archetype = pick(random, ['wall-matt', 'trim-enamel', 'ceiling-flat', 'exterior-acrylic'] as const);
  const orificeThou = pick(random, [9, 11, 13, 15, 17, 19]);
  const mesh = meshFor(archetypeOf(archetype).mesh, orificeDiameter({ fan: 5, orificeThou }));
  const text = (value: number) => `${value} mesh`;
  return asked(
    random,
    {
      skill: 'fits',
      item: 'fits: the filter',
      asks: `${archetypeOf(archetype).name} through ${writeTipCode({ fan: 4, orificeThou })}: which filter in the gun?`,
      because: [
        `${text(mesh)}: the filter is finer than the tip, or the tip is the filter. A fine tip wants a fine one; thick paint a coarser one.`,
      ],
    },
    text(mesh),
    [30, 60, 100, 200].map(text),
  );
};

const pump: Draw = (random) => {
  const classes = Object.keys(SPRAYER_CLASS_DATA) as SprayerClass[];
  const one = pick(random, classes);
  const { largestOrificeThou } = SPRAYER_CLASS_DATA[one];
  const code = (orificeThou: number) => writeTipCode({ fan: 5, orificeThou });
  return asked(
    random,
    {
      skill: 'fits',
      item: 'fits: the pump',
      asks: `A ${one} sprayer feeds orifices up to ${largestOrificeThou} thou. Which of these tips is too large for it?`,
      because: [
        `${code(largestOrificeThou + 2)} has ${largestOrificeThou + 2} thou: it outruns the pump, and pressure sags under the trigger.`,
      ],
    },
    code(largestOrificeThou + 2),
    [0, -2, -4, -6].map((less) => code(largestOrificeThou + less)),
  );
};

export const SITE_DRILLS: readonly Draw[] = [
  ...SCENES.map(wrongHere),
  ...injection,
  seal,
  filter,
  pump,
  jobTip,
];
