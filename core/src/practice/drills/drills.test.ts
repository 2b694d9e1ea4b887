import { EMERGENCY_CARDS } from '../../emergency';
import { combFor, combReading, combVerdict } from '../../film';
import { FLUIDS, FLUID_IDS, flushSequence, mayMeet, type Fluid } from '../../procedure';
import { seeded } from '../../random';
import { SEEN, MOVES, diagnose, searchSetups } from '../../setup';
import { CAUTIONS, cautionsFor } from '../../safety';
import {
  NOMINAL_DISTANCE,
  SEALS,
  TIP_FAMILIES,
  checkSeal,
  existsInFamily,
  fanWidth,
  readTipCode,
  type Seal,
  type TipFamily,
} from '../../tip';
import { capital, quantity, showText, type UnitSystem } from '../../units';
import { SKILL_IDS, allDrills, sceneText, type Question } from '.';
import { PRACTICE_PIECES, PRACTICE_PIECE_IDS, practiceRequest } from '../pieces';
import { contextOf } from './site';

/** Questions of each item in both systems of units. */
const EACH = 25;

function many(system: UnitSystem): readonly Question[] {
  const random = seeded(2026);
  return allDrills().flatMap(({ draw }) => Array.from({ length: EACH }, () => draw(random, system)));
}
const QUESTIONS = { metric: many('metric'), us: many('us') };
const of = (skill: string, system: UnitSystem = 'metric') =>
  QUESTIONS[system].filter((question) => question.skill === skill);
const about = (item: string | RegExp, system: UnitSystem = 'metric') =>
  QUESTIONS[system].filter((question) =>
    typeof item === 'string' ? question.item === item : item.test(question.item),
  );

/** Options that a judge finds right: there must be one, and it is the one the question means. */
function oneIsRight(question: Question, isRight: (option: string) => boolean): void {
  const found = question.options.flatMap((option, index) => (isRight(option) ? [index] : []));
  expect({ asks: question.asks, options: question.options, found }).toMatchObject({
    found: [question.right],
  });
}

it('asks thousands of questions of every skill, each with different answers, a reason and a place for the right one', () => {
  const all = [...QUESTIONS.metric, ...QUESTIONS.us];
  expect(all.length).toBeGreaterThan(2000);
  expect(new Set(all.map(({ skill }) => skill))).toEqual(new Set(SKILL_IDS));
  for (const { options, right, because, asks } of all) {
    expect(options.length).toBeGreaterThanOrEqual(3);
    expect(new Set(options).size).toBe(options.length);
    expect(options[right]).toBeTruthy();
    expect(because.length).toBeGreaterThan(0);
    for (const sentence of [asks, ...because]) expect(sentence).toMatch(/^[“A-Z0-9].*[.?!]$/s);
  }
});

it('gives the right answer no place of its own', () => {
  for (const { item } of allDrills()) {
    const places = about(item).map(({ right }) => right);
    expect([item, new Set(places).size > 1]).toEqual([item, true]);
  }
});

it('names each item once', () => {
  const items = allDrills().map(({ item }) => item);
  expect(new Set(items).size).toBe(items.length);
});

it('draws the same question from the same numbers', () => {
  for (const { draw } of allDrills()) expect(draw(seeded(5), 'us')).toEqual(draw(seeded(5), 'us'));
});

