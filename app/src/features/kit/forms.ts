import {
  CUP_CHOICES,
  GEAR_KINDS,
  GEAR_NEEDS,
  OWN_CUP,
  gearFields,
  hoseFields,
  sprayerFields,
  tipFields,
  type CoatingFields,
  type GearFields,
} from '@fine-spray/contract';
import {
  CUPS,
  FITTINGS,
  POWERS,
  SEALS,
  SPRAYER_CLASSES,
  SPRAYER_CLASS_DATA,
  TIP_FAMILIES,
  of,
  type DisplayKind,
  type SprayerClass,
} from '@fine-spray/core';
import type { z } from 'zod';

export type KitResource = 'sprayers' | 'hoses' | 'tips' | 'gear';
export type Values = Readonly<Record<string, unknown>>;

/** One field of a form of the kit: how it is asked for. */
export type FormField =
  | {
      readonly name: string;
      readonly label: string;
      readonly as: 'text' | 'note' | 'yes' | 'whole' | 'price' | 'tip' | 'marks';
    }
  | {
      readonly name: string;
      readonly label: string;
      readonly as: 'quantity';
      readonly kind: DisplayKind;
      readonly bounds: { readonly min: number; readonly max: number };
    }
  | {
      readonly name: string;
      readonly label: string;
      readonly as: 'choice';
      readonly options: readonly { readonly value: string; readonly label: string }[];
    };

export interface KitForm {
  readonly one: string;
  readonly schema: z.ZodType<object>;
  readonly fields: (values: Values) => readonly FormField[];
  readonly first: Values;
  readonly nameOf: (values: Values) => string;
}

const same = (values: readonly string[]) => values.map((value) => ({ value, label: value }));
const PRESSURE = { min: 5e6, max: 7e7 } as const;
const thread: FormField = {
  name: 'fitting',
  label: 'Thread, in',
  as: 'choice',
  options: FITTINGS.map((value) => ({ value, label: `${value} in` })),
};
const MESHES = [16, 30, 60, 100];
/** A mesh chosen as text; the row has a number, or none. */
const meshField = (name: string, label: string): FormField => ({
  name,
  label,
  as: 'choice',
  options: [
    { value: '', label: 'None' },
    ...MESHES.map((mesh) => ({ value: String(mesh), label: `${mesh} mesh` })),
  ],
});

const GEAR_FIELDS: Readonly<Record<string, FormField>> = {
  maxPressure: {
    name: 'maxPressure',
    label: 'Rated for',
    as: 'quantity',
    kind: 'pressure',
    bounds: PRESSURE,
  },
  fitting: thread,
  mesh: meshField('mesh', 'Filter mesh'),
  length: { name: 'length', label: 'Length', as: 'quantity', kind: 'size', bounds: { min: 0.05, max: 5 } },
  seal: {
    name: 'seal',
    label: 'Seat it fits',
    as: 'choice',
    options: Object.entries(SEALS).map(([value, label]) => ({ value, label })),
  },
  cup: {
    name: 'cup',
    label: 'Cup, by its standard',
    as: 'choice',
    options: CUP_CHOICES.map((value) => ({
      value,
      label: value === OWN_CUP ? 'Own cup, seconds only' : CUPS[value].name,
    })),
  },
};

/** What a piece of gear starts with for its kind; what the kind does not have is empty. */
export function gearOfKind(kind: GearFields['kind'], values: Values): Values {
  const usual: Values = {
    maxPressure: of(250, 'bar'),
    fitting: '1/4',
    mesh: 60,
    length: 0.5,
    seal: 'plain',
    cup: 'dip-4',
  };
  const needs: readonly string[] = GEAR_NEEDS[kind];
  const specs = Object.keys(usual).map((name) => [
    name,
    needs.includes(name) ? (values[name] ?? usual[name]) : null,
  ]);
  return { ...values, kind, ...(Object.fromEntries(specs) as Values) };
}

/** A sprayer of another class: its limits are those of the class, but for what was typed over those of the class before. */
export function sprayerOfClass(next: SprayerClass, values: Values): Values {
  const before = SPRAYER_CLASSES.find((one) => one === values['sprayerClass']);
  const was: Values = before ? { ...SPRAYER_CLASS_DATA[before] } : {};
  const limits = Object.entries(SPRAYER_CLASS_DATA[next]).filter(([name]) => values[name] === was[name]);
  return { sprayerClass: next, ...(Object.fromEntries(limits) as Values) };
}

/** What tells the pressure of a sprayer, as it is asked for. */
export const READOUT_CHOICES = [
  { value: 'knob', label: 'Knob without figures' },
  { value: 'display', label: 'The pump shows its pressure' },
] as const;

/** Names of marks many crews have, lowest first. */
export const USUAL_MARKS: Readonly<Record<string, readonly string[]>> = {
  Quarters: ['lowest', 'a quarter', 'half', 'three quarters', 'full'],
  Clock: ["7 o'clock", "9 o'clock", "11 o'clock", "1 o'clock", "3 o'clock", "5 o'clock"],
  Turns: ['1 turn', '2 turns', '3 turns', '4 turns', '5 turns'],
};

