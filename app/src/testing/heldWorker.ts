import { act } from '@testing-library/react-native';

/** A worker that reports when the test says so. */
export class HeldWorker<Order, Report> {
  onmessage: ((event: { data: Report }) => void) | null = null;
  onerror: (() => void) | null = null;
  ended = false;
  order: Order | undefined;
  constructor(readonly work: (order: Order) => Report) {}
  postMessage(order: Order) {
    this.order = order;
  }
  terminate() {
    this.ended = true;
  }
  report(data: Report) {
    act(() => this.onmessage?.({ data }));
  }
  /** Does the work and reports its end. */
  finish() {
    this.report(this.work(this.order as Order));
  }
}

/** Workers as a screen starts them, all of them and the latest. */
export function heldWorkers<Order, Report>(work: (order: Order) => Report) {
  const workers: HeldWorker<Order, Report>[] = [];
  const startWorker = () => {
    const worker = new HeldWorker(work);
    workers.push(worker);
    return worker as unknown as Worker;
  };
  const latest = () => workers[workers.length - 1] as HeldWorker<Order, Report>;
  return { workers, startWorker, latest };
}
