import { USUAL_BOOK } from '@fine-spray/contract';
import { coreLog } from '@fine-spray/contract/log';
import {
  layersOf,
  planHistory,
  plannedCoats,
  requestFor,
  siteNow,
  type Kit,
} from '@fine-spray/contract/planning';
import { demoCompany } from '@fine-spray/contract/testing';
import { readRecord, setupCard, showRange, type UnitSystem } from '@fine-spray/core';
import { cardSheet } from './card/cardSheet';
import { setUpNumbers } from './compare/setUps';
import { cardsOf } from './log/cards';

const { kit: plain, jobs, entries: log } = demoCompany();
const last = log.at(-1);
const now = { ...plain, ...siteNow(log, Date.parse(last?.at ?? '')) };
const history = planHistory(readRecord(coreLog(log)));

/** Every way the kit is used: before the log says anything, as it stands, and with what it has taught. */
const KITS: readonly (readonly [string, Kit])[] = [
  ['before a dial-in', plain],
  ['after one', now],
  ['with history', { ...now, history }],
];

describe.each(KITS)('every place shows the numbers of one card: %s', (_name, kit) => {
  it.each(['metric', 'us'] as const)('in %s', (system: UnitSystem) => {
    let dialledIn = 0;
    for (const { job, surfaces } of jobs) {
      for (const surface of surfaces) {
        const forms = cardsOf(surface, job, kit, system);
        const coats = plannedCoats([surface], job, kit);
        for (const layer of layersOf(surface)) {
          const request = requestFor(surface, job, kit, layer);
          const made = request && setupCard(request, system);
          if (!request || !made?.ok) throw new Error(`no card for ${surface.name}`);
          const card = made.value;
          const of = `${surface.name} ${layer.role}`;
          const { gunPressure: gun, pumpPressure: pump } = card;
          const [shownGun, shownPump] = [gun, pump].map(({ start, stop }) =>
            showRange(start, stop, 'pressure', system),
          );
          if (card.dialledIn?.state === 'used') dialledIn += 1;
          // The printed card
          const say = { surface: '', job: '', coating: '', precedence: '' };
          const sheet = cardSheet(card, say, system);
          expect([of, sheet.includes(`>${shownGun}<`), sheet.includes(`>${shownPump}<`)]).toEqual([
            of,
            true,
            true,
          ]);
          // Side by side
          const beside = setUpNumbers(card, USUAL_BOOK, system).find(({ name }) =>
            name.startsWith('Gun pressure'),
          );
          expect([of, shownGun?.startsWith(beside?.text ?? '?')]).toEqual([of, true]);
          // The forms for its coats
          const own = coats.filter(({ coating }) => coating === layer.coatingId);
          const inForm = own.map(({ coating, coat }) => forms({ coatingId: coating, coat }));
          const sameLayer =
            layersOf(surface).filter(({ coatingId }) => coatingId === layer.coatingId).length === 1;
          if (sameLayer)
            for (const one of inForm)
              expect([of, one?.tip.code, one?.gunSpeed.value, one?.gunPressure.value]).toEqual([
                of,
                card.tip.code,
                card.gunSpeed.value,
                gun.value,
              ]);
        }
      }
    }
    expect(dialledIn > 0).toBe(kit !== plain);
  });
});
