import { USUAL_BOOK } from './book';
import { RESOURCES, RESOURCE_NAMES, type ResourceName } from './resources';

/** Content of one row of each resource, of the demo: made up, as all of it. */
const CONTENTS: Readonly<Record<ResourceName, Readonly<Record<string, unknown>>>> = {
  people: {
    name: 'Ines',
    initials: 'IN',
    role: 'owner',
    active: true,
  },
  practices: {
    items: {
      'three digits': {
        due: '2026-11-30T08:00:00.000Z',
        stability: 2.3,
        difficulty: 5.1,
        reps: 2,
        lapses: 0,
        steps: 0,
        state: 2,
        last: '2026-11-28T08:00:00.000Z',
      },
    },
    days: [{ day: '2026-11-28', skill: 'tip codes', asked: 4, right: 3 }],
    sprayed: [{ at: '2026-11-28T08:10:00.000Z', piece: 'wall', points: 71.5, costs: { evenness: 12 } }],
    taken: ['01930000-0000-7000-8000-000000000099'],
  },
  coatings: {
    name: 'Interior wall matt, water-borne',
    archetype: 'wall-matt',
    overrides: {},
    sheet: {},
    hardener: 'none',
    containers: [
      {
        size: 0.0025,
        price: 26.0,
      },
      {
        size: 0.005,
        price: 45.0,
      },
      {
        size: 0.01,
        price: 81.0,
      },
      {
        size: 0.015,
        price: 116.0,
      },
    ],
    note: '',
  },
  sprayers: {
    name: 'Mid electric, van',
    sprayerClass: 'mid electric',
    maxPressure: 22800000.0,
    maxFlow: 3.3333333333333335e-5,
    largestOrificeThou: 23,
    waterOnly: false,
    power: 'electric',
    outlet: '1/4',
    inletMesh: 30,
    manifoldMesh: 60,
    cord: 5,
    readout: 'knob',
    knobMarks: ['lowest', 'a quarter', 'half', 'three quarters', 'full'],
  },
  hoses: {
    name: 'Quarter inch, 15 m',
    length: 15,
    bore: 0.00635,
    maxPressure: 25000000.0,
    fitting: '1/4',
  },
  tips: {
    family: 'standard',
    code: '515',
    litresBefore: 0.06,
    price: 28.0,
    note: '',
  },
  gear: {
    kind: 'gun',
    name: 'Wall gun',
    count: 1,
    maxPressure: 25000000.0,
    fitting: '1/4',
    mesh: 60,
    length: null,
    seal: null,
    cup: null,
    note: '',
  },
  entries: {
    kind: 'sprayed',
    schema: 1,
    at: '2026-10-05T07:30:00Z',
    author: 'TO',
    jobId: '01930000-0000-7000-8000-00000000007a',
    surfaceId: '01930000-0000-7000-8000-00000000007c',
    replaces: null,
    payload: {
      coatingId: '01930000-0000-7000-8000-000000000004',
      coat: 1,
      tipId: '01930000-0000-7000-8000-000000000019',
      volume: 0.0033,
    },
  },
  systems: {
    name: 'Holiday rooms: prime, two coats of satin',
    elements: ['wall'],
    sides: ['inside'],
    kinds: ['smooth-board', 'light-texture'],
    layers: [
      {
        role: 'prime',
        coatingId: '01930000-0000-7000-8000-000000000005',
        coats: 1,
        thinning: 0,
        share: 1,
      },
      {
        role: 'finish',
        coatingId: '01930000-0000-7000-8000-000000000003',
        coats: 2,
        thinning: 0,
        share: 1,
      },
    ],
  },
  jobs: {
    name: 'Kiln House, ground floor',
    place: 'Back lane',
    note: 'Repaint, walls and ceilings only. Floors stay.',
    status: 'estimate',
    paintAge: 'unknown',
    empty: false,
    sprayerId: '01930000-0000-7000-8000-000000000010',
    hoseIds: ['01930000-0000-7000-8000-000000000013'],
    lift: 0,
    ways: [],
  },
  places: {
    jobId: '01930000-0000-7000-8000-000000000038',
    name: 'Washroom',
    position: 160,
    measure: {
      kind: 'room',
      plan: [
        {
          x: 0,
          y: 0,
        },
        {
          x: 2.6,
          y: 0,
        },
        {
          x: 2.6,
          y: 2,
        },
        {
          x: 0,
          y: 2,
        },
      ],
      height: 2.4,
      ceiling: {
        shape: 'flat',
      },
      features: [
        {
          id: '01930000-0000-7000-8000-00000000040f',
          item: 'doorway',
          count: 1,
          sizes: {
            width: 0.9,
            height: 2.1,
            casing: 0,
          },
        },
        {
          id: '01930000-0000-7000-8000-000000000410',
          item: 'window',
          count: 1,
          sizes: {
            width: 0.6,
            height: 0.9,
            casing: 0,
          },
        },
      ],
      skipped: [],
    },
  },
  offers: {
    jobId: '01930000-0000-7000-8000-000000000068',
    number: 14,
    edition: 1,
    state: 'sent',
    sent: '2026-10-05',
    answered: null,
    intro: 'Thank you for showing us round.',
    terms: 'Rooms are empty when we begin.',
    validDays: 30,
    blocks: [{ title: 'Colours', text: 'One colour for each room.' }],
    listedBy: 'room',
    options: [
      {
        id: '01930000-0000-7000-8000-0000000000f1',
        name: 'Without the ceilings',
        kind: 'leave out',
        rooms: [],
        elements: ['ceiling'],
        layers: null,
        notWith: [],
      },
    ],
    taken: [],
    exclusions: ['Radiators'],
    sums: [{ what: 'Mending plaster behind the wardrobe', amount: 150 }],
    payments: [
      { name: 'When we begin', share: 0.4 },
      { name: 'When it is done', share: 0.6 },
    ],
    withInside: false,
    figures: {
      currency: 'EUR',
      numbers: 'en',
      tax: 0.19,
      lines: [
        { room: 'Hall', name: 'Walls', what: '2 coats of Interior wall matt, water-borne', net: 640 },
        { room: 'Hall', name: 'Ceiling', what: '2 coats of Interior wall matt, water-borne', net: 310 },
      ],
      options: [{ id: '01930000-0000-7000-8000-0000000000f1', net: -290 }],
      notCounted: ['scaffold and lifts'],
      inside: {
        cost: {
          paint: { low: 90, likely: 104, high: 131 },
          consumables: { low: 22, likely: 26, high: 34 },
          labour: { low: 410, likely: 540, high: 700 },
          total: { low: 522, likely: 670, high: 865 },
        },
        hours: { spraying: { low: 3100, likely: 4200, high: 5600 } },
        days: 2,
        hour: 46,
        paint: [
          {
            coatingId: '01930000-0000-7000-8000-000000000002',
            name: 'Interior wall matt, water-borne',
            volume: 0.0124,
            cost: 104,
          },
        ],
      },
    },
  },
  schedules: {
    jobId: '01930000-0000-7000-8000-000000000068',
    first: '2026-10-05',
    crew: [
      { name: 'Tobi', away: ['2026-10-09'] },
      { name: 'Wren', away: [] },
    ],
    sprayers: 1,
    school: 'trim first',
    hours: { from: 420, to: 930 },
    breaks: [{ from: 720, to: 750 }],
    workdays: [0, 1, 2, 3, 4],
    closed: [{ room: 'Hall', weekdays: [0], dates: [] }],
    drying: { air: 293.15, humidity: 0.5 },
    outside: [],
    pins: [{ task: 'Hall protect', start: 1860, who: [1] }],
    wishes: [],
    seed: 1,
    result: {
      placed: [{ task: 'Hall protect', start: 1860, end: 1950, people: [1], sprayer: null, setUp: 0 }],
      finish: 1950,
      bound: { finish: 1950, binds: 'people' },
      chances: { likely: 1980, safe: 2000 },
    },
  },
  surfaces: {
    jobId: '01930000-0000-7000-8000-000000000068',
    placeId: null,
    part: '',
    name: 'Walls',
    room: 'Hall',
    position: 0,
    element: 'wall',
    side: 'inside',
    kind: 'light-texture',
    condition: 'sealed',
    state: null,
    wind: 'calm',
    geometry: {
      shape: 'rectangle',
      width: 14.6,
      height: 2.7,
      count: 1,
      openings: [
        {
          id: '01930000-0000-7000-8000-000000000062',
          kind: 'door',
          width: 0.9,
          height: 2.1,
          count: 4,
        },
      ],
    },
    coatingId: '01930000-0000-7000-8000-000000000002',
    coats: 2,
    thinning: 0,
    under: [],
    tip: null,
  },
};

