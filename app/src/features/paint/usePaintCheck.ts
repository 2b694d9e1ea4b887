import {
  CUP_CHOICES,
  OWN_CUP,
  SHIFTS,
  entriesOfKind,
  meanOf,
  thinnerAfter,
  type Entry,
  type Gear,
  type ViscosityRecord,
} from '@fine-spray/contract';
import {
  archetypeOf,
  coatingValues,
  compareOwnCup,
  cupForPaint,
  cupSeconds,
  cupViscosity,
  fitSlopes,
  kinematicOfPaint,
  quantity,
  slopesFrom,
  thinningAdvice,
  type CupId,
  type FittedSlopes,
  type OwnCupVerdict,
  type Result,
  type ThinningAdvice,
  type UnitSystem,
} from '@fine-spray/core';
import type { OldJobs } from '@fine-spray/contract/log';
import { thinnerInGun } from '@fine-spray/core/record';
import { useMemo } from 'react';
import { useKept } from '@/data/kept';
import { recordOf } from '@/data/record';
import type { Site } from '@/features/site';

export type CupChoiceId = ViscosityRecord['cup'];

/** A check of the paint as it is being made. */
export interface Check {
  readonly cup: CupChoiceId | null;
  readonly batch: string;
  readonly newContainer: boolean;
  readonly shift: ViscosityRecord['shift'];
  readonly temperature: number;
  readonly room: number;
  readonly container: number;
  /** Until it is sprayed, s. */
  readonly wait: number;
  readonly thinnerBefore: number;
  /** Seconds wanted; null as long as the coating's own stand. */
  readonly target: number | null;
  readonly before: readonly number[];
  /** m³; null as long as the advice stands. */
  readonly added: number | null;
  readonly addedWhat: string;
  readonly after: readonly number[];
}

const NUMBERS = ['temperature', 'room', 'container', 'thinnerBefore'] as const;
const seconds = (value: unknown): value is readonly number[] =>
  Array.isArray(value) && value.every((one) => typeof one === 'number' && Number.isFinite(one));

export function readCheck(stored: unknown): Check | undefined {
  const check = (stored ?? {}) as Partial<Check>;
  const whole =
    NUMBERS.every((name) => typeof check[name] === 'number') &&
    seconds(check.before) &&
    seconds(check.after) &&
    typeof check.batch === 'string' &&
    typeof check.addedWhat === 'string' &&
    typeof check.newContainer === 'boolean' &&
    SHIFTS.some((one) => one === check.shift) &&
    (check.cup === null || CUP_CHOICES.some((one) => one === check.cup));
  // One that was begun before this was asked is sprayed at once.
  return whole ? ({ ...check, wait: check.wait ?? 0 } as Check) : undefined;
}

export function shiftAt(hour: number): Check['shift'] {
  return hour < 12 ? 'morning' : hour < 17 ? 'afternoon' : 'evening';
}

/** Records of a coating as the fit wants them: each reading of a standard cup, before and after. */
export function readingsOf(entries: readonly Entry[], coatingId: string) {
  return entriesOfKind(entries, 'viscosity')
    .filter(({ payload }) => payload.coatingId === coatingId)
    .flatMap(({ entry, payload }) => {
      const { temperature, thinnerBefore, container, added, viscosityBefore, viscosityAfter } = payload;
      const after = thinnerAfter({ container, thinnerBefore }, added);
      return [
        { at: entry.at, viscosity: viscosityBefore, temperature, thinner: thinnerBefore },
        { at: entry.at, viscosity: viscosityAfter, temperature, thinner: after },
      ].flatMap(({ viscosity, ...rest }) => (viscosity === null ? [] : [{ ...rest, viscosity }]));
    });
}

/** Moves at which thinner goes in now. */
export const usesThinner = ({ move }: ThinningAdvice): boolean =>
  move === 'thin' || move === 'thin for the cold' || move === 'limit' || move === 'warm, then thin';

/** To the 10 mL a jug is marked in. */
export const toTheMark = (volume: number): number => Math.round(volume / 1e-5) * 1e-5;

/** Thinner to add by an advice, m³. */
export const advisedOf = (advice: Result<ThinningAdvice> | undefined): number =>
  advice?.ok && usesThinner(advice.value) ? toTheMark(advice.value.amount.value) : 0;

export interface PaintAnswer {
  readonly cup: CupChoiceId;
  /** Cup to be told of, where none is chosen or another would read better. */
  readonly advised: CupId | undefined;
  readonly target: number;
  readonly viscosity: Result<{ readonly value: number; readonly words: string }> | undefined;
  readonly advice: Result<ThinningAdvice> | undefined;
  readonly own: Result<OwnCupVerdict> | undefined;
  readonly after: Result<{ readonly value: number; readonly words: string }> | undefined;
  /** What is still to be done by the reading after. */
  readonly next: Result<ThinningAdvice> | undefined;
  readonly slopes: FittedSlopes | undefined;
}

/** Seconds an own cup is first compared with. */
const OWN_TARGET = 35;

