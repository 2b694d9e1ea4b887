import { archetypeOf } from '../../coating';
import { searchSetups, type SetupSearch } from '../../setup';
import type { UnitSystem } from '../../units';
import { PRACTICE_PIECES, PRACTICE_PIECE_IDS, practiceRequest, type PracticePieceId } from '../pieces';
import { asked, pick, type Draw } from './question';

const known = new Map<string, SetupSearch>();

/** All tips worked out for a piece: once, since it takes a while. */
export function searchOf(id: PracticePieceId, system: UnitSystem): SetupSearch {
  const had = known.get(`${id} ${system}`);
  if (had) return had;
  const found = searchSetups(practiceRequest(id), system);
  if (!found.ok) throw new Error(`${id}: ${found.message}`);
  known.set(`${id} ${system}`, found.value);
  return found.value;
}

/** Which tip for a piece: the best one, among some that the core refuses there in every family. */
export const jobTip: Draw = (random, system) => {
  const id = pick(random, PRACTICE_PIECE_IDS);
  const { options, refused } = searchOf(id, system);
  const [best] = options;
  const sprayable = new Set(options.map(({ code }) => code));
  const wrong = refused.filter(({ code }) => !sprayable.has(code));
  if (!best || wrong.length < 3) return jobTip(random, system);
  const piece = PRACTICE_PIECES[id].name.toLowerCase();
  const coating = archetypeOf(practiceRequest(id).coating.archetype).name.toLowerCase();
  const taken = asked(
    random,
    {
      skill: 'fits',
      item: 'fits: the tip for a job',
      asks: `Which of these tips for this piece: ${piece}, ${coating}, a mid electric sprayer?`,
      because: [],
    },
    best.code,
    Array.from({ length: 12 }, () => pick(random, wrong).code),
  );
  const against = taken.options
    .filter((code) => code !== best.code)
    .flatMap((code) => wrong.find((one) => one.code === code) ?? [])
    .map(({ code, message }) => `${code}: ${message}`);
  return { ...taken, because: [`${best.code}: ${best.reason}.`, ...against] };
};
