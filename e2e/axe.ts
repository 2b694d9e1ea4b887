import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';

const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Violation {
  readonly id: string;
  readonly nodes: readonly { readonly html: string; readonly failureSummary?: string }[];
}

export type Rules = { readonly runOnly?: readonly string[] };

/** Brings axe into a page; once is enough for as long as the page is not loaded anew. */
export const bringAxe = (page: Page): Promise<unknown> => page.evaluate(axeSource);

/** What axe finds wrong with what a page shows, by rule. */
export async function broken(page: Page, rules: Rules = {}): Promise<string[]> {
  const found = await page.evaluate(async (options) => {
    const { axe } = globalThis as unknown as {
      axe: { run(options: Rules & { resultTypes: string[] }): Promise<{ violations: Violation[] }> };
    };
    // Only what is wrong is looked at closer.
    return (await axe.run({ ...options, resultTypes: ['violations'] })).violations;
  }, rules);
  return found.flatMap(({ id, nodes }) =>
    nodes.map(({ html, failureSummary }) => `${id}: ${html.slice(0, 160)} ${failureSummary ?? ''}`),
  );
}