const ID = '01930000-0000-7000-8000-0000000000e1';
const OTHER_ID = '01930000-0000-7000-8000-0000000000e2';
const TIME = '2026-10-05T07:30:04.000Z';
const STORED = { id: ID, version: 1, createdAt: TIME, updatedAt: TIME };

/** What stands in a row besides its content, where it is more than every row has. */
const BESIDE: Partial<Record<ResourceName, object>> = {
  jobs: { surfaceCount: 9 },
  entries: { clockSkew: 0, personId: OTHER_ID },
};
const rowOf = (name: ResourceName) => ({ ...CONTENTS[name], ...STORED, ...BESIDE[name] });

const PERSON = { id: OTHER_ID, name: 'Ines', initials: 'IN', role: 'owner' };
const ME = {
  person: PERSON,
  role: 'owner',
  company: { id: ID, name: 'Millrace Decorating' },
  deviceId: ID,
  signIn: true,
  people: [PERSON],
};
const COMPANY = { ...STORED, name: 'Millrace Decorating', book: USUAL_BOOK };
const CURSOR = 'WyI3NzEzLjE2Mzg2LjE2NTkxIiwiNzM3OjczNzoiLG51bGxd';
const PASSKEYS = { items: [{ id: ID, name: 'iPhone' }] };
const ASKED = { challenge: 'q83vEjRWeJA', rpId: 'spray.example', timeout: 60000 };
const AUTHENTICATOR = { id: 'q83vEjRW', rawId: 'q83vEjRW', type: 'public-key', clientExtensionResults: {} };
const JOB_OF_LOG = { jobId: ID, entries: 443, last: TIME };
const LOG_PAGE_NEXT = `737.${ID}`;

