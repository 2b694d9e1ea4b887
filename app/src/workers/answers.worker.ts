import type { Surface } from '@fine-spray/contract';
import { requestFor, type Kit, type SetupJob } from '@fine-spray/contract/planning';
import { setupCard, type UnitSystem } from '@fine-spray/core';

/** What a list shows of the set-up of a surface; without a tip when it is refused. */
export interface Answer {
  readonly id: string;
  readonly code?: string;
  /** m³ */
  readonly paint?: number;
}

export interface AnswersOrder {
  readonly surfaces: readonly Surface[];
  readonly job: SetupJob;
  readonly kit: Kit;
  readonly system: UnitSystem;
}

const worker = globalThis as unknown as {
  onmessage: ((event: { data: AnswersOrder }) => void) | null;
  postMessage: (report: readonly Answer[]) => void;
};

/** How often answers are reported, ms: soon for the eye, seldom for the list that takes them in. */
const EVERY = 120;

worker.onmessage = ({ data: { surfaces, job, kit, system } }) => {
  let answers: Answer[] = [];
  let reported = performance.now();
  for (const surface of surfaces) {
    const request = requestFor(surface, job, kit);
    const card = request ? setupCard(request, system) : undefined;
    const { id } = surface;
    answers.push(card?.ok ? { id, code: card.value.tip.code, paint: card.value.paint.value } : { id });
    if (performance.now() - reported > EVERY) {
      worker.postMessage(answers);
      answers = [];
      reported = performance.now();
    }
  }
  worker.postMessage(answers);
};
