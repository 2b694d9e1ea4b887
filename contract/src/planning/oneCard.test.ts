import {
  GUN_PASSAGE,
  coatingInput,
  dialInFor,
  fluidOf,
  lineForGun,
  of,
  orificeDiameter,
  quantity,
  readRecord,
  searchSetups,
  setupCard,
  showBeside,
  showText,
  tipMap,
  type DisplayKind,
  type SetupCard,
  type SetupRequest,
  type UnitSystem,
} from '@fine-spray/core';
import { coreLog } from '../log';
import { schemaOf, type Entry, type Job, type Surface } from '..';
import { STORED, demoCompany } from '../testing/demo';
import { layersOf, planHistory, requestFor, siteNow, type Kit, type SurfaceLayer } from '.';

const { kit: plain, jobs, entries: log } = demoCompany();
const coatings = plain.coatings;
const history = planHistory(readRecord(coreLog(log)));

interface Where {
  readonly surface: Surface;
  readonly job: Job;
  readonly layer: SurfaceLayer;
}
/** Every layer of every surface of the demo. */
const ALL: readonly Where[] = jobs.flatMap(({ job, surfaces }) =>
  surfaces.flatMap((surface) => layersOf(surface).map((layer) => ({ surface, job, layer }))),
);

function cardOf({ surface, job, layer }: Where, kit: Kit, system: UnitSystem = 'metric') {
  const request = requestFor(surface, job, kit, layer);
  const card = request && setupCard(request, system);
  if (!request || !card?.ok) throw new Error(`no card for ${surface.name}`);
  return { request, card: card.value };
}

/** The line of a card as the line's own screen and the dial-in work it out. */
function lineOf(request: SetupRequest, card: SetupCard, system: UnitSystem) {
  const { rheology } = fluidOf(request);
  const factor = rheology.highShearViscosity / coatingInput(request.coating, 'viscosityHighShear').value;
  const moved = (name: 'viscosityLowShear' | 'viscosityHighShear') => {
    const input = coatingInput(request.coating, name);
    return { ...input, value: input.value * factor, low: input.low * factor, high: input.high * factor };
  };
  return lineForGun(
    {
      ...{ hoses: request.hoses, gun: GUN_PASSAGE, height: request.lift },
      orifice: quantity(orificeDiameter(card.tip.candidate.tip)),
      maxFlow: request.sprayer.maxFlow,
      ...{ lowShear: moved('viscosityLowShear'), highShear: moved('viscosityHighShear') },
      density: coatingInput(request.coating, 'density'),
    },
    quantity(card.gunPressure.value),
    system,
  );
}

/** A set-up kept for a layer: even at so many bar at the gun. */
function dialledIn(where: Where, bar: number, part: Record<string, unknown> = {}): Entry {
  const { surface, job, layer } = where;
  const { card } = cardOf(where, plain);
  const { tip } = card.tip.candidate;
  return {
    ...STORED,
    ...{ id: `01930000-0000-7000-8000-${surface.id.slice(-12)}`, kind: 'set-up confirmed' },
    ...{ schema: schemaOf('set-up confirmed'), at: '2026-11-29T08:00:00.000Z', author: 'TO' },
    ...{ jobId: job.id, surfaceId: surface.id, replaces: null, clockSkew: null },
    payload: {
      ...{ coatingId: layer.coatingId, tip: { family: tip.family, code: card.tip.code }, tipId: null },
      ...{ sprayerId: job.sprayerId, hoseIds: job.hoseIds, thinning: 0, temperature: null },
      ...{ gun: of(bar, 'bar'), pump: of(bar + 30, 'bar'), expected: of(bar, 'bar') },
      ...{ certainty: 0.9, sure: true, cards: 4, width: null, setBy: 'gauge', knob: null },
      ...part,
    },
  };
}

describe.each(['metric', 'us'] as const)('one card in %s', (system) => {
  const text = (value: number, kind: DisplayKind) => showText(value, kind, system);
  const kits = [
    ['without history', () => plain],
    ['with history', (): Kit => ({ ...plain, history })],
    [
      'dialled in',
      (): Kit => ({
        ...plain,
        history,
        ...siteNow(
          ALL.map((where) => dialledIn(where, 65)),
          Date.parse('2026-11-29T09:00:00Z'),
        ),
      }),
    ],
  ] as const;

  it.each(kits)('has one pressure, pump, flow and first card wherever it is shown: %s', (name, kitOf) => {
    const kit = kitOf();
    expect(ALL.length).toBeGreaterThan(40);
    for (const where of ALL) {
      const { request, card } = cardOf(where, kit, system);
      const of_ = `${where.surface.name} ${where.layer.role}`;
      const { gunPressure: gun, pumpPressure: pump } = card;
      // The range on the card is the one its Why says.
      for (const one of [gun, pump]) {
        expect([of_, one.low, one.high]).toEqual([of_, one.start, one.stop]);
        expect(one.value).toBeGreaterThanOrEqual(one.start * (1 - 1e-9));
        expect(one.value).toBeLessThanOrEqual(one.stop * (1 + 1e-9));
      }
      const line = lineOf(request, card, system);
      if (line.ok) {
        expect([of_, text(line.value.flow.value, 'flow')]).toEqual([of_, text(card.flow.value, 'flow')]);
        if (name !== 'dialled in')
          expect([of_, text(line.value.pump.value, 'pressure')]).toEqual([of_, text(pump.value, 'pressure')]);
      }
      const first = dialInFor(card.tip.candidate, request, {}, system).range.start;
      const [shown, beside] = [text(first, 'pressure'), showBeside(first, 'pressure', system)];
      if (name === 'dialled in') {
        expect([of_, card.dialledIn?.state]).toEqual([of_, 'used']);
        expect([of_, gun.value, gun.basis]).toEqual([of_, of(65, 'bar'), 'measured']);
        expect([of_, pump.value]).toEqual([of_, of(95, 'bar')]);
      } else {
        expect(card).not.toHaveProperty('dialledIn');
        // The dial-in begins at what the card says, in the same numbers in both units.
        expect([of_, shown, beside]).toEqual([
          of_,
          text(gun.start, 'pressure'),
          showBeside(gun.start, 'pressure', system),
        ]);
      }
      // The map has the card's tip at the card's pressure before anything is measured.
      const search = searchSetups(request, system);
      if (!search.ok) throw new Error(search.message);
      const map = tipMap(search.value, card.tip.candidate.tip.family);
      const cell = map.cell(card.tip.candidate.tip.fan, card.tip.candidate.tip.orificeThou);
      if (cell?.option && name !== 'dialled in')
        expect(text(cell.option.candidate.gunPressure, 'pressure')).toBe(text(gun.value, 'pressure'));
    }
  });
});

