import type { EntryKind, PayloadOf } from '@fine-spray/contract';
import type { LucideIcon } from 'lucide-react-native';
import type { ComponentType } from 'react';
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

/** How a kind is begun on the log's screen. */
export interface Tile {
  readonly label: string;
  readonly icon: LucideIcon;
  /** Written down many times a day: first, and large. */
  readonly common?: true;
  /** Makes no sense without a surface. */
  readonly surface?: true;
}

/** A kind that is written with a form. */
export interface WrittenKind<Kind extends EntryKind> {
  readonly tile: Tile;
  readonly form: ComponentType<FormProps>;
  /** What the form opens on: sensible for where one is and what was written last. What is counted or measured is left out. */
  readonly first: (context: CaptureContext) => Partial<PayloadOf<Kind>>;
}

/** A kind that a tool on site writes; with a tile where the log leads to the tool. */
export interface ToolKind {
  readonly tile?: Tile;
  readonly tool: 'paint' | 'dial-in' | 'knob' | 'procedure' | 'entry' | 'picture' | 'reminder' | 'plan';
}

export type AppKind<Kind extends EntryKind> = WrittenKind<Kind> | ToolKind;

/** A field of a payload as text; nothing where it is none. */
export function textOf(payload: Payload, field: string): string {
  const value = payload[field];
  return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
}

/** A field of a payload as a number; nothing before one was said. */
export function numberOf(payload: Payload, field: string): number | undefined {
  const value = payload[field];
  return typeof value === 'number' ? value : undefined;
}
