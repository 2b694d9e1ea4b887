import fc from 'fast-check';
import { GUN_PASSAGE, lineAtPump, lineForGun, type LineReport, type LineRequest } from '.';
import { given } from '../explain';
import { of, quantity, to, type Flow, type Length, type Pressure, type Result } from '../units';

const request = (extra: Partial<LineRequest> = {}): LineRequest => ({
  hoses: [
    { length: of(15, 'm'), bore: of(3 / 8, 'in') },
    { length: of(1.5, 'm'), bore: of(3 / 16, 'in') },
  ],
  height: of(2, 'm'),
  orifice: of(0.015, 'in'),
  maxFlow: of(2, 'L/min'),
  lowShear: { ...given('low', 'viscosity', 1, 'x'), low: 0.8, high: 1.2 },
  highShear: { ...given('high', 'viscosity', 0.12, 'x'), low: 0.1, high: 0.14 },
  density: given('density', 'density', 1300, 'x'),
  ...extra,
});
function accepted(result: Result<LineReport>): LineReport {
  if (!result.ok) throw new Error(result.message);
  return result.value;
}
const sum = (report: LineReport) => report.parts.reduce((total, { drop }) => total + drop.value, 0);

describe('the line as one', () => {
  it('adds up: height, hoses, gun and tip take the whole pump pressure', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 220, noNaN: true }),
        fc.double({ min: -3, max: 10, noNaN: true }),
        (bar, metres) => {
          const report = accepted(
            lineAtPump(request({ height: of(metres, 'm'), gun: GUN_PASSAGE }), of(bar, 'bar')),
          );
          expect(Math.abs(sum(report) - of(bar, 'bar'))).toBeLessThan(10);
          expect(report.parts.map(({ name }) => name)).toEqual(['Height', 'Hose 1', 'Hose 2', 'Gun', 'Tip']);
          expect(report.parts.reduce((total, { share }) => total + share, 0)).toBeCloseTo(1, 5);
        },
      ),
    );
  });

  it('goes from the gun to the pump and back', () => {
    const forward = accepted(lineForGun(request(), of(124, 'bar')));
    const back = accepted(lineAtPump(request(), quantity<Pressure>(forward.pump.value)));
    expect(back.gun.value / of(124, 'bar')).toBeCloseTo(1, 6);
    expect(back.words).toMatch(/^Set \d+ bar at the pump to have 125 bar at the gun\.$/);
    expect(back.triggerDuty.value).toBe(1);
    expect(back.gun.low).toBeLessThan(back.gun.value);
    expect(back.gun.inputs.map(({ label }) => label)).toContain('density');
  });

  it('gives the flow with the range of the discharge coefficient', () => {
    const exact = request({
      lowShear: given('low', 'viscosity', 1, 'x'),
      highShear: given('high', 'viscosity', 0.12, 'x'),
    });
    const { flow } = accepted(lineAtPump(exact, of(165, 'bar')));
    // 0.79 to 0.82 around 0.80
    expect(flow.high / flow.value).toBeCloseTo(1.025, 6);
    expect(flow.low / flow.value).toBeCloseTo(0.9875, 6);
  });

  it('loses more pressure through a thin whip, whatever the order', () => {
    const [wide, whip] = request().hoses;
    if (!wide || !whip) throw new Error('two hoses');
    const swapped = accepted(lineAtPump(request({ hoses: [whip, wide] }), of(165, 'bar')));
    const usual = accepted(lineAtPump(request(), of(165, 'bar')));
    expect(swapped.gun.value).toBeCloseTo(usual.gun.value, 3);
    // 1.5 m of 3/16 against 15 m of 3/8: (2)^(3n+1)/10 = 2^2.62/10 = 0.615 of its loss
    const [, a, b] = usual.parts;
    expect((b?.drop.value ?? 0) / (a?.drop.value ?? 1)).toBeCloseTo(2 ** (3 * 0.5396 + 1) / 10, 2);
  });

  it('says how far pressure sags and how long the trigger may be held when the tip outruns the pump', () => {
    // 0.025 in at 19.3 MPa, 1.5 L/min, thin liquid: 6.3 MPa, duty √(6.3/19.3) = 0.573
    const thin = given('thin', 'viscosity', 0.001, 'x');
    const sag = accepted(
      lineAtPump(
        request({
          hoses: [],
          height: quantity<Length>(0),
          orifice: of(0.025, 'in'),
          maxFlow: of(1.5, 'L/min'),
          lowShear: thin,
          highShear: thin,
        }),
        of(19.3, 'MPa'),
      ),
    );
    expect(sag.flowLimited).toBe(true);
    expect(to(quantity<Pressure>(sag.gun.value), 'MPa')).toBeCloseTo(6.3, 1);
    expect(sag.triggerDuty.value).toBeCloseTo(0.573, 2);
    expect(sag.words).toMatch(/outruns the pump: 195 bar sags to 65 bar.*57 % of the time/);
    expect(to(quantity<Flow>(sag.flow.value), 'L/min')).toBeCloseTo(1.5, 9);
  });

  it.each([
    ['hoses.0.length', { hoses: [{ length: of(0, 'm'), bore: of(0.25, 'in') }] }],
    ['hoses.0.bore', { hoses: [{ length: of(15, 'm'), bore: of(-1, 'in') }] }],
    [
      'hoses.1.length',
      {
        hoses: [
          { length: of(15, 'm'), bore: of(0.25, 'in') },
          { length: of(NaN, 'm'), bore: of(0.25, 'in') },
        ],
      },
    ],
    ['hoses', { hoses: Array.from({ length: 21 }, () => ({ length: of(15, 'm'), bore: of(0.25, 'in') })) }],
    ['height', { height: of(Infinity, 'm') }],
    ['orifice', { orifice: of(0, 'in') }],
    ['maxFlow', { maxFlow: of(0, 'L/min') }],
    ['density', { density: given('d', 'density', 0, 'x') }],
    ['gun.bore', { gun: { length: of(0.2, 'm'), bore: of(0, 'in') } }],
    ['viscosityHighShear', { highShear: given('h', 'viscosity', 3, 'x') }],
    ['viscosityHighShear', { highShear: given('h', 'viscosity', 0, 'x') }],
    ['viscosityLowShear', { lowShear: given('l', 'viscosity', NaN, 'x') }],
  ] as const)('refuses a bad %s at its field', (field, extra) => {
    for (const result of [
      lineAtPump(request(extra), of(150, 'bar')),
      lineForGun(request(extra), of(100, 'bar')),
    ]) {
      expect(result).toMatchObject({ ok: false, field });
      expect(result).not.toHaveProperty('value');
    }
  });

  it('refuses settings that cannot be', () => {
    for (const bar of [0, -5, NaN, Infinity, 5000]) {
      expect(lineAtPump(request(), of(bar, 'bar'))).toMatchObject({ ok: false, field: 'pump' });
      expect(lineForGun(request(), of(bar, 'bar'))).toMatchObject({ ok: false, field: 'gun' });
    }
    expect(lineAtPump(request({ height: of(90, 'm') }), of(10, 'bar'))).toMatchObject({ code: 'line.lift' });
    expect(lineForGun(request({ orifice: of(0.035, 'in') }), of(150, 'bar'))).toMatchObject({
      code: 'line.flow',
    });
    expect(
      lineForGun(request({ hoses: [{ length: of(300, 'm'), bore: of(2, 'mm') }] }), of(120, 'bar')),
    ).toMatchObject({
      ok: false,
      field: 'gun',
    });
  });
});
