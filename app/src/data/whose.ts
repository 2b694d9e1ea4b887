import { call, ofCompany } from './api';

/** The company whose rows this device keeps now, and the first it ever kept: its stores have no name of their own. */
const NOW = 'fine-spray.company';
const FIRST = 'fine-spray.first-company';
/** Where versions without companies noted whose log they kept. */
const BEFORE = 'fine-spray.kept.log-of';

function noted(name: string): string | undefined {
  try {
    return globalThis.localStorage?.getItem(name) ?? undefined;
  } catch {
    return undefined;
  }
}
function note(name: string, value: string): void {
  try {
    globalThis.localStorage?.setItem(name, value);
  } catch {
    // Storage is forbidden: nothing of another company is kept either.
  }
}

/** The first company of this device, by itself or by an older version. */
const firstCompany = (): string | undefined => noted(FIRST) ?? noted(BEFORE)?.replaceAll('"', '');

/** What the stores of this device are called for the company it is of: companies never share one. */
export function storeName(base: string): string {
  const now = noted(NOW);
  return now === undefined || now === (firstCompany() ?? now) ? base : `${base}.${now}`;
}

/** Opens the page anew, with the stores of the company it is of now. */
let openAnew = (): void => globalThis.location?.reload();

/** For tests: what is done instead of opening the page anew. */
export const onAnotherCompany = (then: () => void): void => {
  openAnew = then;
};

/** Which company the page works with, by its stores. */
let pageOf: string | undefined;

/**
 * The server says of which company this device is.
 * @returns whether the page may go on; where it keeps another company's rows it is opened anew with the right ones
 */
export function isOf(companyId: string): boolean {
  if (firstCompany() === undefined) note(FIRST, companyId);
  const before = pageOf ?? noted(NOW) ?? firstCompany();
  pageOf = before ?? companyId;
  note(NOW, companyId);
  if (pageOf === companyId) return true;
  openAnew();
  return false;
}

let looking = false;
ofCompany({
  shown: () => pageOf ?? noted(NOW),
  other: () => {
    if (looking) return;
    looking = true;
    void call('GET', '/api/me')
      .then((me) => {
        const now = companyIn(me);
        if (now !== undefined) isOf(now);
      })
      .catch(() => undefined)
      .finally(() => {
        looking = false;
      });
  },
});

/** Company of an answer about who one is. */
export const companyIn = (me: unknown): string | undefined => {
  const { company } = (me ?? {}) as { readonly company?: { readonly id?: unknown } };
  return typeof company?.id === 'string' ? company.id : undefined;
};

/** Those who share this device, where people sign in. */
let people: ReadonlySet<string> | undefined;

/** Notes who shares this device, of an answer about who one is. */
function notePeople(me: unknown): void {
  const { signIn, people: all } = (me ?? {}) as { readonly signIn?: unknown; readonly people?: unknown };
  people =
    signIn === true && Array.isArray(all)
      ? new Set(all.map((one: unknown) => String((one as { readonly id?: unknown } | null)?.id)))
      : undefined;
}

/** Whether somebody shares this device: where nobody signs in everyone does. */
export const isHere = (personId: string): boolean => people?.has(personId) ?? true;

let asked: Promise<boolean> | undefined;

/**
 * Whether what this page keeps is of the company the server takes it for: known once it has answered. Nothing is sent and
 * nothing is taken over before. Asked again where it could not be told.
 */
export function surelyOurs(): Promise<boolean> {
  asked ??= call('GET', '/api/me')
    .then((me) => {
      notePeople(me);
      const company = companyIn(me);
      return company !== undefined && isOf(company);
    })
    .catch((error: unknown) => {
      asked = undefined;
      throw error;
    });
  return asked;
}

/** For tests: a page that was just opened. */
export function forgetWhose(): void {
  asked = undefined;
  pageOf = undefined;
  people = undefined;
}
