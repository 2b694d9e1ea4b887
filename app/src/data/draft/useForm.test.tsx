import { hoseFields } from '@fine-spray/contract';
import { act, renderHook } from '@testing-library/react-native';
import { useForm } from '.';

const first = { name: 'Whip', length: 1.5, bore: 0.005, maxPressure: 2.5e7, fitting: '1/4' };
const form = (quiet = false) => renderHook(() => useForm({ schema: hoseFields, first, quiet })).result;

describe('a form', () => {
  it('can be stored as it opens, and says what was changed', async () => {
    const hose = form();
    expect(hose.current).toMatchObject({ ready: true, changed: false, errors: {} });
    act(() => hose.current.change({ name: '  Long one ' }));
    expect(hose.current.changed).toBe(true);
    const stored: unknown[] = [];
    await act(() => hose.current.submit((content) => void stored.push(content)));
    // As the contract reads it: trimmed.
    expect(stored).toEqual([{ ...first, name: 'Long one' }]);
  });

  it('says a sentence at the field and stores nothing while it cannot be taken', async () => {
    const hose = form();
    act(() => hose.current.change({ length: 4000 }));
    expect(hose.current.errors['length']).toMatch(/between 0.3 and 150 m/);
    const store = jest.fn();
    await act(() => hose.current.submit(store));
    expect([hose.current.ready, store.mock.calls.length]).toEqual([false, 0]);
  });

  it('is held by a field that holds what is no value, until it does no longer', () => {
    const hose = form();
    act(() => hose.current.onInvalid('bore', 'This is not a number.'));
    expect(hose.current).toMatchObject({ ready: false, sentence: 'This is not a number.' });
    act(() => hose.current.onInvalid('bore', undefined));
    expect(hose.current).toMatchObject({ ready: true, sentence: undefined });
  });

  it('that is quiet says nothing until somebody tries', async () => {
    const hose = form(true);
    act(() => hose.current.change({ name: '' }));
    expect(hose.current).toMatchObject({ errors: {}, sentence: undefined, ready: false });
    await act(() => hose.current.submit(jest.fn()));
    expect(hose.current.sentence).toBe('Hose name is missing.');
  });

  it('keeps what was typed when it could not be stored, and says why', async () => {
    const hose = form();
    act(() => hose.current.change({ length: 20 }));
    await act(() => hose.current.submit(() => Promise.reject(new Error('The server is away.'))));
    expect(hose.current).toMatchObject({ failed: 'The server is away.', content: { length: 20 } });
    await act(() => hose.current.submit(() => Promise.resolve()));
    expect(hose.current.failed).toBeUndefined();
  });
});
