import type { Surface } from '@fine-spray/contract';
import type { Kit } from '@fine-spray/contract/planning';
import { renderHook } from '@testing-library/react-native';
import { heldWorkers } from '@/testing/heldWorker';
import type { Answer, AnswersOrder } from '@/workers/answers.worker';
import { useAnswers } from './useAnswers';

const KIT: Kit = { coatings: [], sprayers: [], hoses: [], tips: [] };
const surface = (id: string, version = 1) => ({ id, version }) as Surface;
const answered = (id: string): Answer => ({ id, code: `5${id}`, paint: 0.01 });

function open(surfaces: readonly Surface[], lift = 0) {
  const held = heldWorkers(({ surfaces: rows }: AnswersOrder) => rows.map(({ id }) => answered(id)));
  const job = { sprayerId: 's', hoseIds: [], lift };
  const hook = renderHook(
    (shown: readonly Surface[]) => useAnswers(shown, job, KIT, 'metric', held.startWorker),
    { initialProps: surfaces },
  );
  return { ...held, ...hook };
}

describe('the answers of a list', () => {
  it('come from a worker, and then only those of rows that changed', () => {
    const [one, other] = [surface('13'), surface('15')];
    const { result, rerender, latest, workers } = open([one, other]);
    expect(result.current(one)).toBeUndefined();
    latest().report([answered('13')]);
    expect(result.current(one)).toEqual({ id: '13', code: '513', paint: 0.01 });
    expect(result.current(other)).toBeUndefined();
    latest().report([answered('15')]);

    const changed = surface('15', 2);
    rerender([one, changed]);
    expect(result.current(one)?.code).toBe('513');
    expect(result.current(changed)).toBeUndefined();
    expect(latest().order?.surfaces).toEqual([changed]);
    expect(workers[0]?.ended).toBe(true);
  });

  it('are there at once when the list is come back to, and worked out anew for another machine', () => {
    const rows = [surface('17')];
    const first = open(rows, 1);
    first.latest().finish();
    first.unmount();
    const again = open(rows, 1);
    expect(again.workers).toHaveLength(0);
    expect(again.result.current(rows[0] as Surface)?.code).toBe('517');
    const higher = open(rows, 2);
    expect(higher.result.current(rows[0] as Surface)).toBeUndefined();
    expect(higher.latest().order?.surfaces).toEqual(rows);
  });

  it('stay away when the worker fails, and nothing else breaks', () => {
    const row = surface('19');
    const { result, latest } = open([row], 3);
    latest().onerror?.();
    expect(result.current(row)).toBeUndefined();
  });
});
