import fc from 'fast-check';
import {
  ARM,
  pieceOf,
  planBars,
  planDoor,
  planPasses,
  strokesFor,
  type Door,
  type PassPlan,
  type PassSettings,
  type PlanOptions,
  type PlannedPass,
} from '.';
import { given } from '../explain';
import { seeded } from '../random';
import { areaOf, contains, netArea, type Piece, type Polygon } from '../shape';
import type { SimulationResult } from '../simulation';
import { simulateAll } from '../testing';
import { of, quantity, to, type Fraction, type Length, type Volume } from '../units';

const box = (x: number, y: number, width: number, height: number): Polygon => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];
const settings = (extra: Partial<PassSettings> = {}): PassSettings => ({
  fanWidth: of(254, 'mm'),
  distance: of(12, 'in'),
  overlap: quantity<Fraction>(0.5),
  gunSpeed: of(0.5, 'm/s'),
  flow: given('Flow', 'flow', of(0.8, 'L/min'), 'x'),
  air: given('Not lost in the air', 'percent', 0.8, 'x'),
  family: 'standard',
  ...extra,
});
const across: PlanOptions = { direction: { kind: 'across' }, edgesFirst: false };
function plan(piece: Piece, options: PlanOptions = across, extra: Partial<PassSettings> = {}): PassPlan {
  const result = planPasses(piece, settings(extra), options);
  if (!result.ok) throw new Error(result.message);
  return result.value;
}
const wall: Piece = { outline: box(0, 0, 4, 2.4), openings: [] };
const litres = (volume: number) => to(quantity<Volume>(volume), 'L');

/** Places along a pass where the trigger opens or closes. */
const ends = ({ from, to: end, open }: PlannedPass) => {
  const length = Math.hypot(end.x - from.x, end.y - from.y);
  return open.flatMap((part) =>
    [part.from, part.to].map((at) => ({
      x: from.x + ((end.x - from.x) * at) / length,
      y: from.y + ((end.y - from.y) * at) / length,
    })),
  );
};

