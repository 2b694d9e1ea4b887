import { RESOURCES } from '@fine-spray/contract';
import { firstSetup, requestFor, type Kit } from '@fine-spray/contract/planning';
import { setupCard } from '@fine-spray/core';
import { STORED } from '@fine-spray/contract/testing';
import { usualKit } from './usualKit';

/** The rows of a kit as a server has them. */
const rows = (resource: string) =>
  usualKit().flatMap((write) =>
    write.resource === resource && 'content' in write ? [{ id: write.id, ...STORED, ...write.content }] : [],
  );

describe('a kit to begin with', () => {
  it('is what the server takes', () => {
    for (const write of usualKit()) {
      if (!('content' in write)) throw new Error('only rows are made');
      const { version: _version, ...content } = write.content as { version: number };
      expect(RESOURCES[write.resource].fields.safeParse(content)).toMatchObject({ success: true });
    }
    expect(rows('coatings').length).toBeGreaterThan(5);
  });

  it('gives a wall its first answer', () => {
    const kit = {
      coatings: rows('coatings'),
      sprayers: rows('sprayers'),
      hoses: rows('hoses'),
      tips: [],
    } as unknown as Kit;
    const first = firstSetup(kit);
    if (!first) throw new Error('no set-up');
    const request = requestFor(first.surface, first.job, kit);
    const card = request && setupCard(request);
    if (!card?.ok) throw new Error(card?.message ?? 'no request');
    expect(card.value.gunPressure.start).toBeGreaterThan(0);
    expect(card.value.paint.value).toBeGreaterThan(0);
  });
});
