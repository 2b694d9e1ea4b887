import {
  jobModel,
  of,
  paintDistributions,
  quantity,
  readRecord,
  SURFACE_KIND_IDS,
  CONDITIONS,
  searchSetups,
  setupCard,
  systemWaiting,
  type LogEntry,
} from '@fine-spray/core';
import { coatingValues } from '@fine-spray/core/coating';
import {
  entriesOfKind,
  jobFile,
  kitFile,
  logFile,
  timeOf,
  USUAL_BOOK,
  type Entry,
  type Job,
  type Surface,
} from '..';
import { asStored, demoCompany, demoFile, type DemoJob } from '../testing/demo';
import {
  buyingsFor,
  checkBought,
  coreLayers,
  jobPlan,
  layerOfCoat,
  layersOf,
  ordersFor,
  paintCost,
  planHistory,
  plannedCoats,
  siteNow,
  requestFor,
  triggerTimeOf,
  type Kit,
  type PlannedCoatOfJob,
  type SurfaceLayer,
} from '.';
import { historyOf } from './history';

const read = demoFile;
const stored = asStored;
const { company, systems } = kitFile.parse(read('millrace.kit.json'));
const { kit, jobs: demoJobs } = demoCompany();
const { job, surfaces } = demoJobs[0] as DemoJob;
const { orders, refused } = ordersFor(surfaces, job, kit);

function drawn() {
  const result = paintDistributions(jobModel(orders), { draws: 2000, seed: 1 });
  if (!result.ok) throw new Error(result.message);
  return result.value;
}
const distributions = drawn();
const buyings = buyingsFor(orders, distributions, 'P80', 'left over');

describe('the orders of a job', () => {
  it('have every layer of every surface once, under its coating', () => {
    expect(refused).toBe(0);
    const wanted = surfaces.flatMap((surface) =>
      layersOf(surface).map(({ coatingId }) => `${coatingId} ${surface.id}`),
    );
    const ordered = orders.flatMap(({ id, surfaces: own }) => own.map((one) => `${id} ${one.id}`));
    expect(ordered.sort()).toEqual(wanted.sort());
  });

  it('take the trigger time of the cards of all layers', () => {
    const sum = surfaces
      .flatMap((surface) => layersOf(surface).map((layer) => ({ surface, layer })))
      .reduce((total, { surface, layer }) => {
        const request = requestFor(surface, job, kit, layer);
        const card = request ? setupCard(request) : undefined;
        if (!card?.ok) throw new Error('no card');
        // A card of spots is of their area alone
        return total + card.value.tip.candidate.triggerTime;
      }, 0);
    expect(triggerTimeOf(orders)).toBeCloseTo(sum, 6);
  });

  it('count a surface whose coating is missing, and plan the rest', () => {
    const without = { ...kit, coatings: kit.coatings.filter(({ id }) => id !== orders[0]?.id) };
    const rest = ordersFor(surfaces, job, without);
    expect(rest.refused).toBe(orders[0]?.surfaces.length);
    expect(rest.orders).toHaveLength(orders.length - 1);
  });
});

