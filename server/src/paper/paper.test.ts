import { randomUUID } from 'node:crypto';
import { EMERGENCY_CARDS } from '@fine-spray/core/emergency';
import { CAUTIONS, PRECEDENCE_NOTE } from '@fine-spray/core/safety';
import type { Job, Surface } from '@fine-spray/contract';
import { likelyPaint, ordersFor, type Kit } from '@fine-spray/contract/planning';
import { showText } from '@fine-spray/core/units';
import { readPdf, type ReadPdf } from '../testing/pdf';
import { startTestServer, type TestServer } from '../testing/server';

let server: TestServer;
let tern: string;
beforeAll(async () => {
  server = await startTestServer();
  const { items = [] } = (await server.call('GET', '/api/jobs')).body;
  tern = String(items.find(({ name }) => name === 'Tern Boathouse')?.['id']);
});
afterAll(() => server.stop());

interface Sheet extends ReadPdf {
  readonly text: string;
}
async function pdfAt(url: string): Promise<Sheet> {
  const response = await fetch(`${server.address}${url}`);
  expect([response.status, response.headers.get('content-type')]).toEqual([200, 'application/pdf']);
  const read = await readPdf(new Uint8Array(await response.arrayBuffer()));
  return { ...read, text: read.pages.join(' ') };
}
const sheet = (job: string, file: string, query = '') => pdfAt(`/api/jobs/${job}/${file}?${query}`);
async function newJob(fields: Record<string, unknown>): Promise<string> {
  const { body } = await server.call('GET', `/api/jobs/${tern}`);
  const { sprayerId, hoseIds } = body;
  const id = randomUUID();
  const answer = await server.call('PUT', `/api/jobs/${id}`, {
    ...{ name: 'Empty', place: '', note: '', status: 'estimate', sprayerId, hoseIds, lift: 0, version: 0 },
    ...fields,
  });
  expect(answer.status).toBe(200);
  return id;
}

describe('the job sheet', () => {
  it('has quantities, set-up cards, surfaces, areas with their arithmetic, and cautions', async () => {
    const { title, size, text, pages } = await sheet(tern, 'job-sheet.pdf', 'date=2026-11-24');
    expect(title).toBe('Tern Boathouse: job sheet');
    expect(size.map(Math.round)).toEqual([595, 842]);
    expect(text).toContain('Millrace Decorating Tern Boathouse');
    // The same figures as the screens: 9.6 × 3.2 less two windows of 1.2 × 1.2 is 27.84 m²
    expect(text).toContain('9.60 m × 3.20 m less windows 2 × 1.20 m × 1.20 m 27.8 m²');
    expect(text).toMatch(/Boat hall · North wall [\d.–]+, then [\d.–]+ m\/s 27\.8 m² [\d.]+ L/);
    expect(text).toMatch(
      /Interior wall matt, water-borne Finish, 2 coats: wall, inside standard tip, fan \d+ mm/,
    );
    expect(text).toMatch(/Gun, start to stop \d+–\d+ bar [\d,]+–[\d,]+ psi/);
    // Dialled in on its north wall: with another hose, so that what the pump needs for it is worked out.
    expect(text).toMatch(/Gun, dialled in 135 bar 1,950 psi Pump, dialled in 180 bar 2,600 psi/);
    // Word for word what the screens say, at every step that a sheet is for.
    for (const code of ['injection', 'mist', 'fall', 'alarms', 're-entry', 'waste'] as const)
      expect([code, text.split(CAUTIONS.find((one) => one.code === code)?.what ?? '?').length - 1]).toEqual([
        code,
        1,
      ]);
    expect(text).toMatch(/Work from a platform[^()]*\(Boat hall, [^()]*Outside[^()]*\)/);
    expect(text).toContain(
      'Wear: Respirator for particles, goggles, hearing protection, gloves, coverall and hood.',
    );
    expect(text).toMatch(/Even at Fan Wet film Initials/);
    pages.forEach((page, index) => {
      expect(page).toContain(`${EMERGENCY_CARDS.skin.name}: ${EMERGENCY_CARDS.skin.lead}`);
      expect(page).toContain(PRECEDENCE_NOTE);
      expect(page).toContain(`Tern Boathouse: job sheet · 2026-11-24 · page ${index + 1} of ${pages.length}`);
    });
  });

  it('is printed on Letter in feet, and the same again for the same rows', async () => {
    const query = 'size=letter&units=us&date=2026-11-24';
    const { size, text } = await sheet(tern, 'job-sheet.pdf', query);
    expect(size).toEqual([612, 792]);
    // 27.84 m² / 0.3048² = 299.7 ft²
    expect(text).toMatch(/Boat hall · North wall [\d.–]+, then [\d.–]+ ft\/s 300 ft² [\d.]+ gal/);
    expect((await sheet(tern, 'job-sheet.pdf', query)).text).toBe(text);
  });

  it('names what has no set-up with the reason, and says so of an empty job', async () => {
    const empty = await newJob({ name: 'Nothing yet' });
    expect((await sheet(empty, 'job-sheet.pdf')).text).toContain('There are no surfaces in this job yet.');
    expect((await sheet(empty, 'buy-list.pdf')).text).toContain('There is nothing to buy yet');
    const job = await newJob({ name: 'Deep well', lift: 60, hoseIds: [] });
    const { items: surfaces = [] } = (await server.call('GET', `/api/jobs/${tern}/surfaces`)).body;
    const { id: _id, createdAt: _made, updatedAt: _changed, ...wall } = surfaces[0] ?? {};
    const thin = {
      ...wall,
      jobId: job,
      placeId: null,
      tip: { family: 'heavy-texture', code: '655' },
      version: 0,
    };
    const put = await server.call('PUT', `/api/surfaces/${randomUUID()}`, thin);
    expect([put.status, put.body.errors]).toEqual([200, undefined]);
    const { text } = await sheet(job, 'job-sheet.pdf');
    expect(text).toMatch(/Without a set-up Boat hall · North wall: .+\./);
  });

  it('prints names in other letters, and long ones over several lines', async () => {
    const name = 'Łódź «Überhaus» ½ ångström, '.repeat(4).trim();
    const { text, title } = await sheet(await newJob({ name }), 'job-sheet.pdf');
    expect(title).toBe(`${name}: job sheet`);
    expect(text).toContain(name);
  });
});

