import fc from 'fast-check';
import {
  FLUIDS,
  FLUID_IDS,
  SAFE,
  TROUBLES,
  TROUBLE_IDS,
  flushSequence,
  heldBackBy,
  mayMeet,
  nextStep,
  shutDown,
  startUp,
  tick,
  untick,
  type Fluid,
  type Procedure,
  type StartUp,
  type MachineState,
} from '.';
import { sealFor } from '../tip';

const order = (extra: Partial<StartUp> = {}): StartUp => ({
  holds: 'storage',
  base: 'water',
  sameCoating: false,
  power: 'electric',
  side: 'inside',
  tipCode: '515',
  mesh: 60,
  seal: sealFor('standard', extra.base ?? 'water'),
  startPressure: '110 bar',
  ...extra,
});
const BASES = ['water', 'solvent'] as const;

/** Every start-up and shut-down there is. */
const ALL: readonly (readonly [string, Procedure])[] = [
  ...FLUID_IDS.flatMap((holds) =>
    BASES.flatMap((base) =>
      (['electric', 'engine'] as const).flatMap((power) =>
        [false, true].map(
          (sameCoating) =>
            [
              `start-up from ${holds} to ${base}, ${power}${sameCoating ? ', the same coating' : ''}`,
              startUp(order({ holds, base, power, sameCoating })),
            ] as const,
        ),
      ),
    ),
  ),
  ...BASES.flatMap((base) =>
    (['tomorrow', 'stored'] as const).flatMap((until) =>
      (['electric', 'engine'] as const).map(
        (power) => [`shut-down of ${base}, ${until}, ${power}`, shutDown({ base, until, power })] as const,
      ),
    ),
  ),
];

/** Whether hands may touch the front of the gun. */
const isSafe = ({ pump, trigger, pressure }: MachineState) =>
  pump === 'off' && trigger === 'locked' && pressure === 'none';

describe('a flush', () => {
  const pairs = FLUID_IDS.flatMap((from) => FLUID_IDS.map((to) => [from, to] as const));

  it.each(pairs)('from %s to %s lets nothing meet what it does not mix with', (from, to) => {
    const way: Fluid[] = [from, ...flushSequence(from, to), to];
    way.slice(1).forEach((fluid, index) => expect(mayMeet(way[index] as Fluid, fluid)).toBe(true));
    // Only flush fluids in between, each once.
    for (const fluid of way.slice(1, -1)) expect(FLUIDS[fluid].flushes).toBe(true);
    expect(new Set(way.slice(1, -1)).size).toBe(way.length - 2);
    const sides = [FLUIDS[from].side, FLUIDS[to].side];
    if (sides.includes('water') && sides.includes('solvent')) expect(way).toContain('go-between');
  });

  it.each([
    ['storage', 'water paint', ['water']],
    ['storage', 'solvent paint', ['go-between', 'thinner']],
    ['water paint', 'water paint', ['water']],
    ['solvent paint', 'solvent paint', ['thinner']],
    ['solvent paint', 'water paint', ['thinner', 'go-between', 'water']],
    ['water paint', 'solvent paint', ['water', 'go-between', 'thinner']],
    ['water', 'water paint', []],
    ['water', 'solvent paint', ['go-between', 'thinner']],
    ['solvent paint', 'storage', ['thinner', 'go-between', 'water']],
    ['water', 'water', []],
  ] as const)('from %s to %s is %j', (from, to, way) => {
    expect(flushSequence(from, to)).toEqual(way);
  });

  it('is not needed for the same coating again', () => {
    expect(flushSequence('water paint', 'water paint', true)).toEqual([]);
    expect(flushSequence('water paint', 'solvent paint', true)).toContain('go-between');
  });
});

