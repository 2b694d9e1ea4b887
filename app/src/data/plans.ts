import type { BatchWrite, Changing, ResourceName } from '@fine-spray/contract';
import { useSyncExternalStore } from 'react';
import { NotOurs, OtherCompany, Refused, Unreachable, call, whyFailed } from './api';
import { device as pageDevice, type Device, type KeptPlan } from './device';
import { newId } from './newId';
import { OneAtATime, alone, unlessTaken } from './oneAtATime';
import { reach } from './reach';
import { surelyOurs } from './whose';

/** Writes to plans that wait on this device together: the server does all of them or none. */
export type PlanUnit = KeptPlan;

/** A row of a plan, as far as all of them are alike. */
export interface PlanRow {
  readonly id: string;
  readonly version: number;
  readonly [field: string]: unknown;
}

const CHANNEL = 'fine-spray.plans';
const RETRY = 5000;
const LONGEST_RETRY = 60_000;
/** Answers that say nothing of what was sent. */
const TRY_LATER = new Set([401, 405, 408, 429, 503, 507]);

/** Whether the server, or the way to it, is away for a while. */
export const isAway = (error: unknown): boolean =>
  error instanceof Unreachable ||
  error instanceof NotOurs ||
  error instanceof OtherCompany ||
  (error instanceof Refused && TRY_LATER.has(error.problem.status));

const isRow = (value: unknown): value is PlanRow => {
  const { id, version } = (value ?? {}) as Partial<PlanRow>;
  return typeof id === 'string' && typeof version === 'number';
};

/** The version a write was made on. */
const versionOf = (write: BatchWrite): number =>
  write.content === null ? write.version : (write.content as { readonly version: number }).version;

/** The same write over another version. */
const over = (write: BatchWrite, version: number): BatchWrite =>
  write.content === null ? { ...write, version } : { ...write, content: { ...write.content, version } };

/** What only the server knows of a row, until it does. */
const UNTIL_STORED: Partial<Record<ResourceName, object>> = { jobs: { surfaceCount: 0 } };

/** A row as it will be once the server has it: the next version of what it was made on. */
function rowOf(write: BatchWrite, before: PlanRow | undefined): PlanRow | null {
  const { resource, id, content } = write;
  if (content === null) return null;
  const now = new Date().toISOString();
  const beside = { ...UNTIL_STORED[resource], ...before };
  return {
    ...beside,
    createdAt: now,
    ...before,
    ...content,
    id,
    version: versionOf(write) + 1,
    updatedAt: now,
  };
}

/** Rows of a resource with what waits for them. */
function withUnits(
  units: readonly PlanUnit[],
  resource: string,
  rows: readonly unknown[],
  jobId?: string,
): readonly unknown[] {
  let now = rows;
  for (const write of units.flatMap(({ writes }) => writes)) {
    if (write.resource !== resource) continue;
    const before = now.find((row): row is PlanRow => isRow(row) && row.id === write.id);
    const row = rowOf(write, before);
    const belongs = row !== null && (jobId === undefined || row['jobId'] === jobId);
    const others = before ? now.filter((one) => one !== before || belongs) : now;
    if (!belongs) now = others;
    else now = before ? others.map((one) => (one === before ? row : one)) : [...others, row];
  }
  return now;
}

/**
 * Writes to plans. While the server is reached they go there at once. While it is not they wait on this device, in their
 * order and on the versions they were made on, and everything here shows them as done. What clashed with somebody else's stays
 * here, with both sides, until somebody decides; what stands on it waits with it, and the rest goes up.
 */
export class Plans {
  private units: readonly PlanUnit[] = [];
  private readonly listeners = new Set<() => void>();
  private started: Promise<void> | undefined;
  private turn: Promise<unknown> = Promise.resolve();
  private readonly sending = new OneAtATime(() => this.sendAll());
  /** Made by this page and never sent: the server has nothing of them for sure. */
  private readonly fresh = new Set<string>();
  private failures = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly channel: BroadcastChannel | undefined;
  /** Told when rows show something else than before: of these resources, and whether the server is to be asked for them. */
  onChanged: (resources: ReadonlySet<Changing>, ask: boolean) => void = () => undefined;
  /** Told of rows as the server has them, where what was shown over them was let go; null where it has none. */
  onTruth: (resource: Changing, id: string, row: PlanRow | null) => void = () => undefined;