describe('the days', () => {
  it('say so where a job is worked by no plan yet', async () => {
    const { text, pages } = await sheet(tern, 'days.pdf');
    expect(text).toContain('This job is worked by no plan of the days yet.');
    expect(pages).toHaveLength(1);
  });

  it('are a page each: who does what when, with the tip of a coat, as it was taken', async () => {
    const answer = await server.call('GET', `/api/jobs/${tern}/schedules`);
    const [row] = answer.body.items ?? [];
    const { id, createdAt: _made, updatedAt: _changed, ...content } = row as Record<string, unknown>;
    const surfaces = (await server.call('GET', `/api/jobs/${tern}/surfaces`)).body.items ?? [];
    const wall = surfaces.find(({ name }) => name === 'North wall');
    const place = { people: [0], sprayer: null, setUp: 0 };
    const put = await server.call('PUT', `/api/schedules/${String(id)}`, {
      ...content,
      first: '2026-12-01',
      result: {
        placed: [
          { ...place, task: 'Stair protect', start: 480, end: 540 },
          { ...place, task: 'Boat hall mask', start: 900, end: 1440 + 480, people: [1, 0] },
          {
            ...place,
            task: `${String(wall?.['id'])} 0 0/1`,
            start: 1440 + 600,
            end: 1440 + 700,
            sprayer: 0,
            setUp: 15,
          },
          { ...place, task: 'Attic protect', start: 1440 + 720, end: 1440 + 780 },
        ],
        finish: 1440 + 780,
        bound: { finish: 1440 + 780, binds: 'people' },
        chances: { likely: 1440 + 800, safe: 1440 + 860 },
      },
    });
    expect([put.status, put.body.errors]).toEqual([200, undefined]);
    const { text, pages, title } = await sheet(tern, 'days.pdf', 'date=2026-12-01');
    expect(title).toBe('Tern Boathouse: plan of the days');
    expect(pages).toHaveLength(2);
    expect(pages[0]).toContain('Tuesday 1 December');
    expect(pages[0]).toMatch(/8:00–9:00 Tobi Stair: protect/);
    expect(pages[0]).toMatch(/15:00– ?Wednesday 2 December, 8:00 Wren, Tobi Boat hall: mask and cover/);
    expect(pages[1]).toMatch(/10:00–11:40 Tobi Boat hall: Wall, Interior wall matt.* \d{3} 15 min/);
    // What was in the job when it was planned, and is no longer
    expect(pages[1]).toContain('Work that is no longer in the job');
    expect(text).toContain('in 4 cases of 5');
    expect(text).toContain('data sheets, local codes and licensed trades take precedence');
    const second = await server.call('PUT', `/api/schedules/${randomUUID()}`, { ...content, version: 0 });
    expect([second.status, second.body.detail]).toEqual([409, 'This job has its plan of the days already.']);
  });
});

