import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './chromium.mjs';

/** Specs about the command itself need no browser size. */
const COMMANDS = /(command|restart|offline|soak|durability)\.spec\.ts/;

export default defineConfig({
  testDir: '.',
  globalSetup: './global-setup.ts',
  workers: 1,
  // No test is about speed (that is the bench): the limits only end what hangs, on the slowest machine seen.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  retries: 0,
  reporter: [['line'], ['json', { outputFile: process.env['E2E_REPORT'] ?? '../.build/e2e.json' }]],
  outputDir: '../test-results',
  use: { launchOptions: CHROMIUM, trace: 'off', screenshot: 'off', serviceWorkers: 'block' },
  projects: [
    { name: 'phone', testIgnore: COMMANDS, use: { viewport: { width: 390, height: 844 }, hasTouch: true } },
    { name: 'wide', testIgnore: COMMANDS, use: { viewport: { width: 1280, height: 800 } } },
    {
      name: 'command',
      testMatch: COMMANDS,
      use: { viewport: { width: 390, height: 844 }, serviceWorkers: 'allow' },
    },
  ],
});
