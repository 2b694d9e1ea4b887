import { FITS, searchSetups, tipMap } from '.';
import { wallRequest } from '../testing';
import { TIP_FAMILIES } from '../tip';

const found = searchSetups(wallRequest());
if (!found.ok) throw new Error(found.message);
const search = found.value;

describe('the tip map', () => {
  it('has every tip of a family in its place, fitting or refused, with a reason', () => {
    for (const family of TIP_FAMILIES) {
      const map = tipMap(search, family);
      expect(map.fans).toEqual([...map.fans].sort((a, b) => a - b));
      for (const fan of map.fans)
        for (const orifice of map.orifices) {
          const cell = map.cell(fan, orifice);
          if (!cell) continue;
          expect([cell.tip.fan, cell.tip.orificeThou, cell.tip.family]).toEqual([fan, orifice, family]);
          expect(FITS).toContain(cell.fit);
          expect(cell.reason.length).toBeGreaterThan(5);
          expect(cell.fit === 'refused').toBe(cell.option === undefined);
        }
    }
  });

  it('has one best tip over all families, the first of the search, and falls from there', () => {
    const cells = TIP_FAMILIES.flatMap((family) => {
      const map = tipMap(search, family);
      return map.fans.flatMap((fan) => map.orifices.flatMap((orifice) => map.cell(fan, orifice) ?? []));
    });
    const best = cells.filter(({ fit }) => fit === 'best');
    expect(best.map(({ code }) => code)).toEqual([search.options[0]?.code]);
    const worst = (fit: string) =>
      Math.min(...cells.filter((one) => one.fit === fit).map(({ share }) => share));
    const top = (fit: string) =>
      Math.max(...cells.filter((one) => one.fit === fit).map(({ share }) => share));
    expect(worst('good')).toBeGreaterThan(top('fair'));
    expect(worst('fair')).toBeGreaterThan(top('poor'));
    expect(cells.filter(({ fit }) => fit !== 'refused')).toHaveLength(search.options.length);
  });

  it('shows the limits: the first refused orifice beside the last that fits, and no further', () => {
    const map = tipMap(search, 'standard');
    const fits = (orifice: number) => map.fans.some((fan) => map.cell(fan, orifice)?.fit !== 'refused');
    expect(fits(map.orifices[map.orifices.length - 1] ?? 0)).toBe(false);
    expect(fits(map.orifices[map.orifices.length - 2] ?? 0)).toBe(true);
  });

  it('shows all of a family of which nothing fits', () => {
    const none = {
      options: [],
      refused: search.refused.concat(
        search.options.map(({ candidate: { tip }, code }) => ({
          tip,
          code,
          why: 'x',
          message: 'Not with this pump.',
        })),
      ),
    };
    expect(tipMap(none, 'standard').orifices.length).toBeGreaterThan(10);
    expect(tipMap({ options: [], refused: [] }, 'wide').fans).toEqual([]);
  });
});
