import fc from 'fast-check';
import {
  CLUES,
  FAULTS,
  MOVES,
  SEEN,
  diagnose,
  dialIn,
  drawPattern,
  handRange,
  movesFor,
  dialInFor,
  nextDialIn,
  patternProfile,
  readPattern,
  readWidth,
  startDialIn,
  typicalPattern,
  type DialInEvent,
  type DialInSetup,
  type DialInState,
  type Seen,
} from '.';
import { evenFanProfile } from '../../film';
import { given } from '../../explain';
import { seeded } from '../../random';
import { wallRequest } from '../../testing';
import { of, to, type Pressure } from '../../units';
import { setupCard } from '../card';

const setup = (extra: Partial<DialInSetup> = {}): DialInSetup => ({
  range: { start: of(100, 'bar'), floor: of(80, 'bar'), stop: of(150, 'bar'), step: of(5, 'bar') },
  expected: { value: of(120, 'bar'), low: of(96, 'bar'), high: of(144, 'bar') },
  pumpAtLimit: false,
  coldPaint: false,
  mayThin: true,
  clogs: false,
  school: 'thin first',
  ...extra,
});
function run(events: readonly DialInEvent[], extra: Partial<DialInSetup> = {}): DialInState {
  const result = dialIn(setup(extra), events);
  if (!result.ok) throw new Error(result.message);
  return result.value;
}
const saw = (...seen: readonly Seen[]): DialInEvent[] => seen.map((one) => ({ kind: 'saw', seen: one }));
const did: DialInEvent = { kind: 'did' };
const cannot: DialInEvent = { kind: 'cannot' };
const bar = (pressure: number) => Math.round(to(pressure as Pressure, 'bar'));

