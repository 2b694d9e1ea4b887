import { expect, test } from '@playwright/test';
import { openQuestion } from './pages';
import { freePort, startFineSpray, temporaryHome } from './fine-spray';

test('stop the server, start it again: everything is there, and the emergency card was there in between', async ({
  page,
}) => {
  test.setTimeout(120_000);
  const { home, remove } = temporaryHome();
  const port = await freePort();
  const first = await startFineSpray(home, port);
  try {
    await page.goto(first.address);
    await page.getByRole('link', { name: /Tern Boathouse/ }).click();
    await page.getByRole('link', { name: /Stair wall, left/ }).click();
    await openQuestion(page, 'what');
    await page.getByLabel('Width, m').first().fill('11.1');
    await expect(page.getByTestId('save-state')).toHaveText('Stored on the server');
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
    });
    const url = page.url();

    expect(await first.stop()).toBe(0);
    await page.getByRole('link', { name: /Injured/ }).click();
    await expect(page.getByText('Go to an emergency department now.', { exact: false })).toBeVisible();
    await page.goto(`${first.address}/emergency`);
    await expect(page.getByText('Go to an emergency department now.', { exact: false })).toBeVisible();
    await page.goto(first.address);
    await expect(page.getByTestId('strip')).toContainText('The server is not reached.');
    await expect(page.getByRole('link', { name: /Tern Boathouse/ })).toBeVisible();

    const second = await startFineSpray(home, port);
    await expect(page.getByRole('link', { name: /Tern Boathouse/ })).toBeVisible();
    await page.goto(url);
    await openQuestion(page, 'what');
    await expect(page.getByLabel('Width, m').first()).toHaveValue('11.1');
    expect(await second.stop()).toBe(0);
  } finally {
    remove();
  }
});

test('what is typed while the server is away is stored when it is back', async ({ page }) => {
  test.setTimeout(120_000);
  const { home, remove } = temporaryHome();
  const port = await freePort();
  const first = await startFineSpray(home, port);
  try {
    await page.goto(first.address);
    await page.getByRole('link', { name: /Kiln House/ }).click();
    await page.getByRole('link', { name: /Window wall/ }).click();
    await expect(page.getByTestId('setup-card')).toBeVisible();
    await openQuestion(page, 'what');
    await first.stop();
    await page.getByLabel('Height, m').first().fill('2.9');
    await expect(page.getByTestId('save-state')).toHaveText('Kept on this device, waiting to send');
    const second = await startFineSpray(home, port);
    await expect(page.getByTestId('save-state')).toHaveText('Stored on the server', { timeout: 20_000 });
    await page.reload();
    await openQuestion(page, 'what');
    await expect(page.getByLabel('Height, m').first()).toHaveValue('2.9');
    await second.stop();
  } finally {
    remove();
  }
});
