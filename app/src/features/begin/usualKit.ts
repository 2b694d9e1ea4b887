import type { BatchWrite } from '@fine-spray/contract';
import { ARCHETYPE_IDS, archetypeOf } from '@fine-spray/core';
import { newId } from '@/data/newId';
import { KIT_FORMS, NEW_COATING } from '@/features/kit';

/** A kit to begin with: a usual sprayer with its hose, and every kind of water-borne coating with its working defaults. Which tips are owned nobody can guess. */
export function usualKit(): readonly BatchWrite[] {
  const write = (resource: BatchWrite['resource'], content: object): BatchWrite => ({
    resource,
    id: newId(),
    content: { ...content, version: 0 },
  });
  const coatings = ARCHETYPE_IDS.filter((id) => archetypeOf(id).base === 'water');
  return [
    write('sprayers', { ...KIT_FORMS.sprayers.first, name: 'Sprayer' }),
    write('hoses', { ...KIT_FORMS.hoses.first, name: 'Hose, 15 m' }),
    ...coatings.map((archetype) =>
      write('coatings', { ...NEW_COATING, name: archetypeOf(archetype).name, archetype }),
    ),
  ];
}
