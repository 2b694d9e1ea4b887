import { BYTES_LIMIT, type FileRead } from '@fine-spray/contract/formats';
import { act, renderHook } from '@testing-library/react-native';
import { heldWorkers } from '@/testing/heldWorker';
import { readOrdered, type FileContents, type FileOrder } from '@/workers/fileOrders';
import { useFileReader } from './useFileReader';

const bytes = (text: string) => new TextEncoder().encode(text);
const bought = 'Coating,Container L,Count\nWall white,10,2\n';

function reader() {
  const held = heldWorkers<FileOrder<'bought'>, FileRead<FileContents['bought']>>(readOrdered);
  const { result, unmount } = renderHook(() => useFileReader('bought', held.startWorker, 1000));
  const read = (name: string, text: string) => act(() => result.current.read({ name, bytes: bytes(text) }));
  return { ...held, result, unmount, read };
}

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

describe('a file that was chosen', () => {
  it('is read in a worker, which ends when it is done', () => {
    const { result, read, latest } = reader();
    read('list.csv', bought);
    expect(result.current.chosen).toEqual({ name: 'list.csv' });
    latest().finish();
    expect(result.current.chosen?.result).toEqual(
      readOrdered({ wanted: 'bought', name: 'list.csv', bytes: bytes(bought) }),
    );
    expect(latest().ended).toBe(true);
  });

  it('is given up on after a while, and when another is chosen or nobody waits', () => {
    const { result, read, latest, workers, unmount } = reader();
    read('slow.csv', bought);
    act(() => jest.advanceTimersByTime(1000));
    expect(result.current.chosen?.result).toMatchObject({
      ok: false,
      issues: [{ message: 'The file takes too long to read. Split it, or write it again.' }],
    });
    expect(latest().ended).toBe(true);
    read('one.csv', bought);
    read('two.csv', bought);
    expect(workers.map(({ ended }) => ended)).toEqual([true, true, false]);
    act(() => result.current.drop());
    expect([latest().ended, result.current.chosen]).toEqual([true, undefined]);
    read('three.csv', bought);
    unmount();
    expect(latest().ended).toBe(true);
  });

  it('is said to be unreadable where the reader breaks', () => {
    const { result, read, latest } = reader();
    read('odd.csv', bought);
    act(() => latest().onerror?.());
    expect(result.current.chosen?.result).toMatchObject({
      ok: false,
      issues: [{ message: 'The file could not be read on this device.' }],
    });
  });

  it('is not given to a reader where it is too large', () => {
    const { result, workers } = reader();
    act(() => result.current.read({ name: 'huge.csv', bytes: new Uint8Array(BYTES_LIMIT + 1) }));
    expect(result.current.chosen?.result).toMatchObject({
      ok: false,
      issues: [{ message: 'The file is larger than 8 MB. Split it.' }],
    });
    expect(workers).toEqual([]);
  });
});
