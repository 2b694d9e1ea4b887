import type { LogEntry } from '@fine-spray/core/record';
import { combReading } from '@fine-spray/core/film';
import { NOMINAL_DISTANCE, readTip, type Tip } from '@fine-spray/core/tip';
import { quantity } from '@fine-spray/core/units';
import { isKnown, payloadOf, timeOf, type Entry, type EntryKind, type PayloadOf } from '../entry';
import type { TipChoice } from '../kit';

type Head = Pick<LogEntry, 'id' | 'at' | 'author' | 'job' | 'replaces'>;

const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;

function tipOf({ code, family }: TipChoice): Tip | undefined {
  const tip = readTip(code, family);
  return tip.ok ? tip.value : undefined;
}

type Reader<Kind extends EntryKind> = (
  head: Head,
  payload: PayloadOf<Kind>,
  surface: string | null,
) => readonly LogEntry[];

const onSurface = (surface: string | null, { coatingId, coat }: { coatingId: string; coat: number }) =>
  surface === null ? undefined : { surface, coating: coatingId, coat };

/** How each kind of entry is read by the core; kinds it derives nothing from are left out. */
const READERS: { readonly [Kind in EntryKind]?: Reader<Kind> } = {
  delivered: (head, { coatingId, size, count }) => [
    { ...head, kind: 'delivered', coating: coatingId, volume: quantity(size * count) },
  ],
  'container opened': (head, { coatingId, batch, boxedWith }, surface) => [
    {
      ...head,
      kind: 'container opened',
      coating: coatingId,
      batch,
      boxedWith,
      ...(surface === null ? {} : { surface }),
    },
  ],
  viscosity: (head, payload) => {
    const { coatingId, cup, temperature, before, after, container, added, thinnerBefore } = payload;
    const viscosity = after.length > 0 ? payload.viscosityAfter : payload.viscosityBefore;
    return [
      {
        ...head,
        kind: 'viscosity',
        coating: coatingId,
        temperature: quantity(temperature),
        // What is added goes to the paint in the container, less the thinner already in it.
        thinner: quantity(thinnerBefore + (added / container) * (1 + thinnerBefore)),
        cup,
        seconds: mean(after.length > 0 ? after : before),
        ...(viscosity === null ? {} : { viscosity: quantity(viscosity) }),
      },
    ];
  },
  'set-up confirmed': (head, { coatingId, tip, tipId, thinning, gun, expected }, surface) => [
    {
      ...head,
      kind: 'set-up confirmed',
      surface: surface ?? '',
      coating: coatingId,
      family: tip.family,
      thinner: quantity(thinning),
      pressure: quantity(gun),
      expected: quantity(expected),
      ...(tipId === null ? {} : { tip: tipId }),
    },
  ],
  'coat started': (head, payload, surface) => {
    const at = onSurface(surface, payload);
    return at ? [{ ...head, ...at, kind: 'coat started' }] : [];
  },
  'coat finished': (head, payload, surface) => {
    const at = onSurface(surface, payload);
    const { element, side, wind, trueArea, weather } = payload;
    if (!at) return [];
    return [
      {
        ...head,
        ...at,
        kind: 'coat finished',
        element,
        side,
        wind,
        trueArea,
        temperature: quantity(weather.air),
        humidity: quantity(weather.humidity),
      },
    ];
  },
  comb: (head, payload, surface) => {
    const at = onSurface(surface, payload);
    if (!at) return [];
    const { teeth, lastWet, thinner, element, tip, target, speed, cardSpeed } = payload;
    const comb = teeth.map((tooth) => quantity<never>(tooth));
    const readings = lastWet.flatMap((tooth) => {
      const reading = combReading(tooth === null ? undefined : quantity(tooth), comb);
      return reading.ok ? [reading.value] : [];
    });
    return [
      {
        ...head,
        ...at,
        kind: 'comb',
        readings,
        thinner: quantity(thinner),
        ...(element === null ? {} : { element }),
        ...(tip === null ? {} : { family: tip.family }),
        ...(target === null ? {} : { target: quantity(target) }),
        ...(speed === null ? {} : { speed: quantity(speed) }),
        ...(cardSpeed === null ? {} : { cardSpeed: quantity(cardSpeed) }),
      },
    ];
  },
  sprayed: (head, payload, surface) => {
    const at = onSurface(surface, payload);
    if (!at) return [];
    const { tipId, volume } = payload;
    return [
      {
        ...head,
        ...at,
        kind: 'sprayed',
        volume: quantity(volume),
        ...(tipId === null ? {} : { tip: tipId }),
      },
    ];
  },
  'dry reading': (head, { readings }, surface) =>
    surface === null ? [] : [{ ...head, kind: 'dry gauge', surface, dry: quantity(mean(readings)) }],
  'tip fitted': (head, { tipId, tip }) => {
    const code = tipOf(tip);
    return code ? [{ ...head, kind: 'tip fitted', tip: tipId, code }] : [];
  },
  'tip retired': (head, { tipId }) => [{ ...head, kind: 'tip retired', tip: tipId }],
  'fan measured': (head, { tipId, width, distance }) => [
    // A fan opens in proportion to the distance.
    { ...head, kind: 'fan measured', tip: tipId, width: quantity((width * NOMINAL_DISTANCE) / distance) },
  ],
};

/** The stored log as the core derives from it; entries of a newer program are left out, and so is what they replace. */
export function coreLog(entries: readonly Entry[]): readonly LogEntry[] {
  const log: LogEntry[] = [];
  for (const one of entries) {
    const { id, author, jobId, surfaceId, replaces, kind } = one;
    const head: Head = {
      id,
      at: timeOf(one),
      author,
      ...(jobId === null ? {} : { job: jobId }),
      ...(replaces === null ? {} : { replaces }),
    };
    const read = isKnown(one) ? (READERS[kind] as Reader<EntryKind> | undefined) : undefined;
    const found = read?.(head, payloadOf(one), surfaceId) ?? [];
    if (found.length > 0) log.push(...found);
    else if (replaces !== null) log.push({ ...head, kind: 'withdrawn' });
  }
  return log;
}
