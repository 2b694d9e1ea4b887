import { Device } from '@/data/device';
import { putAway, type PutAwayOrder } from '@/data/putAway';

const worker = globalThis as unknown as {
  onmessage: ((event: { data: PutAwayOrder }) => void) | null;
  postMessage: (report: number) => void;
};

worker.onmessage = ({ data }) => {
  void putAway(new Device(data.name), data).then(
    (count) => worker.postMessage(count),
    // A device that forbids it, or is full, keeps its jobs as they were.
    () => worker.postMessage(0),
  );
};