describe('a dial-in', () => {
  /** Answers as a fan would that is even from a pressure on, until the dial-in ends. */
  const until = (even: number) => {
    let state = run([]);
    while (state.phase === 'spray') {
      const seen = bar(state.sweep.pressure) >= even ? 'even' : 'tails';
      state = nextDialIn(state, { kind: 'saw', seen }, setup());
    }
    return state;
  };

  it('raises by two steps at most, closes in, and stops at the lowest even step', () => {
    expect(bar(run([]).sweep.pressure)).toBe(100);
    expect(bar(run(saw('tails')).sweep.pressure)).toBe(110);
    expect(run(saw('tails', 'tails'))).toMatchObject({ phase: 'spray', step: 'higher' });
    const done = until(118);
    expect(done.phase).toBe('even');
    expect(done.phase === 'even' && bar(done.pressure.value)).toBe(120);
    expect(done.phase === 'even' && done.pressure).toMatchObject({
      basis: 'measured',
      formula: 'dialled-in pressure',
    });
    expect(done.phase === 'even' && bar(done.pressure.low)).toBe(115);
    expect(done).toMatchObject({ sure: true });
    const pressures = done.sweep.cards.map(({ pressure }) => bar(pressure));
    pressures.forEach((pressure, index) => {
      expect(pressure - Math.max(90, ...pressures.slice(0, index))).toBeLessThanOrEqual(10);
    });
  });

  it('asks for a card again before it believes what is hardly expected', () => {
    expect(run(saw('even'))).toMatchObject({ phase: 'spray', step: 'again' });
    expect(bar(run(saw('even', 'tails', 'tails')).sweep.pressure)).toBeGreaterThan(100);
  });

  it('goes lower when the fan is even sooner than expected, to the last even one, down to the floor', () => {
    expect(until(95)).toMatchObject({ phase: 'even', sure: true });
    const ends = [95, 60].map((even) => until(even));
    expect(ends.map((end) => end.phase === 'even' && bar(end.pressure.value))).toEqual([95, 80]);
  });

  it('takes a fogging card for one with enough pressure, and another family where no step is even', () => {
    expect(bar(run(saw('fog', 'fog')).sweep.pressure)).toBeLessThan(100);
    let state = run([]);
    while (state.phase === 'spray') {
      const seen = bar(state.sweep.pressure) >= 115 ? 'fog' : 'tails';
      state = nextDialIn(state, { kind: 'saw', seen }, setup());
    }
    expect(state).toMatchObject({ phase: 'move', symptom: 'fog', move: 'softer family' });
  });

  it('says unsure, with a wider range, when the cards never agree', () => {
    const random = seeded(5);
    const ends = Array.from({ length: 60 }, () => {
      let state = run([]);
      while (state.phase === 'spray') {
        state = nextDialIn(state, { kind: 'saw', seen: random() < 0.5 ? 'tails' : 'even' }, setup());
      }
      return state;
    });
    const unsure = ends.flatMap((end) => (end.phase === 'even' && !end.sure ? [end] : []));
    expect(unsure.length).toBeGreaterThan(0);
    for (const { cards, pressure } of unsure) {
      expect(cards).toBe(12);
      expect(pressure.high).toBeGreaterThan(pressure.value);
    }
  });

  const toTheTop = saw(...Array.from({ length: 12 }, (): Seen => 'tails'));
  it.each([
    ['the pump at its limit: a smaller orifice', { pumpAtLimit: true }, 'smaller orifice'],
    ['cold paint: warm it', { coldPaint: true }, 'warm'],
    ['thick paint: thin it', {}, 'thin'],
    ['thick paint where no thinner is allowed: clean the filters', { mayThin: false }, 'clean filters'],
    [
      'the other school: filters, then a larger orifice',
      { school: 'larger orifice first' as const },
      'clean filters',
    ],
    ['clogging: filters, then a larger orifice', { clogs: true }, 'clean filters'],
  ] as const)('at full pressure with tails and %s', (_what, extra, move) => {
    const state = run(toTheTop, extra);
    expect(state).toMatchObject({ phase: 'move', symptom: 'tails', move });
    expect(state.phase === 'move' && state.words).toBe(MOVES[move].words);
    expect(movesFor('tails', setup({ clogs: true }))[1]).toBe('larger orifice');
    expect(movesFor('tails', setup({ school: 'larger orifice first' }))[1]).toBe('larger orifice');
  });

  it('starts low again after another tip or paint, and where it was after cleaning', () => {
    expect(bar(run([...toTheTop, did]).sweep.pressure)).toBe(100);
    const cleaned = run([...saw('tails', 'one-sided'), did]);
    expect(bar(cleaned.sweep.pressure)).toBe(110);
    expect(cleaned.sweep.cards).toHaveLength(1);
    expect(run([...saw('one-sided'), did, ...saw('one-sided')])).toMatchObject({
      phase: 'move',
      move: 'clean filters',
    });
    // Tails up to the top with a blocked filter tell nothing once it is clean.
    const filtered = run([...toTheTop, did], { mayThin: false });
    expect(filtered).toMatchObject({ phase: 'spray', sweep: { cards: [] } });
    expect(bar(filtered.sweep.pressure)).toBe(150);
  });

  it('goes to the next move when one cannot be made, and says when there is none', () => {
    const state = run([...saw('spitting'), cannot, cannot, cannot, cannot]);
    expect(state.phase).toBe('stuck');
    expect(state.tried).toHaveLength(4);
  });

  it('ignores an answer that does not belong, and can be taken back', () => {
    const state = run(saw('tails'));
    expect(nextDialIn(state, did, setup())).toBe(state);
    const moving = run(saw('split'));
    expect(nextDialIn(moving, { kind: 'saw', seen: 'even' }, setup())).toBe(moving);
    const events = saw('tails', 'split');
    expect(run(events.slice(0, -1))).toEqual(state);
  });

  it('always ends, whatever is seen and done', () => {
    const event = fc.oneof(
      fc.constantFrom(...SEEN).map((seen): DialInEvent => ({ kind: 'saw', seen })),
      fc.constantFrom(did, cannot),
    );
    const context = fc.record({
      pumpAtLimit: fc.boolean(),
      coldPaint: fc.boolean(),
      mayThin: fc.boolean(),
      clogs: fc.boolean(),
      school: fc.constantFrom('thin first' as const, 'larger orifice first' as const),
    });
    // Twelve cards for each of the moves and the first sweep; a fault spoils a card without a place in the sweep.
    const limit = 12 * (Object.keys(MOVES).length + 1) + 3 * Object.keys(MOVES).length;
    fc.assert(
      fc.property(context, fc.infiniteStream(event), (extra, events) => {
        const whole = setup(extra);
        const started = startDialIn(whole);
        if (!started.ok) throw new Error(started.message);
        let state = started.value;
        let steps = 0;
        while (state.phase === 'spray' || state.phase === 'move') {
          const next = nextDialIn(state, events.next().value as DialInEvent, whole);
          if (next !== state) steps += 1;
          state = next;
          expect(state.sweep.pressure).toBeGreaterThanOrEqual(whole.range.floor - 1);
          expect(state.sweep.pressure).toBeLessThanOrEqual(whole.range.stop + 1);
          expect(new Set(state.tried).size).toBe(state.tried.length);
          expect(steps).toBeLessThanOrEqual(limit);
        }
      }),
    );
  });

  it('finds the lowest even step of any fan that tails below it and fogs above it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 80, max: 149 }), fc.integer({ min: 12, max: 60 }), (threshold, width) => {
        const look = (pressure: number): Seen =>
          bar(pressure) < threshold ? 'tails' : bar(pressure) > threshold + width ? 'fog' : 'even';
        let state = run([]);
        while (state.phase === 'spray') {
          state = nextDialIn(state, { kind: 'saw', seen: look(state.sweep.pressure) }, setup());
        }
        expect(state.phase === 'even' && bar(state.pressure.value)).toBe(Math.ceil(threshold / 5) * 5);
      }),
    );
  });

  it('sets what a hand can set', () => {
    const range = handRange(of(9.61, 'MPa'), of(6, 'MPa'), of(15.59, 'MPa'), 'metric');
    expect([range.start, range.floor, range.stop, range.step].map(bar)).toEqual([95, 60, 155, 5]);
    const exact = handRange(of(100, 'bar'), of(60, 'bar'), of(150, 'bar'), 'metric');
    expect([exact.start, exact.floor, exact.stop].map(bar)).toEqual([100, 60, 150]);
    const us = handRange(of(1390, 'psi'), of(870, 'psi'), of(2262, 'psi'), 'us');
    expect([us.start, us.floor, us.stop].map((one) => Math.round(to(one, 'psi')))).toEqual([1400, 900, 2250]);
  });

  it.each([
    ['start', { start: of(NaN, 'bar') }],
    ['floor', { floor: of(0, 'bar') }],
    ['stop', { stop: of(Infinity, 'bar') }],
    ['step', { step: of(0, 'bar') }],
    ['stop', { stop: of(90, 'bar') }],
    ['stop', { floor: of(120, 'bar') }],
  ] as const)('is refused for a range with a bad %s', (field, extra) => {
    expect(startDialIn(setup({ range: { ...setup().range, ...extra } }))).toMatchObject({ ok: false, field });
    expect(dialIn(setup({ range: { ...setup().range, ...extra } }), [])).toMatchObject({ ok: false, field });
  });
});

