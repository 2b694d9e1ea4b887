/** Starts a worker. */
export type StartWorker = () => Worker;

/**
 * Gives a worker its order and hears what it reports.
 * @returns how to end it, before its end or after
 */
export function runWorker<Order, Report>(
  start: StartWorker,
  order: Order,
  onReport: (report: Report) => void,
  onFailure: () => void,
): () => void {
  const worker = start();
  worker.onmessage = ({ data }: MessageEvent<Report>) => onReport(data);
  worker.onerror = onFailure;
  worker.postMessage(order);
  return () => worker.terminate();
}
