import fc from 'fast-check';
import { of, quantity } from '../units';
import { BEAT_WAY, beatFor } from './beat';

const beat = (stroke: number, speed: number) => {
  const result = beatFor(quantity(stroke), quantity(speed));
  if (!result.ok) throw new Error(result.message);
  return result.value;
};

describe('the beat of a stroke', () => {
  it('is two beats in 3.5 s for a stroke of 2.4 m, as hands count it', () => {
    const counted = beat(2.4, 2.4 / 3.5);
    expect(counted).toMatchObject({ beats: 2 });
    expect(counted.time).toBeCloseTo(3.5, 9);
    expect(counted.perMinute).toBeCloseTo(34.3, 1);
  });

  it('moves the gun at the speed whatever the stroke, whole beats a stroke', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 12, noNaN: true }),
        fc.double({ min: 0.05, max: 5, noNaN: true }),
        (stroke, speed) => {
          const { beats, interval, time, perMinute } = beat(stroke, speed);
          expect(Number.isInteger(beats) && beats >= 1).toBe(true);
          expect(stroke / (beats * interval)).toBeCloseTo(speed, 9);
          expect(beats * interval).toBeCloseTo(time, 9);
          expect(perMinute * interval).toBeCloseTo(60, 9);
          // The way of a beat is near what a hand counts, but of a stroke that is shorter.
          if (stroke > BEAT_WAY) expect(stroke / beats).toBeLessThanOrEqual(BEAT_WAY * 1.5);
        },
      ),
    );
  });

  it('refuses what no hand does, with the field', () => {
    expect(beatFor(of(20, 'm'), of(1, 'm/s'))).toMatchObject({ ok: false, field: 'stroke' });
    expect(beatFor(of(2, 'm'), of(0, 'm/s'))).toMatchObject({ ok: false, field: 'speed' });
  });
});