describe('a diagnosis', () => {
  const first = (...signs: Parameters<typeof diagnose>[0]) => {
    const result = diagnose(signs);
    if (!result.ok) throw new Error(result.message);
    return result.value;
  };
  it.each([
    [['tails'], 'low pressure'],
    [['tails', 'full pressure', 'cold paint'], 'cold paint'],
    [['tails', 'full pressure'], 'thick paint'],
    [['tails', 'full pressure', 'pump at its limit', 'sags under the trigger'], 'orifice too large'],
    [['one-sided'], 'clogged tip'],
    [['narrow fan', 'heavy edges'], 'worn tip'],
    [['fog'], 'high pressure'],
    [['pulsing'], 'worn packings'],
    [['spitting', 'pulsing'], 'air in the paint'],
    [['clogs often'], 'orifice too small'],
  ] as const)('of %j is %s', (signs, fault) => {
    const [best] = first(...signs);
    expect(best?.fault).toBe(fault);
    expect(best?.because.length).toBeGreaterThan(0);
    expect(MOVES[best?.first ?? 'prime'].words.length).toBeGreaterThan(10);
  });

  it('names the strongest sign of a fault first', () => {
    const worn = first('tails', 'narrow fan', 'split').find(({ fault }) => fault === 'worn tip');
    expect(worn?.because).toEqual(['narrow fan', 'tails', 'split']);
  });

  it('shares belief among all faults, and more signs of one raise it', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...CLUES, 'tails', 'fog', 'split', 'pulsing'), { minLength: 1 }),
        (signs) => {
          const all = first(...signs);
          expect(all).toHaveLength(Object.keys(FAULTS).length);
          expect(all.reduce((sum, { likelihood }) => sum + likelihood, 0)).toBeCloseTo(1, 9);
          expect([...all].sort((a, b) => b.likelihood - a.likelihood)).toEqual(all);
        },
      ),
    );
    const cold = (list: ReturnType<typeof first>) =>
      list.find(({ fault }) => fault === 'cold paint')?.likelihood ?? 0;
    expect(cold(first('tails', 'cold paint'))).toBeGreaterThan(cold(first('tails')));
    expect(diagnose([])).toMatchObject({ ok: false, field: 'signs' });
  });
});

