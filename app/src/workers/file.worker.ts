import { readOrdered, type FileOrder } from './fileOrders';

const worker = globalThis as unknown as {
  onmessage: ((event: { data: FileOrder }) => void) | null;
  postMessage: (report: ReturnType<typeof readOrdered>) => void;
};

worker.onmessage = ({ data }) => worker.postMessage(readOrdered(data));
