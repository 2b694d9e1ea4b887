/** Starts a worker. */
export type StartWorker = () => Worker;

/** A failure that says nothing of a program: its script could not be fetched or begun. */
const couldNotBegin = (event: Event | undefined): boolean =>
  event !== undefined && (event as Partial<ErrorEvent>).message === undefined;

/**
 * Gives a worker its order and hears what it reports. A worker whose script does not come is begun once more: a line may have been dead
 * for that moment.
 * @returns how to end it, before its end or after
 */
export function runWorker<Order, Report>(
  start: StartWorker,
  order: Order,
  onReport: (report: Report) => void,
  onFailure: () => void,
): () => void {
  let ended = false;
  const begin = (onError: (event: Event | undefined) => void): Worker => {
    const worker = start();
    worker.onmessage = ({ data }: MessageEvent<Report>) => onReport(data);
    worker.onerror = onError;
    worker.postMessage(order);
    return worker;
  };
  let worker = begin((event) => {
    if (ended) return;
    if (couldNotBegin(event)) worker = begin(onFailure);
    else onFailure();
  });
  return () => {
    ended = true;
    worker.terminate();
  };
}
