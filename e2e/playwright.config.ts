import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './chromium.mjs';

/** The hour from which on much of a day is written, and the hour it is then taken to be. */
const [EVENING, MORNING] = [15, 10];
const hour = new Date().getHours();
// A journal lists a day from its morning: late in the day what a test wrote just now stands below the window, under all that the demo
// wrote today. In the evening the tests, the server and the browser live further west.
if (process.env['TZ'] === undefined && new Date().getTimezoneOffset() === 0 && hour >= EVENING)
  process.env['TZ'] = `Etc/GMT+${Math.min(12, hour - MORNING)}`;

/** Specs about the command itself, and about a device without its server, need no browser size. */
const COMMANDS =
  /(backup|begin|command|door|people|restart|offline|live|old-jobs|plans|soak|durability)\.spec\.ts/;
/** Sets its sizes itself. */
const BOTH_SIZES = /accessibility\.spec\.ts/;

export default defineConfig({
  testDir: '.',
  globalSetup: './global-setup.ts',
  workers: 2,
  // No test is about speed (that is the bench): the limits only end what hangs, on the slowest machine seen.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  retries: 0,
  reporter: [['line'], ['json', { outputFile: process.env['E2E_REPORT'] ?? '../.build/e2e.json' }]],
  outputDir: '../test-results',
  use: {
    actionTimeout: 60_000,
    launchOptions: CHROMIUM,
    trace: 'off',
    screenshot: 'off',
    serviceWorkers: 'block',
  },
  projects: [
    {
      name: 'command',
      testMatch: COMMANDS,
      use: { viewport: { width: 390, height: 844 }, serviceWorkers: 'allow' },
    },
    // Everything that people do, on a phone; what another layout could break, tagged so, when wide too.
    { name: 'phone', testIgnore: COMMANDS, use: { viewport: { width: 390, height: 844 }, hasTouch: true } },
    {
      name: 'wide',
      testIgnore: [COMMANDS, BOTH_SIZES],
      grep: /@wide/,
      use: { viewport: { width: 1280, height: 800 } },
    },
  ],
});
