import { RESOURCES, surfaceFields, type BatchWrite, type Changing } from '@fine-spray/contract';
import { measure, showText, type UnitSystem } from '@fine-spray/core';

/** Names of rows by their ids: of coatings, sprayers, hoses and jobs. */
export type Names = ReadonlyMap<string, string>;

/** A field in which two sides of a row differ. */
export interface Difference {
  readonly field: string;
  readonly mine: string;
  readonly theirs: string;
}

/** What fields are called, where it is not their own name in words. */
const CALLED: Readonly<Record<string, string>> = {
  lift: 'Height from pump to gun',
  kind: 'Surface',
  paintAge: 'Age of the paint',
  sprayerId: 'Sprayer',
  hoseIds: 'Hoses',
  coatingId: 'Coating',
  under: 'Layers underneath',
  geometry: 'Size',
  measure: 'Measurements',
  position: 'Place in the list',
  jobId: 'Job',
  placeId: 'Room or elevation',
  part: 'Piece of it',
};
const inWords = (field: string): string => {
  const words = field.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();
  return words.charAt(0).toUpperCase() + words.slice(1);
};

const SHARES = new Set(['thinning', 'share']);
const NOT_COMPARED = new Set(['id', 'version', 'createdAt', 'updatedAt', 'surfaceCount']);

type Row = Readonly<Record<string, unknown>>;

function valueOf(field: string, row: Row, names: Names, system: UnitSystem): string {
  const value = row[field];
  if (value === null || value === undefined || value === '') return 'none';
  if (typeof value === 'string') return names.get(value) ?? value;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number')
    return SHARES.has(field) ? `${Math.round(value * 1000) / 10} %` : String(value);
  if (field === 'geometry') {
    const checked = surfaceFields.shape.geometry.safeParse(value);
    const area = checked.success ? measure(checked.data, system) : undefined;
    if (area?.ok) return showText(area.value.net, 'area', system);
  }
  if (field === 'tip') return (value as { readonly code: string }).code;
  if (Array.isArray(value))
    return (
      value
        .map((one) => (typeof one === 'string' ? (names.get(one) ?? one) : ''))
        .filter(Boolean)
        .join(', ') || `${value.length}`
    );
  return 'as entered';
}

/** In what two sides of a row differ, in words. */
export function differences(mine: Row, theirs: Row, names: Names, system: UnitSystem): readonly Difference[] {
  return Object.keys(mine)
    .filter(
      (field) => !NOT_COMPARED.has(field) && JSON.stringify(mine[field]) !== JSON.stringify(theirs[field]),
    )
    .map((field) => ({
      field: CALLED[field] ?? inWords(field),
      mine: valueOf(field, mine, names, system),
      theirs: valueOf(field, theirs, names, system),
    }));
}

const one = (resource: Changing) => RESOURCES[resource].one;

/** What writes that wait together are about: "Surface: North wall", or how many of what. */
export function aboutUnit(writes: readonly BatchWrite[]): string {
  const [first] = writes;
  if (!first) return '';
  const named = writes.find(({ content }) => content !== null && 'name' in content);
  const name = (named?.content as { readonly name?: string } | undefined)?.name;
  const kind = inWords(one((named ?? first).resource));
  const what = name === undefined ? kind : `${kind}: ${name}`;
  const more = writes.length - 1;
  const done = first.content === null && !named ? `${what}, deleted` : what;
  return more > 0 ? `${done}, and ${more} more with it` : done;
}