describe('the offer', () => {
  const content = (jobId: string) => ({
    ...{ jobId, number: 14, edition: 1, state: 'draft', sent: null, answered: null },
    ...{ intro: 'Thank you.', terms: 'Paid in thirty days.', validDays: 30, taken: [] },
    blocks: [{ title: 'Colours', text: 'One for each room.' }],
    listedBy: 'room',
    options: [
      {
        ...{ id: randomUUID(), name: 'Without the ceilings', kind: 'leave out', rooms: [] },
        ...{ elements: ['ceiling'], layers: null, notWith: [] },
      },
    ],
    exclusions: ['Radiators'],
    sums: [{ what: 'Mending plaster', amount: 150 }],
    payments: [
      { name: 'When we begin', share: 0.4 },
      { name: 'When it is done', share: 0.6 },
    ],
    ...{ withInside: false, figures: null, version: 0 },
  });
  async function offerOf(jobId: string, part: object = {}) {
    const url = `/api/offers/${randomUUID()}`;
    const put = await server.call('PUT', url, { ...content(jobId), ...part });
    expect([put.status, put.body.errors]).toEqual([200, undefined]);
    return { url, row: put.body };
  }
  const printed = (url: string, query = 'date=2026-11-30') => pdfAt(`${url}/offer.pdf?${query}`);
  const amounts = (of: string) =>
    [...of.matchAll(/€([\d,]+(?:\.\d\d)?)/g)].map(([, amount = '']) => Number(amount.replaceAll(',', '')));

  it('has a price for each room, together with what is set aside what is asked, and nothing of the inside', async () => {
    const { url } = await offerOf(tern);
    const { title, text, size } = await printed(url);
    expect(title).toMatch(/: Offer 14$/);
    expect(size.map(Math.round)).toEqual([595, 842]);
    expect(text).toContain('30 November 2026; valid until 30 December 2026');
    expect(text).toContain('A draft: not sent yet.');
    const [, rooms = '', sums = ''] =
      /Before tax (.*?) Price before tax (.*?) If you choose/.exec(text) ?? [];
    const [net = NaN, tax = NaN, total = NaN] = amounts(sums);
    expect(amounts(rooms).length).toBeGreaterThan(6);
    expect(amounts(rooms).at(-1)).toBe(150);
    expect(amounts(rooms).reduce((sum, one) => sum + one, 0)).toBeCloseTo(net, 2);
    expect(tax).toBeCloseTo(net * 0.2, 2);
    expect(total).toBeCloseTo(net + tax, 2);
    expect(text).toMatch(/North side, board and batten: prime with .*, 2 coats of /);
    expect(text).toMatch(/Without the ceilings €[\d,.]+ less, before tax/);
    const [, due = ''] = /When it is due (.*?) Not in it/.exec(text) ?? [];
    expect(amounts(due).reduce((sum, one) => sum + one, 0)).toBeCloseTo(total, 2);
    expect(text).toMatch(/Scaffold and lifts, repairs beyond filling.*\. Radiators\./);
    expect(text).toContain('Colours One for each room.');
    expect(text).not.toMatch(/hours|likely|overhead|profit|under the skin/i);
  });

  it('has hours and cost where they are asked for', async () => {
    const { url } = await offerOf(tern, { number: 15, withInside: true });
    const { text, size } = await printed(url, 'size=letter&units=us&date=2026-11-30');
    expect(size).toEqual([612, 792]);
    expect(text).toMatch(/How it was worked out .*Spraying [\d.]+–[\d.]+ h.* Labour €[\d,]+/);
  });

  it('stays as it was sent, in its own money and language of numbers, whatever becomes of the job', async () => {
    const { url, row } = await offerOf(tern, { number: 16, options: [] });
    const { id: _id, createdAt: _made, updatedAt: _changed, ...draft } = row;
    const range = { low: 1, likely: 1, high: 1 };
    const figures = {
      ...{ currency: 'CHF', numbers: 'de-CH', tax: 0.077, options: [], notCounted: ['lifts'] },
      lines: [{ room: 'Hall', name: 'Walls', what: '2 coats', net: 12345.5 }],
      inside: {
        cost: { paint: range, consumables: range, labour: range, total: range },
        ...{ hours: {}, days: 1, hour: 46, paint: [] },
      },
    };
    const sent = { ...draft, state: 'sent', sent: '2026-10-01', figures };
    expect((await server.call('PUT', url, sent)).status).toBe(200);
    const { text } = await printed(url);
    expect(text).toContain('1 October 2026; valid until 31 October 2026');
    // 12,345.50 and 150 are 12,495.50; 7.7 % of it 962.15; 13,457.65
    expect(text.replaceAll('\u00a0', ' ')).toMatch(
      /12['’]495\.50 Tax, 7\.7 % CHF 962\.15 To pay CHF 13['’]457\.65/,
    );
    expect(text).not.toContain('A draft');

    const changed = await server.call('PUT', url, { ...sent, version: 2, terms: 'Others.' });
    expect([changed.status, changed.body.errors?.map(({ field }) => field)]).toEqual([422, ['terms']]);
    expect((await server.call('PUT', url, { ...draft, version: 2 })).status).toBe(422);
    const answer = { ...sent, version: 2, state: 'accepted', answered: '2026-10-04' };
    expect((await server.call('PUT', url, answer)).status).toBe(200);
    const twin = await server.call('PUT', `/api/offers/${randomUUID()}`, { ...content(tern), number: 16 });
    expect([twin.status, twin.body['detail']]).toEqual([
      409,
      'There is an offer of this number and edition already. Give it another number.',
    ]);
  });

  it('says so where there is nothing to offer', async () => {
    const { url } = await offerOf(await newJob({ name: 'Nothing yet' }), { number: 17 });
    expect((await printed(url)).text).toContain('There is nothing to offer yet');
  });
});

