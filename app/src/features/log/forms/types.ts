import type { EntryKind } from '@fine-spray/contract';
import type { CaptureContext } from '../defaults';

export type Payload = Readonly<Record<string, unknown>>;

export interface FormProps {
  readonly kind: EntryKind;
  readonly payload: Payload;
  readonly context: CaptureContext;
  /** Sentences by field, once somebody tried to write it down. */
  readonly errors: Readonly<Record<string, string>>;
  readonly onChange: (part: Payload) => void;
  /** A field that holds what cannot be taken, or no longer does. */
  readonly onInvalid: (field: string, message: string | undefined) => void;
}

/** A field of a payload as text; nothing where it is none. */
export function textOf(payload: Payload, field: string): string {
  const value = payload[field];
  return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
}
