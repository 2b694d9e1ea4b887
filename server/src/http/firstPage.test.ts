import { mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import type { Entry } from '@fine-spray/contract';
import { LogFold } from '@fine-spray/contract/log';
import { firstAnswer, planHistory, siteNow, type FirstAnswer, type Kit } from '@fine-spray/contract/planning';
import { startTestServer, type TestServer } from '../testing/server';
import { withAnswer } from './firstPage';

const PAGE = '<!doctype html><title>Fine Spray</title><div id="root"><div class="first-picture"></div></div>';

let applicationFolder: string;
let server: TestServer;
beforeAll(async () => {
  applicationFolder = mkdtempSync(path.join(os.tmpdir(), 'fine-spray-app-'));
  writeFileSync(path.join(applicationFolder, 'index.html'), PAGE);
  server = await startTestServer({ applicationFolder });
});
afterAll(() => server.stop());

async function page(address: string, where = '/set-up'): Promise<{ text: string; cached: string | null }> {
  const answer = await fetch(`${address}${where}`);
  expect([answer.status, answer.headers.get('content-type')]).toEqual([
    200,
    expect.stringMatching(/^text\/html/),
  ]);
  return { text: await answer.text(), cached: answer.headers.get('cache-control') };
}

/** The page as soon as it has an answer: no page waits long for one, a later one has it. */
async function answered(address: string): ReturnType<typeof page> {
  for (;;) {
    const found = await page(address);
    if (found.text !== PAGE) return found;
    await wait(100);
  }
}

/** What a page says, as a browser reads the attribute. */
function answerIn(text: string): FirstAnswer {
  const found = /data-answer="([^"]*)"/.exec(text)?.[1] ?? '';
  const read = found
    .replaceAll('&quot;', '"')
    .replaceAll('&#39;', "'")
    .replaceAll('&lt;', '<')
    .replaceAll('&gt;', '>')
    .replaceAll('&amp;', '&');
  return JSON.parse(read) as FirstAnswer;
}

/** All rows of a resource, as a device asks for them. */
async function all(resource: string): Promise<readonly object[]> {
  const found: object[] = [];
  for (let next = ''; ;) {
    const { body } = await server.call('GET', `/api/${resource}${next}`);
    found.push(...(body.items ?? []));
    if (typeof body['next'] !== 'string') return found;
    next = `?after=${encodeURIComponent(body['next'])}`;
  }
}

describe('the page of the set-up without a job', () => {
  it('is the one of every address where there is no kit to answer with', async () => {
    const empty = await startTestServer({ applicationFolder, demo: false });
    try {
      expect((await page(empty.address)).text).toBe(PAGE);
    } finally {
      await empty.stop();
    }
  });

  it('says what the device works out by itself from all it is told', async () => {
    const { text, cached } = await answered(server.address);
    const said = answerIn(text);
    const kit = {
      coatings: await all('coatings'),
      sprayers: await all('sprayers'),
      hoses: await all('hoses'),
      tips: await all('tips'),
    } as unknown as Kit;
    const entries = (await all('entries')) as readonly Entry[];
    expect(entries.length).toBeGreaterThan(100);
    const now = {
      ...kit,
      ...siteNow(entries, Date.now()),
      history: planHistory(new LogFold().record(entries)),
    };
    expect(said).toEqual(firstAnswer(now, 'metric'));
    expect(said.parts.map(({ label }) => label)).toEqual(['tip', 'gun', 'stroke', 'paint']);
    expect(said.note).toMatch(/take precedence/);
    // Of one company at one moment, and of this address alone.
    expect(cached).toBe('no-store');
    expect((await page(server.address, '/jobs')).text).toBe(PAGE);
    expect((await page(server.address, '/')).text).toBe(PAGE);
  });

  it('does not wait for an answer that takes long: a later page has it', async () => {
    const busy = await startTestServer({ applicationFolder });
    const held = await busy.db.transaction();
    try {
      await held.raw('lock table coating in access exclusive mode');
      expect((await page(busy.address)).text).toBe(PAGE);
      await held.rollback();
      expect(answerIn((await answered(busy.address)).text).parts).toHaveLength(4);
    } finally {
      if (!held.isCompleted()) await held.rollback();
      await busy.stop();
    }
  });

  it('is for everyone, and tells nobody of a company who has not signed in', async () => {
    const shut = await startTestServer({ applicationFolder, signIn: true });
    try {
      expect((await page(shut.address)).text).toBe(PAGE);
    } finally {
      await shut.stop();
    }
  });

  it('stays a page whatever things are called', () => {
    const nasty = `</div><script>alert("1")</script> & 'more'`;
    const answer: FirstAnswer = {
      parts: [{ label: 'tip', value: nasty }],
      of: nasty,
      why: nasty,
      note: nasty,
      coming: nasty,
    };
    const text = withAnswer(PAGE, answer);
    expect(text).not.toMatch(/<script/);
    expect(text.match(/<\/div>/g)?.length).toBe(4);
    expect(answerIn(text)).toEqual(answer);
    // Signs that mean something where text is replaced.
    expect(withAnswer(PAGE, { ...answer, of: '$& $1 $$' })).toContain('$&amp; $1 $$');
  });
});
