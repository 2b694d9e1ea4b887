import {
  coatingValues,
  comparePlan,
  explain,
  filmAchieved,
  given,
  lessons,
  readRecord,
  recoatClocks,
  seeded,
  tipRecords,
  type Coating,
  type OwnedTip,
  type PlannedCoat,
  type Random,
  type SiteRecord,
} from '@fine-spray/core';
import { schemaOf, type Entry, type EntryKind } from '..';
import { LogFold, coreLog } from '.';

/**
 * Random crews whose truth is known: people with devices whose clocks are wrong, in several zones, at two jobs; coats by one and by
 * two, begun and finished; several layers, tips and thinners; checks of the paint; surfaces and coatings that go; entries that were
 * wrong and put right, by two devices at once too, taken back and taken back again. The truth is added up beside, by nothing of ours.
 */
const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const MONDAY = Date.parse('2026-10-19T05:00:00Z');
const HOLDS = 12 * HOUR;

/** Ids of what has a name here. */
const NAMES = [
  'primer',
  'matt',
  'enamel',
  't1',
  't2',
  'J',
  'K',
  'J hall',
  'J stair',
  'J gone',
  'K shed',
  'K barn',
];
const idOf = (name: string) => `01930000-0000-7000-8000-${String(1 + NAMES.indexOf(name)).padStart(12, '0')}`;
const nameOf = (id: string) => NAMES[Number(id.slice(-12)) - 1] ?? '';

const COATINGS: Readonly<Record<string, Coating & { readonly abrasion: 1 | 2 | 3; readonly plan: number }>> =
  {
    primer: { name: 'Primer', archetype: 'exterior-wood-primer', overrides: {}, abrasion: 2, plan: 0 },
    matt: { name: 'Matt', archetype: 'wall-matt', overrides: {}, abrasion: 2, plan: 0.05 },
    enamel: { name: 'Enamel', archetype: 'trim-enamel', overrides: {}, abrasion: 1, plan: 0.03 },
  };
/** Deleted before anybody reads the log. */
const GONE = { coating: 'enamel', surface: 'J gone' };
const TIPS: readonly OwnedTip[] = ['t1', 't2'].map((tip) => ({
  ...{ tip: idOf(tip), code: { family: 'standard', fan: 5, orificeThou: 17 }, before: 0.01 },
}));
const SURFACES = ['J hall', 'J stair', 'J gone', 'K shed', 'K barn'];
const jobOf = (surface: string) => surface.slice(0, 1);
const AREA = 20;
const TEETH = [50e-6, 75e-6, 100e-6, 125e-6, 150e-6, 175e-6, 200e-6];

const JOBS = {
  isJob: (job: string) => ['J', 'K'].includes(nameOf(job)),
  jobOfSurface: (surface: string) =>
    nameOf(surface) === GONE.surface ? undefined : idOf(jobOf(nameOf(surface))),
};
const planned = (surface: string, coating: string, coat: number): PlannedCoat => {
  const thinning = COATINGS[coating]?.plan ?? 0;
  const volume = 0.003 * (1 + thinning);
  return {
    ...{
      surface: idOf(surface),
      coating: idOf(coating),
      coat,
      thinning,
      trueArea: AREA,
      wet: 1.125e-4,
      time: 600,
    },
    volume: explain('paint of a coat', 'volume', { v: given('x', 'volume', volume, '') }, ({ v }) => v),
  };
};
const PLAN: readonly PlannedCoat[] = SURFACES.filter((one) => one !== GONE.surface).flatMap((surface) => [
  planned(surface, 'primer', 1),
  planned(surface, 'matt', 1),
  planned(surface, 'matt', 2),
]);

interface Device {
  readonly author: string;
  /** Server clock less that of the device, s. */
  readonly skew: number;
}

interface Truth {
  /** As it is sold, by job ('' for none) and coating. */
  readonly used: Map<string, number>;
  readonly delivered: Map<string, number>;
  readonly out: Map<string, number>;
  /** Through each tip by how hard the paint is, in the gun. */
  readonly through: Map<string, number>;
  /** By surface: coats combed, each with its coating, mean wet film and thinner. */
  readonly films: Map<string, { coating: string; wet: number; thinner: number }[]>;
  /** By surface: when its last coat was finished. */
  readonly finished: Map<string, number>;
  /** What each coat that has all of it teaches of the paint that lands. */
  readonly transfer: number[];
  readonly thinnings: number[];
}