describe('passes over a wall', () => {
  it('run from top to bottom, turning at each end, lapped as asked', () => {
    const { passes, spacing, overlap, lapLines, angle } = plan(wall);
    // Lapping the edges by a half: middles from 2.4 to 0, ⌈2.4/0.127⌉ + 1 = 20 passes
    expect(passes).toHaveLength(20);
    expect(passes[0]?.from.y).toBeCloseTo(2.4, 9);
    expect(passes[19]?.from.y).toBeCloseTo(0, 9);
    expect(spacing).toBeCloseTo(2.4 / 19, 9);
    expect(overlap).toBeGreaterThanOrEqual(0.5);
    expect(lapLines).toHaveLength(19);
    // Half way between the first two passes
    expect(lapLines[0]?.from.y).toBeCloseTo(2.4 - 2.4 / 38, 9);
    expect(overlap).toBeCloseTo(1 - 2.4 / 19 / 0.254, 9);
    expect(angle).toBe(0);
    passes.forEach((pass, index) =>
      expect(Math.sign(pass.to.x - pass.from.x)).toBe(index % 2 === 0 ? 1 : -1),
    );
  });

  it('take the way, time and paint that follow from them', () => {
    const found = plan(wall);
    // 20 · (4 + 2 · 0.05) = 82 m with the trigger open at 0.5 m/s: 164 s, 2.187 L
    expect(found.triggerTime.value).toBeCloseTo(164, 6);
    expect(litres(found.paintOut.value)).toBeCloseTo(2.1867, 3);
    // Run-up 0.5²/(2·4) = 31.25 mm twice for each pass; moves of one spacing between
    expect(found.travel.value).toBeCloseTo(82 + 20 * 0.0625 + 19 * found.spacing, 6);
    expect(found.gunTime).toBeGreaterThan(found.triggerTime.value);
    // Each of 20 passes 4.1 m and two ramps of 0.5²/8 m, taken at speed and once more for slowing and starting; the moves
    // down at 0.8 m/s
    const ramps = 20 * 2 * (0.5 ** 2 / 8);
    expect(found.gunTime).toBeCloseTo((20 * 4.1 + 2 * ramps) / 0.5 + 2.4 / 0.8, 6);
    // First and last pass are half off the piece: over the piece 19 of 20 fans, less the leads
    const landed = found.paintOut.value - found.overspray.value;
    expect(landed / (0.8 * found.paintOut.value)).toBeCloseTo((19 / 20) * (4 / 4.1), 2);
  });

  it('never open or close the trigger on the piece', () => {
    const piece: Piece = {
      outline: [...box(0, 0, 5, 2.4).slice(0, 3), { x: 2.5, y: 3.6 }, { x: 0, y: 2.4 }],
      openings: [box(0.8, 0, 0.9, 2.1), box(3, 0.9, 1.2, 1.2)],
    };
    const inside = (x: number, y: number) =>
      contains(piece.outline, { x, y }) && !piece.openings.some((one) => contains(one, { x, y }));
    for (const kind of ['across', 'up and down'] as const) {
      for (const pass of plan(piece, { direction: { kind }, edgesFirst: false }).passes) {
        for (const { x, y } of ends(pass)) expect(inside(x, y)).toBe(false);
      }
    }
  });

  it('open and close over the strips just painted where the edges come first', () => {
    const { passes } = plan(wall, { ...across, edgesFirst: true });
    const field = passes.filter(({ kind }) => kind === 'field');
    // 20 lines less the two that the edge passes are; a strip is half a spacing wide: 2.4 m / 19 / 2, at most 63.5 mm
    expect(field).toHaveLength(18);
    for (const pass of field) {
      const [one, other] = ends(pass).map(({ x }) => x);
      expect(Math.min(one ?? NaN, other ?? NaN)).toBeCloseTo(0.0635, 9);
      expect(Math.max(one ?? NaN, other ?? NaN)).toBeCloseTo(4 - 0.0635, 9);
    }
    // Over a door in the wall they still let go off the piece
    const holed = plan({ ...wall, openings: [box(1, 0, 1, 2.05)] }, { ...across, edgesFirst: true });
    const low = holed.passes.find(({ kind, from }) => kind === 'field' && from.y < 1.5);
    if (!low) throw new Error('a low pass');
    expect(
      ends(low)
        .map(({ x }) => x)
        .sort((a, b) => a - b),
    ).toEqual([0.0635, 1 + ARM.lead, 2 - ARM.lead, 4 - 0.0635].map((x) => expect.closeTo(x, 9) as number));
  });

  it('are the field alone on a piece that the edges would fill', () => {
    const fascia = plan({ outline: box(0, 0, 3, 0.12), openings: [] }, { ...across, edgesFirst: true });
    expect(fascia.passes.map(({ kind }) => kind)).toEqual(['field']);
    expect(fascia.reason).toMatch(/^Too narrow for edges first/);
    expect(plan(wall, { ...across, edgesFirst: true }).reason).toMatch(/^Edges first, then the field/);
  });

  it('reach as far as the piece is wide anywhere in the band of a pass', () => {
    // A step at 1.2 m: 1 m wide below, 4 m wide just above and narrowing to the top
    const stepped: Piece = {
      outline: [
        { x: 0, y: 0 },
        { x: 1, y: 0 },
        { x: 1, y: 1.21 },
        { x: 4, y: 1.21 },
        { x: 0, y: 2.4 },
      ],
      openings: [],
    };
    const right = plan(stepped).passes.map(({ from, to: end }) => Math.max(from.x, end.x));
    expect(Math.max(...right)).toBeCloseTo(4 + ARM.lead, 4);
  });

  it('let go over a door and a window, and paint between them', () => {
    const holed: Piece = { ...wall, openings: [box(1, 0, 1, 2.05)] };
    const { passes } = plan(holed);
    const low = passes.find(({ from }) => from.y < 1.5);
    expect(low?.open).toHaveLength(2);
    expect(passes[0]?.open).toHaveLength(1);
    const gap = (low?.open[1]?.from ?? 0) - (low?.open[0]?.to ?? 0);
    expect(gap).toBeCloseTo(1 - 2 * ARM.lead, 9);
    expect(plan(holed).paintOut.value).toBeLessThan(plan(wall).paintOut.value);
  });

  it('spray through a gap no finger is quick enough for', () => {
    const slit: Piece = { ...wall, openings: [box(1, 0.4, 0.2, 1.2)] };
    for (const { open } of plan(slit).passes) expect(open).toHaveLength(1);
  });

  it('cover a gable to its slopes', () => {
    const gable: Piece = {
      outline: [
        { x: 0, y: 0 },
        { x: 4, y: 0 },
        { x: 2, y: 2 },
      ],
      openings: [],
    };
    const { passes } = plan(gable);
    for (const { from, to: end } of passes) {
      const y = from.y - 0.12;
      if (y < 0) continue;
      const half = (2 - Math.max(0, y)) * 0.9;
      expect(Math.min(from.x, end.x)).toBeLessThan(2 - half + 0.3);
      expect(Math.max(from.x, end.x)).toBeGreaterThan(2 + half - 0.3);
    }
    // The last pass, along the foot, from corner to corner
    const foot = passes[passes.length - 1];
    const ways = [foot?.from.x ?? NaN, foot?.to.x ?? NaN].sort((a, b) => a - b);
    expect(ways).toEqual([-ARM.lead, 4 + ARM.lead].map((x) => expect.closeTo(x, 4) as number));
  });

  it('are one pass where the fan is wider than the piece', () => {
    expect(plan({ outline: box(0, 0, 3, 0.1), openings: [] }).passes).toHaveLength(1);
    expect(
      plan({ outline: box(0, 0, 0.1, 3), openings: [] }, { ...across, direction: { kind: 'up and down' } })
        .passes,
    ).toHaveLength(1);
  });

  it('go once round the edges first where asked', () => {
    const { passes } = plan(wall, { ...across, edgesFirst: true });
    expect(passes.slice(0, 5).map(({ kind }) => kind)).toEqual(['edge', 'edge', 'edge', 'edge', 'field']);
    for (const { overPiece } of passes.slice(0, 4)) expect(overPiece).toBeCloseTo(0.5, 1);
    // Lapped by a third the middle of the fan runs a sixth of it inside the edge: 42.3 mm
    const third = plan(wall, { ...across, edgesFirst: true }, { overlap: quantity<Fraction>(1 / 3) }).passes;
    const inside = 0.254 / 6;
    expect([third[0]?.from.y, third[2]?.from.y]).toEqual([
      expect.closeTo(inside, 9),
      expect.closeTo(2.4 - inside, 9),
    ]);
    expect([third[1]?.from.x, third[3]?.from.x]).toEqual([
      expect.closeTo(4 - inside, 9),
      expect.closeTo(inside, 9),
    ]);
  });
});