/** Examples of an operation: of its body, and of what it answers. */
export interface Example {
  readonly body?: unknown;
  readonly answer?: unknown;
}

const SINGLE: Readonly<Record<string, Example>> = {
  putPicture: {
    answer: { id: '01930000-0000-7000-8000-0000000000a1', bytes: 212_480, width: 1600, height: 1200 },
  },
  getHealth: { answer: { status: 'ok', database: 'ok' } },
  getMe: { answer: ME },
  postCode: { body: { code: 'K7QXM 3HTRB', device: 'iPhone' }, answer: ME },
  postPassword: { body: { login: 'ines', password: 'correct horse battery', device: 'Mac' }, answer: ME },
  postPerson: { body: { personId: OTHER_ID, pin: '4711' }, answer: ME },
  putPassword: { body: { login: 'ines', password: 'correct horse battery' } },
  putPin: { body: { pin: '4711' } },
  getPasskeys: { answer: PASSKEYS },
  postPasskeyOptions: { answer: ASKED },
  postPasskey: {
    body: {
      passkey: { ...AUTHENTICATOR, response: { clientDataJSON: 'e30', attestationObject: 'oA' } },
      name: 'iPhone',
    },
    answer: PASSKEYS,
  },
  postSessionPasskeyOptions: { answer: ASKED },
  postSessionPasskey: {
    body: {
      passkey: {
        ...AUTHENTICATOR,
        response: { clientDataJSON: 'e30', authenticatorData: 'q80', signature: 'q80' },
      },
      device: 'iPhone',
    },
    answer: ME,
  },
  postInvitation: {
    answer: {
      code: 'K7QXM3HTRB',
      url: 'https://spray.example/sign-in#K7QXM3HTRB',
      picture: '<svg xmlns="http://www.w3.org/2000/svg"/>',
      expiresAt: TIME,
    },
  },
  getDevices: {
    answer: {
      items: [{ id: ID, name: 'iPhone', personId: OTHER_ID, createdAt: TIME, seenAt: TIME, own: true }],
    },
  },
  getCalendars: { answer: { items: [{ id: ID, what: 'windows', createdAt: TIME, usedAt: null }] } },
  postCalendar: {
    body: { what: 'days', zone: 'Europe/Lisbon' },
    answer: {
      ...{ id: ID, what: 'days', createdAt: TIME, usedAt: null },
      url: 'https://paint.example/api/calendar/5f2c…',
    },
  },
  postCompany: {
    body: {
      ...{ company: 'Millrace Decorating', name: 'Ines', initials: 'IN', login: 'ines' },
      ...{ password: 'correct horse battery', device: 'Mac' },
    },
    answer: ME,
  },
  getCompanies: { answer: { items: [{ id: ID, name: 'Millrace Decorating', answers: true, sample: true }] } },
  postCompanies: { body: { company: 'Heron Finishes', name: 'Ada', initials: 'AH' }, answer: ME },
  postArchive: { answer: ME },
  postAnswering: { answer: ME },
  getCompany: { answer: COMPANY },
  putCompany: {
    body: { name: COMPANY.name, book: USUAL_BOOK, version: 1 },
    answer: { ...COMPANY, version: 2 },
  },
  getWeather: {
    answer: {
      reading: { air: 291.2, surface: 290.4, humidity: 0.62, wind: 2.1, rain: 0 },
      forecast: [{ ahead: 1, air: 291.8, surface: 291, humidity: 0.6, wind: 2.4, rain: 0 }],
    },
  },
  getLogJobs: { answer: { items: [JOB_OF_LOG] } },
  getOldJobs: {
    answer: {
      items: [
        {
          ...JOB_OF_LOG,
          surfaces: [OTHER_ID],
          digest: {
            version: 2,
            transfer: [
              {
                about: { element: 'wall', side: 'inside', wind: 'calm' },
                ids: [ID],
                at: [Date.parse(TIME)],
                values: [0.74],
              },
            ],
            speed: [],
            through: {
              tips: [OTHER_ID],
              coatings: [ID],
              ...{ tip: [0], coating: [0], at: [Date.parse(TIME)], volume: [0.0045] },
              abrasion: [2],
            },
          },
          kept: [],
        },
      ],
      next: null,
    },
  },
  getChanges: {
    answer: {
      items: [
        { resource: 'tips', id: ID, row: rowOf('tips') },
        { resource: 'hoses', id: OTHER_ID, gone: { id: OTHER_ID, version: 3, deletedAt: TIME } },
      ],
      cursor: CURSOR,
      more: false,
    },
  },
  postBatch: {
    body: {
      writes: [
        { resource: 'surfaces', id: ID, content: { ...CONTENTS.surfaces, version: 0 } },
        { resource: 'places', id: OTHER_ID, content: null, version: 2 },
      ],
    },
    answer: { rows: [rowOf('surfaces'), null] },
  },
  postEntries: {
    body: { entries: [{ ...CONTENTS.entries, id: ID, personId: OTHER_ID }] },
    answer: { results: [{ id: ID, row: rowOf('entries') }] },
  },
};

const LISTED = { unreadable: [] };
const OF_RESOURCES = RESOURCE_NAMES.flatMap((name): [string, Example][] => {
  const row = rowOf(name);
  const inPages = { items: [row], ...LISTED, next: LOG_PAGE_NEXT };
  return [
    [`list ${name}`, { answer: RESOURCES[name].paged ? inPages : { items: [row], ...LISTED } }],
    [`all ${name}`, { answer: inPages }],
    [`get ${name}`, { answer: row }],
    [`put ${name}`, { body: { ...CONTENTS[name], version: 0 }, answer: row }],
  ];
});

/** Examples by the name of their operation; every body and every answer of JSON has one. */
export const EXAMPLES: Readonly<Record<string, Example>> = { ...SINGLE, ...Object.fromEntries(OF_RESOURCES) };

/** A problem, as every refusal is answered. */
export const PROBLEM_EXAMPLE = {
  ...{ type: 'urn:fine-spray:problem:bad-body', title: 'Something in it cannot be taken', status: 422 },
  detail: 'Hose length is between 0.3 and 150 m.',
  errors: [{ field: 'length', message: 'Hose length is between 0.3 and 150 m.', code: 'too_big' }],
};
