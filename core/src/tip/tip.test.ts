import fc from 'fast-check';
import {
  FAMILY_DATA,
  NOMINAL_DISTANCE,
  TIP_FAMILIES,
  checkReading,
  checkWidthReading,
  dischargeCoefficient,
  existsInFamily,
  fanReadings,
  fanWidth,
  orificeFlow,
  pressureForFlow,
  readTip,
  readTipCode,
  sprayAngleWidth,
  tipCatalogue,
  writeTipCode,
} from '.';
import { of, quantity, to, type Density, type Length, type Pressure, type Viscosity } from '../units';

describe('tip codes', () => {
  it('reads and writes every tip of the catalogue', () => {
    const catalogue = tipCatalogue();
    expect(catalogue.length).toBeGreaterThan(400);
    for (const tip of catalogue) {
      expect(readTip(writeTipCode(tip), tip.family)).toEqual({ ok: true, value: tip });
    }
  });

  it('reads a four-digit code as two digits of fan', () => {
    expect(readTipCode('1021')).toEqual({ ok: true, value: { fan: 10, orificeThou: 21 } });
  });

  it.each([
    ['5150', /fan 51.*Did you mean 515/],
    ['0515', /Write 515/],
    ['599', /no orifice of 99 thou/],
    ['015', /no fan 0/],
    ['51', /three or four digits/],
    ['515a', /three or four digits/],
    ['', /three or four digits/],
  ])('refuses %s and says which reading is wrong', (code, message) => {
    const result = readTipCode(code);
    expect(!result.ok && result.message).toMatch(message);
  });

  it('says in which family a code exists when it is asked for in another', () => {
    const result = readTip('514', 'standard');
    expect(!result.ok && result.message).toBe('514 is not made as a standard tip. It exists as fine-finish.');
  });

  it('keeps even orifices to the fine-finish family', () => {
    for (const family of TIP_FAMILIES) {
      expect(existsInFamily(family, { fan: FAMILY_DATA[family].fans.low, orificeThou: 22 })).toBe(false);
    }
    expect(existsInFamily('fine-finish', { fan: 4, orificeThou: 12 })).toBe(true);
  });
});

describe('a code read by somebody', () => {
  it.each([
    ['1021', { fan: 1, orificeThou: 21 }, /first digit was taken as the fan/],
    ['1021', { fan: 2 }, /1021 is fan 10, orifice 21 thou/],
    ['1221', { fan: 1, orificeThou: 221 }, /three-digit code.*Four digits/],
    ['515', { fan: 51 }, /four-digit code.*Three digits/],
    ['517', { fan: 17, orificeThou: 5 }, /wrong end/],
    ['517', { orificeThou: 15 }, /orifice was read wrong/],
    ['517', { fan: 4 }, /fan was read wrong/],
    ['517', { fan: 2, orificeThou: 11 }, /Neither/],
    ['9', { fan: 9 }, /three or four digits/],
  ])('%s taken as %j is refused with the slip', (code, claim, message) => {
    const result = checkReading(code, claim);
    expect(result).toMatchObject({ ok: false, field: 'reading' });
    expect(!result.ok && result.message).toMatch(message);
  });

  it('is accepted when it is right, whole or in part', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 24 }), fc.integer({ min: 7, max: 55 }), (fan, orificeThou) => {
        const code = writeTipCode({ fan, orificeThou });
        for (const claim of [{ fan, orificeThou }, { fan }, { orificeThou }, {}]) {
          expect(checkReading(code, claim)).toEqual({ ok: true, value: { fan, orificeThou } });
        }
        expect(checkReading(code, { fan: fan + 1 }).ok).toBe(false);
      }),
    );
  });

  it.each([
    [of(254, 'mm'), true, /./],
    [of(5, 'in'), false, /taken as inches.*254 mm/],
    [of(10, 'mm'), false, /not millimetres/],
    [of(10 / 100, 'm'), false, /not centimetres/],
    [of(25, 'in'), false, /centimetres, not inches/],
    [of(500, 'mm'), false, /tens of centimetres/],
    [of(284.3, 'mm'), false, /spray angle/],
    [of(333, 'mm'), false, /333 mm is not the width of fan 5/],
    [quantity<Length>(NaN), false, /not the width/],
  ])('a width of %d m for fan 5: %s', (width, ok, message) => {
    const result = checkWidthReading(5, width);
    expect(result.ok).toBe(ok);
    expect(result.ok ? 'fits' : result.message).toMatch(ok ? /fits/ : message);
  });
});