describe('solved by the core itself', () => {
  it('tip codes', () => {
    for (const question of about(/^(three|four) digits$/)) {
      const [code = ''] = question.shown?.kind === 'tip' ? question.shown.codes : [];
      const read = readTipCode(code);
      if (!read.ok) throw new Error(read.message);
      const { fan, orificeThou } = read.value;
      oneIsRight(question, (option) => {
        const [a, b] = [...option.matchAll(/\d+/g)].map(Number);
        return a === fan && b === orificeThou;
      });
    }
    for (const question of about('the code of a tip')) {
      const [fan, orifice] = [...question.asks.matchAll(/\d+/g)].map(Number);
      oneIsRight(question, (option) => {
        const read = readTipCode(option);
        return read.ok && read.value.fan === fan && read.value.orificeThou === orifice;
      });
    }
    for (const system of ['metric', 'us'] as const)
      for (const question of about('how wide a fan is', system)) {
        const read = readTipCode(question.shown?.kind === 'tip' ? (question.shown.codes[0] ?? '') : '');
        if (!read.ok) throw new Error(read.message);
        const width = showText(fanWidth(read.value.fan, NOMINAL_DISTANCE), 'fanWidth', system);
        oneIsRight(question, (option) => option === width);
      }
  });

  it('tip sizes', () => {
    for (const question of about('how much more paint')) {
      const [small, large] = (question.shown?.kind === 'tip' ? question.shown.codes : []).map((code) => {
        const read = readTipCode(code);
        return read.ok ? read.value.orificeThou : NaN;
      });
      const ratio = ((large ?? NaN) / (small ?? NaN)) ** 2;
      oneIsRight(question, (option) => Math.abs(Number.parseFloat(option) - ratio) <= 0.051);
    }
    for (const question of about('which sprays more')) {
      const sizes = (question.shown?.kind === 'tip' ? question.shown.codes : []).map((code) =>
        Number(code.slice(-2)),
      );
      oneIsRight(question, (option) => Number(option.slice(-2)) === Math.max(...sizes));
    }
  });

  it('patterns', () => {
    for (const question of about(/^see: /)) {
      const seen = question.shown?.kind === 'pattern' ? question.shown.seen : undefined;
      oneIsRight(question, (option) => option === capital(seen ?? ''));
    }
    for (const question of about(/^try: /)) {
      const seen = SEEN.find((one) => question.item === `try: ${one}`);
      const found = seen && seen !== 'even' ? diagnose([seen]) : undefined;
      const first = found?.ok ? found.value[0]?.first : undefined;
      oneIsRight(question, (option) => first !== undefined && option === MOVES[first].words);
    }
  });

  it('combs', () => {
    for (const system of ['metric', 'us'] as const) {
      for (const question of about('comb: the tooth', system)) {
        if (question.shown?.kind !== 'comb') throw new Error('no comb');
        const read = combReading(quantity(question.shown.lastWet), combFor(system));
        if (!read.ok) throw new Error(read.message);
        const text = (value: number) => showText(value, 'wetFilm', system);
        oneIsRight(question, (option) => option === `${text(read.value.low)} to ${text(read.value.high)}`);
      }
      // What is said is rounded as a comb is read: the verdict is that of the numbers that are said, too.
      for (const question of about(/^comb: (too|on|over)/, system)) {
        if (question.shown?.kind !== 'comb') throw new Error('no comb');
        const factor = system === 'metric' ? 1e-6 : 25.4e-6;
        const [wanted = 0, sag = 0] = [...question.asks.matchAll(/[\d.,]+(?= (?:μm|µm|mil))/g)].map(
          ([number]) => Number(number.replace(',', '')) * factor,
        );
        const read = combReading(quantity(question.shown.lastWet), combFor(system));
        if (!read.ok) throw new Error(read.message);
        const verdict = combVerdict([read.value, read.value, read.value], {
          wetFilm: quantity(wanted),
          sagLimit: quantity(sag),
        });
        if (!verdict.ok) throw new Error(verdict.message);
        expect([question.asks, `comb: ${verdict.value.verdict}`]).toEqual([question.asks, question.item]);
        oneIsRight(question, (option) => option.toLowerCase().startsWith(verdict.value.verdict));
      }
    }
  });

  it('flushes', () => {
    const way = (option: string): readonly Fluid[] =>
      option.startsWith('Nothing')
        ? []
        : option.split(', then ').map((name) => {
            const fluid = FLUID_IDS.find((id) => FLUIDS[id].name.toLowerCase() === name.toLowerCase());
            if (!fluid) throw new Error(name);
            return fluid;
          });
    for (const question of of('flush')) {
      const [from, to] = question.item.replace('flush: ', '').split(' to ') as [
        Fluid,
        Exclude<Fluid, 'unknown'>,
      ];
      const right = flushSequence(from, to);
      oneIsRight(question, (option) => way(option).join() === right.join());
      // Nothing shorter that is offered would do.
      for (const option of question.options) {
        const all = [from, ...way(option), to];
        const fits = all.every((fluid, index) => index === 0 || mayMeet(all[index - 1] ?? fluid, fluid));
        if (fits && from !== to && !FLUIDS[from].paint && from !== 'storage')
          expect(way(option).length).toBeGreaterThanOrEqual(right.length);
      }
    }
  });

  it('what fits', () => {
    for (const question of about('fits: the seal')) {
      const family = question.asks.replace(/^Which seat does a (.*) tip take\?$/, '$1') as TipFamily;
      oneIsRight(question, (option) => {
        const seal = (Object.keys(SEALS) as Seal[]).find((one) => SEALS[one] === option);
        return seal !== undefined && checkSeal(family, seal).ok;
      });
    }
    for (const question of about('fits: the pump')) {
      const [largest = 0] = [...question.asks.matchAll(/(\d+) thou/g)].map(([, size]) => Number(size));
      oneIsRight(question, (option) => {
        const read = readTipCode(option);
        return read.ok && read.value.orificeThou > largest;
      });
    }
  });

  it('the tip for a job: one of those that are offered can be sprayed there', () => {
    for (const question of about('fits: the tip for a job')) {
      const id = PRACTICE_PIECE_IDS.find((one) =>
        question.asks.includes(`: ${PRACTICE_PIECES[one].name.toLowerCase()}, `),
      );
      if (!id) throw new Error(question.asks);
      oneIsRight(question, (option) => {
        const read = readTipCode(option);
        if (!read.ok) throw new Error(read.message);
        const tips = TIP_FAMILIES.filter((family) => existsInFamily(family, read.value)).map((family) => ({
          family,
          ...read.value,
        }));
        const found = searchSetups(practiceRequest(id), 'metric', tips);
        return found.ok && found.value.options.length > 0;
      });
    }
  });

  it('sites: of the cautions that are offered one holds there', () => {
    for (const question of of('site')) {
      if (question.shown?.kind !== 'site') throw new Error('no scene');
      const { scene } = question.shown;
      expect(sceneText(scene).length).toBeGreaterThan(20);
      // That a jet hurts holds always: it is what is wrong where a hand is at the tip.
      const holds = cautionsFor(contextOf(scene, 'spray')).filter(
        ({ code }) => code !== 'injection' || scene.handAtTip,
      );
      oneIsRight(question, (option) => holds.some(({ what }) => what === option));
    }
    expect(CAUTIONS.length).toBeGreaterThan(20);
  });

  it('injection: only what the emergency card says', () => {
    const card = EMERGENCY_CARDS.skin;
    const says = [card.lead, card.say, card.under, ...card.steps, ...card.never];
    for (const question of of('injection')) oneIsRight(question, (option) => says.includes(option));
  });
});
