import { chromium, expect, test } from '@playwright/test';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { CHROMIUM } from './chromium.mjs';
import { freePort, startFineSpray, temporaryHome } from './fine-spray';

const TIP = { family: 'standard', code: '515', litresBefore: 0, price: null, note: 'stolen', version: 0 };
const PATH = '/api/tips/0190a000-0000-7000-8000-00000000beef';

/** What a page of somebody else can get of a server: with every way a script has to ask. */
async function steal({
  address,
  path,
  tip,
}: {
  address: string;
  path: string;
  tip: object;
}): Promise<string[]> {
  const got: string[] = [];
  const ask = async (what: string, url: string, init: RequestInit = {}) => {
    try {
      const answer = await fetch(url, init);
      if (answer.ok) got.push(`${what}: ${(await answer.text()).slice(0, 60)}`);
    } catch {
      // Kept from it by the browser.
    }
  };
  const body = JSON.stringify(tip);
  const json = { 'Content-Type': 'application/json' };
  await ask('read', `${address}/api/jobs`, { credentials: 'include' });
  await ask('write', `${address}${path}`, { method: 'PUT', headers: json, body, credentials: 'include' });
  for (const type of ['text/plain', 'application/x-www-form-urlencoded'])
    await ask(`simple ${type}`, `${address}/api/batch`, {
      method: 'POST',
      mode: 'no-cors',
      headers: { 'Content-Type': type },
      body: JSON.stringify({ writes: [{ resource: 'tips', id: path.split('/').pop(), content: tip }] }),
      credentials: 'include',
    });
  await new Promise<void>((resolve) => {
    const source = new EventSource(`${address}/api/stand-ins/gauge?order=%7B%7D`, { withCredentials: true });
    source.onmessage = () => got.push('stream');
    source.onerror = () => {
      source.close();
      resolve();
    };
  });
  await new Promise<void>((resolve) => {
    const frame = document.createElement('iframe');
    frame.src = address;
    frame.onload = () => {
      try {
        if (frame.contentDocument?.body.innerText)
          got.push(`frame: ${frame.contentDocument.body.innerText.slice(0, 60)}`);
      } catch {
        // Another origin.
      }
      resolve();
    };
    document.body.append(frame);
  });
  return got;
}

test('a page at another origin, and one at a name that was pointed here, get nothing and write nothing', async () => {
  test.setTimeout(120_000);
  const { home, remove } = temporaryHome();
  const port = await freePort();
  const running = await startFineSpray(home, port);
  const evil = createServer((_request, response) => {
    response.setHeader('Content-Type', 'text/html');
    response.end('<!doctype html><title>A game</title><body>');
  }).listen(0, '127.0.0.1');
  await new Promise((resolve) => evil.once('listening', resolve));
  const evilPort = (evil.address() as AddressInfo).port;
  const browser = await chromium.launch({
    ...CHROMIUM,
    args: [...CHROMIUM.args, '--host-resolver-rules=MAP evil.example 127.0.0.1'],
  });
  try {
    const page = await browser.newPage();
    for (const origin of [`http://127.0.0.1:${evilPort}`, `http://evil.example:${evilPort}`]) {
      await page.goto(origin);
      for (const address of [running.address, `http://localhost:${port}`, `http://evil.example:${port}`])
        expect(await page.evaluate(steal, { address, path: PATH, tip: TIP })).toEqual([]);
    }
    // The rebound name itself: same origin for the browser, and still nobody we know.
    const rebound = await page.goto(`http://evil.example:${port}/`);
    expect(rebound?.status()).toBe(421);
    expect(
      await page.evaluate(steal, { address: `http://evil.example:${port}`, path: PATH, tip: TIP }),
    ).toEqual([]);
    expect((await fetch(`${running.address}${PATH}`)).status).toBe(404);
    // A page of ours gets all of it.
    await page.goto(`${running.address}/emergency`);
    const own = await page.evaluate(steal, { address: running.address, path: PATH, tip: TIP });
    expect(own.some((line) => line.startsWith('read: {"items"'))).toBe(true);
    expect(own.some((line) => line.startsWith('write: '))).toBe(true);
  } finally {
    await browser.close();
    evil.close();
    await running.stop();
    remove();
  }
});
