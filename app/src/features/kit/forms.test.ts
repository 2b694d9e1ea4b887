import { GEAR_KINDS, GEAR_NEEDS } from '@fine-spray/contract';
import { sentences } from '@/data/draft';
import { gearOfKind, KIT_FORMS, sprayerOfClass, type KitForm, type KitResource, type Values } from './forms';

/** What the form says of each field that cannot be stored. */
const problemsOf = ({ schema }: KitForm, values: Values) =>
  sentences(schema.safeParse(values).error?.issues ?? []);
import { SPRAYER_CLASS_DATA } from '@fine-spray/core';
import { hoseRow, sprayerRow } from '@/testing/rows';
import { rigMisfits } from './rig';

const RESOURCES = Object.keys(KIT_FORMS) as KitResource[];

describe('the forms of the kit', () => {
  it.each(RESOURCES)('of %s start with something that can be stored, and ask for all of it', (resource) => {
    const form = KIT_FORMS[resource];
    expect(problemsOf(form, form.first)).toEqual({});
    const asked = form.fields(form.first).map(({ name }) => name);
    const empty = Object.entries(form.first)
      .filter(([, value]) => value !== null)
      .map(([name]) => name);
    for (const name of empty) expect(asked).toContain(name);
  });

  it.each(GEAR_KINDS)('make a %s with what its kind needs and nothing else', (kind) => {
    const made = gearOfKind(kind, KIT_FORMS.gear.first);
    expect(problemsOf(KIT_FORMS.gear, made)).toEqual({});
    const given = ['maxPressure', 'fitting', 'mesh', 'length', 'seal', 'cup'].filter(
      (spec) => made[spec] !== null,
    );
    expect(given.sort()).toEqual([...GEAR_NEEDS[kind]].sort());
  });

  it('give a sprayer the limits of its class, but what was typed over those of the class before', () => {
    const mid = KIT_FORMS.sprayers.first;
    const large = { ...mid, ...sprayerOfClass('large', mid) };
    expect(large).toMatchObject({ sprayerClass: 'large', ...SPRAYER_CLASS_DATA.large });
    const typed = { ...mid, largestOrificeThou: 25 };
    expect({ ...typed, ...sprayerOfClass('small electric', typed) }).toMatchObject({
      ...SPRAYER_CLASS_DATA['small electric'],
      largestOrificeThou: 25,
    });
    // There and back it is as it was.
    expect({ ...large, ...sprayerOfClass('mid electric', large) }).toEqual(mid);
  });

  it('say at the field what cannot be', () => {
    const { hoses, tips } = KIT_FORMS;
    expect(problemsOf(hoses, { ...hoses.first, length: 4000 })['length']).toMatch(/between 0.3 and 150 m/);
    expect(problemsOf(tips, { ...tips.first, code: '9' })['code']).toBeTruthy();
  });
});

describe('the rows of a rig', () => {
  const rig = {
    sprayer: sprayerRow('s', 'Mid', 'mid electric'),
    hoses: [hoseRow('h', 'Quarter')],
    gear: [],
    tip: { family: 'standard', fan: 5, orificeThou: 17 },
    base: 'water',
    coatingMesh: 60,
    side: 'inside',
  } as const;

  it('go together as the core says', () => {
    expect(rigMisfits(rig, 60, 'metric')).toEqual([]);
    const codes = (extra: object) => rigMisfits({ ...rig, ...extra }, 60, 'metric').map(({ code }) => code);
    expect(codes({ hoses: [{ ...rig.hoses[0], fitting: '3/8' }] })).toEqual(['thread 0']);
    expect(codes({ sprayer: { ...rig.sprayer, waterOnly: true }, base: 'solvent' })).toContain('base');
  });
});
