import { act, renderHook } from '@testing-library/react-native';
import { useOneTap } from './oneTap';

describe('two taps in one instant', () => {
  let now = 0;
  beforeEach(() => {
    now = 0;
    jest.spyOn(performance, 'now').mockImplementation(() => now);
  });
  afterEach(() => jest.restoreAllMocks());

  it('are one', () => {
    const done: string[] = [];
    const { result } = renderHook(() => useOneTap((what: string) => void done.push(what)));
    result.current('first');
    now = 200;
    result.current('bounce');
    now = 600;
    result.current('second');
    expect(done).toEqual(['first', 'second']);
  });

  it('make one thing, however long the first takes', async () => {
    let made = 0;
    let finish: () => void = () => undefined;
    const { result } = renderHook(() =>
      useOneTap(() => {
        made += 1;
        return new Promise<void>((resolve) => (finish = resolve));
      }),
    );
    result.current();
    now = 5000;
    result.current();
    expect(made).toBe(1);
    await act(() => {
      finish();
      return Promise.resolve();
    });
    now = 9000;
    result.current();
    expect(made).toBe(2);
  });
});
