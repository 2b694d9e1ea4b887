import type { Job, Surface } from '@fine-spray/contract';
import { ordersFor, type Kit } from '@fine-spray/contract/planning';

/** A job with what it is sprayed with. */
export interface JobToOrder {
  readonly surfaces: readonly Surface[];
  readonly job: Job;
  readonly kit: Kit;
}
export type JobOrders = ReturnType<typeof ordersFor>;

const worker = globalThis as unknown as {
  onmessage: ((event: { data: JobToOrder }) => void) | null;
  postMessage: (report: JobOrders) => void;
};

worker.onmessage = ({ data: { surfaces, job, kit } }) => worker.postMessage(ordersFor(surfaces, job, kit));
