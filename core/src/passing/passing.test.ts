import { openAreaOf, passingFor } from './testing';
import { OPEN_TIME, gunAt, passingOf, stageAt, stretchesOf } from '.';
import { boxOf, netArea } from '../shape';
import { setupCard, sprayedPiece } from '../setup';
import { PIECE_KIND_IDS, viewpointsOf, type PlaceMeasure, type RoomMeasure } from '../takeoff';
import { passSettingsOf, wallFilm } from '../wallFilm';
import { passesOf } from '../passes';

const WALL = { shape: 'rectangle', width: 4, height: 2.4, count: 1, openings: [] } as const;
const openLength = (passes: readonly { open: readonly { from: number; to: number }[] }[]) =>
  passes.flatMap(({ open }) => open).reduce((sum, { from, to }) => sum + to - from, 0);

describe('the passes of a surface on the clock', () => {
  it.each(PIECE_KIND_IDS)('%s: each of its usual sizes has stages one after the other', (kind) => {
    const { passing } = passingFor({ kind });
    let before = 0;
    for (const { from, to, passes, how, name } of passing.stages) {
      expect(from).toBeGreaterThanOrEqual(before);
      expect(to).toBeGreaterThan(from);
      expect(passes.at(-1)?.end).toBeCloseTo(to - from, 9);
      expect(how.length).toBeGreaterThan(0);
      expect(name).not.toBe('');
      before = to;
    }
    expect(passing.time).toBe(before);
  });

  it('takes as long as the account of the card’s passes says, and sprays as long as its trigger time', () => {
    const { request, card, passing } = passingFor({ geometry: WALL });
    const film = wallFilm(request, card);
    if (!film.ok) throw new Error(film.message);
    const { plan } = film.value;
    expect(passing.time).toBeCloseTo(plan.gunTime, 9);
    const [stage] = passing.stages;
    const [step, passes] = [0.002, stage?.passes ?? []];
    let sprayed = 0;
    for (let now = 0; now < passing.time; now += step)
      if (gunAt(passes, now, passing.gunSpeed)?.open) sprayed += step;
    expect(sprayed / plan.triggerTime.value).toBeCloseTo(1, 2);
  });

  it('never jumps: the gun is where it was, but for what it moves in that time', () => {
    const { passing } = passingFor({ kind: 'door' });
    for (const { passes } of passing.stages) {
      let last = gunAt(passes, 0, passing.gunSpeed)?.at;
      for (let now = 0.01; now < (passes.at(-1)?.end ?? 0); now += 0.01) {
        const at = gunAt(passes, now, passing.gunSpeed)?.at;
        if (!at || !last) throw new Error('no gun');
        expect(Math.hypot(at.x - last.x, at.y - last.y)).toBeLessThan(0.015);
        last = at;
      }
    }
  });

  it('is open nowhere in the run-up, and stands still at both ends', () => {
    const { passing } = passingFor({ geometry: WALL });
    const passes = passing.stages[0]?.passes ?? [];
    expect(gunAt(passes, 0, passing.gunSpeed)).toMatchObject({ pass: 0, open: false });
    expect(gunAt(passes, -5, passing.gunSpeed)).toEqual(gunAt(passes, 0, passing.gunSpeed));
    expect(gunAt(passes, 1e6, passing.gunSpeed)?.pass).toBe(passes.length - 1);
    expect(gunAt([], 0, 1)).toBeUndefined();
  });

  it('finds the stage that is on, and stays at the end of one until the next begins', () => {
    const { passing } = passingFor({ kind: 'door' });
    const [first, second] = passing.stages;
    if (!first || !second) throw new Error('two stages');
    expect(stageAt(passing, 0)).toEqual({ index: 0, within: 0 });
    expect(stageAt(passing, (first.to + second.from) / 2)).toEqual({ index: 0, within: first.to });
    expect(stageAt(passing, second.from)).toMatchObject({ index: 1, within: 0 });
  });
});