const add = (to: Map<string, number>, key: string, amount: number) =>
  to.set(key, (to.get(key) ?? 0) + amount);

class Crew {
  readonly entries: Entry[] = [];
  readonly truth: Truth = {
    ...{ used: new Map(), delivered: new Map(), out: new Map(), through: new Map() },
    ...{ films: new Map(), finished: new Map(), transfer: [], thinnings: [] },
  };
  private now = MONDAY;
  private readonly devices: readonly Device[];
  private readonly checks = new Map<string, { at: number; thinner: number }>();

  constructor(
    private readonly random: Random,
    private readonly seed: number,
  ) {
    this.devices = ['TO', 'WR', 'MA'].map((author) => ({
      author,
      skew: this.pick([0, 7200, -86_400, 3e7]),
    }));
  }

  pick<One>(all: readonly One[]): One {
    return all[Math.floor(this.random() * all.length)] as One;
  }
  private chance(share: number): boolean {
    return this.random() < share;
  }
  private between(low: number, high: number): number {
    return low + (high - low) * this.random();
  }
  private id(): string {
    return `0190c${String(this.seed).padStart(3, '0')}-0000-7000-8000-${String(this.entries.length).padStart(12, '0')}`;
  }

  /** One entry as a device wrote it and the server stored it. */
  private store(kind: EntryKind, payload: object, where: Partial<Entry>, at: number, device: Device): Entry {
    const storedAt = new Date(MONDAY + 60 * DAY + this.entries.length * 60_000).toISOString();
    const entry: Entry = {
      ...{ id: this.id(), kind, schema: schemaOf(kind), author: device.author, personId: null, version: 1 },
      ...{ at: new Date(at - device.skew * 1000).toISOString(), clockSkew: device.skew },
      ...{ createdAt: storedAt, updatedAt: storedAt, jobId: null, surfaceId: null, replaces: null },
      payload: payload as Entry['payload'],
      ...where,
    };
    this.entries.push(entry);
    return entry;
  }

  /**
   * Something that happened, written down: at once right, or wrong first and put right since, or taken back in vain.
   * @param wrong what it says where somebody gets it wrong
   */
  private write(kind: EntryKind, payload: object, where: Partial<Entry>, wrong: object): void {
    const device = this.pick(this.devices);
    // Clocks are taken as right within two minutes.
    const at = this.now - (Math.abs(device.skew) <= 120 ? 0 : 0);
    const asDevice =
      Math.abs(device.skew) <= 120 ? { at: new Date(at).toISOString(), clockSkew: device.skew } : {};
    const put = (said: object, more: Partial<Entry> = {}) =>
      this.store(kind, said, { ...where, ...asDevice, ...more }, at, device);
    const what = this.random();
    if (what < 0.7) {
      put(payload);
    } else if (what < 0.85) {
      const first = put({ ...payload, ...wrong });
      const sameTime = { at: first.at, clockSkew: first.clockSkew };
      // Two devices at once: the later by the server counts.
      if (this.chance(0.4)) put({ ...payload, ...wrong }, { ...sameTime, replaces: first.id });
      put(payload, { ...sameTime, replaces: first.id });
    } else {
      const first = put(payload);
      const takenBack = this.store(
        'withdrawn',
        { why: '' },
        { ...where, replaces: first.id },
        this.now + HOUR,
        device,
      );
      this.store('withdrawn', { why: '' }, { ...where, replaces: takenBack.id }, this.now + 2 * HOUR, device);
    }
    // And something that never was.
    if (this.chance(0.06)) {
      const never = put({ ...payload, ...wrong });
      this.store(
        'withdrawn',
        { why: 'No' },
        { ...where, replaces: never.id },
        this.now + DAY,
        this.pick(this.devices),
      );
    }
  }

  private thinnerOf(job: string, coating: string): number {
    const check = this.checks.get(`${job} ${coating}`);
    return check && this.now - check.at < HOLDS ? check.thinner : (COATINGS[coating]?.plan ?? 0);
  }