describe('what is bought', () => {
  it('stands with the largest first, and costs more where it must be surer', () => {
    const means = buyings.map(({ distribution }) => distribution.mean);
    expect(means).toEqual([...means].sort((one, other) => other - one));
    const all = (risk: 'P50' | 'P95') =>
      buyingsFor(orders, distributions, risk, 'cost').reduce((sum, { purchase }) => sum + purchase.bought, 0);
    expect(all('P95')).toBeGreaterThan(all('P50'));
  });

  it('has a cost around what is paid, or none without prices', () => {
    for (const buying of buyings) {
      const cost = paintCost(buying);
      expect(cost?.low).toBeLessThanOrEqual(cost?.likely ?? NaN);
      expect(cost?.high).toBeGreaterThanOrEqual(cost?.likely ?? NaN);
      // What is likely used at its price by the litre, never more than what is paid
      const { bought } = buying.purchase;
      const paid = buying.purchase.cost ?? NaN;
      expect(cost?.likely).toBeCloseTo(Math.min(paid, (paid / bought) * buying.likely), 9);
      expect(paintCost({ ...buying, purchase: { ...buying.purchase, cost: null } })).toBeNull();
    }
  });

  it('makes a plan whose cost is paint, consumables and hours together', () => {
    const book = company.book ?? USUAL_BOOK;
    const work = { surfaces, places: [], job, coatings: kit.coatings, buyings, book };
    const plan = jobPlan({ ...work, trigger: triggerTimeOf(orders) });
    const hours = Object.values(plan.hours).reduce((sum, { value }) => sum + value, 0);
    expect(plan.time.likely).toBeCloseTo(hours, 6);
    expect(plan.cost.labour.likely).toBeCloseTo((hours / 3600) * (book.hour ?? NaN), 6);
    const paid = buyings.reduce((sum, buying) => sum + (paintCost(buying)?.likely ?? NaN), 0);
    expect(plan.cost.paint.likely).toBeCloseTo(paid, 6);
    expect(plan.days).toBeGreaterThan(0);
    // No surface waits longer than the job, and one waits as long
    const waits = surfaces.map((surface) => systemWaiting(coreLayers(surface, kit.coatings)).value);
    expect(plan.waiting?.value).toBe(Math.max(...waits));
    expect(jobPlan({ ...work, surfaces: [], buyings: [], trigger: 0 }).waiting).toBeUndefined();
    // Whole days of the crew are paid as such, and what is switched off is said
    const days = jobPlan({
      ...work,
      trigger: 3600,
      book: { ...book, wholeDays: true, notCounted: ['breaks'] },
    });
    expect(days.cost.labour.likely).toBeCloseTo(days.days * book.people * 7.5 * (book.hour ?? NaN), 6);
    expect([days.hours.breaks, days.notCounted[0]]).toEqual([undefined, 'breaks']);
  });
});

describe('a buy list that came back', () => {
  const [first, second] = buyings;
  const line = (coating: string, bought: number) => ({
    coating,
    bought,
    ...{ likely: 0, wanted: 0, chance: 80, containers: [], cost: null, tips: 0 },
  });

  it('is held against what the job wants now', () => {
    if (!first || !second) throw new Error('nothing to buy');
    const wanted = first.purchase.volume * 1000;
    const half = wanted / 2;
    const name = ` ${first.order.name.toUpperCase()} `;
    const { checks, unknown } = checkBought([line(name, half), line('Roof tar', 20)], buyings, 'P80');
    expect(unknown).toEqual(['Roof tar']);
    expect(checks).toHaveLength(buyings.length);
    expect(checks[0]).toMatchObject({ name: first.order.name, enough: 0 });
    expect(checks[0]?.short).toBeCloseTo(of(half, 'L'), 9);
    expect(checks[1]).toMatchObject({ bought: 0, enough: 0, short: second.purchase.volume });
    const twice = checkBought([line(name, half), line(name, half)], buyings, 'P80').checks[0];
    expect(twice?.enough).toBeCloseTo(0.8, 2);
    expect(twice?.short).toBeCloseTo(0, 9);
  });
});

