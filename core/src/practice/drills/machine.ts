import {
  FLUIDS,
  FLUID_IDS,
  brokenBy,
  flushSequence,
  heldBackBy,
  mayMeet,
  shutDown,
  startUp,
  type Fluid,
  type Machine,
  type MachineSite,
  type Procedure,
  type ProcedureStep,
  type Rule,
} from '../../procedure';
import type { Random } from '../../random';
import { capital } from '../../units';
import { sealFor } from '../../tip';
import { asked, pick, type Draw } from './question';

const SITE = { power: 'electric', side: 'inside', waterOnly: false, hardener: 'none' } as const;

interface Listed {
  readonly name: string;
  readonly list: Procedure;
  readonly rig: MachineSite;
}

/** The lists that are asked about: start up after storage and before the next coating, and shut down. */
function lists(): readonly Listed[] {
  return (['water', 'solvent'] as const).flatMap((base) => {
    const paint = base === 'water' ? 'water paint' : 'solvent paint';
    const rig: MachineSite = { power: SITE.power, side: SITE.side, paint };
    const start = startUp({
      ...SITE,
      base,
      holds: 'storage',
      sameCoating: false,
      tipCode: '515',
      mesh: 60,
      seal: sealFor('standard', base),
    });
    const stop = shutDown({ ...SITE, base, until: 'stored' });
    return [
      ...(start.ok
        ? [{ name: `Start up after storage, for a ${base}-borne coating`, list: start.value, rig }]
        : []),
      ...(stop.ok
        ? [{ name: `Shut down with a ${base}-borne coating, to be stored`, list: stop.value, rig }]
        : []),
    ];
  });
}

let known: readonly Listed[] | undefined;
export const machineLists = (): readonly Listed[] => (known ??= lists());

const next =
  (kind: 'start-up' | 'shut-down'): Draw =>
  (random) => {
    const { name, list } = pick(
      random,
      machineLists().filter(({ list: { kind: one } }) => one === kind),
    );
    for (;;) {
      const at = 1 + Math.floor(random() * (list.steps.length - 4));
      const done = list.steps.slice(0, at).map(({ id }) => id);
      const step = list.steps[at];
      const before = list.steps[at - 1];
      const held = list.steps.slice(at + 1).filter(({ id }) => heldBackBy(list, done, id));
      if (!step || !before || held.length < 3) continue;
      const texts = new Set(list.steps.slice(0, at + 1).map(({ what }) => what));
      return asked(
        random,
        {
          skill: 'order',
          item: `next: ${kind}`,
          asks: `${name}. Done last: “${before.what}” What may be done now?`,
          because: [step.why],
        },
        step.what,
        held.map(({ what }) => what).filter((what) => !texts.has(what)),
      );
    }
  };

/** What the actions of a step break, done on a machine as it stands; nothing where they may be done. */
export function breaks(step: ProcedureStep, machine: Machine, rig: MachineSite): Rule | undefined {
  let now = machine;
  for (const { change } of step.does) {
    const after = { ...now, ...change(now, rig) };
    const rule = brokenBy(now, after, rig);
    if (rule) return rule;
    now = after;
  }
  return undefined;
}

/** Rules whose breaking hurts somebody; others ruin paint or pump. */
const HURTS = ['hands', 'aim', 'wear', 'power', 'tubes', 'return', 'burns', 'held before the feed'];

const dangerous: Draw = (random) => {
  for (;;) {
    const { list, rig } = pick(random, machineLists());
    const at = 2 + Math.floor(random() * (list.steps.length - 4));
    const machine = list.steps[at - 1]?.state;
    const before = list.steps[at - 1];
    if (!machine || !before) continue;
    const judged = list.steps.map((step) => ({ step, rule: breaks(step, machine, rig) }));
    const bad = judged.filter(({ rule }) => rule && HURTS.includes(rule.code));
    const fine = judged.filter(({ rule }) => !rule).map(({ step }) => step.what);
    const danger = bad.length > 0 ? pick(random, bad) : undefined;
    if (!danger?.rule || new Set(fine).size < 3 || fine.includes(danger.step.what)) continue;
    return asked(
      random,
      {
        skill: 'order',
        item: 'the dangerous one',
        asks: `Just done: “${before.what}” One of these would be dangerous now. Which?`,
        because: [danger.rule.why],
      },
      danger.step.what,
      fine,
    );
  }
};

const wayText = (way: readonly Fluid[]): string =>
  way.length === 0
    ? 'Nothing: straight on'
    : way.map((fluid) => FLUIDS[fluid].name.toLowerCase()).join(', then ');

/** Ways that somebody might think of, one to three fluids long. */
function ways(): readonly (readonly Fluid[])[] {
  const flushing = FLUID_IDS.filter((fluid) => FLUIDS[fluid].flushes);
  const two = flushing.flatMap((a) => flushing.filter((b) => b !== a).map((b) => [a, b]));
  const three = two.flatMap((way) => flushing.filter((c) => !way.includes(c)).map((c) => [...way, c]));
  return [[], ...flushing.map((a) => [a]), ...two, ...three];
}

/** Whether each fluid of a way meets only what it mixes with. */
const mixes = (from: Fluid, way: readonly Fluid[], to: Fluid): boolean =>
  [from, ...way, to].every((fluid, index, all) => index === 0 || mayMeet(all[index - 1] ?? fluid, fluid));

const PAIRS: readonly (readonly [Fluid, Exclude<Fluid, 'unknown'>])[] = [
  ['water paint', 'solvent paint'],
  ['solvent paint', 'water paint'],
  ['storage', 'water paint'],
  ['storage', 'solvent paint'],
  ['water paint', 'water paint'],
  ['solvent paint', 'storage'],
  ['unknown', 'water paint'],
];

const flush =
  ([from, to]: (typeof PAIRS)[number]): Draw =>
  (random: Random) => {
    const right = flushSequence(from, to);
    const curds = ways().filter((way) => !mixes(from, way, to));
    const longer = ways().filter((way) => way.length > right.length && mixes(from, way, to));
    const where = from === to ? 'another colour of it comes' : `${FLUIDS[to].name.toLowerCase()} comes`;
    return asked(
      random,
      {
        skill: 'flush',
        item: `flush: ${from} to ${to}`,
        asks: `${from === 'unknown' ? 'Nobody knows what is in the machine' : `In the machine: ${FLUIDS[from].name.toLowerCase()}`}; next ${where}. What is the least that has to go through between them?`,
        because: [
          `${capital(wayText(right))}.`,
          right.length > 1
            ? 'What does not mix turns to curds in pump and hose: each fluid meets only what it mixes with.'
            : 'Each fluid meets only what it mixes with, and no more goes through than has to.',
        ],
      },
      capital(wayText(right)),
      [...curds.slice(0, 6), ...longer.slice(0, 1), []].map((way) => capital(wayText(way))),
    );
  };

export const MACHINE_DRILLS: readonly Draw[] = [
  next('start-up'),
  next('shut-down'),
  dangerous,
  ...PAIRS.map(flush),
];
