import {
  USUAL_BOOK,
  type Company,
  type Job,
  type PaperOptions,
  type Place,
  type Surface,
} from '@fine-spray/contract';
import {
  layersOf,
  requestFor,
  workOutJob,
  type Kit,
  type SurfaceLayer,
  type WorkedOut,
} from '@fine-spray/contract/planning';
import { setupCard, type SetupCard } from '@fine-spray/core/setup';

/** The rows a job's sheets are printed from. */
export interface PaperRows {
  readonly company: Company;
  /** Whether who prints it sees what things cost. */
  readonly money: boolean;
  readonly job: Job;
  readonly surfaces: readonly Surface[];
  readonly places: readonly Place[];
  readonly kit: Kit;
}

/** A layer of a surface with its set-up card. */
export interface PlannedLayer {
  readonly surface: Surface;
  readonly layer: SurfaceLayer;
  readonly coating: string;
  readonly card: SetupCard;
}

/** A surface that cannot be planned, and why. */
export interface Unplanned {
  readonly surface: Surface;
  readonly why: string;
}

/** How a sheet is printed, with the day that stands on it. */
export type PrintOptions = PaperOptions & { readonly date: string };

/** All that the sheets of a job say, worked out as the screens do. */
export interface PlannedJob extends PaperRows, Omit<WorkedOut, 'work'> {
  readonly options: PrintOptions;
  readonly layers: readonly PlannedLayer[];
  readonly unplanned: readonly Unplanned[];
}

/** Works a job out for its sheets. Surfaces that are refused are named with the reason; nothing is left out in silence. */
export function plannedJob(rows: PaperRows, options: PrintOptions): PlannedJob {
  const { company, job, surfaces, places, kit } = rows;
  const layers: PlannedLayer[] = [];
  const unplanned: Unplanned[] = [];
  for (const surface of surfaces) {
    for (const layer of layersOf(surface)) {
      const request = requestFor(surface, job, kit, layer);
      const card = request ? setupCard(request, options.units) : undefined;
      if (request && card?.ok)
        layers.push({ surface, layer, coating: request.coating.name, card: card.value });
      else
        unplanned.push({
          surface,
          why: card && !card.ok ? card.message : 'Its sprayer or a coating is missing.',
        });
    }
  }
  const { risk, aim } = options;
  const { work: _work, ...worked } = workOutJob({
    ...{ surfaces, places, job, kit, risk, aim },
    book: company.book ?? USUAL_BOOK,
  });
  return { ...rows, options, layers, unplanned, ...worked };
}
