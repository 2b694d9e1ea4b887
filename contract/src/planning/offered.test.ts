import { csvOf, readOffer, offerLines, offerSheet } from '../formats';
import { USUAL_BOOK, offerFields, type CompanyBook, type Offer, type OfferOption } from '..';
import { STORED, demoCompany } from '../testing/demo';
import { PRICED_AT, listedLines, offeredFor, optionProblems, surfacesWith, totalsOf, workOutJob } from '.';

const { kit, jobs } = demoCompany();
const kiln = jobs.find(({ job }) => job.name.startsWith('Kiln'));
if (!kiln) throw new Error('no job');
const { job, surfaces } = kiln;
const BOOK: CompanyBook = {
  ...USUAL_BOOK,
  hour: 40,
  terms: { overhead: 0.2, profit: 0.1, tax: 0.077, rounding: 5, minimum: 0 },
};
const A = '01930000-0000-7000-8000-0000000000a1';
const B = '01930000-0000-7000-8000-0000000000a2';
const C = '01930000-0000-7000-8000-0000000000a3';

const option = (id: string, part: Partial<OfferOption>): OfferOption => ({
  ...{ id, name: `Option ${id.slice(-2)}`, kind: 'leave out', rooms: [], elements: [], layers: null },
  notWith: [],
  ...part,
});
const WITHOUT_CEILINGS = option(A, { name: 'Without the ceilings', elements: ['ceiling'] });
const OFFER: Offer = {
  ...STORED,
  ...{ id: C, jobId: job.id, number: 7, edition: 1, state: 'draft', sent: null, answered: null },
  ...{ intro: '', terms: '', validDays: 30, blocks: [], listedBy: 'room', options: [], taken: [] },
  ...{ exclusions: [], sums: [], payments: [], withInside: false, figures: null },
};
const whole = (book = BOOK) => ({ surfaces, places: [], job, kit, book, risk: 'P80', aim: 'cost' }) as const;

function figuresFor(options: readonly OfferOption[], book = BOOK) {
  const offered = offeredFor(whole(book), { options: [...options] });
  if (!offered.ok) throw new Error(offered.message);
  return offered.figures;
}

describe('what an offer comes to', () => {
  it.each(['EUR', 'USD', 'JPY', 'KWD'])(
    'is in %s the price of the job, to the coin, however finely it is listed',
    (currency) => {
      const book = { ...BOOK, currency, terms: { ...BOOK.terms, rounding: 0.001 } };
      const figures = figuresFor([], book);
      const plan = workOutJob({ ...whole(book), ...PRICED_AT }).plan;
      const { net } = totalsOf(OFFER, figures);
      const asked = (plan?.cost.total.likely ?? NaN) * 1.2 * 1.1;
      const coin = { JPY: 1, KWD: 0.001 }[currency] ?? 0.01;
      expect(net).toBeGreaterThanOrEqual(asked - 1e-6);
      expect(net).toBeLessThan(asked + coin);
      for (const listedBy of ['job', 'room', 'surface'] as const) {
        const lines = listedLines({ listedBy }, figures, job.name);
        const coins = lines.reduce((sum, one) => sum + Math.round(one.net / coin), 0);
        expect(coins).toBe(Math.round(net / coin));
        expect(lines.every((one) => one.net >= 0)).toBe(true);
      }
    },
  );

  it('adds what is set aside and what was taken, then tax, and parts it by the steps of payment', () => {
    const figures = {
      ...figuresFor([]),
      ...{ tax: 0.19, lines: [{ room: '', name: 'Walls', what: '', net: 1000 }] },
      options: [
        { id: A, net: -120 },
        { id: B, net: 75.5 },
      ],
    };
    const offer = {
      sums: [{ what: 'Plaster', amount: 150 }],
      taken: [A],
      payments: ['Begin', 'Middle', 'Done'].map((name) => ({ name, share: 1 / 3 })),
    };
    // 1,000 + 150 − 120 = 1,030; 19 % of it 195.70; 1,225.70 in three: 408.566 each
    expect(totalsOf(offer, figures)).toEqual({
      ...{ net: 1030, tax: 195.7, total: 1225.7 },
      due: [408.57, 408.57, 408.56],
    });
  });

  it('is refused with a sentence where there is nothing to do', () => {
    const offered = offeredFor({ ...whole(), surfaces: [] }, { options: [] });
    expect(offered).toEqual({
      ok: false,
      message: 'There is nothing to offer yet: the job has no surfaces that could be planned.',
    });
  });

  it('says what would be missing in it', () => {
    const offered = offeredFor(whole({ ...BOOK, hour: null }), { options: [] });
    expect(offered.ok && offered.unready.join()).toMatch(/without a price: .*hours/);
  });
});