  private check(job: string, coating: string): void {
    const added = this.pick([0, 0.0002, 0.0005]);
    const payload = {
      ...{
        coatingId: idOf(coating),
        batch: '',
        newContainer: true,
        shift: 'morning',
        cup: 'dip-5',
        temperature: 293,
      },
      ...{ before: [60], target: 50, thinnerBefore: 0, container: 0.01, added },
      ...{
        addedWhat: '',
        after: added > 0 && this.chance(0.5) ? [50] : [],
        viscosityBefore: null,
        viscosityAfter: null,
      },
    };
    this.write('viscosity', payload, { jobId: idOf(job) }, { thinnerBefore: 0.4 });
    this.checks.set(`${job} ${coating}`, { at: this.now, thinner: added / 0.01 });
    this.truth.thinnings.push(1 + added / 0.01);
  }

  private spray(surface: string, coating: string, coat: number, volume: number): void {
    const job = jobOf(surface);
    const tip = this.pick(['t1', 't2', null]);
    const { abrasion } = COATINGS[coating] ?? { abrasion: 2 };
    const payload = {
      coatingId: idOf(coating),
      coat,
      tipId: tip === null ? null : idOf(tip),
      volume,
      abrasion,
      counted: true,
    };
    this.write('sprayed', payload, { jobId: idOf(job), surfaceId: idOf(surface) }, { volume: volume * 7 });
    const isPlanned = PLAN.some(
      (one) => one.surface === surface && one.coating === coating && one.coat === coat,
    );
    const check = this.checks.get(`${job} ${coating}`);
    const checked = check !== undefined && this.now - check.at < HOLDS;
    // Without a check a coating that is in no plan of the job is taken as sold.
    const inPlan =
      isPlanned || PLAN.some((one) => jobOf(nameOf(one.surface)) === job && one.coating === idOf(coating));
    const thinner = checked || inPlan ? this.thinnerOf(job, coating) : 0;
    add(this.truth.used, `${job} ${coating}`, volume / (1 + thinner));
    if (tip) add(this.truth.through, `${tip} ${abrasion}`, volume);
  }

  /** A coat of a surface: begun, sprayed in one or more goes, combed, finished by one or by two; or left off. */
  coat(surface: string, coating: string, coat: number): void {
    const job = jobOf(surface);
    const where = { jobId: idOf(job), surfaceId: idOf(surface) };
    const of = { coatingId: idOf(coating), coat };
    this.step();
    if (this.chance(0.6)) this.check(job, coating);
    this.step();
    this.write('coat started', { ...of, weather: null }, where, {});
    const goes = this.pick([1, 1, 2]);
    let volume = 0;
    for (let go = 0; go < goes; go += 1) {
      this.step();
      const amount = this.between(0.002, 0.004) / goes;
      this.spray(surface, coating, coat, amount);
      volume += amount;
    }
    let wet: number | undefined;
    if (this.chance(0.7)) {
      const thinner = this.thinnerOf(job, coating);
      const teeth = [1, 2, 3].map(() => 1 + Math.floor(this.random() * 4));
      const payload = {
        ...of,
        ...{ teeth: TEETH, lastWet: teeth.map((tooth) => TEETH[tooth]), thinner, element: 'wall', tip: null },
        ...{ target: 1.125e-4, speed: null, cardSpeed: null },
      };
      this.write('comb', payload, where, { lastWet: [175e-6] });
      // The middle between the last wet tooth and the next, read with the eye.
      wet = teeth.reduce((sum, tooth) => sum + (TEETH[tooth] ?? 0) + 12.5e-6, 0) / teeth.length;
      const films = this.truth.films.get(surface) ?? [];
      this.truth.films.set(surface, [...films, { coating, wet, thinner }]);
    }
    if (this.chance(0.2)) return;
    const weather = { source: 'by hand', air: 293, surface: null, humidity: 0.5, wind: null, rain: null };
    const soaks = coat === 1 && coating === 'primer' ? 0.0004 : 0;
    const over = this.chance(0.5) ? this.between(0.8, 0.95) : null;
    const parts = this.chance(0.3) ? [0.4, 0.6] : [1];
    for (const part of parts) {
      this.step();
      const payload = {
        ...of,
        ...{ element: 'wall', side: 'inside', kind: 'smooth-board', wind: 'calm', weather },
        ...{ trueArea: AREA * part, absorbed: soaks * part, whole: AREA, over },
      };
      this.write('coat finished', payload, where, { trueArea: AREA * 3 });
      this.truth.finished.set(surface, this.now);
    }
    // Film and what soaked in over what was sprayed; on the usual wall 0.92 of the fan is over it.
    if (wet !== undefined)
      this.truth.transfer.push(((AREA * wet + soaks) / volume) * (0.92 / (over ?? 0.92)));
  }