describe('the coats of a job as they are planned', () => {
  const coats = plannedCoats(surfaces, job, kit);

  it('are all coats of all layers, counted on by surface and coating', () => {
    const wanted = surfaces.flatMap(layersOf).reduce((sum, layer) => sum + layer.coats, 0);
    expect(coats).toHaveLength(wanted);
    const seen = new Map<string, number>();
    for (const { surface, coating, coat, row } of coats) {
      expect(row.id).toBe(surface);
      const key = `${surface} ${coating}`;
      expect(coat).toBe((seen.get(key) ?? 0) + 1);
      seen.set(key, coat);
    }
  });

  it('take more than lands, and together less than is ordered', () => {
    for (const { volume, trueArea, wet } of coats) expect(volume.value).toBeGreaterThan(trueArea * wet);
    for (const { order, distribution } of buyings) {
      const { id, surfaces: ordered } = order;
      const { mean } = distribution;
      const planned = coats.filter(({ coating }) => coating === id);
      expect(new Set(planned.map(({ surface }) => surface)).size).toBe(ordered.length);
      const litres = planned.reduce((sum, { volume }) => sum + volume.value, 0);
      // What is ordered has losses besides: hose, containers, touch-up.
      expect(litres).toBeLessThan(mean);
    }
  });

  it('lose paint to a surface that drinks on the first coat only', () => {
    const twice = coats.filter(({ surface, coating }) =>
      coats.some((one) => one.surface === surface && one.coating === coating && one.coat === 2),
    );
    expect(twice.length).toBeGreaterThan(0);
    for (const first of twice.filter(({ coat }) => coat === 1)) {
      const next = twice.find(
        ({ surface, coating, coat }) => surface === first.surface && coating === first.coating && coat === 2,
      );
      expect(first.volume.value).toBeGreaterThanOrEqual(next?.volume.value ?? Infinity);
    }
  });

  it('have the times of their cards, the first coat of bare ground the longest', () => {
    const [one] = surfaces;
    if (!one) throw new Error('no surface');
    const timed = plannedCoats([{ ...one, condition: 'bare', coats: 3, under: [] }], job, kit);
    const [first = NaN, second = NaN, third = NaN] = timed.map(({ time }) => time);
    expect(first).toBeGreaterThan(1.02 * second);
    expect(second).toBe(third);
    const request = requestFor({ ...one, condition: 'bare', coats: 3, under: [] }, job, kit);
    const card = request ? setupCard(request) : undefined;
    expect(first + second + third).toBeCloseTo(card?.ok ? card.value.tip.candidate.sprayingTime : NaN, 6);
    // Litres through the gun are its flow while the trigger is open
    const litres = timed.reduce((sum, { volume }) => sum + volume.value, 0);
    const candidate = card?.ok ? card.value.tip.candidate : undefined;
    expect(litres / ((candidate?.flow ?? NaN) * (candidate?.triggerTime ?? NaN))).toBeCloseTo(1, 6);
  });

  it('search for no tip before their paint or time is read', () => {
    const [one] = plannedCoats(surfaces.slice(0, 1), job, kit);
    if (!one) throw new Error('no coat');
    for (const name of ['volume', 'time', 'over'])
      expect(Object.getOwnPropertyDescriptor(one, name)).toHaveProperty('get');
    // Read twice it is the same, worked out once
    expect(one.volume).toBe(one.volume);
  });

  it('leave out what the kit has no coating for', () => {
    const [first] = coats;
    const without = { ...kit, coatings: kit.coatings.filter(({ id }) => id !== first?.coating) };
    const rest = plannedCoats(surfaces, job, without);
    expect(rest.length).toBeGreaterThan(0);
    expect(rest.some(({ coating }) => coating === first?.coating)).toBe(false);
  });
});

describe('the history of the crew in a plan', () => {
  /** Coats of a kind of work of which so much of the paint landed. */
  const landed = (share: number, side: 'inside' | 'outside', jobs: number): LogEntry[] =>
    Array.from({ length: jobs }, (_job, index): LogEntry[] => {
      const at = index * 3_600_000;
      const head = {
        author: '',
        job: `${side} ${index}`,
        surface: `${side} ${index}`,
        coating: 'c',
        coat: 1,
      };
      const wet = of(100, 'μm');
      return [
        {
          ...head,
          id: `${side} f${index}`,
          at,
          kind: 'coat finished',
          element: 'wall',
          side,
          wind: 'breeze',
          trueArea: 20,
          temperature: of(20, '°C'),
          humidity: of(50, '%'),
        },
        {
          ...head,
          id: `${side} c${index}`,
          at,
          kind: 'comb',
          thinner: of(0, '%'),
          readings: [{ low: wet, high: wet }],
        },
        { ...head, id: `${side} s${index}`, at, kind: 'sprayed', volume: of(2 / share, 'L') },
      ];
    }).flat();
  const history = planHistory(readRecord(landed(0.55, 'inside', 30)));
  const MATT = { coatingId: 'matt' };
  const PAINT = { name: 'Matt', archetype: 'wall-matt', overrides: {} } as const;

  it('is what the log says of a kind of work, inside whatever the wind', () => {
    const inside = historyOf(history, { ...MATT, element: 'wall', side: 'inside', wind: 'breeze' }, PAINT);
    expect(inside?.transfer?.value).toBeGreaterThan(0.53);
    expect(inside?.transfer?.value).toBeLessThan(0.65);
    expect(inside?.transfer?.source).toBe('30 coats in 30 jobs of this crew');
  });

  it('is silent where the log is, and without a log', () => {
    expect(
      historyOf(history, { ...MATT, element: 'door', side: 'inside', wind: 'calm' }, PAINT),
    ).toBeUndefined();
    expect(
      historyOf(history, { ...MATT, element: 'wall', side: 'outside', wind: 'breeze' }, PAINT),
    ).toBeUndefined();
    expect(
      historyOf(undefined, { ...MATT, element: 'wall', side: 'inside', wind: 'calm' }, PAINT),
    ).toBeUndefined();
  });

  it('keeps the winds apart outside', () => {
    const outside = planHistory(readRecord(landed(0.5, 'outside', 5)));
    expect(
      historyOf(outside, { ...MATT, element: 'wall', side: 'outside', wind: 'breeze' }, PAINT),
    ).toBeDefined();
    expect(
      historyOf(outside, { ...MATT, element: 'wall', side: 'outside', wind: 'calm' }, PAINT),
    ).toBeUndefined();
  });

  it('makes the walls it is about want more paint, and leaves the others as they were', () => {
    const plain = plannedCoats(surfaces, job, kit);
    const taught = plannedCoats(surfaces, job, { ...kit, history });
    let walls = 0;
    plain.forEach((before, index) => {
      const after = taught[index]?.volume.value ?? NaN;
      if (before.row.element === 'wall' && before.row.side === 'inside') {
        walls += 1;
        expect(after).toBeGreaterThan(before.volume.value * 1.1);
      } else expect(after).toBe(before.volume.value);
    });
    expect(walls).toBeGreaterThan(10);
  });
});

