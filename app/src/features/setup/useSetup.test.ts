import { requestFor, type Kit } from '@fine-spray/contract/planning';
import * as core from '@fine-spray/core';
import { renderHook, waitFor } from '@testing-library/react-native';
import { coatingRow, hoseRow, sprayerRow, wallSetup } from '@/testing/rows';
import { useCardAhead, useSetup } from './useSetup';

jest.mock('@fine-spray/core', () => {
  const actual = jest.requireActual<typeof core>('@fine-spray/core');
  return { ...actual, setupCard: jest.fn(actual.setupCard) };
});
const atOnce = jest.mocked(core.setupCard);
const { setupCard } = jest.requireActual<typeof core>('@fine-spray/core');

const kit: Kit = {
  coatings: [coatingRow('c', 'Interior wall matt', 'wall-matt')],
  sprayers: [sprayerRow('s', 'Mid', 'mid electric')],
  hoses: [hoseRow('h', 'Quarter')],
  tips: [],
};
const job = { sprayerId: 's', hoseIds: ['h'], lift: 0 };
const cardOf = (system: core.UnitSystem) => {
  const request = requestFor(wallSetup, job, kit);
  return JSON.stringify(request && setupCard(request, system));
};

beforeEach(() => atOnce.mockClear());

describe('the first card of a page', () => {
  it('is worked out in turns before its screen is drawn, and not once more with it', async () => {
    const waiting = renderHook(() => useCardAhead(wallSetup, job, kit, 'metric'));
    expect(waiting.result.current).toBe(false);
    // As long as a busy machine takes for a first card.
    await waitFor(() => expect(waiting.result.current).toBe(true), { timeout: 30_000 });
    const { result, rerender } = renderHook(
      ({ system }: { system: core.UnitSystem }) => useSetup(wallSetup, job, kit, system),
      { initialProps: { system: 'metric' } },
    );
    expect(atOnce).not.toHaveBeenCalled();
    expect(JSON.stringify(result.current.result)).toBe(cardOf('metric'));
    // What is asked for next is worked out at once.
    rerender({ system: 'us' });
    expect(atOnce).toHaveBeenCalledTimes(1);
    expect(JSON.stringify(result.current.result)).toBe(cardOf('us'));
  }, 60_000);

  it('makes others quick: their screens are drawn at once', () => {
    expect(renderHook(() => useCardAhead(wallSetup, job, kit, 'metric')).result.current).toBe(true);
    const { result } = renderHook(() => useSetup(wallSetup, { ...job, lift: 3 }, kit, 'metric'));
    expect(atOnce).toHaveBeenCalledTimes(1);
    const request = requestFor(wallSetup, { ...job, lift: 3 }, kit);
    expect(JSON.stringify(result.current.result)).toBe(JSON.stringify(request && setupCard(request)));
  });
});
