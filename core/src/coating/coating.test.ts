import fc from 'fast-check';
import {
  ARCHETYPE_IDS,
  COATING_PROPERTY_NAMES,
  archetypeOf,
  checkCoating,
  checkCoatingValue,
  coatingInput,
  coatingValues,
  powerLaw,
  temperatureFactor,
  thinnedViscosity,
  type ArchetypeId,
  type Coating,
  type Rheology,
} from '.';
import { of, quantity, to, type Viscosity } from '../units';

const eta = (value: number) => quantity<Viscosity>(value);
const plain = (archetype: ArchetypeId): Coating => ({
  name: 'x',
  archetype,
  overrides: {},
});

/** Viscosity of a power law at a shear rate, Pa·s: above 10⁴ 1/s not below the high-shear reading. */
function viscosityAt({ exponent, consistency, highShearViscosity }: Rheology, shear: number): number {
  const byPowerLaw = consistency * shear ** (exponent - 1);
  return shear > 10_000 ? Math.max(byPowerLaw, highShearViscosity) : byPowerLaw;
}

describe('rheology', () => {
  it('puts the power law through 1.0 and 0.12 Pa·s: n = 0.5396, K = 8.333', () => {
    const law = powerLaw(eta(1), eta(0.12));
    expect(law.exponent).toBeCloseTo(0.5396, 4);
    expect(law.consistency).toBeCloseTo(8.333, 3);
  });

  it('passes through both readings and does not fall below the high-shear one', () => {
    const viscosity = fc.double({ min: 0.01, max: 5, noNaN: true });
    fc.assert(
      fc.property(viscosity, fc.double({ min: 0.02, max: 1, noNaN: true }), (low, share) => {
        const law = powerLaw(eta(low), eta(low * share));
        expect(viscosityAt(law, 100) / low).toBeCloseTo(1, 9);
        expect(viscosityAt(law, 10_000) / (low * share)).toBeCloseTo(1, 9);
        expect(viscosityAt(law, 1e6) / law.highShearViscosity).toBeCloseTo(1, 9);
      }),
    );
  });

  it('thickens in the cold: 23 to 8 °C is a factor of 1.66 at B = 2800 K', () => {
    // exp(2800·(1/281.15 − 1/296.15)) = exp(0.50443)
    expect(temperatureFactor(of(8, '°C'))).toBeCloseTo(1.656, 3);
    expect(temperatureFactor(of(23, '°C'))).toBeCloseTo(1, 9);
  });

  it('thins towards water and never gets thicker by thinning', () => {
    expect(thinnedViscosity(eta(1.2), quantity(0))).toBeCloseTo(1.2, 12);
    // x = 0.05/1.05: exp((1−x)·ln 1.2 + x·ln 0.00093) = exp(0.17364 − 0.33236) = 0.8532
    expect(thinnedViscosity(eta(1.2), quantity(0.05))).toBeCloseTo(0.8532, 4);
  });
});

describe('coating values', () => {
  it('come from the archetype as working defaults with a range', () => {
    for (const id of ARCHETYPE_IDS) {
      expect(coatingValues(plain(id))).toEqual(archetypeOf(id).values);
      for (const name of COATING_PROPERTY_NAMES) {
        const input = coatingInput(plain(id), name);
        expect(input.basis).toBe('default');
        expect(input.low).toBeLessThanOrEqual(input.value);
        expect(input.high).toBeGreaterThanOrEqual(input.value);
        expect(checkCoatingValue(name, input.value, 'metric').ok).toBe(true);
      }
    }
  });

  it('give way to a data sheet value, which is said and has a smaller range', () => {
    const coating: Coating = {
      ...plain('wall-matt'),
      overrides: { volumeSolids: { value: 0.41, basis: 'data-sheet', source: 'Data sheet of March' } },
    };
    const before = coatingInput(plain('wall-matt'), 'volumeSolids');
    const after = coatingInput(coating, 'volumeSolids');
    expect(after).toMatchObject({ value: 0.41, basis: 'data-sheet', source: 'Data sheet of March' });
    expect(after.high - after.low).toBeLessThan(before.high - before.low);
    expect(coatingValues(coating).density).toBe(to(of(1380, 'kg/m³'), 'kg/m³'));
  });

  it('refuse what no data sheet says, at the field', () => {
    const refused = checkCoating({
      ...plain('wall-matt'),
      overrides: { volumeSolids: { value: 3.6, basis: 'data-sheet', source: 'x' } },
    });
    expect(refused).toMatchObject({ ok: false, field: 'overrides.volumeSolids.value' });
    expect(!refused.ok && refused.message).toBe('Volume solids must be between 3 % and 100 %.');
  });

  it('refuse paint thicker at high shear than at low shear', () => {
    const refused = checkCoating({
      ...plain('penetrating-stain'),
      overrides: { viscosityHighShear: { value: 0.12, basis: 'data-sheet', source: 'x' } },
    });
    expect(refused).toMatchObject({ ok: false, field: 'overrides.viscosityHighShear.value' });
  });
});
