import fc from 'fast-check';
import {
  DISPLAY,
  UNITS,
  counted,
  inUnit,
  of,
  parseQuantity,
  show,
  showRange,
  showText,
  to,
  within,
  type DisplayKind,
  type Pressure,
  type Unit,
  type UnitSystem,
} from '.';

const finite = fc.double({ min: -1e6, max: 1e6, noNaN: true });

describe('units', () => {
  it.each([
    [of(1, 'in'), 0.0254],
    [of(1, 'gal'), 3.785411784e-3],
    [of(1, 'psi'), 6894.757293168],
    [of(1, 'mil'), 25.4e-6],
    // 1 lb = 0.45359237 kg, 1 US gal = 231 in³, 1 mi = 5280 ft
    [of(10, 'lb/gal'), 4.5359237 / 3.785411784e-3],
    [of(1, 'mph'), 0.44704],
    [of(32, '°F'), 273.15],
    [of(212, '°F'), 373.15],
    [of(1604.1, 'ft²/gal'), 1604.1 * (0.3048 ** 2 / 3.785411784e-3)],
  ])('converts by the exact definitions', (si, expected) => {
    expect(si).toBeCloseTo(expected, 9);
  });

  it('round-trips every unit', () => {
    fc.assert(
      fc.property(finite, fc.constantFrom(...(Object.keys(UNITS) as Unit[])), (value, unit) => {
        expect(to(of(value, unit), unit)).toBeCloseTo(value, 5);
      }),
    );
  });
});

describe('showing numbers', () => {
  it('rounds to what the hand can set: 5 bar, 50 psi, half a mil, half a second', () => {
    const pressure: Pressure = of(12.34, 'MPa');
    expect(showText(pressure, 'pressure', 'metric')).toBe('125 bar');
    expect(showText(pressure, 'pressure', 'us')).toBe('1,800 psi');
    expect(showText(of(111, 'μm'), 'wetFilm', 'metric')).toBe('110 μm');
    expect(showText(of(111, 'μm'), 'wetFilm', 'us')).toBe('4.5 mil');
    expect(showText(of(3.8, 's'), 'time', 'metric')).toBe('4 s');
  });

  it('shows the volume in finer steps when it is small', () => {
    expect(show(of(0.46, 'L'), 'volume', 'metric').number).toBe('0.5');
    expect(show(of(7.3, 'L'), 'volume', 'metric').number).toBe('7.5');
    expect(show(of(18.2, 'L'), 'volume', 'metric').number).toBe('18');
  });

  it('collapses a range whose ends look alike and shows a dash for what is no number', () => {
    expect(showRange(of(100.1, 'bar'), of(100.4, 'bar'), 'pressure', 'metric')).toBe('100 bar');
    expect(showRange(of(95, 'bar'), of(140, 'bar'), 'pressure', 'metric')).toBe('95–140 bar');
    expect(showText(Number.NaN, 'pressure', 'metric')).toBe('– bar');
  });
});

describe('a number typed as it is printed', () => {
  const typed = (text: string, kind: DisplayKind, system: UnitSystem) => {
    const read = parseQuantity(text, kind, system, 'x', 'X');
    return read.ok ? Number(inUnit(read.value, kind, system).toFixed(6)) : read.message;
  };
  it('has its thousands, in US numbers and where a kind reaches them', () => {
    expect(typed('1,076 ft²', 'area', 'us')).toBe(1076);
    expect(typed('1,076', 'area', 'us')).toBe(1076);
    expect(typed('2,650 psi', 'pressure', 'us')).toBe(2650);
    expect(typed('1,250 m²', 'area', 'metric')).toBe(1250);
    expect(typed('12,345.5', 'area', 'metric')).toBe(12345.5);
    expect(typed('1,234,567', 'count', 'metric')).toBe(1234567);
  });

  it('may have a decimal comma elsewhere', () => {
    expect(typed('2,5', 'volume', 'us')).toBe(2.5);
    expect(typed('1,250 m', 'size', 'metric')).toBe(1.25);
    expect(typed('0,125', 'area', 'metric')).toBe(0.125);
    expect(typed('1,38 kg/L', 'density', 'metric')).toBe(1.38);
    expect(typed('12,34,5', 'area', 'us')).toMatch(/not a number/);
  });

  it.each([
    ['us', Object.keys(DISPLAY) as DisplayKind[]],
    ['metric', ['area', 'pressure', 'count', 'run', 'reach', 'price']],
  ] as const)('comes back as it was shown: %s', (system, kinds) => {
    for (const kind of kinds)
      for (const value of [3, 1234.5, 98765]) {
        const shown = show(value, kind, system).number;
        const read = parseQuantity(shown, kind, system, 'x', 'X');
        expect([kind, read.ok ? show(read.value, kind, system).number : read.message]).toEqual([kind, shown]);
      }
  });
});

describe('reading what people type', () => {
  const read = (text: string) => parseQuantity(text, 'size', 'metric', 'width', 'Width');
  it.each([
    ['2.4', 2.4],
    ['2,4', 2.4],
    ['2400 mm', 2.4],
    ["8'", 2.4384],
    ['8 ft 6 in', 2.5908],
    ['8\' 6 1/2"', 2.6035],
    ['.5 m', 0.5],
  ])('reads %s', (text, metres) => {
    const result = read(text);
    expect(result.ok && result.value).toBeCloseTo(metres, 9);
  });

  it.each(['', 'abc', '2.4 bar', '1e5', '--3', '2.4.1', '<b>3</b>', '🙂', '9'.repeat(10) + 'x'])(
    'refuses "%s" with a sentence at its field',
    (text) => {
      const result = read(text);
      expect(result.ok).toBe(false);
      if (!result.ok) {
        expect(result.field).toBe('width');
        expect(result.message).toMatch(/^Width .*\.$/);
      }
    },
  );

  it('reads micrometres with the micro sign, the Greek letter or a plain u', () => {
    for (const unit of ['\u00b5m', '\u03bcm', 'um']) {
      const result = parseQuantity(`40 ${unit}`, 'dryFilm', 'us', 'x', 'X');
      expect(result.ok && result.value).toBeCloseTo(40e-6, 12);
    }
  });

  it('reads back every number it shows', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 90, noNaN: true }), (metres) => {
        const result = read(showText(of(metres, 'm'), 'size', 'metric'));
        expect(result.ok && Math.abs(result.value - metres) <= 0.00501).toBe(true);
      }),
    );
  });

  it('names both limits in the units on screen', () => {
    const result = within(of(200, 'm'), { min: 0.02, max: 100 }, 'size', 'us', 'width', 'Width');
    expect(!result.ok && result.message).toBe('Width must be between 0.0656 ft and 328 ft.');
    const bare = within(0, { min: 0.1, max: 1000 }, 'count', 'metric', 'rate', 'Rate');
    expect(!bare.ok && bare.message).toBe('Rate must be between 0.1 and 1000.');
    expect(within(Number.NaN, { min: 0, max: 1 }, 'size', 'metric', 'x', 'X').ok).toBe(false);
  });
});

describe('a number of things', () => {
  it('is one or many', () => {
    expect([counted(1, 'surface'), counted(0, 'surface'), counted(2, 'pass', 'passes')]).toEqual([
      '1 surface',
      '0 surfaces',
      '2 passes',
    ]);
  });
});
