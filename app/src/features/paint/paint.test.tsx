import { meanOf, thinnerAfter, type Entry, type Gear } from '@fine-spray/contract';
import { fireEvent, screen } from '@testing-library/react-native';
import { useState } from 'react';
import { playStorage } from '@/testing/deviceStorage';
import { renderPart } from '@/testing/render';
import { coatingRow, row } from '@/testing/rows';
import { Stopwatch } from './Stopwatch';
import { answerOf, readCheck, readingsOf, shiftAt, type Check } from './usePaintCheck';

const coating = coatingRow('01930000-0000-7000-8000-000000000002', 'Interior wall matt', 'wall-matt');
const check = (extra: Partial<Check> = {}): Check => ({
  cup: 'dip-5',
  batch: '',
  newContainer: true,
  shift: 'morning',
  temperature: 296.15,
  room: 296.15,
  container: 0.01,
  wait: 0,
  thinnerBefore: 0,
  target: 50,
  before: [],
  added: null,
  addedWhat: 'Clean water',
  after: [],
  ...extra,
});
const gear = (cup: Gear['cup']): Gear => ({
  ...row,
  id: String(cup),
  kind: 'cup',
  name: 'Cup',
  count: 1,
  maxPressure: null,
  fitting: null,
  mesh: null,
  length: null,
  seal: null,
  cup,
  note: '',
});
const of = (extra: Partial<Check>, cups: readonly Gear[] = [], entries: readonly Entry[] = []) =>
  answerOf(check(extra), { coating }, cups, entries, 'metric');
const move = (extra: Partial<Check>) => {
  const { advice } = of(extra);
  return advice?.ok ? advice.value.move : advice?.code;
};

describe('a check of the paint', () => {
  it('advises a cup that reads the paint in its middle, one that is owned first', () => {
    const usual = of({ cup: null });
    expect(usual.advised).toBe(usual.cup);
    const fits = of({ cup: null }, [gear('dip-5')]);
    expect(fits.cup).toBe('dip-5');
    expect(of({ cup: null }, [gear('dip-1')]).cup).toBe(usual.cup);
  });

  it('says spray, thin or warm by what was measured, and nothing before', () => {
    expect(of({}).advice).toBeUndefined();
    expect(move({ before: [50, 51] })).toBe('spray');
    expect(move({ before: [65, 66] })).toBe('thin');
    expect(move({ before: [70], temperature: 281.15 })).toMatch(/warm/);
  });

  it('refuses seconds outside the range of the cup, at the reading or at the wish', () => {
    expect(of({ before: [95] }).viscosity).toMatchObject({ ok: false, code: 'cup.window' });
    expect(of({ before: [50], target: 8 }).advice).toMatchObject({ ok: false, field: 'target' });
  });

  it('compares an own cup by its seconds alone', () => {
    const own = of({ cup: 'own', before: [45], target: 35 });
    expect(own.viscosity).toBeUndefined();
    expect(own.own?.ok && own.own.value.verdict).toBe('thicker');
  });

  it('takes the target of the last check with this cup, and learns from the records', () => {
    const entries = [0, 1, 2].map((day): Entry => ({
      ...row,
      id: `01930000-0000-7000-8000-00000000020${day}`,
      kind: 'viscosity',
      schema: 1,
      clockSkew: null,
      at: `2026-11-1${day}T08:00:00Z`,
      author: 'TO',
      jobId: null,
      surfaceId: null,
      replaces: null,
      payload: {
        coatingId: coating.id,
        batch: '',
        newContainer: true,
        shift: 'morning',
        cup: 'dip-5',
        temperature: 290,
        before: [60],
        target: 47,
        thinnerBefore: 0,
        container: 0.01,
        addedWhat: 'Clean water',
        added: 0.0003,
        after: [50],
        viscosityBefore: 1.9,
        viscosityAfter: 1.55,
      },
    }));
    const answer = of({ target: null, before: [60] }, [], entries);
    expect(answer.target).toBe(47);
    expect(answer.slopes?.readings).toBe(6);
    const thinners = readingsOf(entries, coating.id).map(({ thinner }) => Number(thinner.toFixed(9)));
    expect(thinners).toEqual([0, 0.03, 0, 0.03, 0, 0.03]);
    expect(readingsOf(entries, 'another')).toEqual([]);
  });

  it('goes on with the reading after: what remains to be added, until it is as wanted', () => {
    const next = (after: readonly number[], added: number | null = null) => {
      const found = answerOf(
        check({ before: [60], after, added }),
        { coating },
        [gear('dip-5')],
        [],
        'metric',
      ).next;
      if (!found?.ok) throw new Error('no advice');
      return found.value;
    };
    expect(next([56]).move).toBe('thin');
    expect(next([56]).amount.value).toBeGreaterThan(0);
    expect(next([56]).amount.value).toBeLessThan(next([58]).amount.value);
    expect(next([50])).toMatchObject({ move: 'spray', amount: { value: 0 } });
    // 10 L take half a litre by the sheet: with 450 mL in it 50 are left
    expect(next([58], 0.00045).move).toBe('limit');
    expect(next([58], 0.00045).amount.value).toBeCloseTo(0.00005, 9);
    expect(
      answerOf(check({ before: [60] }), { coating }, [gear('dip-5')], [], 'metric').next,
    ).toBeUndefined();
  });

  it('is taken up again as it was kept, and not when it is something else', () => {
    expect(readCheck(JSON.parse(JSON.stringify(check({ before: [40] }))))).toEqual(check({ before: [40] }));
    for (const broken of [
      null,
      {},
      { ...check(), before: ['x'] },
      { ...check(), shift: 'noon' },
      { ...check(), cup: 'mug' },
    ]) {
      expect(readCheck(broken)).toBeUndefined();
    }
    expect([7, 13, 20].map(shiftAt)).toEqual(['morning', 'afternoon', 'evening']);
    expect(meanOf([40, 42])).toBe(41);
  });
});

