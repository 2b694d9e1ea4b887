import { showText, type DisplayKind, type UnitSystem } from '@fine-spray/core/units';
import { FLUIDS } from '@fine-spray/core/procedure';
import { meanOf, payloadOf, type Entry, type EntryKind, type PayloadOf, type Weather } from '../entry';
import type { TipChoice } from '../kit';

/** Names of what entries point at; what is gone has none. */
export interface LogNames {
  readonly job: (id: string) => string | undefined;
  readonly surface: (id: string) => string | undefined;
  readonly coating: (id: string) => string | undefined;
  readonly tip: (id: string) => string | undefined;
  readonly sprayer: (id: string) => string | undefined;
}

const ORDINALS = ['', 'First', 'Second', 'Third', 'Fourth', 'Fifth', 'Sixth'] as const;

/** "Second coat". */
export const coatName = (coat: number): string => `${ORDINALS[coat] ?? `${coat}th`} coat`;

const joined = (parts: readonly (string | undefined | false | null)[], between = ', ') =>
  parts.filter((part): part is string => typeof part === 'string' && part !== '').join(between);

/** Weather in a line. */
export function weatherWords({ air, surface, humidity, wind, rain }: Weather, system: UnitSystem): string {
  return joined([
    showText(air, 'temperature', system),
    surface !== null && `surface ${showText(surface, 'temperature', system)}`,
    `${showText(humidity, 'percent', system)} humidity`,
    wind !== null && `wind ${showText(wind, 'wind', system)}`,
    rain !== null && rain > 0 && 'rain',
  ]);
}

type Show = (value: number, kind: DisplayKind) => string;
type Writer<Kind extends EntryKind> = (
  payload: PayloadOf<Kind>,
  names: LogNames,
  show: Show,
  system: UnitSystem,
) => string;

const GONE_COATING = 'a coating that was deleted';
const coatingOf = (names: LogNames, id: string) => names.coating(id) ?? GONE_COATING;
const tipWords = ({ code, family }: TipChoice) => `${code} ${family}`;
const tipOf = (names: LogNames, id: string | null) =>
  id === null ? undefined : (names.tip(id) ?? 'a tip that was deleted');
const seconds = (values: readonly number[], show: Show) => show(meanOf(values), 'time');
const handled = ({ tip, why }: PayloadOf<'tip fitted'>) => joined([tipWords(tip), why]);

/** What each kind of entry says, in one line without its kind. */
const WRITERS: { readonly [Kind in EntryKind]: Writer<Kind> } = {
  delivered: ({ coatingId, size, count, batch }, names, show) =>
    joined([`${count} × ${show(size, 'volume')} ${coatingOf(names, coatingId)}`, batch && `batch ${batch}`]),
  'container opened': ({ coatingId, size, batch, boxedWith }, names, show) =>
    joined([
      `${show(size, 'volume')} ${coatingOf(names, coatingId)}`,
      batch && `batch ${batch}`,
      boxedWith.length > 0 && `boxed with ${boxedWith.join(' and ')}`,
    ]),
  viscosity: ({ coatingId, cup, before, after, added, addedWhat, temperature }, names, show) =>
    joined([
      coatingOf(names, coatingId),
      `${cup === 'own' ? 'own cup' : cup} ${seconds(before, show)} at ${show(temperature, 'temperature')}`,
      added > 0 && `${show(added, 'millilitres')} ${addedWhat || 'thinner'}`,
      after.length > 0 && `then ${seconds(after, show)}`,
    ]),
  'set-up confirmed': ({ coatingId, tip, gun, pump, sure }, names, show) =>
    joined([
      tipWords(tip),
      coatingOf(names, coatingId),
      `${show(gun, 'pressure')} at the gun, ${show(pump, 'pressure')} at the pump`,
      !sure && 'cards did not agree',
    ]),
  'coat started': ({ coatingId, coat, weather }, names, _show, system) =>
    joined([coatName(coat), coatingOf(names, coatingId), weather && weatherWords(weather, system)]),
  comb: ({ coatingId, coat, lastWet, target }, names, show) =>
    joined([
      lastWet.map((tooth) => (tooth === null ? 'none wet' : show(tooth, 'wetFilm'))).join(' · '),
      target !== null && `wanted ${show(target, 'wetFilm')}`,
      coatName(coat).toLowerCase(),
      coatingOf(names, coatingId),
    ]),
  sprayed: ({ coatingId, coat, tipId, volume }, names, show) =>
    joined([
      `${show(volume, 'volume')} ${coatingOf(names, coatingId)}`,
      coatName(coat).toLowerCase(),
      tipOf(names, tipId),
    ]),
  'coat finished': ({ coatingId, coat, trueArea, weather }, names, show, system) =>
    joined([
      coatName(coat),
      coatingOf(names, coatingId),
      show(trueArea, 'area'),
      weatherWords(weather, system),
    ]),
  'dry reading': ({ readings }, _names, show) => readings.map((one) => show(one, 'dryFilm')).join(' · '),
  'tip fitted': handled,
  'tip reversed': handled,
  'tip cleaned': handled,
  'tip retired': handled,
  'fan measured': ({ tipId, width, distance, gun }, names, show) =>
    joined([
      tipOf(names, tipId),
      `${show(width, 'fanWidth')} at ${show(distance, 'distance')}`,
      gun !== null && show(gun, 'pressure'),
    ]),
  machine: ({ sprayerId, holds, coatingId }, names) =>
    joined([
      names.sprayer(sprayerId) ?? 'a sprayer that was deleted',
      coatingId !== null ? coatingOf(names, coatingId) : FLUIDS[holds].name.toLowerCase(),
    ]),
  clog: ({ where, tipId, cure }, names) =>
    joined([`At the ${where}`, tipOf(names, tipId), cure && `cured by: ${cure}`]),
  fault: ({ what, cure }) => joined([what, cure && `cured by: ${cure}`], '; '),
  'touch-up': ({ coatingId, volume, why }, names, show) =>
    joined([
      why,
      coatingId !== null && coatingOf(names, coatingId),
      volume !== null && show(volume, 'volume'),
    ]),
  incident: ({ level, what, done }) =>
    joined([`${level === 'incident' ? 'Incident' : 'Near miss'}: ${what}`, done && `Done: ${done}`], '. '),
  note: ({ text }) => text,
  withdrawn: ({ why }) => why,
};

/** What an entry says, without its kind, its time and its place. */
export function entryWords(entry: Entry, names: LogNames, system: UnitSystem): string {
  const write = WRITERS[entry.kind] as Writer<EntryKind>;
  return write(payloadOf(entry), names, (value, kind) => showText(value, kind, system), system);
}

/** Where it was: "Boat hall, North wall"; what is gone is said to be. */
export function placeWords({ surfaceId, jobId }: Entry, names: LogNames): string {
  if (surfaceId !== null) return names.surface(surfaceId) ?? 'A surface that was deleted';
  if (jobId !== null) return names.job(jobId) ?? 'A job that was deleted';
  return 'Without a job';
}
