import { readRecord } from '@fine-spray/core/record';
import { schemaOf, type Entry } from '../entry';
import { demoCompany } from '../testing/demo';
import { coreLog } from './coreLog';
import { compareProducts, productsOn, trialsOf, triedOn } from './trials';

const demo = demoCompany();
const record = readRecord(coreLog(demo.entries));
const [element = 'wall'] = triedOn(record, demo.entries);
const products = productsOn(record, demo.entries, element);

describe('products tried against each other, by the demo', () => {
  it('are those of the kind of surface, the most often tried first', () => {
    expect(products.length).toBeGreaterThan(1);
    const coats = products.map((one) => trialsOf(record, demo.entries, one, element).coats);
    expect(coats).toEqual([...coats].sort((a, b) => b - a));
    const finished = record.coats.filter((one) => one.finished?.element === element).length;
    expect(coats.reduce((sum, one) => sum + one, 0)).toBe(finished);
  });

  it('have the paint of each coat as it is sold, over its area', () => {
    const [first = ''] = products;
    const { measured } = trialsOf(record, demo.entries, first, element);
    const own = record.coats.filter(
      (one) => one.coating === first && one.finished?.element === element && one.volume > 0,
    );
    expect(measured.litres).toEqual(
      own.map((one) => one.volume / (1 + one.thinner) / (one.finished?.trueArea ?? NaN)),
    );
    for (const one of measured.litres) expect(one).toBeGreaterThan(5e-5);
    for (const one of measured.film) expect(one).toBeGreaterThan(3e-5);
    // Coats of a surface, not coats of all.
    expect(measured.coats.reduce((sum, one) => sum + one, 0)).toBe(
      record.coats.filter((one) => one.coating === first && one.finished?.element === element).length,
    );
  });

  it('are compared in everything, and refused where there is one trial', () => {
    const [first = '', second = ''] = products;
    const { measured, judged } = compareProducts(
      trialsOf(record, demo.entries, first, element),
      trialsOf(record, demo.entries, second, element),
    );
    expect(measured.map(({ of }) => of)).toEqual(['litres', 'coats', 'pressure', 'film', 'time']);
    // By hand: laps 1.67 of three against 3 of three, t(4) · s = 0.94. Touch-up is of two and three: t(1) leaves it open.
    expect(judged.map(({ of, compared }) => [of, compared.ok && compared.value.less])).toEqual([
      ...[['mist', undefined] as const, ['cover', undefined] as const, ['laps', 'first'] as const],
      // Spatter was judged of one of them alone.
      ...[['spatter', false] as const, ['touchUp', undefined] as const, ['look', undefined] as const],
    ]);
  });

  it('are judged by hand on their kind of surface alone', () => {
    const at = '2026-11-30T10:00:00.000Z';
    const judgement = (index: number, of: string, on: string, scores: object): Entry => ({
      ...{
        id: `01930000-0000-7000-8000-00000000ff0${index}`,
        kind: 'trial',
        schema: schemaOf('trial'),
        at,
        author: 'TO',
      },
      ...{
        jobId: null,
        surfaceId: null,
        replaces: null,
        version: 1,
        clockSkew: null,
        createdAt: at,
        updatedAt: at,
      },
      payload: { coatingId: of, element: on, tipId: null, sprayerId: null, scores, words: '' },
    });
    const [first = '', second = ''] = products;
    const entries = [
      judgement(1, first, element, { mist: 1, look: 2 }),
      judgement(2, first, element, { mist: 2 }),
      judgement(3, second, element, { mist: 4 }),
      judgement(4, second, element, { mist: 5 }),
      judgement(5, second, 'open-fence', { mist: 1 }),
    ];
    const of = (coating: string) => trialsOf(record, entries, coating, element);
    expect(of(first).judged).toMatchObject({ mist: [1, 2], look: [2], cover: [] });
    const mist = compareProducts(of(first), of(second)).judged.find((one) => one.of === 'mist');
    expect(mist?.compared).toMatchObject({
      ok: true,
      value: { first: { mean: 1.5 }, second: { mean: 4.5 }, less: 'first' },
    });
    expect(triedOn(record, entries)).toContain('open-fence');
    expect(productsOn(record, entries, 'open-fence')).toContain(second);
  });
});