it('counts what is added on the paint without its thinner', () => {
  expect(thinnerAfter({ container: 0.01, thinnerBefore: 0 }, 0.0005)).toBeCloseTo(0.05, 12);
  // 10.2 L of a mix with 2 % in it are 10 L of paint: 0.3 L more are 3 %.
  expect(thinnerAfter({ container: 0.0102, thinnerBefore: 0.02 }, 0.0003)).toBeCloseTo(0.05, 12);
});

describe('the stopwatch', () => {
  it('runs on behind another screen, and is forgotten when nobody stopped it', () => {
    playStorage();
    const shown = () => renderPart(<Stopwatch label="Cup time" of="wall" readings={[]} onChange={taken} />);
    const taken = jest.fn();
    const clock = jest.spyOn(Date, 'now');
    clock.mockReturnValue(1_000_000);
    const first = shown();
    fireEvent.press(screen.getByRole('button', { name: /Start when the cup clears/ }));
    first.unmount();
    clock.mockReturnValue(1_042_000);
    const second = shown();
    fireEvent.press(screen.getByRole('button', { name: /Stop when the stream breaks/ }));
    expect(taken).toHaveBeenCalledWith([42]);
    second.unmount();
    // Stopped, it stands; started and left for an hour, it was forgotten.
    const third = shown();
    fireEvent.press(screen.getByRole('button', { name: /Start when the cup clears/ }));
    third.unmount();
    clock.mockReturnValue(4_700_000);
    shown();
    expect(screen.getByRole('button', { name: /Start when the cup clears/ })).toBeTruthy();
    clock.mockRestore();
  });

  it('is one button: start, stop, again; with mean and spread, and the last one taken off', () => {
    let now = 0;
    function Watch() {
      const [readings, setReadings] = useState<readonly number[]>([]);
      return (
        <Stopwatch label="Cup time" of="wall" readings={readings} onChange={setReadings} now={() => now} />
      );
    }
    renderPart(<Watch />);
    const time = (seconds: number) => {
      fireEvent.press(screen.getByRole('button', { name: /Start when the cup clears/ }));
      now += seconds * 1000;
      fireEvent.press(screen.getByRole('button', { name: /Stop when the stream breaks/ }));
    };
    time(40);
    expect(screen.getByText(/40.0 s. Mean 40.0, once more/)).toBeTruthy();
    time(50);
    expect(screen.getByText(/Mean 45.0, 22 % apart/)).toBeTruthy();
    expect(screen.getByText(/Caution: the readings lie far apart/)).toBeTruthy();
    fireEvent.press(screen.getByRole('button', { name: 'Take the last off' }));
    expect(screen.getByText(/^40.0 s/)).toBeTruthy();
    // A double tap is no reading.
    time(0.4);
    expect(screen.getByText(/^40.0 s. Mean/)).toBeTruthy();
  });
});