describe('options', () => {
  const prime = { role: 'prime', coatingId: surfaces[0]?.coatingId ?? '', coats: 1, thinning: 0, share: 1 };
  const more = option(B, {
    name: 'A third coat on the walls',
    kind: 'other system',
    elements: ['wall'],
    layers: [{ ...prime, role: 'finish', coats: 3 }],
  });

  it('cost what the job costs more or less with them, each against the price without any', () => {
    const figures = figuresFor([WITHOUT_CEILINGS, more]);
    const [without, third] = figures.options.map(({ net }) => net);
    const netOf = (some: typeof surfaces) => {
      const offered = offeredFor({ ...whole(), surfaces: some }, { options: [] });
      return offered.ok ? totalsOf(OFFER, offered.figures).net : NaN;
    };
    const all = netOf(surfaces);
    expect(without).toBeCloseTo(netOf(surfaces.filter(({ element }) => element !== 'ceiling')) - all, 6);
    expect(without).toBeLessThan(0);
    expect(third).toBeGreaterThan(0);
    expect(totalsOf(OFFER, figures).net).toBe(all);
  });

  it('that are extra are not in the price, and put on it what leaving them out takes off', () => {
    const extra = figuresFor([{ ...WITHOUT_CEILINGS, kind: 'extra' }]);
    const left = figuresFor([WITHOUT_CEILINGS]);
    expect(extra.lines.some(({ name }) => /ceiling/i.test(name))).toBe(false);
    expect(extra.options[0]?.net).toBeCloseTo(-(left.options[0]?.net ?? NaN), 6);
    expect(totalsOf(OFFER, extra).net).toBeCloseTo(totalsOf({ ...OFFER, taken: [A] }, left).net, 6);
  });

  it('change the surfaces they are about, once they are taken', () => {
    const coats = (taken: string[]) =>
      surfacesWith(surfaces, [WITHOUT_CEILINGS, more], new Set(taken)).map((one) => [one.element, one.coats]);
    expect(coats([]).length).toBe(surfaces.length);
    expect(coats([A]).every(([element]) => element !== 'ceiling')).toBe(true);
    expect(coats([A, B]).every(([element, count]) => element !== 'wall' || count === 3)).toBe(true);
  });

  it('that change one thing are not taken together, or it is said what is wrong', () => {
    const roller = { ...more, id: C, name: 'One coat' };
    const problems = (...all: OfferOption[]) => optionProblems(all, surfaces, kit.coatings);
    expect(problems(WITHOUT_CEILINGS, more)).toEqual({});
    expect(problems(more, roller)).toEqual({
      [C]: 'It changes what A third coat on the walls changes, too. Say that they are not taken together.',
    });
    expect(problems(more, { ...roller, notWith: [B] })).toEqual({});
    expect(problems(option(A, { elements: ['spindles'] }))).toEqual({
      [A]: 'There is nothing like that in this job.',
    });
    expect(problems(option(A, {}))).toEqual({ [A]: 'Without that there is nothing left to do.' });
    expect(optionProblems([more], surfaces, [])).toEqual({
      [B]: 'A coating of it is not in the kit any more.',
    });
  });
});

describe('an offer as it is stored', () => {
  const { id: _id, version: _version, createdAt: _made, updatedAt: _changed, ...fields } = OFFER;
  const sentences = (part: Partial<Offer>) => {
    const read = offerFields.safeParse({ ...fields, ...part });
    return read.success ? [] : read.error.issues.map(({ path, message }) => [path.join('.'), message]);
  };

  it('refuses an option that excludes itself, or one that is not there', () => {
    expect(sentences({ options: [{ ...WITHOUT_CEILINGS, notWith: [A] }] })).toEqual([
      ['options.0.notWith', 'Without the ceilings is said not to go with itself: nobody could take it.'],
    ]);
    expect(sentences({ options: [{ ...WITHOUT_CEILINGS, notWith: [B] }] })[0]?.[1]).toMatch(/not there/);
  });

  it('refuses steps of payment that are not the whole, and sums of nothing', () => {
    const payments = [
      { name: 'Begin', share: 0.7 },
      { name: 'Done', share: 0.6 },
    ];
    expect(sentences({ payments })).toEqual([
      ['payments.1.share', 'The steps come to 130 %: together they are 100 %.'],
    ]);
    expect(sentences({ sums: [{ what: 'Plaster', amount: 0 }] })[0]?.[1]).toMatch(/more than nothing/);
  });

  it('has figures from when it is sent, and options taken only once it is accepted', () => {
    expect(sentences({ state: 'sent', sent: '2026-11-30' })[0]?.[0]).toBe('figures');
    const options = [{ ...WITHOUT_CEILINGS, notWith: [B] }, option(B, { elements: ['wall'] })];
    const sent = { sent: '2026-11-30', figures: figuresFor([]), options, taken: [A] };
    expect(sentences({ ...sent, state: 'sent' })).toEqual([
      ['taken', 'Only who accepts an offer takes options.'],
    ]);
    expect(sentences({ ...sent, state: 'accepted' })).toEqual([]);
    expect(sentences({ ...sent, state: 'accepted', taken: [A, B] })[0]?.[1]).toBe(
      'Without the ceilings and Option a2 do not go together.',
    );
  });
});

describe('an offer as CSV', () => {
  it('is read back as it was written, its price lines together what is before tax', () => {
    const offer: Offer = {
      ...OFFER,
      listedBy: 'surface',
      options: [WITHOUT_CEILINGS],
      sums: [{ what: '=Plaster, "old"', amount: 150 }],
      payments: [{ name: 'Done', share: 1 }],
    };
    const figures = figuresFor(offer.options);
    const lines = offerLines(offer, figures, job.name);
    const text = csvOf(offerSheet(lines, 'EUR'));
    expect(text).toContain('Amount (EUR)');
    const read = readOffer(new TextEncoder().encode(text));
    expect(read.ok && read.value).toEqual(lines);
    const of = (kinds: string[]) =>
      lines.filter(({ kind }) => kinds.includes(kind)).reduce((sum, { amount }) => sum + amount, 0);
    expect(of(['price', 'set aside'])).toBeCloseTo(of(['before tax']), 6);
    expect(of(['due'])).toBeCloseTo(of(['to pay']), 6);
    const broken = readOffer(new TextEncoder().encode('Line,Where,What,Amount (EUR)\nprize,,,x\n'));
    expect(broken.ok ? [] : broken.issues.map(({ column }) => column)).toEqual(['Line', 'Amount (EUR)']);
  });
});