describe('a paint by the cups of the crew', () => {
  const wall = surfaces.find(({ element, side }) => element === 'wall' && side === 'inside');
  if (!wall) throw new Error('no wall');
  const own = kit.coatings.find(({ id }) => id === wall.coatingId);
  if (!own) throw new Error('no coating');
  const sheet = coatingValues(own);
  const cup = (index: number, viscosity: number, celsius: number, thinner = 0): LogEntry => ({
    id: `v${index}`,
    at: index,
    author: '',
    kind: 'viscosity',
    coating: wall.coatingId,
    cup: 'dip-5',
    thinner: quantity(thinner),
    reads: [{ viscosity: quantity(viscosity), temperature: of(celsius, '°C'), thinner: quantity(thinner) }],
  });
  const cardWith = (entries: readonly LogEntry[], celsius = 23) => {
    const history = planHistory(readRecord([...entries]));
    const paintAt = { [job.id]: { [wall.coatingId]: of(celsius, '°C') } };
    const request = requestFor(wall, job, { ...kit, history, paintAt });
    const card = request
      ? setupCard({ ...request, chosenTip: { family: 'standard', fan: 5, orificeThou: 17 } })
      : undefined;
    if (!card?.ok) throw new Error('no card');
    return card.value;
  };
  const low = sheet.viscosityLowShear;
  const usual = (celsius: number) => low * Math.exp(2800 * (1 / (celsius + 273.15) - 1 / 296.15));

  it('is as thick as they say: thicker paint wants more pressure, thinner paint less, and the card says why', () => {
    const plain = cardWith([]);
    const many = (factor: number) =>
      cardWith(Array.from({ length: 12 }, (_one, index) => cup(index, factor * low, 23)));
    // 1.3^0.3 = 1.082 at the gun
    expect(many(1.3).gunPressure.value / plain.gunPressure.value).toBeCloseTo(1.082, 2);
    expect(many(1.3).pumpPressure.value).toBeGreaterThan(plain.pumpPressure.value * 1.1);
    expect(many(0.6).gunPressure.value).toBeLessThan(plain.gunPressure.value);
    const [read] = many(1.3).flow.inputs.filter(({ label }) => /iscosity/.test(label));
    expect(read).toMatchObject({ basis: 'history', source: '12 cup readings of this crew' });
  });

  it('thickens in the cold as they say', () => {
    const steep = (celsius: number) => low * Math.exp(5000 * (1 / (celsius + 273.15) - 1 / 296.15));
    const cups = [8, 10, 12, 18, 23, 23].flatMap((celsius, at) =>
      [0, 1].map((again) => cup(2 * at + again, steep(celsius), celsius)),
    );
    expect(cardWith(cups, 10).pumpPressure.value).toBeGreaterThan(cardWith([], 10).pumpPressure.value * 1.03);
    expect(cardWith(cups, 23).pumpPressure.value / cardWith([], 23).pumpPressure.value).toBeCloseTo(1, 1);
  });

  it('teaches nothing where it reads as its sheet does', () => {
    const cups = [5, 12, 23, 30].map((celsius, at) => cup(at, usual(celsius), celsius));
    for (const celsius of [10, 23, 30]) {
      const [taught, plain] = [cardWith(cups, celsius), cardWith([], celsius)];
      expect(taught.pumpPressure.value / plain.pumpPressure.value).toBeCloseTo(1, 3);
      expect(taught.gunSpeed.value / plain.gunSpeed.value).toBeCloseTo(1, 3);
    }
  });
});