describe('fan width', () => {
  it('is twice the fan number in inches at 12 in', () => {
    expect(to(fanWidth(5, NOMINAL_DISTANCE), 'mm')).toBeCloseTo(254, 6);
  });

  it.each([
    [1, 5],
    [5, 12],
    [6, 15],
    [8, 26],
    [10, 43],
    [12, 73],
  ])('the spray angle school reads fan %i wider by about %i %%', (fan, percent) => {
    const readings = fanReadings(fan, NOMINAL_DISTANCE);
    if (!readings.ok) throw new Error(readings.message);
    const [inches, centimetres, angle] = readings.value;
    expect(inches?.divergence).toBe(0);
    expect(centimetres?.width?.value).toBe(inches?.width?.value);
    expect(Math.round((angle?.divergence ?? NaN) * 100)).toBe(percent);
    expect(angle?.width?.formula).toBe('spray angle width');
  });

  it('has no number in the spray angle school from fan 18', () => {
    expect(sprayAngleWidth(18, NOMINAL_DISTANCE)).toBeUndefined();
    const readings = fanReadings(18, NOMINAL_DISTANCE);
    expect(readings.ok && readings.value[2]?.school).toBe('spray angle');
    expect(readings.ok && readings.value[2]?.width).toBeUndefined();
  });

  it('refuses fans and distances that do not exist', () => {
    for (const fan of [0, 25, 2.5, NaN]) {
      expect(fanReadings(fan, NOMINAL_DISTANCE)).toMatchObject({ ok: false, field: 'fan' });
    }
    for (const distance of [0, -1, 5, NaN, Infinity]) {
      expect(fanReadings(5, quantity(distance))).toMatchObject({ ok: false, field: 'distance' });
    }
  });
});

describe('flow through the orifice', () => {
  const water = { density: quantity<Density>(998), highShearViscosity: quantity<Viscosity>(1e-9) };
  const paint = (viscosity: number) => ({
    density: quantity<Density>(1300),
    highShearViscosity: quantity<Viscosity>(viscosity),
  });

  it('gives the common figure: 0.31 US gal/min of water through 0.017 in at 2,000 psi', () => {
    expect(to(orificeFlow(of(0.017, 'in'), of(2000, 'psi'), water), 'gal/min')).toBeCloseTo(0.309, 3);
  });

  it.each([
    [0.05, -2],
    [0.1, -4],
    [0.3, -11],
    [1, -29],
  ])('falls with viscosity: %d Pa·s costs %d %%', (viscosity, percent) => {
    const coefficient = dischargeCoefficient(of(0.017, 'in'), of(13.8, 'MPa'), paint(viscosity));
    expect(Math.round((coefficient / 0.8 - 1) * 100)).toBe(percent);
  });

  it('goes with the square of the diameter and the root of the pressure for thin liquids', () => {
    const flow = (thou: number, bar: number) => orificeFlow(of(thou / 1000, 'in'), of(bar, 'bar'), water);
    expect(flow(30, 100) / flow(15, 100)).toBeCloseTo(4, 6);
    expect(flow(15, 200) / flow(15, 50)).toBeCloseTo(2, 6);
  });

  it('is undone by pressureForFlow, and is monotone in pressure', () => {
    const thou = fc.integer({ min: 7, max: 55 });
    const bar = fc.double({ min: 1, max: 230, noNaN: true });
    const viscosity = fc.double({ min: 0.001, max: 2, noNaN: true });
    fc.assert(
      fc.property(thou, bar, viscosity, (t, b, eta) => {
        const pressure: Pressure = of(b, 'bar');
        const flow = orificeFlow(of(t / 1000, 'in'), pressure, paint(eta));
        expect(pressureForFlow(of(t / 1000, 'in'), flow, paint(eta)) / pressure).toBeCloseTo(1, 8);
        expect(orificeFlow(of(t / 1000, 'in'), of(b * 1.01, 'bar'), paint(eta))).toBeGreaterThan(flow);
      }),
    );
  });

  it('is nothing without pressure', () => {
    expect(orificeFlow(of(0.015, 'in'), quantity(0), water)).toBe(0);
    expect(pressureForFlow(of(0.015, 'in'), quantity(0), water)).toBe(0);
  });
});
