import { requestFor, type Kit, type SetupSurface } from '@fine-spray/contract/planning';
import { ARCHETYPES, setupCard, type SetupCard, type SetupRequest } from '@fine-spray/core';
import { fireEvent, screen } from '@testing-library/react-native';
import { renderPart } from '@/testing/render';
import { coatingRow, hoseRow, sprayerRow, wallSetup } from '@/testing/rows';
import { CalculatorScreen } from './CalculatorScreen';
import { answerOf, trialOf, type Trial } from './useCalculator';

const surface: SetupSurface = { ...wallSetup, thinning: 0.05 };

/** A site of a coating, with its card. */
function siteOf(archetype = 'wall-matt', extra: Partial<SetupSurface> = {}) {
  const coating = coatingRow('c', 'Interior wall matt', archetype as never);
  const kit: Kit = {
    coatings: [coating],
    sprayers: [sprayerRow('s', 'Mid', 'mid electric')],
    hoses: [hoseRow('h', 'Quarter')],
    tips: [],
  };
  const request = requestFor({ ...surface, ...extra }, { sprayerId: 's', hoseIds: ['h'], lift: 0 }, kit);
  if (!request) throw new Error('no request');
  const card = setupCard(request);
  return { site: { request, coating, card }, request, card };
}

function right<Value>(result: { ok: boolean; value?: Value; message?: string }): Value {
  if (!result.ok || result.value === undefined) throw new Error(result.message);
  return result.value;
}

const work = (request: SetupRequest, card: SetupCard, extra: Partial<Trial> = {}) =>
  answerOf({ request }, card, { ...trialOf({ request }, card, 'metric'), ...extra }, 'metric');

describe('a trial', () => {
  it('begins with the card’s own numbers, whatever is sprayed', () => {
    let begun = 0;
    for (const archetype of Object.keys(ARCHETYPES)) {
      for (const element of ['wall', 'ceiling'] as const) {
        const { request, card: found } = siteOf(archetype, { element, thinning: 0 });
        if (!found.ok) continue;
        begun += 1;
        const card = found.value;
        const answer = work(request, card);
        const films = right(answer.films);
        expect(films.wet).toBeCloseTo(card.wetFilm.value, 12);
        expect(films.dry * card.passesPerCoat).toBeCloseTo(card.dryFilm.value, 12);
        for (const end of ['value', 'low', 'high'] as const) {
          expect(right(answer.speed)[end]).toBeCloseTo(card.gunSpeed[end], 9);
        }
        const exact = work(request, card, { time: card.stroke.time });
        expect(right(exact.laid).value).toBeCloseTo(card.wetFilm.value, 12);
        expect(right(answer.variation).value).toBeCloseTo(card.tip.candidate.overlap.variation, 12);
        expect(answer.sags).toBe(false);
      }
    }
    expect(begun).toBeGreaterThan(10);
  });

  it('makes each film from the other, and slower guns and wider laps make more of it', () => {
    const { request, card: found } = siteOf();
    const card = right(found);
    const films = right(work(request, card, { film: { is: 'dry', value: 40e-6 } }).films);
    expect(films.dry).toBe(40e-6);
    expect(films.follows.kind).toBe('wetFilm');
    const back = right(work(request, card, { film: { is: 'wet', value: films.wet } }).films);
    expect(back.dry).toBeCloseTo(40e-6, 12);
    const { time } = trialOf({ request }, card, 'metric');
    const laid = (extra: Partial<Trial>) => right(work(request, card, extra).laid).value;
    expect(laid({ time: 2 * time })).toBeCloseTo(2 * laid({}), 12);
    expect(laid({ overlap: 0.5 }) / laid({ overlap: 0 })).toBeCloseTo(2, 12);
  });

  it('says that a film runs, and refuses what is none', () => {
    const { request, card: found } = siteOf();
    const card = right(found);
    expect(work(request, card, { film: { is: 'wet', value: card.sagLimit.value * 1.01 } }).sags).toBe(true);
    const none = work(request, card, { film: { is: 'wet', value: 1 } });
    expect([none.films.ok, none.speed.ok, none.spreading.ok, none.sags]).toEqual([
      false,
      false,
      false,
      false,
    ]);
    expect(right(work(request, card, { total: 200e-6, build: 'full' }).coats).coats.value).toBeLessThan(
      right(work(request, card, { total: 200e-6, build: 'lighter' }).coats).coats.value,
    );
  });
});

it('a film typed moves the other, the gun and the warning, and the card’s numbers come back', () => {
  const { site } = siteOf();
  renderPart(<CalculatorScreen site={site} />);
  const wet = () => screen.getByLabelText(/Wet film wanted/).props['value'] as string;
  const before = wet();
  fireEvent.changeText(screen.getByLabelText(/Dry film wanted/), '400');
  expect(screen.getByText(/This film runs/)).toBeTruthy();
  expect(wet()).not.toBe(before);
  fireEvent.changeText(screen.getByLabelText(/Dry film wanted/), 'thick');
  expect(screen.getByText(/Dry film wanted is not a number/)).toBeTruthy();
  fireEvent.press(screen.getByRole('button', { name: 'Back to the card’s numbers' }));
  expect(wet()).toBe(before);
  expect(screen.queryByText(/This film runs/)).toBeNull();
  expect(screen.getByTestId('calculator-coats')).toHaveTextContent(/dry each/);
});
