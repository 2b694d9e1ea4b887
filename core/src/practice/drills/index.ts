import { seeded } from '../../random';
import { FILM_DRILLS } from './film';
import { MACHINE_DRILLS } from './machine';
import { PATTERN_DRILLS } from './patterns';
import { SITE_DRILLS } from './site';
import { TIP_DRILLS } from './tips';
import type { Draw, Skill } from './question';

export { SKILLS, SKILL_IDS, type Draw, type Question, type Scene, type Shown, type Skill } from './question';
export { sceneText } from './site';

const ALL: readonly Draw[] = [
  ...TIP_DRILLS,
  ...PATTERN_DRILLS,
  ...FILM_DRILLS,
  ...MACHINE_DRILLS,
  ...SITE_DRILLS,
];

/** Something that can be asked: its skill, and how a question of it is drawn. */
export interface Drill {
  readonly item: string;
  readonly skill: Skill;
  readonly draw: Draw;
}

let drills: readonly Drill[] | undefined;

/** Everything that can be asked, by item; each is asked with other numbers each time. */
export function allDrills(): readonly Drill[] {
  drills ??= ALL.map((draw, index) => {
    const { item, skill } = draw(seeded(index), 'metric');
    return { item, skill, draw };
  });
  return drills;
}