describe('how each kind of piece is passed', () => {
  it('lays the second coat of rough ground across the first, of smooth ground the same way', () => {
    const upright = (kind: 'coarse-render' | 'smooth-board', coat: number) => {
      const [pass] = passingFor({ geometry: WALL, ground: kind, coat }).passing.stages[0]?.passes ?? [];
      if (!pass) throw new Error('no pass');
      return Math.abs(pass.to.y - pass.from.y) > Math.abs(pass.to.x - pass.from.x);
    };
    expect([upright('coarse-render', 0), upright('coarse-render', 1)]).toEqual([false, true]);
    expect([upright('smooth-board', 0), upright('smooth-board', 1)]).toEqual([false, false]);
  });

  it('meets lapped boards from the other side in the second coat', () => {
    const words = (coat: number) =>
      passingFor({ geometry: WALL, ground: 'lapped-boards', coat }).passing.stages[0]?.how.join(' ');
    expect(words(0)).toMatch(/to the left/);
    expect(words(1)).toMatch(/from the right/);
  });

  it('sprays leaves of a rack side by side, edges with the side they are seen from', () => {
    const { stages } = passingFor({ kind: 'door', count: 6 }).passing;
    expect(stages.map(({ name }) => name)).toEqual(['Edges, with side one', 'Side one', 'Side two']);
    expect(stages.map(({ alike }) => alike)).toEqual([6, 6, 6]);
    expect(stages[2]?.before?.text).toMatch(/dry to handle/);
  });

  it('sprays a hanging door clear of the wall, its outer casing last', () => {
    const { stages } = passingFor({ kind: 'door', doors: 'hung' }).passing;
    expect(stages.map(({ name }) => name)).toEqual([
      'Casing, inside',
      'Front of the leaf',
      'Back of the leaf',
      'Top and edges',
      'Casing, outside',
    ]);
    expect(stages[1]?.before?.text).toMatch(/clear of the wall/);
  });

  it('sprays spindles from four sides before the rails, walking round once', () => {
    const place: PlaceMeasure = {
      kind: 'loose',
      skipped: [],
      features: [
        { id: 'r', item: 'handrail', count: 1, sizes: {} },
        { id: 's', item: 'spindle', count: 34, sizes: {} },
      ],
    };
    const { stages } = passingFor({ place, element: 'spindles' }).passing;
    expect(stages).toHaveLength(8);
    expect(stages.slice(0, 4).every(({ name }) => name.startsWith('34 spindles'))).toBe(true);
    expect(stages.flatMap(({ before }, index) => (before ? [index] : []))).toEqual([2, 6]);
    // Eight are drawn: 34 are five rows of them
    expect(stages[0]?.alike).toBe(5);
  });

  it('draws the casing of a window round its opening, the foot last', () => {
    const place: RoomMeasure = {
      kind: 'room',
      plan: [
        { x: 0, y: 0 },
        { x: 4, y: 0 },
        { x: 4, y: 3 },
        { x: 0, y: 3 },
      ],
      height: 2.4,
      ceiling: { shape: 'flat' },
      skipped: [],
      features: [
        { id: 'w', item: 'window', count: 2, sizes: { width: 1.1, height: 1.3, casing: 0.08 }, wall: 1 },
      ],
    };
    const [stage] = passingFor({ place, element: 'trim' }).passing.stages;
    expect(stage?.pieces).toHaveLength(4);
    expect(boxOf(stage?.pieces.flatMap(({ outline }) => outline) ?? [])).toMatchObject({
      left: -0.08,
      right: expect.closeTo(1.18, 9) as number,
    });
    expect(stage?.alike).toBe(2);
    expect(viewpointsOf({ ...WALL, height: 3 }, place)[0]).toEqual({
      name: '2 windows, wall 2',
      at: { x: 4, y: 1.5 },
    });
  });

  it('turns the rows of a ceiling across another sight, and the card’s paint with them', () => {
    const geometry = { ...WALL, height: 3.2 };
    const from = (seenFrom: { x: number; y: number }) =>
      passingFor({ element: 'ceiling', geometry: { ...geometry, seenFrom } });
    const angles = [
      { x: -1, y: 1.6 },
      { x: 2, y: -1 },
    ].map((point) => {
      const { request, card, passing } = from(point);
      const own = passesOf(sprayedPiece(request), 'ceiling', passSettingsOf(card));
      expect(openLength(passing.stages[0]?.passes ?? [])).toBeCloseTo(openLength(own.passes), 9);
      return own.angle;
    });
    expect(Math.abs(Math.sin((angles[0] ?? 0) - (angles[1] ?? 0)))).toBeCloseTo(1, 9);
  });

  it('says what is over reach from the floor, and the steps aside', () => {
    const tall = passingFor({ geometry: { ...WALL, height: 4.1 } }).passing.stages[0];
    expect(tall?.overReach).toBeCloseTo(1.9, 9);
    // 4.1 m with the trigger open off both ends, an arm of 1.2 m, steps of 0.6 m
    expect(tall?.steps).toBe(5 * (tall?.passes.length ?? 0));
    expect(passingFor({ geometry: { ...WALL, width: 1 } }).passing.stages[0]).toMatchObject({
      overReach: expect.closeTo(0.2, 9) as number,
      steps: 0,
    });
  });
});

describe('what is sprayed and rolled', () => {
  const block = { geometry: { ...WALL, width: 10 }, ground: 'block', condition: 'bare' } as const;

  it('goes in stretches that are rolled within the open time: alone smaller ones than with two', () => {
    const [alone, two] = (['alone', 'two'] as const).map((crew) => passingFor({ ...block, crew }));
    if (!alone || !two) throw new Error('both');
    expect(alone.passing.stages.length).toBeGreaterThan(two.passing.stages.length);
    expect(alone.passing.rolled).toBe(true);
    for (const { from, to, before, whole } of alone.passing.stages) {
      expect(to - from + (before?.time ?? 0)).toBeLessThan(OPEN_TIME.least);
      expect(whole).toBeDefined();
    }
    expect(two.passing.stages[1]?.before?.time).toBeUndefined();
  });

  it('leaves nothing out and nothing twice, openings too', () => {
    const { request, card } = passingFor({
      ...block,
      geometry: {
        ...WALL,
        width: 10,
        openings: [{ id: 'd', kind: 'door', width: 0.9, height: 2.1, count: 1, at: 1.1, sill: 0 }],
      },
    });
    const { piece } = passesOf(sprayedPiece(request), 'wall', passSettingsOf(card));
    for (const crew of ['alone', 'two'] as const) {
      const stretches = stretchesOf(piece, passSettingsOf(card), crew);
      const sum = stretches.reduce((all, one) => all + netArea(one.piece), 0);
      expect(sum).toBeCloseTo(netArea(piece), 9);
      const most = openAreaOf(card, crew);
      for (const { piece: one } of stretches.slice(1)) expect(netArea(one)).toBeLessThan(most * 1.35);
    }
  });

  it('is only the first coat, and not what is sealed', () => {
    expect(passingFor({ ...block, coat: 1 }).passing.rolled).toBe(false);
    expect(passingFor({ ...block, condition: 'sealed' }).passing.stages).toHaveLength(1);
  });
});

it('refuses a card whose settings lay no passes', () => {
  const { request, card } = passingFor({ geometry: WALL });
  const wrong = { ...card, overlap: { ...card.overlap, value: 0.97 } };
  expect(passingOf(request, wrong)).toMatchObject({ ok: false, field: 'overlap' });
  expect(setupCard(request).ok).toBe(true);
});
