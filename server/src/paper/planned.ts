import {
  USUAL_BOOK,
  type Company,
  type Job,
  type PaperOptions,
  type Place,
  type Surface,
} from '@fine-spray/contract';
import {
  PURCHASE_DRAWS,
  buyingsFor,
  jobPlan,
  layersOf,
  ordersFor,
  requestFor,
  triggerTimeOf,
  type Buying,
  type JobPlan,
  type PlannedWork,
  type Kit,
  type SurfaceLayer,
} from '@fine-spray/contract/planning';
import { jobModel, paintDistributions } from '@fine-spray/core/quantities';
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
export interface PlannedJob extends PaperRows {
  readonly options: PrintOptions;
  readonly layers: readonly PlannedLayer[];
  readonly unplanned: readonly Unplanned[];
  /** Surfaces whose paint is not in the quantities. */
  readonly refused: number;
  /** Why there are no quantities at all. */
  readonly unquantified: string | undefined;
  readonly buyings: readonly Buying[];
  readonly plan: JobPlan | undefined;
  /** What the plan was worked out from, and with it the price. */
  readonly work: PlannedWork | undefined;
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
  const { orders, refused } = ordersFor(surfaces, job, kit);
  const drawn = orders.length > 0 ? paintDistributions(jobModel(orders), PURCHASE_DRAWS) : undefined;
  const unquantified = drawn && !drawn.ok ? drawn.message : undefined;
  const buyings = drawn?.ok ? buyingsFor(orders, drawn.value, options.risk, options.aim) : [];
  const work =
    buyings.length > 0
      ? {
          ...{ surfaces, places, job, coatings: kit.coatings, buyings },
          trigger: triggerTimeOf(orders),
          book: company.book ?? USUAL_BOOK,
        }
      : undefined;
  const plan = work && jobPlan(work);
  return { ...rows, options, layers, unplanned, refused, unquantified, buyings, plan, work };
}