/** The forms of the kit by resource. Values are SI, as the row has them. */
export const KIT_FORMS: Readonly<Record<KitResource, KitForm>> = {
  sprayers: {
    one: 'Sprayer',
    schema: sprayerFields,
    nameOf: ({ name }) => String(name),
    first: {
      name: 'New sprayer',
      sprayerClass: 'mid electric',
      ...SPRAYER_CLASS_DATA['mid electric'],
      power: 'electric',
      outlet: '1/4',
      inletMesh: 30,
      manifoldMesh: 60,
      cord: 5,
      readout: 'knob',
      knobMarks: [],
    },
    fields: (values) => [
      { name: 'name', label: 'Name', as: 'text' },
      { name: 'sprayerClass', label: 'Class', as: 'choice', options: same(SPRAYER_CLASSES) },
      {
        name: 'maxPressure',
        label: 'Highest pressure',
        as: 'quantity',
        kind: 'pressure',
        bounds: { min: 1e6, max: 5e7 },
      },
      {
        name: 'maxFlow',
        label: 'Highest flow',
        as: 'quantity',
        kind: 'flow',
        bounds: { min: 1e-6, max: 1e-3 },
      },
      { name: 'largestOrificeThou', label: 'Largest orifice, thou', as: 'whole' },
      { name: 'waterOnly', label: 'Water-borne coatings only', as: 'yes' },
      { name: 'power', label: 'Power', as: 'choice', options: same(POWERS) },
      { ...thread, name: 'outlet', label: 'Hose outlet, in' },
      meshField('inletMesh', 'Inlet strainer'),
      meshField('manifoldMesh', 'Manifold filter'),
      { name: 'cord', label: 'Cord', as: 'quantity', kind: 'hoseLength', bounds: { min: 0, max: 100 } },
      {
        name: 'readout',
        label: 'How its pressure is set',
        as: 'choice',
        options: READOUT_CHOICES,
      },
      ...(values['readout'] === 'knob'
        ? [{ name: 'knobMarks', label: 'Marks of the knob, lowest first', as: 'marks' } as const]
        : []),
    ],
  },
  hoses: {
    one: 'Hose',
    schema: hoseFields,
    nameOf: ({ name }) => String(name),
    first: {
      name: 'New hose',
      length: 15,
      bore: of(1 / 4, 'in'),
      maxPressure: of(250, 'bar'),
      fitting: '1/4',
    },
    fields: () => [
      { name: 'name', label: 'Name', as: 'text' },
      { name: 'length', label: 'Length', as: 'quantity', kind: 'hoseLength', bounds: { min: 0.3, max: 150 } },
      {
        name: 'bore',
        label: 'Inside diameter',
        as: 'quantity',
        kind: 'bore',
        bounds: { min: 0.003, max: 0.026 },
      },
      { name: 'maxPressure', label: 'Rated for', as: 'quantity', kind: 'pressure', bounds: PRESSURE },
      thread,
    ],
  },
  tips: {
    one: 'Tip',
    schema: tipFields,
    nameOf: ({ code }) => String(code),
    first: { family: 'standard', code: '517', litresBefore: 0, price: null, note: '' },
    fields: () => [
      { name: 'code', label: 'Tip number', as: 'tip' },
      { name: 'family', label: 'Family', as: 'choice', options: same(TIP_FAMILIES) },
      {
        name: 'litresBefore',
        label: 'Paint through it before it was logged',
        as: 'quantity',
        kind: 'volume',
        bounds: { min: 0, max: 10 },
      },
      { name: 'price', label: 'What it costs', as: 'price' },
      { name: 'note', label: 'Note', as: 'note' },
    ],
  },
  gear: {
    one: 'Gear',
    schema: gearFields,
    nameOf: ({ name }) => String(name),
    first: gearOfKind('gun', { name: 'New gun', count: 1, note: '' }),
    fields: (values) => {
      const kind = GEAR_KINDS.find((one) => one === values['kind']) ?? 'gun';
      return [
        { name: 'kind', label: 'Kind', as: 'choice', options: same(GEAR_KINDS) },
        { name: 'name', label: 'Name', as: 'text' },
        { name: 'count', label: 'How many', as: 'whole' },
        ...GEAR_NEEDS[kind].flatMap((spec) => GEAR_FIELDS[spec] ?? []),
        { name: 'note', label: 'Note', as: 'note' },
      ];
    },
  },
};

export const isKitResource = (name: string): name is KitResource => name in KIT_FORMS;

/** A product nobody has described yet: a kind of coating with its working defaults, in usual containers. */
export const NEW_COATING: CoatingFields = {
  name: 'New coating',
  archetype: 'wall-matt',
  overrides: {},
  sheet: {},
  hardener: 'unknown',
  containers: [10, 5, 2.5, 1].map((litres) => ({ size: of(litres, 'L'), price: null })),
  note: '',
};