describe('the buy list', () => {
  it('has containers, how sure they are, where the paint goes, and what is used up besides', async () => {
    const { title, text } = await sheet(tern, 'buy-list.pdf');
    expect(title).toBe('Tern Boathouse: buy list');
    expect(text).toContain('enough 80 times in 100 by what is known now');
    expect(text).toMatch(/\d × 15 L[^€]* Interior wall matt, water-borne/);
    expect(text).toMatch(/[\d,.]+ m Masking tape, likely [\d,]+–[\d,]+ m/);
    expect(text).toMatch(/What it costs to buy Paint €[\d,]+ likely between/);
    expect(text).toMatch(/Where it likely goes Dry film on flat surfaces [\d.]+ L/);
    expect(text).toMatch(/Box it in a 60 L vessel: pour together/);
  });

  it('says of each coating what the screens and the job sheet say it likely takes', async () => {
    const rows = async (path: string) => (await server.call('GET', `/api/${path}`)).body.items ?? [];
    const [coatings, sprayers, hoses, tips] = await Promise.all(
      ['coatings', 'sprayers', 'hoses', 'tips'].map(rows),
    );
    const kit = { coatings, sprayers, hoses, tips } as unknown as Kit;
    const job = (await server.call('GET', `/api/jobs/${tern}`)).body as unknown as Job;
    const surfaces = (await rows(`jobs/${tern}/surfaces`)) as unknown as readonly Surface[];
    const sheets = [await sheet(tern, 'job-sheet.pdf'), await sheet(tern, 'buy-list.pdf')] as const;
    const { orders } = ordersFor(surfaces, job, kit);
    expect(orders.length).toBeGreaterThan(5);
    for (const order of orders) {
      const likely = showText(likelyPaint(order), 'volume', 'metric');
      expect(sheets[0].text).toContain(`${order.name} ${likely}`);
      expect(sheets[1].text).toContain(`Likely ${likely};`);
    }
  });

  it('buys more to be surer', async () => {
    const bought = async (risk: string) => {
      const { text } = await sheet(tern, 'buy-list.pdf', `risk=${risk}`);
      return Number(/Exterior acrylic, water-borne [^:]+: (\d+) L/.exec(text)?.[1]);
    };
    expect(await bought('P95')).toBeGreaterThan(await bought('P50'));
  });
});

