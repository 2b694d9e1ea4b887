import fc from 'fast-check';
import {
  bracketedRoot,
  hoseLoss,
  hoseVolume,
  laminarLimit,
  liftPressure,
  lineLoss,
  pumpForGun,
  steadyState,
  type Line,
} from '.';
import { powerLaw } from '../coating';
import { of, quantity, to, type Density, type Pressure, type Viscosity } from '../units';

const fluid = {
  density: quantity<Density>(1300),
  rheology: powerLaw(quantity<Viscosity>(1), quantity<Viscosity>(0.12)),
};
const hose = (inches: number, metres = 15) => ({ length: of(metres, 'm'), bore: of(inches, 'in') });
const line = (extra: Partial<Line> = {}): Line => ({
  hoses: [hose(1 / 4)],
  height: quantity(0),
  orifice: of(0.015, 'in'),
  fluid,
  maxFlow: of(2, 'L/min'),
  ...extra,
});

describe('hose loss', () => {
  it.each([
    [3 / 16, 6.82],
    [1 / 4, 3.21],
    [3 / 8, 1.11],
  ])('of 15 m of %d in at 1.2 L/min is %d MPa', (inches, megapascals) => {
    expect(to(hoseLoss(hose(inches), of(1.2, 'L/min'), fluid), 'MPa')).toBeCloseTo(megapascals, 2);
  });

  it('for a Newtonian liquid is Hagen-Poiseuille', () => {
    const newtonian = { ...fluid, rheology: powerLaw(quantity<Viscosity>(0.1), quantity<Viscosity>(0.1)) };
    const { length, bore } = hose(1 / 4);
    const flow = of(1, 'L/min');
    const poiseuille = (128 * 0.1 * length * flow) / (Math.PI * bore ** 4);
    expect(hoseLoss({ length, bore }, flow, newtonian) / poiseuille).toBeCloseTo(1, 9);
  });

  it('turns turbulent above the limit, which is near 2,100 for a Newtonian liquid', () => {
    // 6464·1·3^(3/2)/16 = 2099
    expect(laminarLimit(1)).toBeCloseTo(2099, 0);
    const thin = {
      density: quantity<Density>(1000),
      rheology: powerLaw(quantity<Viscosity>(0.001), quantity<Viscosity>(0.001)),
    };
    const run = { length: of(10, 'm'), bore: of(0.01, 'm') };
    // 2 m/s of water in 10 mm: Re 20,000, Blasius f = 0.0791/Re^0.25 = 0.006651, loss 2 f L ρ V²/D = 53.2 kPa
    const loss = hoseLoss(run, quantity(1.5708e-4), thin);
    expect(loss / 53_200).toBeGreaterThan(0.95);
    expect(loss / 53_200).toBeLessThan(1.05);
  });

  it('adds along hoses in series in any order', () => {
    const flow = of(1.3, 'L/min');
    const [a, b] = [hose(3 / 8, 15), hose(3 / 16, 7.5)];
    expect(lineLoss([a, b], flow, fluid)).toBe(lineLoss([b, a], flow, fluid));
    expect(lineLoss([a, b], flow, fluid)).toBeCloseTo(hoseLoss(a, flow, fluid) + hoseLoss(b, flow, fluid), 6);
    expect(lineLoss([], flow, fluid)).toBe(0);
  });

  it('holds paint: 15 m of 1/4 in is 0.475 L', () => {
    expect(to(hoseVolume([hose(1 / 4)]), 'L')).toBeCloseTo(0.475, 3);
  });

  it('lifts ten metres of paint with 1.3 bar', () => {
    expect(to(liftPressure(of(10, 'm'), fluid.density), 'bar')).toBeCloseTo(1.275, 3);
  });
});

describe('steady state', () => {
  it('balances: pump pressure is gun pressure plus hose loss plus lift', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 220, noNaN: true }),
        fc.double({ min: -3, max: 12, noNaN: true }),
        (bar, metres) => {
          const height = of(metres, 'm');
          const pump: Pressure = of(bar, 'bar');
          const state = steadyState(line({ height }), pump);
          const sum = state.gun + state.hoseLoss + liftPressure(height, fluid.density);
          expect(Math.abs(sum - pump)).toBeLessThan(5);
        },
      ),
    );
  });

  it('goes from gun to pump and back', () => {
    const gun: Pressure = of(12, 'MPa');
    const { pump } = pumpForGun(line(), gun);
    expect(steadyState(line(), pump).gun / gun).toBeCloseTo(1, 6);
  });

  it('sags when the tip outruns the pump: 0.025 in, 1.5 L/min, 19.3 MPa leaves about 6.3 MPa', () => {
    const thin = { ...fluid, rheology: powerLaw(quantity<Viscosity>(0.001), quantity<Viscosity>(0.001)) };
    const state = steadyState(
      line({ fluid: thin, hoses: [], orifice: of(0.025, 'in'), maxFlow: of(1.5, 'L/min') }),
      of(19.3, 'MPa'),
    );
    expect(state.flowLimited).toBe(true);
    expect(to(state.gun, 'MPa')).toBeCloseTo(6.3, 1);
    // Q ~ √P: the duty is √(6.3/19.3)
    expect(state.triggerDuty).toBeCloseTo(Math.sqrt(6.33 / 19.3), 2);
  });

  it('gives no flow where the pump cannot lift the paint', () => {
    const state = steadyState(line({ height: of(100, 'm') }), of(5, 'bar'));
    expect([state.flow, state.gun]).toEqual([0, 0]);
  });

  it('throws when a root is not bracketed instead of returning an end', () => {
    expect(() => bracketedRoot((x) => x + 1, 0, 1, 1e-6)).toThrow('bracket');
    expect(() => bracketedRoot(() => NaN, 0, 1, 1e-6)).toThrow('bracket');
    expect(bracketedRoot((x) => x * x - 2, 0, 2, 1e-12)).toBeCloseTo(Math.SQRT2, 10);
    // Flat, steep and bent the wrong way: the bracket closes all the same
    expect(bracketedRoot((x) => (x - 0.7) ** 9, 0, 1, 1e-9)).toBeCloseTo(0.7, 8);
    expect(bracketedRoot((x) => Math.atan(1e9 * (x - 0.2)), 0, 1, 1e-9)).toBeCloseTo(0.2, 8);
    expect(bracketedRoot((x) => (x < 0.25 ? -1 : 1), 0, 1, 1e-9)).toBeCloseTo(0.25, 8);
    let asked = 0;
    bracketedRoot((x) => ((asked += 1), Math.sqrt(x) - 3000), 0, 2e7, 1);
    expect(asked).toBeLessThan(24);
  });
});
