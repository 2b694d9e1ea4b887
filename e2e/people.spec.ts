import { expect, test, type Page } from '@playwright/test';
import { freePort, startFineSpray, temporaryHome } from './fine-spray';

/** Makes the company of an empty server through its first screen. */
async function firstCompany(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await expect(page.getByRole('heading', { name: 'A new company' })).toBeVisible();
  await page.getByLabel('Company', { exact: true }).fill('Kestrel Finishes');
  await page.getByLabel('Your name').fill('Ida Berg');
  await page.getByLabel('Your initials').fill('IB');
  await page.getByLabel('Sign-in name').fill('ida');
  await page.getByLabel('Password').fill('short');
  await page.getByRole('button', { name: 'Make the company' }).click();
  await expect(page.getByText('A password has 10 characters at least.').first()).toBeVisible();
  await page.getByLabel('Password').fill('correct horse battery');
  await page.getByRole('button', { name: 'Make the company' }).click();
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
}

/** Adds somebody and shows a code for their phone. */
async function invite(page: Page, address: string, name: string, role: string): Promise<string> {
  await page.goto(`${address}/people/new`);
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Initials').fill(name.slice(0, 2).toUpperCase());
  await page.getByRole('radio', { name: role }).click();
  await page.getByRole('button', { name: 'Store' }).click();
  await page.getByRole('button', { name: 'Show a code' }).click();
  const shown = page.getByTestId('invitation');
  await expect(shown.getByRole('img', { name: 'Code to point a camera at' })).toBeVisible();
  const code = /[2-9A-HJ-NP-Z]{5} [2-9A-HJ-NP-Z]{5}/.exec((await shown.textContent()) ?? '')?.[0];
  if (!code) throw new Error('no code is shown');
  return code;
}

test('a company is made, a phone let in by a code and put out again; it forgets what it kept', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  const { home, remove } = temporaryHome();
  const running = await startFineSpray(home, await freePort(), { SIGN_IN: 'on' });
  const { address } = running;
  const phoneOf = async () => (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  try {
    const owner = await phoneOf();
    await firstCompany(owner, address);
    const code = await invite(owner, address, 'Wren Hale', 'Painter');

    const phone = await phoneOf();
    await phone.goto(address);
    await expect(phone.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    // The emergency card is for everybody.
    await phone.getByRole('link', { name: /Injured/ }).click();
    await expect(phone.getByText('Go to an emergency department now.', { exact: false })).toBeVisible();
    // As the camera opens it.
    await phone.goto(`${address}/sign-in#${code.replace(' ', '')}`);
    await expect.poll(() => new URL(phone.url()).hash).toBe('');
    await phone.getByRole('button', { name: 'Use this device as mine' }).click();
    await expect(phone.getByRole('heading', { name: 'Jobs' })).toBeVisible();
    // A painter plans nothing and sees no prices, and writes under their own name.
    await expect(phone.getByRole('button', { name: 'New job' })).toHaveCount(0);
    await phone.goto(`${address}/settings`);
    await expect(phone.getByRole('button', { name: 'People' })).toBeVisible();
    await expect(phone.getByRole('button', { name: 'Rates and prices' })).toHaveCount(0);
    await phone.goto(`${address}/log/write/note`);
    await phone.getByLabel('Note').fill('The hall is dry');
    await phone.getByRole('button', { name: 'Write it down' }).click();
    await expect(phone.getByText('written down.', { exact: false })).toBeVisible();
    await phone.goto(`${address}/log/journal`);
    await expect(phone.getByTestId('journal-row').getByText('WR', { exact: true })).toBeVisible();

    // The code works once.
    const thief = await phoneOf();
    await thief.goto(`${address}/sign-in#${code.replace(' ', '')}`);
    await thief.getByRole('button', { name: 'Use this device as mine' }).click();
    await expect(thief.getByText('This code is not valid any more', { exact: false })).toBeVisible();

    await owner.goto(`${address}/people`);
    await owner.getByRole('link', { name: /Wren Hale/ }).click();
    await owner.getByRole('button', { name: 'Sign out', exact: true }).click();
    await expect(owner.getByText('No device is signed in.')).toBeVisible();
    await phone.goto(`${address}/log/journal`);
    await expect(phone.getByText('An owner has signed this device out.', { exact: false })).toBeVisible();
    await expect
      .poll(() =>
        phone.evaluate(
          () =>
            new Promise<number>((resolve) => {
              const open = indexedDB.open('fine-spray');
              open.onsuccess = () => {
                const read = open.result.transaction('entries').objectStore('entries').count();
                read.onsuccess = () => resolve(read.result);
              };
            }),
        ),
      )
      .toBe(0);
    await expect(phone.getByText('The hall is dry')).toHaveCount(0);
  } finally {
    await running.stop();
    remove();
  }
});

test('an owner signs in with a passkey made on the device; another challenge or a forgotten one is not taken', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  const { home, remove } = temporaryHome();
  const running = await startFineSpray(home, await freePort(), { SIGN_IN: 'on' });
  // Passkeys are of a name, not of a number.
  const address = running.address.replace('127.0.0.1', 'localhost');
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  const client = await context.newCDPSession(page);
  await client.send('WebAuthn.enable');
  await client.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      ...{ protocol: 'ctap2', transport: 'internal', hasResidentKey: true },
      ...{ hasUserVerification: true, isUserVerified: true, automaticPresenceSimulation: true },
    },
  });
  const me = async () => {
    await page.goto(`${address}/people`);
    await page.getByRole('link', { name: /Ida Berg/ }).click();
  };
  try {
    await firstCompany(page, address);
    await me();
    await page.getByRole('button', { name: 'Make a passkey on this device' }).click();
    await expect(page.getByText('You can sign in with this device now.')).toBeVisible();
    await page.getByRole('button', { name: 'Make a passkey on this device' }).click();
    await expect(page.getByText('This device has a passkey of yours already.')).toBeVisible();
    await page.getByRole('button', { name: 'Sign this device out' }).click();
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();

    // An answer is good once: sent again it is refused.
    const sent = page.waitForRequest(`${address}/api/session/passkey`);
    await page.getByRole('button', { name: 'Use a passkey' }).click();
    await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
    const again = await fetch(`${address}/api/session/passkey`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: (await sent).postData() ?? '',
    });
    expect(again.status).toBe(401);

    await me();
    await page.getByRole('button', { name: /^Forget the passkey of/ }).click();
    await expect(page.getByText('The passkey is forgotten here.')).toBeVisible();
    await page.getByRole('button', { name: 'Sign this device out' }).click();
    await page.getByRole('button', { name: 'Use a passkey' }).click();
    await expect(page.getByText('This passkey was not taken.', { exact: false })).toBeVisible();
    await page.getByLabel('Sign-in name').fill('ida');
    await page.getByLabel('Password').fill('correct horse battery');
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  } finally {
    await running.stop();
    remove();
  }
});
