import { USUAL_BOOK, type Job, type Surface } from '@fine-spray/contract';
import {
  coreLayers,
  triggerTimeOf,
  type CoatingOrder,
  type Kit,
  type SystemChoice,
} from '@fine-spray/contract/planning';
import { aboutText, counted, showText, type DisplayKind } from '@fine-spray/core';
import { useMemo } from 'react';
import { useCompany } from '@/data/resources';
import { systemText, type Preset } from '@/data/systems';
import type { StartWorker } from '@/data/worker';
import { useOrders, usePurchase } from '@/features/buy';
import { useUnits } from '@/ui/units';
import { COMPARED, comparisonOf, type Comparison } from './compare';
import { Column, SideBySide } from './SideBySide';

export interface SystemsSheetProps {
  readonly title: string;
  readonly job: Job;
  readonly kit: Kit;
  /** Surfaces that the ways are compared on. */
  readonly surfaces: readonly Surface[];
  readonly presets: readonly Preset[];
  readonly onClose: () => void;
  readonly startWorker?: StartWorker | undefined;
  readonly startOrders?: StartWorker | undefined;
}

/** Two or three coating systems on the same surfaces, side by side: paint, money, hours, waiting, film and how sure it is. */
export function SystemsSheet({ title, presets, surfaces, onClose, ...stand }: SystemsSheetProps) {
  return (
    <SideBySide
      title={title}
      lead={`On ${counted(surfaces.length, 'surface')}.`}
      ways={presets}
      note="Same surfaces, same machine; tips as the set-up chooses them. Containers enough four times in five. Data sheets take precedence."
      column={({ id, name, choice }) => (
        <SystemColumn key={id} name={name} choice={choice} surfaces={surfaces} {...stand} />
      )}
      onClose={onClose}
    />
  );
}

const KINDS: Readonly<Partial<Record<keyof Comparison, DisplayKind>>> = {
  likely: 'volume',
  sure: 'volume',
  spraying: 'duration',
  waiting: 'duration',
  dryFilm: 'dryFilm',
};

const NONE: readonly CoatingOrder[] = [];

function SystemColumn({
  name,
  choice,
  job,
  kit,
  surfaces,
  startWorker,
  startOrders,
}: Pick<SystemsSheetProps, 'job' | 'kit' | 'surfaces' | 'startWorker' | 'startOrders'> & {
  name: string;
  choice: SystemChoice;
}) {
  const { system } = useUnits();
  const { data: company } = useCompany();
  const book = company?.book ?? USUAL_BOOK;
  const { coatings } = kit;
  const coated = useMemo(() => {
    const { coatingId, coats, thinning, under } = choice;
    return surfaces.map((surface) => ({ ...surface, coatingId, coats, thinning, under, tip: null }));
  }, [choice, surfaces]);
  const { orders = NONE } = useOrders({ surfaces: coated, job, kit }, startOrders).orders ?? {};
  const { state } = usePurchase(orders, startWorker);
  const layers = useMemo(() => coreLayers(choice, coatings), [choice, coatings]);
  const numbers =
    state.kind === 'done'
      ? comparisonOf(state.orders, state.distributions, triggerTimeOf(state.orders), layers, book)
      : undefined;
  const text = (what: keyof Comparison): string => {
    const value = numbers?.[what];
    if (value === undefined) return '…';
    if (value === null) return what === 'spraying' ? '…' : 'no price';
    const kind = KINDS[what];
    return kind ? showText(value, kind, system) : aboutText(value, book.currency);
  };
  return (
    <Column
      name={name}
      about={systemText(choice, coatings)}
      failed={state.kind === 'refused' ? state.message : undefined}
      numbers={(Object.keys(COMPARED) as (keyof Comparison)[]).map((what) => ({
        name: COMPARED[what],
        text: text(what),
      }))}
    />
  );
}
