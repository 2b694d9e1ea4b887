/** A typed refusal: what is wrong and what is allowed, at which field. The one way to fail on user input. */
export interface Refusal {
  readonly ok: false;
  readonly code: string;
  readonly message: string;
  readonly field: string;
}

export interface Accepted<T> {
  readonly ok: true;
  readonly value: T;
}

export type Result<T> = Accepted<T> | Refusal;

export function accept<T>(value: T): Accepted<T> {
  return { ok: true, value };
}

export function refuse(code: string, field: string, message: string): Refusal {
  return { ok: false, code, message, field };
}

/** The first refusal among checks, or nothing when all are accepted. */
export function firstRefusal(...checks: readonly Result<unknown>[]): Refusal | undefined {
  return checks.find((check): check is Refusal => !check.ok);
}
