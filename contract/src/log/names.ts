import type { Coating, Sprayer, Tip } from '../kit';
import type { Job, Surface } from '../job';
import type { LogNames } from '../entry';

/** Rows that entries point at; what is not there has no name. */
export interface NamedRows {
  readonly jobs: readonly Pick<Job, 'id' | 'name'>[];
  readonly surfaces: readonly Pick<Surface, 'id' | 'name' | 'room'>[];
  readonly coatings: readonly Pick<Coating, 'id' | 'name'>[];
  readonly tips: readonly Pick<Tip, 'id' | 'family' | 'code'>[];
  readonly sprayers: readonly Pick<Sprayer, 'id' | 'name'>[];
}

/** Names by id, each row read once. */
export function logNames({ jobs, surfaces, coatings, tips, sprayers }: NamedRows): LogNames {
  const by = <Row extends { readonly id: string }>(rows: readonly Row[], nameOf: (row: Row) => string) => {
    const names = new Map(rows.map((row) => [row.id, nameOf(row)]));
    return (id: string) => names.get(id);
  };
  return {
    job: by(jobs, ({ name }) => name),
    surface: by(surfaces, ({ room, name }) => (room === '' ? name : `${room}, ${name}`)),
    coating: by(coatings, ({ name }) => name),
    tip: by(tips, ({ code, family }) => `${code} ${family}`),
    sprayer: by(sprayers, ({ name }) => name),
  };
}
