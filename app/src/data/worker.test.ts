import { runWorker } from './worker';

/** A worker of which the test says what happens to it. */
class Played {
  onmessage: ((event: { data: string }) => void) | null = null;
  onerror: ((event: unknown) => void) | null = null;
  order: string | undefined;
  ended = false;
  postMessage(order: string) {
    this.order = order;
  }
  terminate() {
    this.ended = true;
  }
}

function run() {
  const workers: Played[] = [];
  const said: string[] = [];
  const end = runWorker<string, string>(
    () => {
      const worker = new Played();
      workers.push(worker);
      return worker as unknown as Worker;
    },
    'plan',
    (report) => said.push(report),
    () => said.push('failed'),
  );
  return { workers, said, end };
}

/** What a browser says where the script of a worker does not come. */
const NO_SCRIPT = {};

it('begins a worker once more whose script did not come, with the same order, and fails with the second', () => {
  const { workers, said } = run();
  workers[0]?.onerror?.(NO_SCRIPT);
  expect(workers.map(({ order }) => order)).toEqual(['plan', 'plan']);
  workers[1]?.onmessage?.({ data: 'half' });
  expect(said).toEqual(['half']);
  workers[1]?.onerror?.(NO_SCRIPT);
  expect(workers).toHaveLength(2);
  expect(said).toEqual(['half', 'failed']);
});

it('does not begin again what failed by itself, nor what nobody waits for', () => {
  const failed = run();
  failed.workers[0]?.onerror?.({ message: 'not a number' });
  expect(failed.said).toEqual(['failed']);
  expect(failed.workers).toHaveLength(1);
  const left = run();
  left.end();
  left.workers[0]?.onerror?.(NO_SCRIPT);
  expect(left.workers).toHaveLength(1);
  expect(left.workers[0]?.ended).toBe(true);
  expect(left.said).toEqual([]);
});