describe('passes over a ceiling', () => {
  it('run across the line of sight, from wherever it is seen', () => {
    const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(number(-5, 9), fc.constantFrom(-4, 8), (x, y) => {
        const found = plan(
          { outline: box(0, 0, 4, 3), openings: [] },
          { direction: { kind: 'across sight', viewpoint: { x, y } }, edgesFirst: false },
        );
        const sight = Math.hypot(2 - x, 1.5 - y);
        for (const { from, to: end } of found.passes) {
          const way = Math.hypot(end.x - from.x, end.y - from.y);
          const along = ((end.x - from.x) * (2 - x) + (end.y - from.y) * (1.5 - y)) / (way * sight);
          expect(Math.abs(along)).toBeLessThan(1e-9);
        }
        expect(found.reason).toMatch(/line of sight/);
      }),
      { numRuns: 40 },
    );
  });

  it('take the same paint whichever way the room lies', () => {
    const room = (angle: number) =>
      plan(
        { outline: box(0, 0, 4, 3), openings: [] },
        { direction: { kind: 'angle', angle }, edgesFirst: false },
      );
    expect(room(Math.PI).paintOut.value).toBeCloseTo(room(0).paintOut.value, 12);
    expect(room(Math.PI / 2).paintOut.value / room(0).paintOut.value).toBeCloseTo(1, 1);
  });
});

