import fc from 'fast-check';
import { SCRIPTED_DAYS, SCRIPTED_DAY_IDS, stationForecast, stationReading } from '.';
import { to } from '../units';

describe('the simulated weather station', () => {
  it('plays every scripted day from midnight to midnight, back where it began', () => {
    for (const day of SCRIPTED_DAY_IDS) {
      const { moments } = SCRIPTED_DAYS[day];
      const hours = moments.map(([hour]) => hour);
      expect([hours[0], hours[hours.length - 1]]).toEqual([0, 24]);
      expect([...hours].sort((a, b) => a - b)).toEqual(hours);
      expect(moments[0].slice(1)).toEqual(moments[moments.length - 1]?.slice(1));
    }
  });

  it('reads what can be, at any hour, and the same for the same seed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SCRIPTED_DAY_IDS),
        fc.double({ min: -48, max: 72, noNaN: true }),
        fc.integer({ min: 0, max: 1e6 }),
        (day, hour, seed) => {
          const reading = stationReading(day, hour, seed);
          expect(reading.humidity).toBeGreaterThanOrEqual(0);
          expect(reading.humidity).toBeLessThanOrEqual(1);
          expect(reading.wind).toBeGreaterThanOrEqual(0);
          expect(reading.rain).toBeGreaterThanOrEqual(0);
          expect(to(reading.air, '°C')).toBeGreaterThan(-1);
          expect(stationReading(day, hour, seed)).toEqual(reading);
        },
      ),
    );
  });

  it('reads the script within its noise, and forecasts the hours to come', () => {
    const noon = stationReading('rain at noon', 12, 3);
    expect(to(noon.air, '°C')).toBeCloseTo(15, -0.5);
    expect(noon.rain * 1000 * 3600).toBeCloseTo(3, 9);
    const forecast = stationForecast('rain at noon', 9, 8);
    expect(forecast.map(({ ahead }) => ahead)).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
    expect(forecast.findIndex(({ rain }) => rain > 0)).toBe(2);
    expect(to(stationForecast('mild', 23, 8)[7]?.air ?? noon.air, '°C')).toBeCloseTo(12.5, 6);
  });
});