describe('what was dialled in', () => {
  const where = ALL.find(
    ({ layer, surface }) => layer.role === 'finish' && surface.element === 'wall',
  ) as Where;
  const now = (entries: readonly Entry[]): Kit => ({
    ...plain,
    ...siteNow(entries, Date.parse('2026-12-24T00:00:00Z')),
  });
  const withLimit = (bar: number, kit: Kit): Kit => ({
    ...kit,
    sprayers: kit.sprayers.map((one) => ({ ...one, maxPressure: of(bar, 'bar') })),
  });

  it('yields to a sprayer that is set lower, and says so', () => {
    // 175 bar at the pump, and the sprayer set to 150 since
    const kit = now([dialledIn(where, 145)]);
    expect(cardOf(where, kit).card.dialledIn).toMatchObject({ state: 'used', pump: of(175, 'bar') });
    // The same tip, fitted by hand: the search may want another for a weaker machine.
    const { tip } = cardOf(where, plain).card;
    const layer = { ...where.layer, tip: { family: tip.candidate.tip.family, code: tip.code } };
    const fitted = { ...where, layer };
    const { card } = cardOf(fitted, withLimit(150, kit));
    expect(card.dialledIn?.state).toBe('over the limit');
    expect(card.pumpPressure.stop).toBeLessThanOrEqual(of(150, 'bar') * (1 + 1e-9));
    expect(card.pumpPressure).toEqual(cardOf(fitted, withLimit(150, plain)).card.pumpPressure);
  });

  it('does not hold where the cards did not agree, with another tip or coating, or on another surface', () => {
    const unsure = now([dialledIn(where, 100, { sure: false })]);
    expect(cardOf(where, unsure).card.dialledIn?.state).toBe('unsure');
    expect(cardOf(where, unsure).card.gunPressure).toEqual(cardOf(where, plain).card.gunPressure);
    const other = ALL.find(({ surface }) => surface.id !== where.surface.id) as Where;
    expect(cardOf(other, now([dialledIn(where, 100)])).card).not.toHaveProperty('dialledIn');
    const coating = coatings.find(({ id }) => id !== where.layer.coatingId)?.id;
    expect(cardOf(where, now([dialledIn(where, 100, { coatingId: coating })])).card).not.toHaveProperty(
      'dialledIn',
    );
    // Another tip chosen by hand; one that this machine cannot drive
    const layer = { ...where.layer, tip: { family: 'standard' as const, code: '515' } };
    expect(cardOf({ ...where, layer }, now([dialledIn(where, 100)])).card).not.toHaveProperty('dialledIn');
    const huge = { family: 'standard', code: '461' };
    expect(cardOf(where, now([dialledIn(where, 100, { tip: huge })])).card).not.toHaveProperty('dialledIn');
  });

  it('keeps its pressure at the gun with another hose; what the pump needs for it is worked out', () => {
    const { card } = cardOf(where, now([dialledIn(where, 100, { hoseIds: [] })]));
    expect(card.gunPressure.value).toBe(of(100, 'bar'));
    expect(card.pumpPressure.value).not.toBe(of(130, 'bar'));
    const line = lineOf(cardOf(where, plain).request, card, 'metric');
    expect(line.ok && line.value.pump.value).toBeCloseTo(card.pumpPressure.value, 0);
  });

  it('keeps its tip, whatever the search would take since', () => {
    const [second] = cardOf(where, plain).card.nextBest;
    if (!second) throw new Error('no second');
    const tip = { family: second.candidate.tip.family, code: second.code };
    const { card } = cardOf(where, now([dialledIn(where, 100, { tip })]));
    expect([card.tip.code, card.gunPressure.value]).toEqual([second.code, of(100, 'bar')]);
    expect(card.chosen).toBe(false);
  });

  it('is the last one', () => {
    const later = {
      ...dialledIn(where, 90),
      id: '01930000-0000-7000-8000-0000000000ff',
      at: '2026-11-29T10:00:00.000Z',
    };
    for (const entries of [
      [dialledIn(where, 100), later],
      [later, dialledIn(where, 100)],
    ])
      expect(cardOf(where, now(entries)).card.gunPressure.value).toBe(of(90, 'bar'));
  });
});