  /** Half an hour or so; in the night nobody works. */
  private step(): void {
    this.now += Math.round(this.between(0.2, 0.8) * HOUR);
    if (this.now % DAY > 17 * HOUR) this.now += 12 * HOUR;
  }

  /** Paint that is not sprayed on a coat. */
  others(): void {
    const job = this.pick(['J', 'K', null]);
    const coating = this.pick(Object.keys(COATINGS));
    const key = `${job ?? ''} ${coating}`;
    const amount = this.between(0.001, 0.004);
    const where = { jobId: job === null ? null : idOf(job) };
    this.step();
    const what = this.random();
    if (what < 0.4) {
      this.write('delivered', { coatingId: idOf(coating), batch: '', size: 0.01, count: 3 }, where, {
        count: 30,
      });
      add(this.truth.delivered, key, 0.03);
    } else if (what < 0.6) {
      this.write(
        'paint out',
        { coatingId: idOf(coating), how: this.pick(['given back', 'poured away']), volume: amount },
        where,
        { volume: 0.5 },
      );
      add(this.truth.out, key, amount);
    } else if (what < 0.8) {
      const checked = this.checks.get(key);
      const inPlan =
        job !== null &&
        PLAN.some((one) => jobOf(nameOf(one.surface)) === job && one.coating === idOf(coating));
      const isChecked = checked !== undefined && this.now - checked.at < HOLDS;
      const thinner = isChecked ? checked.thinner : inPlan ? (COATINGS[coating]?.plan ?? 0) : 0;
      this.write('touch-up', { coatingId: idOf(coating), volume: amount, why: 'Knock' }, where, {
        volume: 0.05,
      });
      add(this.truth.used, key, amount / (1 + thinner));
    } else {
      this.write('note', { text: 'Rain' }, where, {});
    }
  }
}

function crewOf(seed: number): Crew {
  const crew = new Crew(seeded(seed), seed);
  const order = SURFACES.flatMap((surface) => [
    [surface, 'primer', 1] as const,
    [surface, 'matt', 1] as const,
    [surface, 'matt', 2] as const,
  ]);
  for (const [surface, coating, coat] of order) {
    crew.coat(surface, coating, coat);
    crew.others();
  }
  // Beyond the plan, and with a coating that is in no plan.
  crew.coat('J hall', 'matt', 3);
  crew.coat('K shed', 'enamel', 1);
  return crew;
}

const BY_ID = Object.fromEntries(Object.entries(COATINGS).map(([name, one]) => [idOf(name), one]));
const known = Object.fromEntries(Object.entries(BY_ID).filter(([id]) => id !== idOf(GONE.coating)));
const rounded = (value: number) => Number(value.toPrecision(9));
const sorted = (values: readonly number[]) => values.map(rounded).sort((a, b) => a - b);

/** What the record says of all the truth knows. */
function said(record: SiteRecord, truth: Truth) {
  const paint = ['J', 'K', undefined].flatMap((job) =>
    comparePlan(
      PLAN.filter(({ surface }) => jobOf(nameOf(surface)) === job),
      record,
      TIPS,
      job && idOf(job),
      JOBS,
    ).map((one) => ({ key: `${job ?? ''} ${nameOf(one.coating)}`, ...one })),
  );
  const tips = tipRecords(record, TIPS, known);
  const transfer = lessons(record, known).find(({ kind }) => kind === 'transfer')?.learned;
  return {
    used: Object.fromEntries(
      paint.filter(({ used }) => used > 0).map(({ key, used }) => [key, rounded(used)]),
    ),
    out: Object.fromEntries(paint.filter(({ out }) => out > 0).map(({ key, out }) => [key, rounded(out)])),
    written: Object.fromEntries(
      paint.flatMap(({ key, delivered, unwritten }) =>
        delivered === undefined ? [] : [[key, rounded(delivered - (unwritten ?? 0))]],
      ),
    ),
    balance: paint.every(
      ({ delivered, used, out, atHand }) =>
        delivered === undefined || Math.abs(delivered - used - out - (atHand?.value ?? NaN)) < 1e-12,
    ),
    tips: tips.map(({ tip, volume, litres }) => [
      nameOf(tip),
      rounded(volume),
      ...[1, 2, 3].map((one) => rounded(litres[one as 1] ?? 0)),
    ]),
    films: [...truth.films.keys()].map((surface) => {
      const film = filmAchieved(record, idOf(surface), BY_ID);
      return [surface, film && rounded(film.dry.value)];
    }),
    finished: recoatClocks(record, BY_ID, MONDAY)
      .map(({ surface, finished }) => [nameOf(surface), finished])
      .sort(),
    transfer: sorted(transfer?.each().map(({ value }) => value) ?? []),
    thinnings: sorted(
      lessons(record, BY_ID)
        .filter(({ kind }) => kind === 'thinning')
        .flatMap(({ learned }) => learned.each().map(({ value }) => value)),
    ),
  };
}

