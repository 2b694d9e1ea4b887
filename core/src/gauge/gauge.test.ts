import { GAUGE_FAULT_IDS, GAUGE_RATE, checkGauge, gaugeAt, type GaugeOrder } from '.';
import { powerLaw } from '../coating';
import { steadyState } from '../line';
import { of, quantity } from '../units';

const order = (extra: Partial<GaugeOrder> = {}): GaugeOrder => ({
  line: {
    hoses: [{ length: of(15, 'm'), bore: of(1 / 4, 'in') }],
    height: of(2, 'm'),
    orifice: of(0.017, 'in'),
    maxFlow: of(2, 'L/min'),
    fluid: { density: quantity(1300), rheology: powerLaw(quantity(1), quantity(0.12)) },
  },
  setting: of(160, 'bar'),
  triggerHeld: true,
  fault: 'none',
  seed: 7,
  ...extra,
});
const seconds = (from: number, to: number) =>
  Array.from({ length: (to - from) * GAUGE_RATE }, (_, index) => from * GAUGE_RATE + index);
const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;
const over = (extra: Partial<GaugeOrder>, from = 5, to = 45) => {
  const readings = seconds(from, to).map((tick) => gaugeAt(order(extra), tick));
  const guns = readings.map(({ gun }) => gun);
  return {
    pump: mean(readings.map(({ pump }) => pump)),
    gun: mean(guns),
    swing: (Math.max(...guns) - Math.min(...guns)) / mean(guns),
  };
};

describe('the gauge stand-in', () => {
  const truth = steadyState(order().line, order().setting);

  it('settles to the steady state of the line under the trigger, and to the knob with it closed', () => {
    expect(over({}).gun / truth.gun).toBeCloseTo(1, 2);
    expect(over({}).pump / of(160, 'bar')).toBeCloseTo(1, 2);
    const closed = over({ triggerHeld: false });
    expect(closed.gun / of(160, 'bar')).toBeCloseTo(1, 2);
    expect(closed.swing).toBeLessThan(over({}).swing);
    expect(gaugeAt(order(), 0).gun).toBeLessThan(0.7 * truth.gun);
  });

  it('sags where the tip outruns the pump', () => {
    const line = { ...order().line, orifice: of(0.031, 'in') };
    const sag = over({ line });
    expect(sag.pump).toBeLessThan(of(120, 'bar'));
    expect(sag.gun / steadyState(line, of(160, 'bar')).gun).toBeCloseTo(1, 2);
  });

  it('plays its faults: less at the gun alone, a swing, and nothing left', () => {
    const blocked = over({ fault: 'blocked filter' });
    expect(blocked.pump / over({}).pump).toBeCloseTo(1, 2);
    expect(blocked.gun).toBeLessThan(0.7 * over({}).gun);
    expect(over({ fault: 'worn packing' }).swing).toBeGreaterThan(4 * over({}).swing);
    expect(over({ fault: 'empty container' }, 15, 20).gun).toBeLessThan(0.02 * truth.gun);
  });

  it('gives the same for the same seed and moment, and never less than nothing', () => {
    for (const fault of GAUGE_FAULT_IDS)
      for (const tick of seconds(0, 10)) {
        const reading = gaugeAt(order({ fault }), tick);
        expect(reading).toEqual(gaugeAt(order({ fault }), tick));
        expect(Math.min(reading.pump, reading.gun)).toBeGreaterThanOrEqual(0);
        expect(Number.isFinite(reading.gun)).toBe(true);
      }
    expect(gaugeAt(order({ seed: 8 }), 20)).not.toEqual(gaugeAt(order(), 20));
  });

  it('is refused for a knob or a line that cannot be', () => {
    expect(checkGauge(order())).toMatchObject({ ok: true });
    expect(checkGauge(order({ setting: quantity(NaN) }))).toMatchObject({ ok: false, field: 'setting' });
    expect(checkGauge(order({ line: { ...order().line, orifice: quantity(0) } }))).toMatchObject({
      ok: false,
      field: 'orifice',
    });
  });
});