describe('a plan fed to the simulation', () => {
  const simulated = (piece: Piece, found: PassPlan, extra: Partial<PassSettings> = {}): SimulationResult => {
    const shifted = found.passes.map((pass) => ({
      ...pass,
      from: { x: pass.from.x + 0.5, y: pass.from.y + 0.5 },
      to: { x: pass.to.x + 0.5, y: pass.to.y + 0.5 },
    }));
    const move = (polygon: Polygon) => polygon.map(({ x, y }) => ({ x: x + 0.5, y: y + 0.5 }));
    const result = simulateAll({
      width: of(5, 'm'),
      height: of(3.4, 'm'),
      cell: of(0.02, 'm'),
      fan: {
        family: 'standard',
        fan: 5,
        flow: of(0.8, 'L/min'),
        transferEfficiency: quantity<Fraction>(0.8),
        pressureRatio: 1,
      },
      strokes: strokesFor(shifted, settings(extra)),
      limits: { minimum: of(100, 'μm'), sagLimit: of(250, 'μm') },
      piece: { outline: move(piece.outline), openings: piece.openings.map(move) },
    });
    if (!result.ok) throw new Error(result.message);
    return result.value;
  };

  it('lays the film of the volume balance, with no holidays, and misses what it says', () => {
    const found = plan(wall);
    const film = simulated(wall, found);
    // Q·TE/(spacing · v) = 168.9 μm in the field; the ends of the wall get half a fan less
    expect(film.statistics.mean * 1e6).toBeGreaterThan(155);
    expect(film.statistics.mean * 1e6).toBeLessThan(170);
    expect(film.statistics.holidays).toEqual([]);
    expect(film.paint.sprayed / found.paintOut.value).toBeCloseTo(1, 6);
    expect((film.paint.beside + film.paint.overspray) / found.overspray.value).toBeCloseTo(1, 1);
    expect(film.paint.onPiece / (netArea(wall) * film.statistics.mean)).toBeCloseTo(1, 6);
  });

  it('lays as even a film with the edges first: the field passes end in the strips', () => {
    const plain = simulated(wall, plan(wall));
    const edged = simulated(wall, plan(wall, { ...across, edgesFirst: true }));
    expect(edged.statistics.mean / plain.statistics.mean).toBeCloseTo(1, 2);
    // Laid over each other whole, edge and field would be 1.75 of the mean at the sides; so the worst is a step at the
    // end of a field pass: what the edge pass lays a quarter fan inside, 0.75 · (1 − 0.5²), less or more the field
    const [least, most] = [edged.statistics.least, edged.statistics.most].map(
      (one) => one / edged.statistics.mean,
    );
    expect(least).toBeGreaterThan(0.56);
    expect(most).toBeLessThan(1.6);
    expect(edged.statistics.holidays).toEqual([]);
  });

  it('covers a wall with a door and a window, and keeps off most of them', () => {
    const piece: Piece = { ...wall, openings: [box(0.6, 0, 0.9, 2.1), box(2.2, 0.9, 1.2, 1.2)] };
    const film = simulated(piece, plan(piece));
    expect(film.statistics.holidays).toEqual([]);
    expect(film.statistics.shareUnderMinimum).toBeLessThan(0.05);
  });

  it('strays with the hand, the same for the same seed', () => {
    const { passes } = plan(wall);
    const hand = (seed: number) =>
      strokesFor(passes, settings(), { lap: 0.05, speed: 0.1, random: seeded(seed) });
    expect(hand(3)).toEqual(hand(3));
    expect(hand(3)).not.toEqual(hand(4));
    const apart = hand(5).map(({ points }, index) => (points[0]?.y ?? 0) - (passes[index]?.from.y ?? 0));
    expect(Math.max(...apart.map(Math.abs))).toBeLessThan(4 * 0.05 * 0.254);
    expect(Math.max(...apart.map(Math.abs))).toBeGreaterThan(0);
    // A slanted pass strays beside its way, as far at both ends
    const slanted = plan(wall, { direction: { kind: 'angle', angle: 0.7 }, edgesFirst: false }).passes;
    strokesFor(slanted, settings(), { lap: 0.05, speed: 0.1, random: seeded(6) }).forEach(
      ({ points }, index) => {
        const pass = slanted[index];
        if (!pass) throw new Error('a stroke without a pass');
        const length = Math.hypot(pass.to.x - pass.from.x, pass.to.y - pass.from.y);
        const [cx, cy] = [(pass.to.x - pass.from.x) / length, (pass.to.y - pass.from.y) / length];
        const aside = points.map(({ x, y }) => (y - pass.from.y) * cx - (x - pass.from.x) * cy);
        for (const one of aside) expect(one).toBeCloseTo(aside[0] ?? NaN, 9);
      },
    );
  });
});

