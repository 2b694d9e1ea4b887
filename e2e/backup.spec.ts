import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import {
  cpSync,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@playwright/test';
import { backupsIn, untilNext } from '../scripts/lib/backups.mjs';
import { freePort, runStart, startFineSpray, temporaryHome } from './fine-spray';

const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');

/** Runs a command of the program to its end. */
function run(
  script: 'backup' | 'restore',
  home: string,
  ...args: string[]
): { code: number | null; said: string } {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    [path.join(ROOT, `scripts/${script}.mjs`), ...args],
    {
      env: { ...process.env, DATABASE_URL: '', FINE_SPRAY_HOME: home },
    },
  );
  return { code: status, said: `${stdout.toString()}${stderr.toString()}` };
}

const note = (text: string) => ({
  kind: 'note',
  at: new Date().toISOString(),
  author: 'AB',
  jobId: null,
  surfaceId: null,
  replaces: null,
  payload: { text },
});

async function write(address: string, text: string): Promise<string> {
  const id = randomUUID();
  const answer = await fetch(`${address}/api/entries/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ ...note(text), version: 0 }),
  });
  expect(answer.status).toBe(200);
  return id;
}
const entries = async (address: string): Promise<string[]> => {
  const { items } = (await (await fetch(`${address}/api/entries`)).json()) as { items: { id: string }[] };
  return items.map(({ id }) => id);
};

test('a restore has everything to the last entry before the backup, and devices send what came after', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const { home, remove } = temporaryHome();
  const port = await freePort();
  const first = await startFineSpray(home, port);
  const before = await write(first.address, 'The last before the backup');
  expect(run('backup', home).said).toMatch(/Backed up to .*hand-\d{8}-\d{6}\.dump/);
  const all = await entries(first.address);
  expect(all).toContain(before);
  const after = await write(first.address, 'The first after the backup');
  // A phone that has seen it.
  await page.goto(`${first.address}/log/journal`);
  // Late in the day it stands far down, below what the demo wrote today: found, not scrolled for.
  await page.getByLabel('Find').fill('first after the backup');
  await expect(page.getByText('The first after the backup')).toBeVisible();
  await page.waitForTimeout(500);
  expect(run('restore', home).said).toMatch(/hand .*kB .*\nChoose one: npm run restore FILE/s);
  const [made] = backupsIn(path.join(home, 'backups'));
  expect(run('restore', home, made?.file ?? '').said).toMatch(/already runs from/);
  await first.stop();

  const wrong = path.join(home, 'wrong.dump');
  writeFileSync(wrong, 'no dump');
  expect(run('restore', home, wrong)).toMatchObject({
    code: 1,
    said: expect.stringMatching(/no backup that can be read.*Nothing was changed/s),
  });
  expect(run('restore', home, made?.file ?? '')).toMatchObject({
    code: 0,
    said: expect.stringContaining('Restored from'),
  });

  const second = await startFineSpray(home, port);
  expect(new Set(await entries(second.address))).toEqual(new Set(all));
  await page.goto(`${second.address}/log/journal`);
  await expect.poll(() => entries(second.address)).toContain(after);
  expect(new Set(await entries(second.address))).toEqual(new Set([...all, after]));
  // It can still be written and stopped as before.
  await write(second.address, 'And on');
  expect(await second.stop()).toBe(0);
  remove();
});

test('another PostgreSQL on the machine changes nothing; where ours is gone, it says what to do', async () => {
  test.setTimeout(120_000);
  const { home, remove } = temporaryHome();
  const version = readdirSync('/usr/lib/postgresql').sort((a, b) => Number(b) - Number(a))[0] ?? '';
  const programs = path.join(home, 'programs');
  for (const name of [version, '99']) {
    mkdirSync(path.join(programs, name), { recursive: true });
    symlinkSync(path.join('/usr/lib/postgresql', version, 'bin'), path.join(programs, name, 'bin'));
  }
  await (await startFineSpray(home, await freePort())).stop();
  const env = { FINE_SPRAY_HOME: home, PORT: String(await freePort()) };
  const both = runStart({ ...env, FINE_SPRAY_POSTGRES: programs });
  await expect.poll(() => both.output()).toContain('Fine Spray is at');
  both.signal('SIGTERM');
  expect(await both.ended).toBe(0);
  const only = path.join(home, 'only');
  mkdirSync(only);
  cpSync(path.join(programs, '99'), path.join(only, '99'), { recursive: true, verbatimSymlinks: true });
  const gone = runStart({ ...env, FINE_SPRAY_POSTGRES: only });
  expect(await gone.ended).toBe(1);
  expect(gone.output()).toMatch(
    new RegExp(
      `are of PostgreSQL ${version}, .* only another version.*as they were.*apt-get install postgresql-${version}`,
    ),
  );
  remove();
});

test('a disk that is full is said at the start, and while it runs what is there can be read', async () => {
  test.skip(process.getuid?.() !== 0, 'Only root can make a small disk.');
  test.setTimeout(120_000);
  const { home, remove } = temporaryHome();
  const disk = path.join(home, 'disk');
  mkdirSync(disk);
  test.skip(
    spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=160m,mode=755', 'tmpfs', disk]).status !== 0,
    'No disk can be made here.',
  );
  try {
    const running = await startFineSpray(disk, await freePort());
    const known = (await entries(running.address)).length;
    expect(running.output()).toMatch(/nearly full: \d+ MB are left/);
    spawnSync('dd', ['if=/dev/zero', `of=${path.join(disk, 'full')}`, 'bs=64k']);
    const filler = 'x'.repeat(1900);
    let refused: Response | undefined;
    for (let count = 0; count < 3000 && !refused; count += 1) {
      const answer = await fetch(`${running.address}/api/entries`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({
          entries: Array.from({ length: 50 }, () => ({
            id: randomUUID(),
            ...note(`${randomUUID()} ${filler}`),
          })),
        }),
      });
      if (!answer.ok) refused = answer;
    }
    // PostgreSQL refuses the write, or ends itself where its own journal finds no room, and is started again.
    expect([503, 507]).toContain(refused?.status);
    spawnSync('rm', [path.join(disk, 'full')]);
    await expect.poll(async () => (await fetch(`${running.address}/api/health`)).status).toBe(200);
    expect((await entries(running.address)).length).toBeGreaterThanOrEqual(known);
    await write(running.address, 'There is room again');
    await running.stop();
    spawnSync('dd', ['if=/dev/zero', `of=${path.join(disk, 'full')}`, 'bs=64k']);
    const full = runStart({ FINE_SPRAY_HOME: disk, PORT: String(await freePort()) });
    expect(await full.ended).toBe(1);
    expect(full.output()).toMatch(/The disk of .* is full: \d+ MB are left, .*Make room and start again/);
  } finally {
    spawnSync('umount', [disk]);
    remove();
  }
});

test('the backup of the night comes at half past two, or soon where one was missed', () => {
  const at = (text: string) => new Date(`2026-11-${text}`);
  const hours = (newest: Date | undefined, now: Date) => untilNext(newest, now) / 3_600_000;
  expect(hours(at('27T02:30:00'), at('27T10:30:00'))).toBe(16);
  expect(hours(at('26T02:30:00'), at('27T10:30:00'))).toBe(0.5);
  expect(hours(undefined, at('27T02:20:00'))).toBeCloseTo(1 / 6);
});

test('fourteen of a kind are kept, those by hand for ever; one that was cut off is no backup', async () => {
  test.setTimeout(120_000);
  const { home, remove } = temporaryHome();
  const folder = path.join(home, 'backups');
  mkdirSync(folder);
  for (let day = 10; day < 30; day += 1) {
    for (const kind of ['migration', 'hand'])
      writeFileSync(path.join(folder, `${kind}-202510${day}-023000.dump`), 'x');
  }
  writeFileSync(path.join(folder, 'hand-20251201-023000.dump.abc.part'), 'x');
  const { home: earlier, remove: removeEarlier } = temporaryHome();
  await (await startFineSpray(earlier, await freePort())).stop();
  // As a version before the newest migration left it.
  cpSync(path.join(ROOT, 'server/src/db/earlier/008-hardener.dump'), path.join(earlier, 'earlier.dump'));
  expect(run('restore', earlier, path.join(earlier, 'earlier.dump')).code).toBe(0);
  cpSync(folder, path.join(earlier, 'backups'), { recursive: true });
  const running = await startFineSpray(earlier, await freePort());
  expect(running.output()).toMatch(/Backing up before the database is changed …/);
  const kept = backupsIn(path.join(earlier, 'backups'));
  expect(kept.filter(({ kind }) => kind === 'migration').length).toBe(14);
  expect(kept.filter(({ kind }) => kind === 'hand').length).toBe(20);
  expect(readdirSync(path.join(earlier, 'backups')).some((name) => name.endsWith('.part'))).toBe(false);
  expect(kept[0]?.kind).toBe('migration');
  expect(
    readFileSync(kept[0]?.file ?? '')
      .subarray(0, 5)
      .toString(),
  ).toBe('PGDMP');
  expect(existsSync(path.join(earlier, 'start.pid'))).toBe(true);
  expect(await running.stop()).toBe(0);
  removeEarlier();
  remove();
});