describe('asking for paper', () => {
  it.each([
    ['size=a3', 'size', 'Paper must be one of: a4, letter.'],
    ['risk=P99', 'risk', 'Risk must be one of: P50, P80, P95.'],
    ['date=tomorrow', 'date', 'The date must be written like 2026-01-31.'],
  ])('with %s is refused at its name', async (query, field, message) => {
    const answer = await server.call('GET', `/api/jobs/${tern}/job-sheet.pdf?${query}`);
    expect([answer.status, answer.body.errors?.[0]]).toMatchObject([422, { field, message }]);
  });

  it('of a job that is not there is 404', async () => {
    expect((await server.call('GET', `/api/jobs/${randomUUID()}/job-sheet.pdf`)).status).toBe(404);
  });

  it('by many at once makes each, or says that it is too much', async () => {
    // Each is read as it comes: a server does not hold a connection whose answer nobody takes.
    const answers = await Promise.all(
      Array.from({ length: 60 }, async () => {
        const answer = await fetch(`${server.address}/api/jobs/${tern}/buy-list.pdf`);
        return { status: answer.status, body: Buffer.from(await answer.arrayBuffer()) };
      }),
    );
    const made = answers.filter(({ status }) => status === 200);
    const busy = answers.filter(({ status }) => status === 503);
    expect(made.length).toBeGreaterThan(0);
    expect(made.length + busy.length).toBe(60);
    const [first] = busy;
    if (first) expect(JSON.parse(first.body.toString())).toMatchObject({ title: 'Too much to do at once' });
    expect(Math.min(...made.map(({ body }) => body.byteLength))).toBeGreaterThan(10_000);
  });
});

describe('the record of viscosity', () => {
  const sheet = async (query: string) => {
    const answer = await fetch(`${server.address}/api/log/viscosity.pdf?zone=UTC&${query}`);
    expect(answer.status).toBe(200);
    return readPdf(new Uint8Array(await answer.arrayBuffer()));
  };

  it('has every check under its coating, with who, and nothing that was taken back', async () => {
    const { body } = await server.call('GET', '/api/entries');
    const checks = (body.items ?? []).filter(({ kind }) => kind === 'viscosity');
    expect(checks.length).toBeGreaterThan(5);
    const whole = (await sheet('units=metric')).pages.join(' ').replace(/\s+/g, ' ');
    const dates = whole.match(/\d{4}-\d{2}-\d{2} \d{2}:\d{2}/g) ?? [];
    expect(dates).toHaveLength(checks.length);
    expect(whole).not.toMatch(/undefined|NaN|not said not said/);
    const [first] = checks;
    const taken = await server.call('POST', '/api/entries', {
      entries: [
        {
          ...{
            id: '0193cccc-0000-7000-8000-000000000001',
            kind: 'withdrawn',
            schema: 1,
            payload: { why: 'Wrong cup' },
          },
          ...{
            at: '2026-11-30T10:00:00.000Z',
            author: 'TO',
            jobId: null,
            surfaceId: null,
            replaces: first?.id,
          },
        },
      ],
    });
    expect(taken.status).toBe(200);
    const without = (await sheet('units=us')).pages.join(' ');
    expect(without.match(/\d{4}-\d{2}-\d{2}\s+\d{2}:\d{2}/g)).toHaveLength(checks.length - 1);
    expect(without).toContain('°F');
  });

  it('is of a time, and says where there is none', async () => {
    const none = (await sheet('from=2020-01-01&until=2020-12-31')).pages.join(' ');
    expect(none).toContain('No paint was checked in this time.');
    const wrong = await server.call('GET', '/api/log/viscosity.pdf?from=yesterday');
    expect(wrong.status).toBe(422);
  });
});
