import { firstAnswer, type FirstAnswer } from '@fine-spray/contract/planning';
import type { Database } from '../db/database';
import { kitNow } from '../paper/rows';
import type { Actor } from '../people/actor';

/** An answer is told again for so long before it is worked out anew, ms: many may open at once. */
const HOLDS = 5000;
/** A page does not wait longer for its answer, ms. */
const PATIENCE = 400;

/** The answer of the set-up without a job as it is for whoever opens it first, by company. */
export class FirstAnswers {
  readonly #known = new Map<
    string,
    { readonly at: number; readonly answer: Promise<FirstAnswer | undefined> }
  >();
  readonly #db: Database;
  constructor(db: Database) {
    this.#db = db;
  }

  /** The answer for somebody; nothing where there is none, or it takes too long: the program works it out. */
  async for(actor: Actor): Promise<FirstAnswer | undefined> {
    const now = performance.now();
    for (const [company, { at }] of this.#known) if (now - at > HOLDS) this.#known.delete(company);
    const known = this.#known.get(actor.companyId);
    // A new device has metric units large.
    const answer =
      known?.answer ??
      kitNow(this.#db, actor)
        .then((kit) => firstAnswer(kit, 'metric'))
        .catch(() => undefined);
    if (!known) this.#known.set(actor.companyId, { at: now, answer });
    let timer: NodeJS.Timeout | undefined;
    const late = new Promise<undefined>(
      (resolve) => (timer = setTimeout(() => resolve(undefined), PATIENCE)),
    );
    return Promise.race([answer, late]).finally(() => clearTimeout(timer));
  }
}

const SIGNS: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
const safe = (text: string): string => text.replace(/[&<>"']/g, (sign) => SIGNS[sign] ?? sign);

/** Where the answer goes in a page: before what stands there without one. */
const PLACE = '<div class="first-picture"';

/** The page with an answer that stands there before the program does, and that the program goes on with. */
export function withAnswer(page: string, answer: FirstAnswer): string {
  const parts = answer.parts.map(
    ({ label, value }) => `<p><small>${safe(label)}</small><b>${safe(value)}</b></p>`,
  );
  const shown = [
    `<div class="first-answer" data-answer="${safe(JSON.stringify(answer))}">`,
    '<small>Without a job</small><h1>Set-up</h1>',
    `<p class="of">${safe(answer.of)}</p>`,
    `<div class="parts">${parts.join('')}</div>`,
    `<p>${safe(answer.why)}</p><p class="note">${safe(answer.note)}</p>`,
    '<p>The rest of the card is on its way.</p>',
    '</div>',
  ];
  return page.replace(PLACE, () => `${shown.join('')}${PLACE}`);
}