describe('a plan that is logged as it was made', () => {
  /** The coats of a plan as they were meant to be: film, litres and area by the plan. */
  const asPlanned = (planned: readonly PlannedCoatOfJob[], job_: string): LogEntry[] =>
    planned.flatMap(
      ({ row, surface, coating, coat, trueArea, soaks, over, wet, volume }, index): LogEntry[] => {
        const head = { at: index * 10, author: '', job: job_, surface: `${job_} ${surface}`, coating, coat };
        const { element, side, wind } = row;
        return [
          {
            ...{ ...head, id: `${job_} ${index} f`, kind: 'coat finished', element, side, wind, trueArea },
            over: over === undefined ? undefined : quantity(over),
            ...{ absorbed: quantity(soaks), temperature: of(20, '°C'), humidity: of(50, '%') },
          },
          {
            ...{ ...head, id: `${job_} ${index} c`, kind: 'comb', thinner: of(0, '%') },
            readings: [{ low: quantity(wet), high: quantity(wet) }],
          },
          { ...head, id: `${job_} ${index} s`, kind: 'sprayed', volume: quantity(volume.value) },
        ];
      },
    );
  const wall = surfaces.find(({ element, side }) => element === 'wall' && side === 'inside');
  const door = surfaces.find(({ element }) => element === 'door');
  const walls: readonly Surface[] = CONDITIONS.flatMap((condition) =>
    SURFACE_KIND_IDS.flatMap((kind) =>
      [wall, door].flatMap((like, index): Surface[] =>
        like
          ? [
              {
                ...like,
                id: `${condition} ${kind} ${index}`,
                condition,
                kind,
                thinning: index * 0.05,
                coats: 2,
              },
            ]
          : [],
      ),
    ),
  );

  it('teaches nothing, ten times over, whatever the ground drinks and however it is thinned', () => {
    const plain = plannedCoats(walls, job, kit);
    expect(plain.some(({ soaks }) => soaks > 0)).toBe(true);
    let log: LogEntry[] = [];
    let now: Kit = kit;
    for (let turn = 0; turn < 10; turn += 1) {
      // Each job is planned by what the jobs before have taught.
      log = [...log, ...asPlanned(plannedCoats(walls, job, now), `job ${turn}`)];
      now = { ...kit, history: planHistory(readRecord(log)) };
    }
    const taught = plannedCoats(walls, job, now);
    expect(Object.keys(now.history?.transfer ?? {}).length).toBeGreaterThan(1);
    for (const [index, { volume }] of taught.entries())
      expect(volume.value / (plain[index]?.volume.value ?? 0)).toBeCloseTo(1, 9);
  });
});

