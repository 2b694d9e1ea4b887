import fc from 'fast-check';
import {
  CUP_IDS,
  checkCoating,
  checkSheet,
  coatWindows,
  coatingInput,
  krebsViscosity,
  orificesOf,
  sheetDisagrees,
  sheetSays,
  sheetViscosity,
  type Coating,
  type CoatingSheet,
} from '.';
import { of, quantity, to, type Fraction } from '../units';

const matt = (sheet: CoatingSheet = {}, overrides: Coating['overrides'] = {}): Coating => ({
  name: 'Our matt',
  archetype: 'wall-matt',
  overrides,
  sheet,
});
const typed = (value: number) => ({ value, basis: 'data-sheet', source: 'Data sheet' }) as const;
const krebs = (units: number) => {
  const found = krebsViscosity(units);
  if (!found.ok) throw new Error(found.message);
  return found.value;
};

describe('the thickness as a sheet gives it', () => {
  it('Krebs units go through the two oils of the standard, at 25 °C', () => {
    // exp(2800·(1/298.15 − 1/296.15)) = 0.93854: 23 °C is 1.0655 times as thick
    expect(krebs(70) / 0.4).toBeCloseTo(1.0655, 3);
    expect(krebs(95) / 1.4).toBeCloseTo(1.0655, 3);
    // Half way in units is the geometric mean
    expect(krebs(82.5) / Math.sqrt(0.4 * 1.4)).toBeCloseTo(1.0655, 3);
  });

  it('is refused off its scale, at its field', () => {
    for (const units of [20, 52, 142, NaN]) {
      expect(krebsViscosity(units)).toMatchObject({ ok: false, field: 'sheet.viscosity.value' });
    }
    const density = of(1.38, 'kg/L');
    expect(sheetViscosity({ as: 'cup', cup: 'iso-4', value: 3 }, density)).toMatchObject({
      ok: false,
      field: 'sheet.viscosity.value',
    });
    expect(sheetViscosity({ as: 'cP', value: 1e6 }, density).ok).toBe(false);
  });

  it('centipoise are mPa·s, cup seconds go over the density', () => {
    const density = of(1.38, 'kg/L');
    expect(sheetViscosity({ as: 'cP', value: 1500 }, density)).toMatchObject({ value: 1.5 });
    // 4 mm cup, 60 s: 78.87 mm²/s times 1380 kg/m³
    const cup = sheetViscosity({ as: 'cup', cup: 'iso-4', value: 60 }, density);
    expect(cup.ok && cup.value).toBeCloseTo(78.8667e-6 * 1380, 6);
  });

  it('stands where nothing was typed as viscosity, with a wide range, and under what was', () => {
    const low = coatingInput(matt({ viscosity: { as: 'KU', value: 98 } }), 'viscosityLowShear');
    expect(low).toMatchObject({ basis: 'data-sheet', source: 'Data sheet: 98 KU' });
    expect(low.value).toBeCloseTo(krebs(98), 12);
    expect(low.high / low.value).toBeCloseTo(1.25, 9);
    const over = coatingInput(
      matt({ viscosity: { as: 'KU', value: 98 } }, { viscosityLowShear: typed(2) }),
      'viscosityLowShear',
    );
    expect(over).toMatchObject({ value: 2, source: 'Data sheet' });
  });

  it('thick paint is taken as thick in the tip too, in the same measure', () => {
    const of98 = matt({ viscosity: { as: 'KU', value: 98 } });
    const factor = (property: 'viscosityLowShear' | 'viscosityHighShear') =>
      coatingInput(of98, property).value / coatingInput(matt(), property).value;
    expect(factor('viscosityHighShear')).toBeCloseTo(factor('viscosityLowShear'), 12);
    fc.assert(
      fc.property(fc.double({ min: 53, max: 141, noNaN: true }), (value) =>
        expect(checkCoating(matt({ viscosity: { as: 'KU', value } })).ok).toBe(true),
      ),
    );
  });
});

describe('film and spreading rate', () => {
  it('the film follows from solids and rate where the sheet gives no film', () => {
    // 36 % over 9 m²/L: 40 µm
    const film = coatingInput(matt({ spreadingRate: of(9, 'm²/L') }), 'dryFilm');
    expect(film).toMatchObject({ basis: 'data-sheet', source: 'Data sheet: 9.0 m²/L' });
    expect(to(of(film.value, 'm'), 'μm')).toBeCloseTo(40, 9);
  });

  it('says when the three do not go together, and keeps the film', () => {
    const film = { dryFilm: typed(of(40, 'μm')) };
    expect(sheetDisagrees(matt({ spreadingRate: of(9.3, 'm²/L') }, film))).toBeUndefined();
    const practical = matt({ spreadingRate: of(7, 'm²/L') }, film);
    expect(sheetDisagrees(practical)).toMatch(/give 9.0 m²\/L, the sheet says 7.0 m²\/L.*practical rate/);
    expect(coatingInput(practical, 'dryFilm').value).toBeCloseTo(of(40, 'μm'), 12);
    expect(sheetDisagrees(matt({ spreadingRate: of(12, 'm²/L') }, film))).toMatch(/read from another line/);
  });
});

it.each([
  [{ orifice: { low: 19, high: 15 } }, 'sheet.orifice.high'],
  [{ orifice: { low: 2, high: 15 } }, 'sheet.orifice.low'],
  [{ pressure: { low: of(1, 'bar'), high: of(180, 'bar') } }, 'sheet.pressure.low'],
  [{ spreadingRate: of(0.1, 'm²/L') }, 'sheet.spreadingRate'],
  [{ recoatLatest: of(2, 'h') }, 'sheet.recoatLatest'],
  [{ viscosity: { as: 'KU', value: 8 } }, 'sheet.viscosity.value'],
] as const)('refuses %j at its field', (sheet, field) => {
  expect(checkSheet(matt(sheet))).toMatchObject({ ok: false, field });
  expect(checkCoating(matt(sheet)).ok).toBe(false);
});

it('every cup of a standard can be what a sheet names', () => {
  for (const cup of CUP_IDS) {
    expect(checkSheet(matt({ viscosity: { as: 'cup', cup, value: 60 } })).ok).toBe(true);
  }
});

it('names what the sheet says; the rest is a working default', () => {
  expect(sheetSays(matt())).toEqual([]);
  expect(
    sheetSays(
      matt({ orifice: { low: 15, high: 19 }, wear: 'A mask with filter A2' }, { volumeSolids: typed(0.38) }),
    ),
  ).toEqual(['Volume solids', 'Orifice', 'What to wear']);
});

it('closes when the sheet says so, for any kind of coating, and its orifices stand before the usual ones', () => {
  const windows = (coating: Coating) => {
    const found = coatWindows(coating, of(20, '°C'), quantity<Fraction>(0.5));
    if (!found.ok) throw new Error(found.message);
    return found.value.closes?.();
  };
  expect(windows(matt())).toBeUndefined();
  expect(windows(matt({ recoatLatest: of(72, 'h') }))).toMatchObject({
    value: of(72, 'h'),
    basis: 'data-sheet',
  });
  expect(orificesOf(matt())).toEqual({ low: 15, high: 19 });
  expect(orificesOf(matt({ orifice: { low: 21, high: 23 } }))).toEqual({ low: 21, high: 23 });
});
