import { firstAnswer, type FirstAnswer } from '@fine-spray/contract/planning';
import type { Database } from '../db/database';
import { kitNow } from '../paper/rows';
import type { Actor } from '../people/actor';

/** An answer is told again for so long before it is worked out anew, ms: many may open at once. */
const HOLDS = 5000;
/** And for so many times as long as it took: a long log is not read for every page. */
const TIMES = 20;
/** A page does not wait longer for its answer, ms. */
const PATIENCE = 400;

interface Known {
  readonly answer: Promise<FirstAnswer | undefined>;
  until: number;
}

/** The answer of the set-up without a job as it is for whoever opens it first, by company. */
export class FirstAnswers {
  readonly #known = new Map<string, Known>();
  readonly #db: Database;
  constructor(db: Database) {
    this.#db = db;
  }

  /** The answer for somebody; nothing where there is none, or it takes too long: the program works it out. */
  async for(actor: Actor): Promise<FirstAnswer | undefined> {
    const { answer } = this.#knownFor(actor);
    let timer: NodeJS.Timeout | undefined;
    const late = new Promise<undefined>(
      (resolve) => (timer = setTimeout(() => resolve(undefined), PATIENCE)),
    );
    return Promise.race([answer, late]).finally(() => clearTimeout(timer));
  }

  #knownFor(actor: Actor): Known {
    const begun = performance.now();
    for (const [company, { until }] of this.#known) if (begun > until) this.#known.delete(company);
    const before = this.#known.get(actor.companyId);
    if (before) return before;
    const answer = this.#workOut(actor).finally(() => {
      const now = performance.now();
      known.until = now + Math.max(HOLDS, TIMES * (now - begun));
    });
    const known: Known = { answer, until: Infinity };
    this.#known.set(actor.companyId, known);
    return known;
  }

  /** As a new device shows it, with metric units large. */
  async #workOut(actor: Actor): Promise<FirstAnswer | undefined> {
    try {
      return firstAnswer(await kitNow(this.#db, actor), 'metric');
    } catch {
      // The page goes without: what is wrong is said where it is asked for.
      return undefined;
    }
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
    `<p>${safe(answer.coming)}</p>`,
    '</div>',
  ];
  return page.replace(PLACE, () => `${shown.join('')}${PLACE}`);
}
