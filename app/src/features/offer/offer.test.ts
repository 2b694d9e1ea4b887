import { USUAL_BOOK, offerFields, type Offer, type OfferOption } from '@fine-spray/contract';
import type { JobToOffer, Offered } from '@fine-spray/contract/planning';
import { act, renderHook } from '@testing-library/react-native';
import { heldWorkers } from '@/testing/heldWorker';
import { row } from '@/testing/rows';
import type { OfferOrder } from '@/workers/offer.worker';
import { newOffer, nextEdition, numberAfter } from './newOffer';
import { useOffered } from './useOffered';
import { latestFirst, replacedBy, standsText, validUntil } from './words';

const JOB = '01930000-0000-7000-8000-0000000000b1';
const BOOK = {
  ...USUAL_BOOK,
  offer: { ...USUAL_BOOK.offer, intro: 'Hello.', validDays: 14, payments: [{ name: 'Done', share: 1 }] },
};
const offer = (part: Partial<Offer>): Offer => ({
  ...row,
  ...newOffer(JOB, 7, BOOK),
  id: `offer ${part.edition ?? 1}`,
  ...part,
});
const now = new Date(2026, 10, 30, 12);

describe('a new offer', () => {
  it('begins with the words of the company, and can be stored', () => {
    const made = newOffer(JOB, 12, BOOK);
    expect(made).toMatchObject({ number: 12, edition: 1, intro: 'Hello.', validDays: 14, state: 'draft' });
    expect(offerFields.safeParse(made).success).toBe(true);
  });

  it('has the number after the highest', () => {
    expect([numberAfter([]), numberAfter([{ number: 3 }, { number: 11 }, { number: 4 }])]).toEqual([1, 12]);
  });

  it('goes on as the next edition of its number, a draft again', () => {
    const sent = offer({ state: 'accepted', sent: '2026-11-01', answered: '2026-11-03', taken: ['x'] });
    const next = nextEdition(sent, [sent, offer({ edition: 4 }), offer({ number: 9, edition: 8 })]);
    expect(next).toMatchObject({
      number: 7,
      edition: 5,
      state: 'draft',
      sent: null,
      answered: null,
      taken: [],
    });
    expect(next).not.toHaveProperty('id');
    expect(next).not.toHaveProperty('version');
  });
});

describe('how it stands with an offer', () => {
  const sent = offer({ state: 'sent', sent: '2026-11-20' });

  it('is said with its days', () => {
    expect(standsText(offer({}), [], now)).toBe('A draft, not sent yet');
    expect(standsText(sent, [sent], now)).toBe('Sent on 20 November 2026; valid until 4 December 2026');
    expect(standsText({ ...sent, sent: '2026-11-01' }, [], now)).toBe(
      'Sent on 1 November 2026; ran out on 15 November 2026',
    );
    expect(standsText({ ...sent, state: 'accepted', answered: '2026-11-22' }, [], now)).toBe(
      'Accepted on 22 November 2026',
    );
    expect(standsText({ ...sent, state: 'declined' }, [], now)).toBe('Declined');
    expect(validUntil({ validDays: 30 }, '2026-01-31').getDate()).toBe(2);
  });

  it('is replaced by a later edition once that was sent, not by its draft', () => {
    const draft = offer({ edition: 2 });
    expect(replacedBy(sent, [sent, draft])).toBeUndefined();
    const later = { ...draft, state: 'sent', sent: '2026-11-25' } as const;
    expect(replacedBy(sent, [sent, later])).toBe(later);
    expect(standsText(sent, [sent, later], now)).toBe('Replaced by edition 2');
    expect(
      latestFirst([sent, later, offer({ number: 9 })]).map(({ number, edition }) => [number, edition]),
    ).toEqual([
      [9, 1],
      [7, 2],
      [7, 1],
    ]);
  });
});

describe('what a draft comes to', () => {
  const option: OfferOption = {
    ...{ id: JOB, name: 'Without', kind: 'leave out', rooms: [], elements: ['ceiling'], layers: null },
    notWith: [],
  };
  const answered: Offered = { ok: false, message: 'worked out' };
  const open = (options: readonly OfferOption[]) => {
    const held = heldWorkers((_order: OfferOrder) => answered);
    const job = {} as JobToOffer;
    const hook = renderHook((shown: readonly OfferOption[]) => useOffered(job, shown, held.startWorker), {
      initialProps: options,
    });
    return { ...held, ...hook };
  };

  it('is worked out in a worker, anew for other options but not for another name, and stays meanwhile', () => {
    const { result, rerender, latest, workers } = open([option]);
    expect(result.current).toEqual({ offered: undefined, stale: true });
    latest().finish();
    expect(result.current).toEqual({ offered: answered, stale: false });
    rerender([{ ...option, name: 'Without the ceilings' }]);
    expect(workers).toHaveLength(1);
    rerender([{ ...option, elements: ['wall'] }]);
    expect(workers).toHaveLength(2);
    expect(workers[0]?.ended).toBe(true);
    expect(result.current).toEqual({ offered: answered, stale: true });
  });

  it('says so where the worker fails', () => {
    const { result, latest } = open([]);
    act(() => latest().onerror?.());
    expect(result.current.offered).toEqual({
      ok: false,
      message: 'The price could not be worked out on this device.',
    });
  });
});
