import type { EntryKind } from '@fine-spray/contract';
import { slugOf } from '@/features/journal';
import type { CaptureContext } from '../defaults';
import { care, knob, machine, picture, setupConfirmed, step, viscosity, withdrawn } from './byTool';
import { coatFinished, coatStarted } from './coats';
import { containerOpened, delivered, paintOut } from './containers';
import { comb, dryReading } from './films';
import { sprayed } from './litres';
import { fanMeasured, tipCleaned, tipFitted, tipRetired, tipReversed } from './tips';
import type { AppKind, Payload, Tile, ToolKind, WrittenKind } from './types';
import { clog, fault, incident, note, touchUp } from './words';
import { trial } from './trials';
import { worked } from './worked';

/** Every kind of entry on the screen, in the order of the tiles. The compiler refuses one that is missing. */
const APP_KINDS: { readonly [Kind in EntryKind]: AppKind<Kind> } = {
  comb,
  sprayed,
  'coat started': coatStarted,
  'coat finished': coatFinished,
  'container opened': containerOpened,
  worked,
  note,
  viscosity,
  'set-up confirmed': setupConfirmed,
  delivered,
  'paint out': paintOut,
  'tip fitted': tipFitted,
  'fan measured': fanMeasured,
  'tip reversed': tipReversed,
  'tip cleaned': tipCleaned,
  'tip retired': tipRetired,
  'dry reading': dryReading,
  clog,
  fault,
  'touch-up': touchUp,
  trial,
  incident,
  care,
  knob,
  machine,
  step,
  picture,
  withdrawn,
};

const ALL = Object.entries(APP_KINDS) as readonly (readonly [EntryKind, AppKind<EntryKind>])[];
const isWritten = (one: AppKind<EntryKind>): one is WrittenKind<EntryKind> => 'form' in one;

/** A kind with its tile, and the tool it leads to where one writes it. */
export interface KindTile extends Tile {
  readonly kind: EntryKind;
  readonly tool?: ToolKind['tool'];
}

const TILES: readonly KindTile[] = ALL.flatMap(([kind, one]) =>
  one.tile ? [{ kind, ...one.tile, ...(isWritten(one) ? {} : { tool: one.tool }) }] : [],
);

/** What is written down many times a day, and the rest. */
export const COMMON = TILES.filter(({ common }) => common);
export const OTHERS = TILES.filter(({ common }) => !common);

/** Kinds that are written with a form. */
export const WRITTEN = ALL.flatMap(([kind, one]) => (isWritten(one) ? [kind] : []));

/** The kind an address names; nothing where no form is. */
export const kindOfSlug = (slug: string): EntryKind | undefined =>
  WRITTEN.find((kind) => slugOf(kind) === slug);

/** A kind that is written with a form; nothing for one that a tool writes. */
export function writtenKind(kind: EntryKind): WrittenKind<EntryKind> | undefined {
  const one: AppKind<EntryKind> = APP_KINDS[kind];
  return isWritten(one) ? one : undefined;
}

/** What a form opens on. */
export const firstPayload = (kind: EntryKind, context: CaptureContext): Payload =>
  writtenKind(kind)?.first(context) ?? {};

export type { FormProps, Payload } from './types';