describe('a pattern', () => {
  const across = (seen: Seen, exponent: number, points = 121) => {
    const profile = patternProfile(typicalPattern(seen, exponent));
    return Array.from({ length: points }, (_, index) => profile(-1.2 + (2.4 * index) / (points - 1)));
  };

  it('drawn by the model is read back as what it shows', () => {
    for (const exponent of [0.7, 1, 1.5]) {
      for (const seen of ['even', 'tails', 'heavy edges', 'split', 'one-sided'] as const) {
        const reading = readPattern(across(seen, exponent), exponent);
        expect([exponent, reading.ok && reading.value.seen]).toEqual([exponent, seen]);
        expect(reading.ok && reading.value.confidence).toBeGreaterThan(0.5);
      }
    }
  });

  it('is read alike in a mirror, but for the side', () => {
    // One side heavier; a tail on one side alone, which makes that end of the fan the steep one
    const tailed = across('even', 1).map((film, index) => (index > 102 && index < 110 ? film + 0.6 : film));
    for (const film of [across('one-sided', 1), tailed]) {
      const [one, other] = [readPattern(film, 1), readPattern([...film].reverse(), 1)];
      if (!one.ok || !other.ok) throw new Error('readings');
      expect(other.value.features.skew).toBeCloseTo(-one.value.features.skew, 6);
      for (const feature of ['tails', 'edges', 'split'] as const)
        expect(other.value.features[feature]).toBeCloseTo(one.value.features[feature], 6);
    }
  });

  it('shows next to nothing of any fault where it is even, for every family', () => {
    for (const exponent of [0.7, 1, 1.5]) {
      const reading = readPattern(across('even', exponent, 241), exponent);
      if (!reading.ok) throw new Error(reading.message);
      const { tails, edges, split, skew } = reading.value.features;
      for (const one of [tails, edges, split, Math.abs(skew)]) expect(one).toBeLessThan(0.06);
    }
  });

  it('shows a fault as strong as it is, however dark the picture', () => {
    const tails = (height: number, darkness = 1) => {
      const profile = patternProfile({ ...typicalPattern('even', 1), tails: height });
      const film = Array.from({ length: 241 }, (_, index) => darkness * profile(-1.2 + (2.4 * index) / 240));
      const reading = readPattern(film, 1);
      return reading.ok ? reading.value.features.tails : NaN;
    };
    expect(tails(1.2) / tails(0.6)).toBeGreaterThan(1.8);
    expect(tails(1.2) / tails(0.6)).toBeLessThan(2.2);
    expect(tails(0.6, 40)).toBeCloseTo(tails(0.6), 9);
    expect(Math.abs(tails(0.6) / 0.6 - 1)).toBeLessThan(0.25);
  });

  it('has its ends where the fan ends', () => {
    const reading = readPattern(across('even', 1), 1);
    // Film over 8 % of the middle: |s| < √0.92 = 0.959 of ±1.2
    expect(reading.ok && reading.value.features.ends.left).toBeCloseTo((1.2 - 0.959) / 2.4, 1);
    expect(reading.ok && reading.value.features.ends.right).toBeCloseTo((1.2 + 0.959) / 2.4, 1);
  });

  it('is drawn the same for the same random numbers; even is even, pulsing swings, spitting throws drops', () => {
    const draw = (seen: Seen, seed = 1) => drawPattern(typicalPattern(seen, 1), 60, 30, seeded(seed)).film;
    expect(draw('spitting')).toEqual(draw('spitting'));
    expect(draw('spitting', 2)).not.toEqual(draw('spitting'));
    const middle = (film: Float64Array) => Array.from({ length: 30 }, (_, row) => film[row * 60 + 30] ?? 0);
    expect(new Set(middle(draw('even'))).size).toBe(1);
    // The middle columns of an even fan are as dark as its profile, the ends bare
    expect(draw('even')[30] ?? NaN).toBeCloseTo(1, 2);
    expect(draw('even')[0]).toBe(0);
    const mean = middle(draw('pulsing')).reduce((sum, one) => sum + one, 0) / 30;
    expect(mean).toBeCloseTo(1, 2);
    // Skew makes one tail higher: 0.7 · (1 ± 0.3 · 0.9) on the skewed body 0.19 · (1 ± 0.27)
    const skewed = patternProfile({ ...typicalPattern('tails', 1), skew: 0.3 });
    expect(skewed(0.9)).toBeCloseTo(0.89 * 1.27, 6);
    expect(skewed(-0.9)).toBeCloseTo(0.89 * 0.73, 6);
    expect(Math.max(...middle(draw('pulsing'))) / Math.min(...middle(draw('pulsing')))).toBeGreaterThan(1.5);
    expect(patternProfile(typicalPattern('even', 1))(0.3)).toBeCloseTo(evenFanProfile(1)(0.3), 12);
    expect(patternProfile(typicalPattern('fog', 1))(1.2)).toBeGreaterThan(0.1);
    expect(Math.max(...draw('spitting'))).toBeGreaterThan(1.4);
  });

  it.each([
    ['pattern.values', []],
    ['pattern.values', [1, 2, 3]],
    ['pattern.values', Array.from({ length: 50 }, () => NaN)],
    ['pattern.values', Array.from({ length: 50 }, () => -1)],
    ['pattern.empty', Array.from({ length: 50 }, () => 0)],
    ['pattern.narrow', Array.from({ length: 50 }, (_, index) => (index === 20 ? 1 : 0))],
  ])('is refused as %s when it cannot be read', (code, film) => {
    expect(readPattern(film, 1)).toMatchObject({ ok: false, code, field: 'pattern' });
  });
});