describe('the set-up of a layer', () => {
  const jobs = ['tern-boathouse', 'kiln-house', 'orchard-row-3'].map((name) =>
    jobFile.parse(read(`${name}.job.json`)),
  );
  /** Every surface of the demo, and a wall and a door in each of its systems, first coats under it. */
  const all: readonly Surface[] = [
    ...jobs.flatMap(({ surfaces: own }) => stored(own)),
    ...systems.flatMap(({ id, layers }) => {
      const finish = layers.find(({ role }) => role === 'finish');
      return ['wall', 'door'].flatMap((element): Surface[] => {
        const like = surfaces.find((one) => one.element === element);
        if (!finish || !like) return [];
        const { coatingId, coats, thinning } = finish;
        const under = layers.flatMap(({ role, ...layer }) => (role === 'finish' ? [] : [{ ...layer, role }]));
        return [{ ...like, id: `${id} ${element}`, coatingId, coats, thinning, under }];
      });
    }),
  ];
  const layersOfAll = all.flatMap((surface) => layersOf(surface).map((layer) => ({ surface, layer })));
  const jobOf = (surface: Surface) => jobs.find(({ job: one }) => one.id === surface.jobId)?.job ?? job;
  const cardOf = (surface: Surface, layer: SurfaceLayer, now: Kit, system: 'metric' | 'us' = 'metric') => {
    const request = requestFor(surface, jobOf(surface), now, layer);
    const card = request && setupCard(request, system);
    if (!card?.ok) throw new Error(`no card for ${surface.name}`);
    return card.value;
  };
  /** Test cards of this crew: even at so much of the pressure of the heuristic, with every coating and family of tips. */
  const dialledIn = (share: number): LogEntry[] =>
    layersOfAll.flatMap(({ surface, layer }, index) => {
      const { candidate } = cardOf(surface, layer, kit).tip;
      return Array.from({ length: 3 }, (_one, turn): LogEntry => ({
        ...{ id: `s${index} ${turn}`, at: index * 10 + turn, author: '', job: `${index} ${turn}` },
        ...{ kind: 'set-up confirmed', surface: surface.id, coating: layer.coatingId, tip: undefined },
        ...{ family: candidate.tip.family, sure: true, expected: candidate.usualPressure },
        pressure: quantity(share * candidate.usualPressure),
      }));
    });
  const history = planHistory(readRecord(dialledIn(0.85)));

  it('keeps its tip, and has the pressure this crew found with its own coating and family', () => {
    const found = layersOfAll.map(({ surface, layer }) => {
      const [plain, own] = [cardOf(surface, layer, kit), cardOf(surface, layer, { ...kit, history })];
      expect([surface.name, own.tip.code, own.tip.candidate.tip]).toEqual([
        surface.name,
        plain.tip.code,
        plain.tip.candidate.tip,
      ]);
      const { family } = own.tip.candidate.tip;
      const learned = history.evenFan[layer.coatingId]?.[family];
      expect(own.tip.candidate.usualPressure).toBeCloseTo(plain.tip.candidate.evenFanPressure, 3);
      expect(own.tip.candidate.evenFanPressure / own.tip.candidate.usualPressure).toBeCloseTo(
        learned?.value ?? 0,
        9,
      );
      // What stands beside it on the card is of the same pressure.
      expect(own.gunPressure.value).toBe(own.tip.candidate.gunPressure);
      expect(own.pumpPressure.value).toBeCloseTo(own.tip.candidate.pumpPressure, -1);
      return learned?.source;
    });
    // Under the finish, too.
    expect(layersOfAll.some(({ layer }) => layer.role !== 'finish')).toBe(true);
    expect(found.every((source) => source?.endsWith('of this crew'))).toBe(true);
  });

  it('is the same in both units, and in the search, the map and the list as on the card', () => {
    for (const { surface, layer } of layersOfAll) {
      const now = { ...kit, history };
      const request = requestFor(surface, jobOf(surface), now, layer);
      if (!request) throw new Error('no request');
      const card = cardOf(surface, layer, now);
      expect(cardOf(surface, layer, now, 'us').gunPressure.value).toBe(card.gunPressure.value);
      const search = searchSetups(request);
      if (!search.ok) throw new Error(search.message);
      const same = search.value.options.find(({ code, candidate }) => {
        return code === card.tip.code && candidate.tip.family === card.tip.candidate.tip.family;
      });
      expect(same?.candidate).toEqual(card.tip.candidate);
      const chosen = setupCard({ ...request, chosenTip: card.tip.candidate.tip });
      expect(chosen.ok && chosen.value.tip.candidate).toEqual(card.tip.candidate);
    }
  });

  it('is that of each coat as the plan counts them', () => {
    const planned = plannedCoats(all, job, kit);
    for (const { row: surface, coating, coat, wet } of planned) {
      const layer = layerOfCoat(surface, { coatingId: coating, coat });
      if (!layer) throw new Error('no layer');
      expect(layer.coatingId).toBe(coating);
      const card = cardOf(surface, layer, kit);
      expect(card.wetFilm.value * card.passesPerCoat).toBeCloseTo(wet, 9);
    }
    const [surface] = surfaces;
    if (!surface) throw new Error('no surface');
    expect(layerOfCoat(surface, { coatingId: 'another', coat: 1 })).toBeUndefined();
    expect(layerOfCoat(surface, { coatingId: surface.coatingId, coat: 99 })?.role).toBe('finish');
  });

  it('is for paint as warm as it was when it was measured last on this job, for half a day', () => {
    const at = Date.UTC(2026, 9, 6, 8);
    const [surface] = surfaces;
    const checked = stored(logFile.parse(read('millrace.log.json')).entries).find(
      ({ kind }) => kind === 'viscosity',
    );
    if (!surface || !checked) throw new Error('nothing to measure');
    const measured = (hours: number, celsius: number, jobId: string | null = job.id): Entry => ({
      ...checked,
      ...{ id: `v${hours} ${celsius}`, at: new Date(at + hours * 3600_000).toISOString(), jobId },
      ...{ clockSkew: null, replaces: null, surfaceId: null },
      payload: { ...checked.payload, coatingId: surface.coatingId, temperature: of(celsius, '°C') },
    });
    const entries = [measured(0, 9), measured(1, 12), measured(2, 30, null)];
    const warm = (hours: number) => {
      const now = { ...kit, ...siteNow(entries, at + hours * 3600_000) };
      return requestFor(surface, job, now)?.paintTemperature;
    };
    expect(warm(3)).toBe(of(12, '°C'));
    expect(warm(14)).toBeUndefined();
    const [cold] = layersOf(surface).slice(-1);
    if (!cold) throw new Error('no layer');
    const now = { ...kit, ...siteNow(entries, at + 3 * 3600_000) };
    expect(cardOf(surface, cold, now).gunPressure.value).toBeGreaterThan(
      cardOf(surface, cold, kit).gunPressure.value,
    );
  });
});

