import fc from 'fast-check';
import { recoatTime, type ArchetypeId, type Coating } from '.';
import { of, quantity, to, type Time } from '../units';

const coating = (archetype: ArchetypeId): Coating => ({
  name: archetype,
  archetype,
  overrides: {},
});
const hours = (celsius: number, humidity: number, archetype: ArchetypeId = 'wall-matt') => {
  const result = recoatTime(coating(archetype), of(celsius, '°C'), of(humidity, '%'));
  if (!result.ok) throw new Error(result.message);
  return to(quantity<Time>(result.value.value), 'h');
};

describe('recoat time', () => {
  it('is the data sheet time at 23 °C and 50 %', () => {
    expect(hours(23, 50)).toBeCloseTo(4, 9);
  });

  it('doubles for ten degrees colder', () => {
    expect(hours(13, 50)).toBeCloseTo(8, 9);
    expect(hours(13, 50, 'trim-enamel-solvent')).toBeCloseTo(36, 9);
  });

  it('stretches in damp air for water-borne paint only, at most three times: 83 %', () => {
    // 50/(100 − 75) = 2
    expect(hours(23, 75)).toBeCloseTo(8, 9);
    expect(hours(23, 84)).toBeCloseTo(12, 9);
    expect(hours(23, 85)).toBeCloseTo(12, 9);
    expect(hours(23, 90, 'trim-enamel-solvent')).toBeCloseTo(18, 9);
  });

  it('never gets shorter by cold or damp, and carries a band', () => {
    const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(number(10, 29), number(0, 1), number(0, 80), (celsius, more, humidity) => {
        expect(hours(celsius, humidity)).toBeGreaterThanOrEqual(hours(celsius + more, humidity) - 1e-9);
        expect(hours(celsius, humidity)).toBeLessThanOrEqual(hours(celsius, humidity + 5 * more) + 1e-9);
      }),
    );
    const result = recoatTime(coating('wall-matt'), of(23, '°C'), of(50, '%'));
    // Data sheet default ±30 % and rule ±30 %: √2 · 0.3
    expect(result.ok && result.value.high / result.value.value - 1).toBeCloseTo(0.3 * Math.SQRT2, 6);
  });

  it.each([
    [5, 50, 'temperature', /lowest temperature of 10 °C/],
    [35, 50, 'temperature', /no honest drying time at 35 °C/],
    [NaN, 50, 'temperature', /missing/],
    [20, 86, 'humidity', /no honest drying time above 85 % humidity/],
    [20, 100, 'humidity', /Dry the air/],
    [20, 120, 'humidity', /between 0 % and 100 %/],
    [20, NaN, 'humidity', /between/],
  ])('at %d °C and %d %% has no number but a sentence', (celsius, humidity, field, message) => {
    const refused = recoatTime(coating('wall-matt'), of(celsius, '°C'), of(humidity, '%'));
    expect(refused).toMatchObject({ ok: false, field });
    expect(!refused.ok && refused.message).toMatch(message);
    expect(refused).not.toHaveProperty('value');
  });

  it('is refused between the coating’s minimum and 10 °C, where the rule does not hold', () => {
    const refused = recoatTime(coating('trim-enamel-solvent'), of(7, '°C'), of(50, '%'));
    expect(refused).toMatchObject({ ok: false, code: 'drying.range' });
  });
});