describe('a measured width', () => {
  const wanted = of(254, 'mm');
  const read = (mm: number) => readWidth(of(mm, 'mm'), wanted);

  it.each([
    [250, 'even', false],
    [215, 'tails', false],
    [180, undefined, true],
  ] as const)('of %d mm where 254 are expected offers %s', (mm, offers, worn) => {
    const reading = read(mm);
    expect(reading.ok && reading.value.offers).toBe(offers);
    expect(reading.ok && reading.value.worn).toBe(worn);
    expect(reading.ok && reading.value.words).toMatch(/254 mm/);
  });

  it.each([0, -3, NaN, Infinity, 5, 400, 9000])('of %d mm is refused at its field', (mm) => {
    expect(read(mm)).toMatchObject({ ok: false, field: 'width' });
  });
});

describe('the dial-in of a card', () => {
  it('lies between the family and what pump and hoses leave, around the pressure expected', () => {
    const request = wallRequest();
    const result = setupCard(request);
    if (!result.ok) throw new Error(result.message);
    const { candidate } = result.value.tip;
    const made = dialInFor(candidate, request);
    expect(made).toMatchObject({ pumpAtLimit: false, coldPaint: false, mayThin: true, clogs: false });
    expect(made.expected.value).toBe(candidate.evenFanPressure);
    expect(made.range.start).toBeGreaterThanOrEqual(candidate.band.start);
    expect(made.range.stop).toBeLessThanOrEqual(candidate.band.stop);
    const cold = dialInFor(candidate, { ...request, paintTemperature: of(9, '°C'), thinning: of(5, '%') });
    expect(cold).toMatchObject({ coldPaint: true, mayThin: false });
    expect(dialInFor(candidate, request, {}, 'us').range.step).toBe(of(50, 'psi'));
    const long = wallRequest({ hoses: [{ length: of(75, 'm'), bore: of(1 / 4, 'in') }] });
    const starved = setupCard({ ...long, chosenTip: { family: 'standard', fan: 5, orificeThou: 17 } });
    if (starved.ok) expect(dialInFor(starved.value.tip.candidate, long).pumpAtLimit).toBe(true);
    else expect(starved.code).toBe('tip.pressure');
  });

  it('expects what the log has taught, within its range', () => {
    const evenFan = { ...given('x', 'factor', 1.1, 'x'), low: 1.05, high: 1.15 };
    const chosenTip = { family: 'standard' as const, fan: 5, orificeThou: 15 };
    const request = wallRequest({ history: { evenFan: { standard: evenFan } }, chosenTip });
    const result = setupCard(request);
    if (!result.ok) throw new Error(result.message);
    const { candidate } = result.value.tip;
    const { expected } = dialInFor(candidate, request);
    expect(expected.high / expected.value).toBeCloseTo(1.15 / 1.1, 9);
    expect(expected.low / expected.value).toBeCloseTo(1.05 / 1.1, 9);
  });
});
