import { setupCard, type SetupCard } from '@fine-spray/core';
import { wallRequest } from '@fine-spray/core/testing';
import { cardOf, setUpNumbers, setUpWays } from './setUps';

const request = wallRequest();
function card(): SetupCard {
  const result = setupCard(request);
  if (!result.ok) throw new Error(result.message);
  return result.value;
}
const numbers = (one: SetupCard, hour: number | null = 50) =>
  Object.fromEntries(
    setUpNumbers(one, { hour, currency: 'EUR' }, 'metric').map(({ name, text }) => [name, text]),
  );

describe('set-ups side by side', () => {
  it('begin with the one on the card, then the best of the rest, none twice', () => {
    const best = card();
    const ways = setUpWays(request, best, 'metric');
    expect(ways).toHaveLength(6);
    expect(ways[0]?.tip).toEqual(best.tip.candidate.tip);
    expect(new Set(ways.map(({ id }) => id)).size).toBe(6);
    const [, second] = ways;
    const chosen = setupCard({ ...request, chosenTip: second?.tip });
    if (!chosen.ok) throw new Error(chosen.message);
    expect(setUpWays(request, chosen.value, 'metric')[0]?.id).toBe(second?.id);
    expect(setUpWays(request, chosen.value, 'metric')[1]?.id).toBe(ways[0]?.id);
  });

  it('say what each comes to: the numbers of its own card', () => {
    const [one] = setUpWays(request, card(), 'metric');
    const result = cardOf(request, one?.tip ?? card().tip.candidate.tip, 'metric');
    if (!result.ok) throw new Error(result.message);
    const { sprayingTime, flowShare } = result.value.tip.candidate;
    const shown = numbers(result.value);
    expect(shown['Spraying']).toBe(`${Math.round(sprayingTime / 60)} min`);
    expect(shown['Pump flow in hand']).toBe(`${Math.round((1 - flowShare) * 100)} %`);
    expect(Number(shown['Its hours cost']?.replace(/[^\d.]/g, ''))).toBe(
      Math.round((sprayingTime / 3600) * 50),
    );
    expect(numbers(result.value, null)['Its hours cost']).toBe('no price');
  });

  it('differ: a finer hole takes longer and leaves the pump more in hand', () => {
    const at = (orificeThou: number) => {
      const result = cardOf(request, { family: 'standard', fan: 5, orificeThou }, 'metric');
      if (!result.ok) throw new Error(result.message);
      const shown = numbers(result.value);
      return [shown['Spraying'], shown['Pump flow in hand']].map((text) => parseFloat(text ?? ''));
    };
    const [[slow = NaN, fine = NaN], [quick = NaN, coarse = NaN]] = [at(13), at(17)];
    expect(slow).toBeGreaterThan(quick);
    expect(fine).toBeGreaterThan(coarse);
  });
});