describe('what is known of a site', () => {
  const outside = surfaces.find(({ side }) => side === 'outside');
  const inside = surfaces.find(({ side, condition }) => side === 'inside' && condition === 'sealed');
  const log = logFile.parse(read('millrace.log.json'));
  const entries: readonly Entry[] = stored(log.entries);
  const laid = entriesOfKind(entries, 'coat finished')
    .filter(({ entry }) => entry.jobId === job.id)
    .at(-1);
  if (!outside || !inside || !laid) throw new Error('no surface, or no coat');
  const at = timeOf(laid.entry);
  const inRain = entries.map((one) =>
    one.id === laid.entry.id
      ? { ...one, payload: { ...laid.payload, weather: { ...laid.payload.weather, rain: 1e-6 } } }
      : one,
  );
  const siteOf = (surface: Surface, kitNow: Kit = kit, jobNow: Job = job) =>
    requestFor(surface, jobNow, kitNow)?.site;

  it('reaches the set-up: the machine, the age of the paint, rain that was written down', () => {
    expect(siteOf(inside)).toEqual({
      power: 'electric',
      surfaceAge: 'new',
      wetGround: false,
      hardener: 'none',
      hot: false,
    });
    const engines = { ...kit, sprayers: kit.sprayers.map((one) => ({ ...one, power: 'engine' as const })) };
    expect(siteOf(inside, engines, { ...job, paintAge: 'old' })).toMatchObject({
      power: 'engine',
      surfaceAge: 'old',
    });
    const wet = { ...kit, ...siteNow(inRain, at + 3600_000) };
    expect([siteOf(outside, wet)?.wetGround, siteOf(inside, wet)?.wetGround]).toEqual([true, false]);
  });

  it('knows a hot day by what was written down', () => {
    const inHeat = entries.map((one) =>
      one.id === laid.entry.id
        ? { ...one, payload: { ...laid.payload, weather: { ...laid.payload.weather, air: 304 } } }
        : one,
    );
    const hot = { ...kit, ...siteNow(inHeat, at + 3600_000) };
    expect([
      siteOf(inside, hot)?.hot,
      siteOf(inside, { ...kit, ...siteNow(entries, at + 3600_000) })?.hot,
    ]).toEqual([true, false]);
  });

  it('knows the colder of air and surface as it was written down, for as long as weather holds', () => {
    const inCold = entries.map((one) =>
      one.id === laid.entry.id
        ? {
            ...one,
            payload: { ...laid.payload, weather: { ...laid.payload.weather, air: 284, surface: 279 } },
          }
        : one,
    );
    const coldest = (hours: number) =>
      requestFor(inside, job, { ...kit, ...siteNow(inCold, at + hours * 3600_000) })?.coldest;
    expect([coldest(1), coldest(13)]).toEqual([279, undefined]);
  });

  it('forgets rain once the ground has dried, and never had it where none was written down', () => {
    expect(siteNow(inRain, at + 13 * 3600_000).rainedOn).toEqual([]);
    expect(siteNow(entries, at + 3600_000).rainedOn).not.toContain(job.id);
  });
});
