import type { EntryHead, LogEntry } from '@fine-spray/core/record';
import type { CombInterval } from '@fine-spray/core/film';
import { NOMINAL_DISTANCE } from '@fine-spray/core/tip';
import { quantity } from '@fine-spray/core/units';
import { isReadable, meanOf, payloadOf, thinnerAfter, timeOf, type Entry, type EntryKind } from '../entry';
import { coreTip } from '../setupRequest';

/** The interval of a tooth; the contract has seen to it that the comb has the tooth and a higher one. */
function intervalOf(lastWet: number | null, teeth: readonly number[]): CombInterval {
  let index = -1;
  if (lastWet !== null)
    while (index + 1 < teeth.length && (teeth[index + 1] ?? 0) <= lastWet + 1e-9) index += 1;
  return { low: quantity(index < 0 ? 0 : (teeth[index] ?? 0)), high: quantity(teeth[index + 1] ?? 0) };
}

type Of<Kind extends EntryKind> = Entry & { readonly kind: Kind };

/** What an entry of the core says besides the head that each has. */
type Said = LogEntry extends infer One ? (One extends LogEntry ? Omit<One, keyof EntryHead> : never) : never;

/**
 * What one stored entry says to the core; nothing for kinds nothing is derived from, and for those that want a surface and
 * have none.
 */
function saidBy(one: Entry): Said | undefined {
  const { surfaceId } = one;
  switch (one.kind) {
    case 'delivered': {
      const { coatingId: coating, size, count } = payloadOf(one as Of<'delivered'>);
      return { kind: 'delivered', coating, volume: quantity(size * count) };
    }
    case 'container opened': {
      const { coatingId: coating, batch, boxedWith } = payloadOf(one as Of<'container opened'>);
      return { kind: 'container opened', coating, batch, boxedWith, surface: surfaceId ?? undefined };
    }
    case 'viscosity': {
      const payload = payloadOf(one as Of<'viscosity'>);
      const again = payload.after.length > 0;
      const viscosity = again ? payload.viscosityAfter : payload.viscosityBefore;
      return {
        kind: 'viscosity',
        coating: payload.coatingId,
        temperature: quantity(payload.temperature),
        thinner: quantity(thinnerAfter(payload, payload.added)),
        cup: payload.cup,
        seconds: meanOf(again ? payload.after : payload.before),
        viscosity: viscosity === null ? undefined : quantity(viscosity),
      };
    }
    case 'set-up confirmed': {
      const { coatingId, tip, tipId, thinning, gun, expected } = payloadOf(one as Of<'set-up confirmed'>);
      return {
        kind: 'set-up confirmed',
        surface: surfaceId ?? '',
        coating: coatingId,
        family: tip.family,
        tip: tipId ?? undefined,
        thinner: quantity(thinning),
        pressure: quantity(gun),
        expected: quantity(expected),
      };
    }
    case 'tip fitted': {
      const { tipId, tip } = payloadOf(one as Of<'tip fitted'>);
      const code = coreTip(tip);
      return code && { kind: 'tip fitted', tip: tipId, code };
    }
    case 'tip retired':
      return { kind: 'tip retired', tip: payloadOf(one as Of<'tip retired'>).tipId };
    case 'fan measured': {
      const { tipId: tip, width, distance } = payloadOf(one as Of<'fan measured'>);
      // A fan opens in proportion to the distance.
      return { kind: 'fan measured', tip, width: quantity((width * NOMINAL_DISTANCE) / distance) };
    }
    default:
      return surfaceId === null ? undefined : saidOn(surfaceId, one);
  }
}

/** What an entry says whose kind means something only on a surface. */
function saidOn(surface: string, one: Entry): Said | undefined {
  switch (one.kind) {
    case 'coat started': {
      const { coatingId: coating, coat } = payloadOf(one as Of<'coat started'>);
      return { kind: 'coat started', surface, coating, coat };
    }
    case 'coat finished': {
      const payload = payloadOf(one as Of<'coat finished'>);
      const { coatingId: coating, coat, element, side, wind, trueArea, weather } = payload;
      const { air, humidity } = weather;
      return {
        kind: 'coat finished',
        surface,
        coating,
        coat,
        element,
        side,
        wind,
        trueArea,
        temperature: quantity(air),
        humidity: quantity(humidity),
      };
    }
    case 'comb': {
      const payload = payloadOf(one as Of<'comb'>);
      const { coatingId: coating, coat, teeth, lastWet, thinner, element, tip } = payload;
      const { target, speed, cardSpeed } = payload;
      return {
        kind: 'comb',
        surface,
        coating,
        coat,
        readings: lastWet.map((tooth) => intervalOf(tooth, teeth)),
        thinner: quantity(thinner),
        element: element ?? undefined,
        family: tip?.family,
        target: target === null ? undefined : quantity(target),
        speed: speed === null ? undefined : quantity(speed),
        cardSpeed: cardSpeed === null ? undefined : quantity(cardSpeed),
      };
    }
    case 'sprayed': {
      const { coatingId: coating, coat, tipId: tip, volume } = payloadOf(one as Of<'sprayed'>);
      return { kind: 'sprayed', surface, coating, coat, tip: tip ?? undefined, volume: quantity(volume) };
    }
    case 'dry reading': {
      const { readings } = payloadOf(one as Of<'dry reading'>);
      return { kind: 'dry gauge', surface, dry: quantity(meanOf(readings)) };
    }
    default:
      return undefined;
  }
}

type Writable<T> = { -readonly [Key in keyof T]: T[Key] };

/** Puts the head over what an entry says, field by field: a head spread into each of ten thousand costs ten times as much. */
function headed(said: Said, { id, author, jobId, replaces, at, clockSkew }: Entry): LogEntry {
  const entry = said as Said & Writable<EntryHead>;
  entry.id = id;
  entry.at = timeOf({ at, clockSkew });
  entry.author = author;
  entry.job = jobId ?? undefined;
  entry.replaces = replaces ?? undefined;
  return entry;
}

/** An entry as the core knows it; one that says nothing to it may still take another back. */
function readEntry(one: Entry): LogEntry | undefined {
  const said = isReadable(one) ? saidBy(one) : undefined;
  if (said) return headed(said, one);
  return one.replaces === null ? undefined : headed({ kind: 'withdrawn' }, one);
}

/** What was read of an entry; `false` where it says nothing. Entries never change: a log that grows by one reads one. */
const READ = new WeakMap<Entry, LogEntry | false>();

/** The stored log as the core derives from it; entries of a newer program are left out, and so is what they replace. */
export function coreLog(entries: readonly Entry[]): readonly LogEntry[] {
  const log: LogEntry[] = [];
  for (const one of entries) {
    let read = READ.get(one);
    if (read === undefined) READ.set(one, (read = readEntry(one) ?? false));
    if (read) log.push(read);
  }
  return log;
}
