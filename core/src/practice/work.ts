import { ELEMENT_DATA, type Element } from '../takeoff';
import { capital } from '../units';
import type { Skill } from './drills';
import { PRACTICE_PIECES, PRACTICE_PIECE_IDS, type PracticePieceId } from './pieces';

/** A coat that was combed, beside what was wanted of it, m. */
export interface FilmRead {
  readonly element: Element;
  readonly wet: number;
  readonly wanted: number;
}

/** What the work of a crew says to practise. */
export interface WorkSays {
  readonly pieces: readonly PracticePieceId[];
  readonly skills: readonly Skill[];
  /** Why, a sentence for each kind of piece. */
  readonly because: readonly string[];
}

/** Fewer coats say nothing of a hand. */
const LEAST = 3;
/** From so far off on a film is worth practising; the same as a comb calls thin or thick. And a spread from coat to coat that is no even hand. */
const OFF = 0.12;
const SPREAD = 0.2;

const pieceFor = (element: Element): PracticePieceId =>
  PRACTICE_PIECE_IDS.find(
    (id) => PRACTICE_PIECES[id].element === element && PRACTICE_PIECES[id].side === 'inside',
  ) ??
  PRACTICE_PIECE_IDS.find((id) => PRACTICE_PIECES[id].element === element) ??
  'wall';

/** Chooses what to practise by combs against plan, kind of piece by kind of piece, the farthest off first. */
export function workSays(reads: readonly FilmRead[]): WorkSays {
  const of = new Map<Element, number[]>();
  for (const { element, wet, wanted } of reads) {
    if (!(wet > 0 && wanted > 0)) continue;
    of.set(element, [...(of.get(element) ?? []), wet / wanted]);
  }
  const found = [...of].flatMap(([element, ratios]) => {
    if (ratios.length < LEAST) return [];
    const mean = ratios.reduce((sum, one) => sum + one, 0) / ratios.length;
    const spread = Math.sqrt(ratios.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (ratios.length - 1));
    const off = Math.abs(mean - 1);
    if (off < OFF && spread < SPREAD) return [];
    const name = ELEMENT_DATA[element].name.toLowerCase();
    const percent = Math.round(mean * 100);
    const sentence =
      off >= OFF
        ? `${capital(name)}: your film is ${mean < 1 ? 'thin' : 'thick'}, ${percent} % of what was wanted over ${ratios.length} coats. Practise ${mean < 1 ? 'a slower gun and an even lap' : 'a faster gun'}.`
        : `${capital(name)}: your film changes from coat to coat by ${Math.round(spread * 100)} %. Practise one speed.`;
    return [{ element, worth: Math.max(off, spread), sentence }];
  });
  found.sort((a, b) => b.worth - a.worth);
  return {
    pieces: [...new Set(found.map(({ element }) => pieceFor(element)))],
    skills: found.length > 0 ? ['comb'] : [],
    because: found.map(({ sentence }) => sentence),
  };
}