  constructor(
    private readonly device: Device = pageDevice,
    private readonly ours: () => Promise<boolean> = () => Promise.resolve(true),
  ) {
    this.channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(CHANNEL);
    this.channel?.addEventListener('message', () => void this.reload());
    (this.channel as { unref?: () => void } | undefined)?.unref?.();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly current = (): readonly PlanUnit[] => this.units;

  /** Reads what waits on this device, once. */
  start(): Promise<void> {
    this.started ??= this.reload();
    return this.started;
  }

  /** Rows of a resource as they are with what waits. `jobId`: the list is of that job alone. */
  over(resource: string, rows: readonly unknown[], jobId?: string): readonly unknown[] {
    return withUnits(this.units, resource, rows, jobId);
  }

  /** Whether a row was made here and waits to be sent. */
  madeHere(id: string): boolean {
    return this.units.some(({ writes }) => writes.some((one) => one.id === id && versionOf(one) === 0));
  }

  /** Whether something of a row waits to be sent. */
  waitsFor(id: string): boolean {
    return this.units.some(({ writes }) => writes.some((one) => one.id === id));
  }

  /**
   * Does writes together: by the server where it can be had and nothing waits, else they wait here.
   * @param rowNow a row as this page shows it
   * @param direct sends writes now; its rows in their order
   * @returns rows as they are now, null where one is deleted
   */
  async write(
    asked: readonly BatchWrite[],
    rowNow: (write: BatchWrite) => PlanRow | undefined,
    direct: (writes: readonly BatchWrite[]) => Promise<readonly (PlanRow | null)[]>,
  ): Promise<readonly (PlanRow | null)[]> {
    await this.start();
    const writes = asked.map((one) => this.onWhatIsThere(one));
    if (this.units.length === 0 && reach.current().reached !== false) {
      try {
        return await direct(writes);
      } catch (error) {
        if (!isAway(error)) throw error;
        return this.keep(writes, rowNow, error);
      }
    }
    const kept = await this.keep(writes, rowNow, new Unreachable());
    // While it is away somebody asks for it and says when it is back.
    if (reach.current().reached !== false) void this.send();
    return kept;
  }

  /** Rows that came out as another version than was shown: a change that was taken back before it was sent changed nothing. */
  private readonly cameOut = new Map<string, { readonly shown: number; readonly is: number }>();

  private onWhatIsThere(write: BatchWrite): BatchWrite {
    const known = this.cameOut.get(write.id);
    return known && known.shown === versionOf(write) ? over(write, known.is) : write;
  }

  /** Notes what became of writes, for those made on them since. */
  private async note(unit: PlanUnit, answer: unknown): Promise<void> {
    const { rows } = (answer ?? {}) as { readonly rows?: readonly unknown[] };
    for (const [index, write] of unit.writes.entries()) {
      const row = rows?.[index];
      const shown = versionOf(write) + 1;
      if (!isRow(row) || row.version === shown) continue;
      this.cameOut.set(write.id, { shown, is: row.version });
      await this.shift(write.id, this.units, row.version - shown);
    }
  }

  /** Writes of units that are about a row, over so much later a version. */
  private async shift(id: string | undefined, units: readonly PlanUnit[], by: number): Promise<void> {
    for (const unit of units) {
      if (by === 0 || !unit.writes.some((one) => one.id === id)) continue;
      const writes = unit.writes.map((one) => (one.id === id ? over(one, versionOf(one) + by) : one));
      await this.replace({ ...unit, writes });
    }
  }

  /** Keeps writes on this device. Where it keeps nothing they failed as they did. */
  private async keep(
    writes: readonly BatchWrite[],
    rowNow: (write: BatchWrite) => PlanRow | undefined,
    failed: unknown,
  ): Promise<readonly (PlanRow | null)[]> {
    const before = writes.map(rowNow);
    const changing = writes.filter((one, index) => changes(one, before[index]));
    const kept = new Map<BatchWrite, BatchWrite>();
    if (changing.length > 0) {
      try {
        const waiting = await this.inTurn(() => this.put(changing));
        changing.forEach((one, index) => kept.set(one, waiting[index] ?? one));
      } catch {
        throw failed;
      }
      this.told(resourcesOf(changing), false);
      this.later();
    }
    return writes.map((one, index) => {
      const now = kept.get(one);
      return now ? rowOf(now, before[index]) : (before[index] ?? null);
    });
  }

  /**
   * What is typed on goes into what waits already, unless the server may have that.
   * @returns the writes as they wait: what was typed on is over the version of what it went into
   */
  private put(writes: readonly BatchWrite[]): Promise<readonly BatchWrite[]> {
    return unlessTaken(CHANNEL, (free) => this.putOne(writes, free));
  }

  /** @param free nothing is being sent, by this page or another */
  private async putOne(writes: readonly BatchWrite[], free: boolean): Promise<readonly BatchWrite[]> {
    const last = this.units.at(-1);
    const [one] = writes;
    const [before] = last?.writes ?? [];
    const goesOn =
      free &&
      last !== undefined &&
      last.refused === undefined &&
      this.fresh.has(last.key) &&
      last.writes.length === 1 &&
      writes.length === 1 &&
      one?.id === before?.id &&
      one?.content !== null &&
      before?.content !== null;
    const unit: PlanUnit =
      goesOn && one && before
        ? { ...last, writes: [over(one, versionOf(before))] }
        : { key: newId(), writes: [...writes] };
    const order = await this.device.keepPlan(unit);
    const next = { ...unit, order };
    this.fresh.add(unit.key);
    this.set(goesOn ? [...this.units.slice(0, -1), next] : [...this.units, next]);
    return unit.writes;
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const next = this.turn.then(work);
    this.turn = next.catch(() => undefined);
    return next;
  }

  private set(units: readonly PlanUnit[]): void {
    this.units = units;
    this.listeners.forEach((listener) => listener());
  }

  /** What is shown has changed, in this page and in others. */
  private told(resources: ReadonlySet<Changing>, ask: boolean): void {
    this.onChanged(resources, ask);
    this.channel?.postMessage('changed');
  }

  private reload(): Promise<void> {
    return this.inTurn(async () => {
      const kept = await this.device.plans().catch(() => undefined);
      if (!kept) return;
      const resources = resourcesOf([...this.units, ...kept].flatMap(({ writes }) => writes));
      // Fewer than before: another page has sent some, and the server has them.
      const sent = this.units.some(({ key }) => !kept.some((one) => one.key === key));
      this.set(kept);
      if (resources.size > 0) this.onChanged(resources, sent);
    });
  }

  private later(): void {
    clearTimeout(this.timer);
    const wait = Math.min(LONGEST_RETRY, RETRY * 2 ** Math.min(10, this.failures));
    this.timer = setTimeout(() => void this.send(), wait);
    (this.timer as { unref?: () => void }).unref?.();
  }

  /** Ends what would go on by itself. */
  close(): void {
    clearTimeout(this.timer);
    this.channel?.close();
  }

  /** The server was away and is back: what failed before says nothing of it now. */
  again(): Promise<void> {
    this.failures = 0;
    return this.send();
  }

  /** Sends what waits, in its order; done when all is sent, or the server does not answer. */
  send(): Promise<void> {
    return this.sending.run();
  }

  private async sendAll(): Promise<void> {
    await this.start();
    if (this.units.length === 0) return;
    try {
      if (!(await this.ours())) return;
    } catch {
      this.failures += 1;
      this.later();
      return;
    }
    await alone(CHANNEL, async (shared) => {
      // Another page may have sent some of it meanwhile.
      if (shared) await this.reload();
      await this.sendEach();
    });
  }

  private async sendEach(): Promise<void> {
    /** Rows of what was not taken: what stands on them waits with it. */
    const held = new Set<string>();
    const sent = new Set<Changing>();
    for (let unit = this.next(held); unit; unit = this.next(held)) {
      this.fresh.delete(unit.key);
      try {
        const answer = await call('POST', '/api/batch', { writes: unit.writes });
        resourcesOf(unit.writes).forEach((one) => sent.add(one));
        await this.drop([unit]);
        await this.note(unit, answer);
        this.failures = 0;
      } catch (error) {
        if (!(error instanceof Refused) || isAway(error)) {
          this.failures += 1;
          this.later();
          break;
        }
        const { current } = error.problem;
        await this.replace({
          ...unit,
          refused: whyFailed(error),
          ...(current === undefined ? {} : { theirs: current }),
        });
      }
    }
    // From the server they come as it has stored them.
    if (sent.size > 0) this.told(sent, true);
  }

  /** The first that can be sent. */
  private next(held: Set<string>): PlanUnit | undefined {
    for (const unit of this.units) {
      const text = JSON.stringify(unit.writes);
      if (unit.refused === undefined && ![...held].some((id) => text.includes(`"${id}"`))) return unit;
      unit.writes.forEach(({ id }) => held.add(id));
    }
    return undefined;
  }

  private async drop(units: readonly PlanUnit[]): Promise<void> {
    await this.inTurn(async () => {
      await this.device.dropPlans(units.flatMap(({ order }) => order ?? []));
      const keys = new Set(units.map(({ key }) => key));
      this.set(this.units.filter(({ key }) => !keys.has(key)));
    });
  }

  private async replace(unit: PlanUnit): Promise<void> {
    await this.inTurn(async () => {
      await this.device.keepPlan(unit);
      this.set(this.units.map((one) => (one.key === unit.key ? unit : one)));
    });
    this.told(resourcesOf(unit.writes), false);
  }

  /** Once more: over what the server has, where it clashed with that. */
  async keepMine(key: string): Promise<void> {
    const from = this.units.findIndex((one) => one.key === key);
    const unit = this.units[from];
    if (!unit) return;
    const theirs = isRow(unit.theirs) ? unit.theirs : undefined;
    const mine = unit.writes.find(({ id }) => id === theirs?.id);
    const by = theirs && mine ? theirs.version - versionOf(mine) : 0;
    await this.shift(theirs?.id, this.units.slice(from), by);
    const now = this.units.find((one) => one.key === key) ?? unit;
    const { refused: _refused, theirs: _theirs, ...rest } = now;
    await this.replace(rest);
    await this.send();
  }

  /** Lets it go, with what was written on the same rows since: the server's holds. It throws where the server is away. */
  async letGo(key: string): Promise<void> {
    const from = this.units.findIndex((one) => one.key === key);
    const unit = this.units[from];
    if (!unit) return;
    const truth: (PlanRow | null)[] = [];
    for (const { resource, id } of unit.writes) truth.push(await there(resource, id));
    const ids = new Set(unit.writes.map(({ id }) => id));
    for (const one of this.units.slice(from + 1)) {
      const writes = one.writes.filter(({ id }) => !ids.has(id));
      if (writes.length === 0) await this.drop([one]);
      else if (writes.length < one.writes.length) await this.replace({ ...one, writes });
    }
    await this.drop([unit]);
    unit.writes.forEach(({ resource, id }, index) => this.onTruth(resource, id, truth[index] ?? null));
    this.told(resourcesOf(unit.writes), true);
    await this.send();
  }
}

/** A row as the server has it; null where it has none. */
async function there(resource: Changing, id: string): Promise<PlanRow | null> {
  try {
    const row = await call('GET', `/api/${resource}/${id}`);
    return isRow(row) ? row : null;
  } catch (error) {
    if (error instanceof Refused && error.problem.status === 404) return null;
    throw error;
  }
}

const resourcesOf = (writes: readonly BatchWrite[]): ReadonlySet<Changing> =>
  new Set(writes.map(({ resource }) => resource));

/** Whether a write changes a row that is shown. */
function changes({ content }: BatchWrite, row: PlanRow | undefined): boolean {
  if (content === null || !row) return true;
  return Object.entries(content).some(
    ([field, value]) => field !== 'version' && JSON.stringify(row[field]) !== JSON.stringify(value),
  );
}

/** The plans of this page. */
export const plans = new Plans(pageDevice, surelyOurs);

/** Where a row that was just stored is: on the server, or on this device until the server is reached. */
export const whereKept = (id: string): string =>
  plans.current().some(({ writes }) => writes.some((one) => one.id === id))
    ? 'kept on this device, waiting to send'
    : 'stored on the server';

/** Writes to plans that wait on this device. */
export const usePlans = (): readonly PlanUnit[] =>
  useSyncExternalStore(plans.subscribe, plans.current, plans.current);
