import type { LogEntry } from '@fine-spray/core/record';
import type { CombInterval } from '@fine-spray/core/film';
import { NOMINAL_DISTANCE, readTip, type Tip } from '@fine-spray/core/tip';
import { quantity } from '@fine-spray/core/units';
import { isKnown, payloadOf, timeOf, type Entry, type EntryKind } from '../entry';
import type { TipChoice } from '../kit';

const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;

function tipOf({ code, family }: TipChoice): Tip | undefined {
  const tip = readTip(code, family);
  return tip.ok ? tip.value : undefined;
}

/** The interval of a tooth; the contract has seen to it that the comb has the tooth and a higher one. */
function intervalOf(lastWet: number | null, teeth: readonly number[]): CombInterval {
  let index = -1;
  if (lastWet !== null)
    while (index + 1 < teeth.length && (teeth[index + 1] ?? 0) <= lastWet + 1e-9) index += 1;
  return { low: quantity(index < 0 ? 0 : (teeth[index] ?? 0)), high: quantity(teeth[index + 1] ?? 0) };
}

/**
 * One stored entry as the core knows it; nothing for kinds nothing is derived from, and for those that want a surface and
 * have none. Literals without spreads: ten thousand are read each time a log is opened.
 */
function coreEntry(one: Entry): LogEntry | undefined {
  const { id, author, surfaceId } = one;
  const at = timeOf(one);
  const job = one.jobId ?? undefined;
  const replaces = one.replaces ?? undefined;
  switch (one.kind) {
    case 'delivered': {
      const { coatingId: coating, size, count } = payloadOf(one as Of<'delivered'>);
      return { id, at, author, job, replaces, kind: 'delivered', coating, volume: quantity(size * count) };
    }
    case 'container opened': {
      const { coatingId: coating, batch, boxedWith } = payloadOf(one as Of<'container opened'>);
      const surface = surfaceId ?? undefined;
      return { id, at, author, job, replaces, kind: 'container opened', coating, batch, boxedWith, surface };
    }
    case 'viscosity': {
      const payload = payloadOf(one as Of<'viscosity'>);
      const {
        coatingId: coating,
        cup,
        temperature,
        before,
        after,
        container,
        added,
        thinnerBefore,
      } = payload;
      const viscosity = after.length > 0 ? payload.viscosityAfter : payload.viscosityBefore;
      return {
        id,
        at,
        author,
        job,
        replaces,
        kind: 'viscosity',
        coating,
        temperature: quantity(temperature),
        // What is added goes to the paint in the container, less the thinner already in it.
        thinner: quantity(thinnerBefore + (added / container) * (1 + thinnerBefore)),
        cup,
        seconds: mean(after.length > 0 ? after : before),
        viscosity: viscosity === null ? undefined : quantity(viscosity),
      };
    }
    case 'set-up confirmed': {
      const { coatingId, tip, tipId, thinning, gun, expected } = payloadOf(one as Of<'set-up confirmed'>);
      return {
        id,
        at,
        author,
        job,
        replaces,
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
    case 'coat started': {
      if (surfaceId === null) return undefined;
      const { coatingId: coating, coat } = payloadOf(one as Of<'coat started'>);
      return { id, at, author, job, replaces, kind: 'coat started', surface: surfaceId, coating, coat };
    }
    case 'coat finished': {
      if (surfaceId === null) return undefined;
      const { coatingId, coat, element, side, wind, trueArea, weather } = payloadOf(
        one as Of<'coat finished'>,
      );
      return {
        id,
        at,
        author,
        job,
        replaces,
        kind: 'coat finished',
        surface: surfaceId,
        coating: coatingId,
        coat,
        element,
        side,
        wind,
        trueArea,
        temperature: quantity(weather.air),
        humidity: quantity(weather.humidity),
      };
    }
    case 'comb': {
      if (surfaceId === null) return undefined;
      const payload = payloadOf(one as Of<'comb'>);
      const { coatingId, coat, teeth, lastWet, thinner, element, tip, target, speed, cardSpeed } = payload;
      return {
        id,
        at,
        author,
        job,
        replaces,
        kind: 'comb',
        surface: surfaceId,
        coating: coatingId,
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
      if (surfaceId === null) return undefined;
      const { coatingId: coating, coat, tipId, volume } = payloadOf(one as Of<'sprayed'>);
      const tip = tipId ?? undefined;
      return {
        id,
        at,
        author,
        job,
        replaces,
        kind: 'sprayed',
        surface: surfaceId,
        coating,
        coat,
        tip,
        volume: quantity(volume),
      };
    }
    case 'dry reading': {
      if (surfaceId === null) return undefined;
      const { readings } = payloadOf(one as Of<'dry reading'>);
      return {
        id,
        at,
        author,
        job,
        replaces,
        kind: 'dry gauge',
        surface: surfaceId,
        dry: quantity(mean(readings)),
      };
    }
    case 'tip fitted': {
      const { tipId, tip } = payloadOf(one as Of<'tip fitted'>);
      const code = tipOf(tip);
      return code && { id, at, author, job, replaces, kind: 'tip fitted', tip: tipId, code };
    }
    case 'tip retired':
      return {
        id,
        at,
        author,
        job,
        replaces,
        kind: 'tip retired',
        tip: payloadOf(one as Of<'tip retired'>).tipId,
      };
    case 'fan measured': {
      const { tipId: tip, width, distance } = payloadOf(one as Of<'fan measured'>);
      // A fan opens in proportion to the distance.
      const at305 = quantity<never>((width * NOMINAL_DISTANCE) / distance);
      return { id, at, author, job, replaces, kind: 'fan measured', tip, width: at305 };
    }
    default:
      return undefined;
  }
}

type Of<Kind extends EntryKind> = Entry & { readonly kind: Kind };

/** The stored log as the core derives from it; entries of a newer program are left out, and so is what they replace. */
export function coreLog(entries: readonly Entry[]): readonly LogEntry[] {
  const log: LogEntry[] = [];
  for (const one of entries) {
    const read = isKnown(one) ? coreEntry(one) : undefined;
    if (read) log.push(read);
    else if (one.replaces !== null) {
      log.push({
        id: one.id,
        at: timeOf(one),
        author: one.author,
        replaces: one.replaces,
        kind: 'withdrawn',
      });
    }
  }
  return log;
}
