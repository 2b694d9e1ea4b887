import { USUAL_BOOK, type Coating, type Job, type Surface } from '@fine-spray/contract';
import { ordersFor, type Kit, type SystemChoice } from '@fine-spray/contract/planning';
import { aboutText, showText, type DisplayKind } from '@fine-spray/core';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { useCompany } from '@/data/resources';
import { usePurchase } from '@/features/buy';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { COMPARED, comparisonOf, type Comparison } from './compare';
import { coreLayers, systemText, type Preset } from '@/data/systems';
import type { StartWorker } from '@/data/worker';

/** Ways side by side at most: a fourth does not fit a phone. */
const MOST = 3;

export interface CompareSheetProps {
  readonly title: string;
  readonly job: Job;
  readonly kit: Kit;
  /** Surfaces that the ways are compared on. */
  readonly surfaces: readonly Surface[];
  readonly presets: readonly Preset[];
  readonly onClose: () => void;
  readonly startWorker?: StartWorker | undefined;
}

/** Two or three coating systems on the same surfaces, side by side: paint, money, hours, waiting, film and how sure it is. */
export function CompareSheet({
  title,
  job,
  kit,
  surfaces,
  presets,
  onClose,
  startWorker,
}: CompareSheetProps) {
  const [chosen, setChosen] = useState<readonly string[]>(() => presets.slice(0, 2).map(({ id }) => id));
  const shown = presets.filter(({ id }) => chosen.includes(id));
  const toggle = (id: string) =>
    setChosen((now) => (now.includes(id) ? now.filter((one) => one !== id) : [...now, id].slice(-MOST)));
  return (
    <Sheet title={title} onClose={onClose}>
      <Words colour="ink2">{`On ${surfaces.length} ${surfaces.length === 1 ? 'surface' : 'surfaces'}. Choose two or three.`}</Words>
      <View className="gap-2">
        {presets.map(({ id, name }) => {
          const on = chosen.includes(id);
          return (
            <Pressable
              key={id}
              role="checkbox"
              aria-checked={on}
              onPress={() => toggle(id)}
              className={`min-h-[48px] justify-center rounded-xl border-2 px-4 ${on ? 'border-identity bg-identity-tint' : 'border-rule bg-sheet'}`}
            >
              <Words weight={on ? 'bold' : 'regular'}>{name}</Words>
            </Pressable>
          );
        })}
      </View>
      <View className="flex-row gap-2">
        {shown.map(({ id, name, choice }) => (
          <Column
            key={id}
            name={name}
            choice={choice}
            job={job}
            kit={kit}
            surfaces={surfaces}
            startWorker={startWorker}
          />
        ))}
      </View>
      <Words size={14} colour="ink2">
        Same surfaces, same machine; tips as the set-up chooses them. Containers enough four times in five.
        Data sheets take precedence.
      </Words>
    </Sheet>
  );
}

const KINDS: Readonly<Partial<Record<keyof Comparison, DisplayKind>>> = {
  likely: 'volume',
  sure: 'volume',
  spraying: 'duration',
  waiting: 'duration',
  dryFilm: 'dryFilm',
};

function Column({
  name,
  choice,
  job,
  kit,
  surfaces,
  startWorker,
}: {
  name: string;
  choice: SystemChoice;
  job: Job;
  kit: Kit;
  surfaces: readonly Surface[];
  startWorker?: StartWorker | undefined;
}) {
  const { system } = useUnits();
  const { data: company } = useCompany();
  const book = company?.book ?? USUAL_BOOK;
  const coatings: readonly Coating[] = kit.coatings;
  const orders = useMemo(() => {
    const { coatingId, coats, thinning, under } = choice;
    const coated = surfaces.map((surface) => ({ ...surface, coatingId, coats, thinning, under, tip: null }));
    return ordersFor(coated, job, kit).orders;
  }, [choice, surfaces, job, kit]);
  const { state } = usePurchase(orders, startWorker);
  const layers = useMemo(() => coreLayers(choice, coatings), [choice, coatings]);
  const numbers =
    state.kind === 'done'
      ? comparisonOf(orders, state.distributions, state.trigger, layers, book)
      : undefined;
  const text = (what: keyof Comparison): string => {
    const value = numbers?.[what];
    if (value === undefined) return '…';
    if (value === null) return what === 'spraying' ? '…' : 'no price';
    const kind = KINDS[what];
    return kind ? showText(value, kind, system) : aboutText(value, book.currency);
  };
  return (
    <View
      role="group"
      aria-label={name}
      className="min-w-0 flex-1 gap-2 rounded-2xl border border-rule bg-sheet p-3"
    >
      <Words weight="bold" numberOfLines={3}>
        {name}
      </Words>
      <Words size={14} colour="ink2">
        {systemText(choice, coatings)}
      </Words>
      {state.kind === 'refused' ? <Words colour="danger">{state.message}</Words> : null}
      {(Object.keys(COMPARED) as (keyof Comparison)[]).map((what) => (
        <View key={what}>
          <Words size={14} colour="ink2">
            {COMPARED[what]}
          </Words>
          <Words weight="digits-bold" size={what === 'likely' ? 22 : 18}>
            {text(what)}
          </Words>
        </View>
      ))}
    </View>
  );
}
