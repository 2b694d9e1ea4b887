import { expect, test } from '@playwright/test';
import { ownServer } from './ownServer';

const server = ownServer();

test('the sample company is left for one’s own, which is led to its first answer, and come back to', async ({
  page,
  browser,
}) => {
  await page.goto(`${server.address}/settings`);
  // Another device looks at a job of the sample meanwhile.
  const other = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await other.goto(server.address);
  await other.getByRole('link', { name: /Tern Boathouse/ }).click();
  await expect(other.getByTestId('job-path')).toBeVisible();

  await page.getByRole('button', { name: 'Begin your own company' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(sheet.getByText('Company name is missing.')).toBeVisible();
  await sheet.getByLabel('What the company is called').fill('Heron Finishes');
  await sheet.getByLabel('Your name').fill('Ada Holm');
  await sheet.getByLabel('Your initials, as the log shows them').fill('AH');
  await sheet.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page.getByTestId('companies')).toContainText('Look at the sample: Millrace Decorating');
  await expect(page.getByText('Heron Finishes').first()).toBeVisible();

  // Two taps from an empty company to an answer.
  await page.getByRole('link', { name: 'Jobs' }).first().click();
  await expect(page.getByText('No jobs yet')).toBeVisible();
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByRole('button', { name: 'Begin with a usual kit' }).click();
  await expect(page.getByTestId('setup-card')).toContainText(/fan \d+ = /);

  // A job of its own, and the name on its paper.
  await page.goto(`${server.address}/new`);
  await page.getByLabel('What the job is called').fill('Our first house');
  await page.getByRole('button', { name: 'Make the job' }).click();
  await expect(page.getByRole('heading', { name: 'Our first house' })).toBeVisible();
  await page.goto(`${server.address}/settings`);
  const company = page.getByTestId('company');
  await company.getByLabel(/^Under the name on paper/).fill('Quay 4, 0123 456');
  await company.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByText('Heron Finishes is kept.')).toBeVisible();
  await page.reload();
  await expect(company.getByLabel(/^Under the name on paper/)).toHaveValue('Quay 4, 0123 456');
  // Nothing made up in a company of one's own until somebody asks for it.
  const standIns = page.getByRole('switch', { name: 'Stand-ins of outside devices' });
  await expect(standIns).not.toBeChecked();
  await standIns.click();
  await expect(standIns).toBeChecked();
  // A tap within a third of a second is the same one.
  await page.waitForTimeout(400);
  await standIns.click();
  await expect(standIns).not.toBeChecked();

  // The other device sees no mixture: it opens anew with what answers now.
  await other.reload();
  await expect(other.getByText(/There is no such job|Our first house/).first()).toBeVisible();
  await other.goto(server.address);
  await expect(other.getByRole('link', { name: /Our first house/ })).toBeVisible();
  await expect(other.getByRole('link', { name: /Tern Boathouse/ })).toHaveCount(0);

  await page.getByRole('button', { name: 'Look at the sample: Millrace Decorating' }).click();
  await expect(page.getByTestId('companies')).toContainText('Go to Heron Finishes');
  await expect(standIns).toBeChecked();
  await page.getByRole('link', { name: 'Jobs' }).first().click();
  await expect(page.getByRole('link', { name: /Tern Boathouse/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /Our first house/ })).toHaveCount(0);
  await other.context().close();
});

test('a company goes out as one file, and comes in as another company with all that was in it', async ({
  page,
}) => {
  await page.goto(`${server.address}/settings`);
  const panel = page.getByTestId('company-file');
  const download = page.waitForEvent('download');
  await panel.getByRole('button', { name: 'Take the company along' }).click();
  const file = await (await download).path();

  await panel.getByRole('button', { name: 'Open a company file' }).click();
  const sheet = page.getByRole('dialog');
  const choose = async () => {
    const chooser = page.waitForEvent('filechooser');
    await sheet.getByRole('button', { name: 'Choose the file' }).click();
    await (await chooser).setFiles(file);
  };
  await choose();
  await expect(
    sheet.getByText(/There is a company called .* already. Give this one another name./),
  ).toBeVisible();
  await sheet.getByLabel('What it is to be called here, if not as in the file').fill('The same again');
  // A tap within a third of a second is the same one.
  await page.waitForTimeout(400);
  await choose();
  await expect(page.getByTestId('companies')).toContainText('Look at the sample: Millrace Decorating');
  await expect(page.getByTestId('company').getByLabel('Name', { exact: true })).toHaveValue('The same again');
  await page.getByRole('link', { name: 'Jobs' }).first().click();
  await page
    .getByRole('link', { name: /Tern Boathouse/ })
    .first()
    .click();
  await expect(page.getByTestId('job-path')).toBeVisible();
});
