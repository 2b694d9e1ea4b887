import { setupCard } from '../setup';
import { wallRequest } from '../testing';
import { wallFilm } from '../wallFilm';
import { cardTried, triedOf, workSays } from '.';

const coats = (element: 'wall' | 'ceiling' | 'door', ratios: readonly number[]) =>
  ratios.map((ratio) => ({ element, wet: ratio * 1e-4, wanted: 1e-4 }));

describe('what the work of a crew says to practise', () => {
  it('names the piece that is farthest off first, and why', () => {
    const says = workSays([...coats('wall', [1.2, 1.25, 1.15]), ...coats('ceiling', [0.7, 0.75, 0.65, 0.7])]);
    expect(says.pieces).toEqual(['ceiling', 'wall']);
    expect(says.because[0]).toBe(
      'Ceiling: your film is thin, 70 % of what was wanted over 4 coats. Practise a slower gun and an even lap.',
    );
    expect(says.because[1]).toMatch(/^Wall: your film is thick, 120 %/);
  });

  it('says nothing of a few coats, nor of a hand that is right', () => {
    expect(workSays(coats('wall', [0.5, 0.5]))).toEqual({ pieces: [], skills: [], because: [] });
    expect(workSays(coats('door', [0.95, 1.02, 1.05, 0.98])).because).toEqual([]);
    expect(workSays([{ element: 'wall', wet: 0, wanted: 0 }]).because).toEqual([]);
  });

  it('names a hand that changes from coat to coat', () => {
    expect(workSays(coats('door', [0.7, 1.3, 1.0, 1.05])).because[0]).toMatch(
      /changes from coat to coat by 2\d %/,
    );
  });
});

describe('a card tried in another way', () => {
  const request = wallRequest();
  const made = setupCard(request);
  if (!made.ok) throw new Error(made.message);
  const card = made.value;
  const own = triedOf(card);
  const film = (tried: typeof own) => {
    const wall = wallFilm(request, cardTried(card, tried));
    if (!wall.ok) throw new Error(wall.message);
    return wall.value;
  };

  it('is the card itself as long as nothing is changed', () => {
    expect(cardTried(card, own)).toEqual(card);
  });

  it('has more passes with more lap, a wider fan from further away, and wants the same film', () => {
    const passes = (tried: typeof own) => film(tried).plan.passes.length;
    expect(passes({ ...own, overlap: 0.66 })).toBeGreaterThan(passes(own));
    expect(passes({ ...own, distance: 1.5 * own.distance })).toBeLessThan(passes(own));
    expect(film({ ...own, gunSpeed: 2 * own.gunSpeed }).job.limits).toEqual(film(own).job.limits);
  });
});