/** Everything a check of the paint says, from what was measured so far. */
export function answerOf(
  check: Check,
  site: Pick<Site, 'coating'>,
  gear: readonly Gear[],
  entries: readonly Entry[],
  system: UnitSystem,
): PaintAnswer {
  const { coating } = site;
  const values = coatingValues(coating);
  const density = quantity<never>(values.density);
  const readings = readingsOf(entries, coating.id);
  const fitted = fitSlopes(
    quantity(values.viscosityLowShear),
    readings.map(({ viscosity, temperature, thinner }) => ({
      viscosity: quantity(viscosity),
      temperature: quantity(temperature),
      thinner: quantity(thinner),
    })),
  );
  const slopes = fitted.ok ? slopesFrom(fitted.value) : undefined;
  const state = {
    temperature: quantity<never>(check.temperature),
    thinner: quantity<never>(check.thinnerBefore),
    ...(slopes ? { slopes } : {}),
  };
  const choice = cupForPaint(coating, state, system);
  const owned = gear.flatMap(({ kind, cup }) => (kind === 'cup' && cup !== null ? [cup] : []));
  const fits = choice.ok ? [choice.value.cup, ...choice.value.others] : [];
  const advised = fits.find((cup) => owned.includes(cup)) ?? fits[0];
  const cup = check.cup ?? advised ?? owned[0] ?? OWN_CUP;
  const last = entriesOfKind(entries, 'viscosity')
    .filter(({ payload }) => payload.coatingId === coating.id && payload.cup === cup)
    .at(-1);
  const viscosityBy = (readings_: readonly number[]): PaintAnswer['viscosity'] => {
    if (cup === OWN_CUP || readings_.length === 0) return undefined;
    const read = cupViscosity(cup, meanOf(readings_), system);
    return read.ok
      ? { ok: true, value: { value: read.value.value.value * values.density, words: read.value.words } }
      : read;
  };
  const asSold =
    cup === OWN_CUP
      ? undefined
      : cupSeconds(cup, kinematicOfPaint(quantity(values.viscosityLowShear), density), system);
  const target =
    check.target ??
    last?.payload.target ??
    (asSold?.ok ? Math.round(asSold.value.value.value * 2) / 2 : OWN_TARGET);
  const viscosity = viscosityBy(check.before);
  const wanted = viscosityBy([target]);
  /** What to do with the container by a reading of it, with so much thinner in it. */
  const adviceFor = (
    read: PaintAnswer['viscosity'],
    { container, already }: { readonly container: number; readonly already: number },
  ): Result<ThinningAdvice> | undefined => {
    if (!read?.ok || !wanted) return undefined;
    if (!wanted.ok) return { ...wanted, field: 'target' };
    return thinningAdvice(
      {
        viscosity: quantity(read.value.value),
        temperature: quantity(check.temperature),
        target: quantity(wanted.value.value),
        limit: quantity(values.thinningLimit),
        already: quantity(already),
        container: quantity(container),
        room: quantity(check.room),
        wait: quantity(check.wait),
        ...(slopes ? { slopes } : {}),
      },
      system,
    );
  };
  const advice = adviceFor(viscosity, { container: check.container, already: check.thinnerBefore });
  const after = viscosityBy(check.after);
  const added = check.added ?? advisedOf(advice);
  const own =
    cup === OWN_CUP && check.before.length > 0
      ? compareOwnCup(quantity(meanOf(check.before)), quantity(target), system)
      : undefined;
  return {
    cup,
    advised,
    target,
    viscosity,
    advice,
    own,
    after,
    next: adviceFor(after, { container: check.container + added, already: thinnerAfter(check, added) }),
    slopes: fitted.ok ? fitted.value : undefined,
  };
}

/** The check of this site's paint, kept on this device while it is made. */
export function usePaintCheck(
  site: Site,
  gear: readonly Gear[],
  { entries, old }: { readonly entries: readonly Entry[]; readonly old: OldJobs },
  system: UnitSystem,
) {
  // The container that was checked earlier in the day has in it what it had then.
  const paint = { job: site.jobId ?? undefined, coating: site.coating.id, at: Date.now() };
  const inIt = thinnerInGun(recordOf(entries, old), paint);
  const first: Check = {
    cup: null,
    batch: '',
    newContainer: inIt === undefined,
    shift: shiftAt(new Date().getHours()),
    temperature: 293.15,
    room: 294.15,
    container: Math.max(...site.coating.containers.map(({ size }) => size)),
    wait: 0,
    thinnerBefore: inIt ?? 0,
    target: null,
    before: [],
    added: null,
    addedWhat: archetypeOf(site.coating.archetype).base === 'water' ? 'Clean water' : 'Its own thinner',
    after: [],
  };
  const [check, setCheck, full] = useKept<Check>(`paint ${site.key} ${site.coating.id}`, readCheck, first);
  const answer = useMemo(
    () => answerOf(check, site, gear, entries, system),
    [check, site, gear, entries, system],
  );
  return {
    check,
    answer,
    full,
    change: (next: Partial<Check>) => setCheck({ ...check, ...next }),
    /** A new container has nothing in it; the one that is open what was in it last. */
    setContainer: (which: 'new' | 'opened') =>
      setCheck({
        ...check,
        newContainer: which === 'new',
        thinnerBefore: which === 'new' ? 0 : (inIt ?? check.thinnerBefore),
      }),
    clear: () => setCheck(first),
  };
}
