import type { EntryKind, StepState, Surface } from '@fine-spray/contract';
import type { JobTask } from '@fine-spray/contract/planning';
import type { NewEntry } from '@/data/log';
import { abrasionOf, finishedCoat, startedCoat, tipInGun, type CaptureContext } from '@/features/log';

/** What is known where a step is written: how a coat of a surface would be written by hand. */
export type ContextOf = (surface: Surface) => CaptureContext;

type Entries = readonly NewEntry<EntryKind>[];

/** What the log says of coats when a task is begun or done: the coat of each of its surfaces that is not there yet. */
function coatEntries(
  task: JobTask,
  did: StepState,
  jobId: string,
  surfaces: readonly Surface[],
  contextOf: ContextOf,
): Entries {
  const { coat } = task;
  if (!coat) return [];
  const of = { coatingId: coat.coatingId, coat: coat.coat };
  return surfaces.flatMap((surface): Entries => {
    const context = contextOf(surface);
    const known = context.log.record.coatOf({ surface: surface.id, coating: of.coatingId, coat: of.coat });
    const where = { jobId, surfaceId: surface.id };
    // A coat in parts is begun with the first of them and finished with the last.
    if (did === 'started' && coat.part === 0 && !known)
      return [{ kind: 'coat started', payload: startedCoat(context, of), ...where }];
    if (did === 'done' && coat.part === coat.parts - 1 && !known?.finished)
      return [{ kind: 'coat finished', payload: finishedCoat(context, of), ...where }];
    return [];
  });
}

/** What is written when a task of the plan is begun, done or skipped: the step itself, and the log of its coat. */
export const stepEntries = (
  task: JobTask,
  did: StepState,
  jobId: string,
  surfaces: readonly Surface[],
  contextOf: ContextOf,
): Entries => [
  {
    kind: 'step',
    payload: { task: task.id, name: task.name, did },
    ...{ jobId, surfaceId: null },
  },
  ...coatEntries(
    task,
    did,
    jobId,
    surfaces.filter(({ id }) => task.surfaces.includes(id)),
    contextOf,
  ),
];

/** Litres that went through the gun for a task, by its surfaces: as they were planned to share them. */
export function litresEntries(
  task: JobTask,
  volume: number,
  jobId: string,
  shares: readonly { readonly surface: Surface; readonly planned: number }[],
  contextOf: ContextOf,
): Entries {
  const { coat } = task;
  if (!coat) return [];
  const of = { coatingId: coat.coatingId, coat: coat.coat };
  const all = shares.reduce((sum, { planned }) => sum + planned, 0);
  return shares.map(({ surface, planned }): NewEntry<'sprayed'> => {
    const context = contextOf(surface);
    return {
      kind: 'sprayed',
      payload: {
        ...of,
        tipId: tipInGun(context, of)?.id ?? null,
        volume: all > 0 ? (volume * planned) / all : volume / shares.length,
        abrasion: abrasionOf(context, of.coatingId),
        counted: true,
      },
      ...{ jobId, surfaceId: surface.id },
    };
  });
}