describe('spindles and rails', () => {
  const bars = {
    kind: 'spindles' as const,
    count: 18,
    length: of(0.8, 'm'),
    face: of(40, 'mm'),
    gap: of(90, 'mm'),
  };
  it('are sprayed from four sides, each with its own pass', () => {
    const found = planBars(bars, settings({ fanWidth: of(102, 'mm') }));
    if (!found.ok) throw new Error(found.message);
    expect(found.value.parts.map(({ passes }) => passes.length)).toEqual([18, 18, 18, 18]);
    // 72 · 0.9 m at 0.5 m/s
    expect(found.value.triggerTime.value).toBeCloseTo(129.6, 6);
    // Seen at 45°: 56.6 of the 107.5 mm in which a fan of 102 mm lays anything, (3s − s³)/2; 0.8 of the way is on the bar
    const s = ((40 * Math.SQRT2) / 102) * Math.sqrt(0.9);
    const over = ((3 * s - s ** 3) / 2) * (0.8 / 0.9);
    expect(found.value.overspray.value / found.value.paintOut.value).toBeCloseTo(1 - 0.8 * over, 6);
    const rails = planBars({ ...bars, kind: 'rails', count: 2 }, settings());
    expect(rails.ok && rails.value.parts[0]?.passes[0]?.from.y).toBe(
      rails.ok && rails.value.parts[0]?.passes[0]?.to.y,
    );
  });

  it('miss less with a narrower fan', () => {
    const missed = (mm: number) => {
      const found = planBars(bars, settings({ fanWidth: of(mm, 'mm') }));
      return found.ok ? found.value.overspray.value / found.value.paintOut.value : NaN;
    };
    expect(missed(51)).toBeLessThan(missed(102));
    expect(missed(102)).toBeLessThan(missed(254));
  });

  it.each([
    ['count', { count: 0 }],
    ['count', { count: 2.5 }],
    ['count', { count: NaN }],
    ['length', { length: of(0, 'm') }],
    ['face', { face: of(Infinity, 'mm') }],
    ['gap', { gap: of(-1, 'mm') }],
  ] as const)('are refused for a bad %s', (field, extra) => {
    expect(planBars({ ...bars, ...extra }, settings())).toMatchObject({ ok: false, field });
  });
});

describe('a door', () => {
  const door = (extra: Partial<Door> = {}): Door => ({
    width: of(0.8, 'm'),
    height: of(2, 'm'),
    panels: { rows: 3, columns: 2 },
    frame: of(100, 'mm'),
    casing: of(70, 'mm'),
    thickness: of(40, 'mm'),
    ...extra,
  });
  it('is sprayed in order: casing, edges, panels, face', () => {
    const found = planDoor(door(), settings({ fanWidth: of(203, 'mm') }));
    if (!found.ok) throw new Error(found.message);
    expect(found.value.parts.map(({ name }) => name)).toEqual([
      'Casing',
      'Edges',
      'Panels and mouldings',
      'Face',
    ]);
    const face = found.value.parts[3]?.passes ?? [];
    for (const { from, to: end } of face) expect(Math.abs(end.y - from.y)).toBeGreaterThan(2);
    expect(found.value.paintOut.value).toBeGreaterThan(found.value.overspray.value);
    for (const { part } of face) expect(part).toBe('Face');
  });

  it('has its panels between stiles and rails of one width', () => {
    const found = planDoor(door(), settings({ fanWidth: of(203, 'mm') }));
    const panels = (found.ok && found.value.parts[2]?.passes) || [];
    const between = (values: readonly number[]) =>
      [...new Set(values.map((value) => Math.round(value * 1000)))].sort((a, b) => a - b);
    // Across (0.8 − 3 · 0.1)/2 = 0.25 m: panels from 0.1 to 0.35 and 0.45 to 0.7, the middle of the fan on their edges
    const across = between(panels.map(({ from }) => from.x));
    expect([across[0], across[across.length - 1]]).toEqual([100, 700]);
    expect(across.every((x) => x <= 350 || x >= 450)).toBe(true);
    expect(across).toEqual(expect.arrayContaining([350, 450]));
    // Up (2 − 4 · 0.1)/3 = 0.5333 m, each pass begun and ended 50 mm off its panel
    expect(between(panels.flatMap(({ from, to: end }) => [from.y, end.y]))).toEqual([50, 683, 1317, 1950]);
  });

  it('has no casing in the rack and no panels when it is flush', () => {
    const { casing: _none, ...racked } = door({ panels: { rows: 0, columns: 0 } });
    const found = planDoor(racked, settings());
    expect(found.ok && found.value.parts.map(({ name }) => name)).toEqual(['Edges', 'Face']);
  });

  it.each([
    ['width', { width: of(0, 'm') }],
    ['height', { height: of(NaN, 'm') }],
    ['thickness', { thickness: of(1, 'm') }],
    ['casing', { casing: of(-1, 'mm') }],
    ['panels', { panels: { rows: 2, columns: 0 } }],
    ['panels', { panels: { rows: 1.5, columns: 1 } }],
    ['frame', { frame: of(300, 'mm') }],
    ['frame', { frame: quantity<Length>(NaN) }],
  ] as const)('is refused for a bad %s', (field, extra) => {
    expect(planDoor(door(extra), settings())).toMatchObject({ ok: false, field });
  });
});