describe.each(ALL)('%s', (_name, procedure) => {
  it('has steps with words, a reason, and only earlier steps before them', () => {
    const ids = procedure.steps.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    procedure.steps.forEach(({ what, why, after }, index) => {
      expect(what.length).toBeGreaterThan(8);
      expect(why.length).toBeGreaterThan(15);
      for (const before of after) expect(ids.slice(0, index)).toContain(before);
    });
  });

  it('never starts the hose under pressure with the tip off unless the trigger is held into the waste', () => {
    procedure.steps.forEach(({ state, id }, index) => {
      const before = procedure.steps[index - 1]?.state;
      const feeds = state.pump === 'on' && state.valve === 'spray';
      const fedBefore = before?.pump === 'on' && before.valve === 'spray';
      if (feeds && !fedBefore && state.tip === 'off') expect([id, before?.trigger]).toEqual([id, 'held']);
      if (before && before.tip !== state.tip)
        expect([id, isSafe({ ...before, tip: state.tip })]).toEqual([id, true]);
    });
  });

  it('locks in order: relieve before the tip is touched, trigger before the pump, tip on last', () => {
    const at = (id: string) => procedure.steps.findIndex((step) => step.id === id);
    const locks = (later: string, earlier: string) =>
      expect([later, procedure.steps[at(later)]?.after]).toEqual([later, expect.arrayContaining([earlier])]);
    for (const { id } of procedure.steps.filter((step) => step.id.endsWith(' through'))) {
      locks(id, id.replace(/through$/, 'hold'));
    }
    if (procedure.kind === 'start-up') {
      locks('tip', 'paint relieve');
      locks('tip', 'paint lock');
      locks('pressurise', 'tip');
      expect(procedure.steps[procedure.steps.length - 1]?.id).toBe('start pressure');
    } else {
      locks('tip off', 'first relieve');
      locks('tip off', 'first lock');
      expect(isSafe(procedure.steps[procedure.steps.length - 1]?.state ?? SAFE)).toBe(true);
    }
  });
});

describe('ticking steps off', () => {
  const procedure = startUp(order({ holds: 'solvent paint' }));
  const ids = procedure.steps.map(({ id }) => id);

  it('refuses a step before its time and names the step and the reason', () => {
    const refused = tick(procedure, [], 'tip');
    expect(refused).toMatchObject({
      ok: false,
      code: 'procedure.order',
      message: expect.stringMatching(/^First: Pump off/) as string,
    });
    expect(tick(procedure, [], 'nowhere')).toMatchObject({ ok: false, code: 'procedure.step' });
    expect(heldBackBy(procedure, [], 'wear')).toBeUndefined();
  });

  it('in whatever order it is tried never leaves a step done whose earlier ones are open', () => {
    const attempt = fc.record({ id: fc.constantFrom(...ids), back: fc.boolean() });
    fc.assert(
      fc.property(fc.array(attempt, { maxLength: 200 }), (attempts) => {
        let done: readonly string[] = [];
        for (const { id, back } of attempts) {
          if (back) done = untick(procedure, done, id);
          else {
            const result = tick(procedure, done, id);
            if (result.ok) done = result.value;
          }
          for (const one of done) expect(heldBackBy(procedure, done, one)).toBeUndefined();
        }
      }),
    );
  });

  it('goes down the list to its end, and a tick taken back takes back what had to come after', () => {
    let done: readonly string[] = [];
    for (let step = nextStep(procedure, done); step; step = nextStep(procedure, done)) {
      const result = tick(procedure, done, step.id);
      if (!result.ok) throw new Error(result.message);
      done = result.value;
    }
    expect(done).toEqual(ids);
    expect(tick(procedure, done, 'tip')).toEqual({ ok: true, value: done });
    const back = untick(procedure, done, 'paint lock');
    expect(back).toContain('paint relieve');
    for (const gone of ['paint lock', 'seal', 'tip', 'pressurise', 'start pressure'])
      expect(back).not.toContain(gone);
    expect(back).toContain('wear');
  });

  it('says what is special about this machine and paint', () => {
    const words = (procedure_: Procedure) => procedure_.steps.map(({ what }) => what).join(' ');
    expect(words(startUp(order({ base: 'solvent' })))).toMatch(/organic vapour respirator/);
    expect(words(startUp(order({ power: 'engine' })))).toMatch(/Engine outside/);
    expect(words(startUp(order({ power: 'engine', side: 'outside' })))).not.toMatch(/hose run in/);
    expect(words(startUp(order()))).toMatch(/60 mesh.*Tip 515 in last.*Set 110 bar/);
    expect(words(startUp(order({ holds: 'water paint', sameCoating: true })))).toMatch(
      /same coating is in the hose/,
    );
    expect(shutDown({ base: 'water', until: 'stored', power: 'electric' }).leaves).toBe('storage');
    expect(shutDown({ base: 'solvent', until: 'tomorrow', power: 'electric' }).leaves).toBe('thinner');
  });
});

describe('the fault finder', () => {
  it.each(TROUBLE_IDS)(
    'for %s has a first, second and third thing to try, relieved where hands go in',
    (id) => {
      const { tries, looks } = TROUBLES[id];
      expect(looks.length).toBeGreaterThan(10);
      expect(tries).toHaveLength(3);
      for (const { what, why, relieved } of tries) {
        expect(why.length).toBeGreaterThan(15);
        if (/seal|needle|filter|tip out|ball/i.test(what)) expect([what, relieved]).toEqual([what, true]);
      }
    },
  );
});