/** The same, added up by hand. */
function trueOf(truth: Truth): ReturnType<typeof said> {
  const all = (map: Map<string, number>) =>
    Object.fromEntries(
      [...map].filter(([, value]) => value > 0).map(([key, value]) => [key, rounded(value)]),
    );
  const through = (tip: string, hard: number) => truth.through.get(`${tip} ${hard}`) ?? 0;
  return {
    used: all(truth.used),
    out: all(truth.out),
    written: all(truth.delivered),
    balance: true,
    tips: TIPS.map(({ tip, before }) => {
      const own = [1, 2, 3].map((hard) => through(nameOf(tip), hard));
      return [nameOf(tip), rounded(own.reduce((sum, one) => sum + one, before))];
    }),
    films: [...truth.films].map(([surface, coats]) => [
      surface,
      rounded(
        coats.reduce(
          (sum, { coating, wet, thinner }) =>
            sum + (wet * coatingValues(COATINGS[coating] as Coating).volumeSolids) / (1 + thinner),
          0,
        ),
      ),
    ]),
    finished: [...truth.finished].map(([surface, at]) => [surface, at] as [string, number]).sort(),
    transfer: sorted(truth.transfer),
    thinnings: sorted(truth.thinnings),
  };
}

const withoutClasses = (one: ReturnType<typeof said>) => ({
  ...one,
  tips: one.tips.map((tip) => tip.slice(0, 2)),
});

describe('a crew whose truth is known', () => {
  it.each(Array.from({ length: 24 }, (_one, index) => index + 1))(
    'is recorded as it was, in whatever order it is read, and however late it came (seed %d)',
    (seed) => {
      const { entries, truth } = crewOf(seed);
      const expected = withoutClasses(trueOf(truth));
      const forwards = said(readRecord(coreLog(entries)), truth);
      expect(withoutClasses(forwards)).toEqual(expected);
      // Litres of a tip by how hard the paint was, also of the coating that has gone.
      for (const [tip, , ...classes] of forwards.tips) {
        const own = [1, 2, 3].map((hard) => truth.through.get(`${String(tip)} ${hard}`) ?? 0);
        const before =
          classes.map(Number).reduce((sum, one) => sum + one, 0) - own.reduce((sum, one) => sum + one, 0);
        expect(before).toBeCloseTo(0.01, 9);
        classes.forEach((one, index) => expect(Number(one)).toBeGreaterThanOrEqual((own[index] ?? 0) - 1e-9));
      }
      const random = seeded(seed + 1000);
      const shuffled = entries
        .map((one) => ({ one, place: random() }))
        .sort((a, b) => a.place - b.place)
        .map(({ one }) => one);
      for (const list of [[...entries].reverse(), shuffled])
        expect(said(readRecord(coreLog(list)), truth)).toEqual(forwards);
      // Some come hours later, some a day: the page goes on from what it knows.
      const fold = new LogFold();
      let here: Entry[] = [];
      for (let from = 0; from < shuffled.length; from += 17) {
        here = [...here, ...shuffled.slice(from, from + 17)];
        fold.record(here);
      }
      expect(said(fold.record(here), truth)).toEqual(forwards);
    },
  );

  it('is the same crew whoever of them wrote it down', () => {
    const { entries, truth } = crewOf(7);
    const by = (author: string) => entries.map((one) => ({ ...one, author, personId: null }));
    const teaches = (list: readonly Entry[]) =>
      lessons(readRecord(coreLog(list)), known).map(({ learned: { value, jobs, readings } }) => [
        value.value,
        jobs,
        readings,
      ]);
    expect(teaches(by('TO'))).toEqual(teaches(entries));
    expect(said(readRecord(coreLog(by('WR'))), truth)).toEqual(said(readRecord(coreLog(entries)), truth));
  });
});