describe('bad settings', () => {
  it.each([
    ['overlap', { overlap: quantity<Fraction>(1) }],
    ['overlap', { overlap: quantity<Fraction>(NaN) }],
    ['overlap', { overlap: quantity<Fraction>(-0.1) }],
    ['fanWidth', { fanWidth: quantity<Length>(0) }],
    ['distance', { distance: of(5, 'm') }],
    ['gunSpeed', { gunSpeed: of(0, 'm/s') }],
    ['flow', { flow: given('Flow', 'flow', NaN, 'x') }],
    ['air', { air: given('TE', 'percent', 0, 'x') }],
  ] as const)('are refused at %s, for walls, bars and doors alike', (field, extra) => {
    const door = {
      width: of(0.8, 'm'),
      height: of(2, 'm'),
      panels: { rows: 0, columns: 0 },
      frame: of(0.1, 'm'),
      thickness: of(0.04, 'm'),
    };
    const bars = {
      kind: 'rails' as const,
      count: 2,
      length: of(2, 'm'),
      face: of(0.05, 'm'),
      gap: of(0.3, 'm'),
    };
    for (const result of [
      planPasses(wall, settings(extra), across),
      planBars(bars, settings(extra)),
      planDoor(door, settings(extra)),
    ]) {
      expect(result).toMatchObject({ ok: false, field });
      expect(result).not.toHaveProperty('value');
    }
  });

  it('and bad pieces are refused where they are bad', () => {
    const crossed = {
      outline: [
        { x: 0, y: 0 },
        { x: 4, y: 3 },
        { x: 4, y: 0 },
        { x: 0, y: 3 },
      ],
      openings: [],
    };
    expect(planPasses(crossed, settings(), across)).toMatchObject({ ok: false, field: 'outline' });
    expect(planPasses({ ...wall, openings: [box(9, 9, 1, 1)] }, settings(), across)).toMatchObject({
      field: 'openings.0',
    });
  });
});

describe('the piece of a surface', () => {
  it('stands doors on the floor and windows on a sill, evenly apart', () => {
    const piece = pieceOf({
      shape: 'rectangle',
      width: 5,
      height: 2.4,
      count: 1,
      openings: [
        { id: 'd', kind: 'door', width: 0.9, height: 2.1, count: 1 },
        { id: 'w', kind: 'window', width: 1.2, height: 1.2, count: 1 },
      ],
    });
    expect(netArea(piece)).toBeCloseTo(12 - 1.89 - 1.44, 9);
    expect(piece.openings.map((opening) => opening[0]?.y)).toEqual([0, 0.9]);
    expect(piece.openings[0]?.[0]?.x).toBeCloseTo(2.9 / 3, 9);
    expect(planPasses(piece, settings(), across).ok).toBe(true);
  });

  it('is a gable with its ridge, and leaves out what does not fit', () => {
    const gable = pieceOf({ shape: 'gable', width: 4, height: 2.5, ridge: 4, count: 1, openings: [] });
    expect(areaOf(gable.outline)).toBeCloseTo(13, 9);
    expect(gable.outline).toContainEqual({ x: 2, y: 4 });
    const crowded = pieceOf({
      shape: 'rectangle',
      width: 2,
      height: 2.4,
      count: 1,
      openings: [{ id: 'w', kind: 'window', width: 1.2, height: 1.2, count: 3 }],
    });
    expect(crowded.openings).toHaveLength(1);
    expect(planPasses(crowded, settings(), across).ok).toBe(true);
  });
});
