import type { Surface } from '@fine-spray/contract';
import { measure, showText, type DerivedSurface, type Element, type PlaceMeasure } from '@fine-spray/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { rowsFor } from '@/data/takeoff';
import { AreaLines } from '@/features/area';
import { Button } from '@/ui/button';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';
import { TickRow } from '@/ui/tickRow';
import { useUnits } from '@/ui/units';

/** The surfaces that follow from a place: each with its area, opened for its arithmetic and its set-up. */
export function Follows({
  place,
  derived,
  stored,
  onSkip,
  onApart,
}: {
  place: PlaceMeasure;
  derived: readonly DerivedSurface[];
  stored: readonly Surface[];
  onSkip: (element: Element, skip: boolean) => void;
  /** Walls and slopes as surfaces of their own, or as one; missing where a place has none. */
  onApart?: ((apart: boolean) => void) | undefined;
}) {
  const { system } = useUnits();
  const apart = (place.apart ?? []).length > 0;
  // Walls that are surfaces of their own are told by their names.
  const [open, setOpen] = useState<string>();
  const rows = rowsFor(derived, stored);
  const keyOf = ({ element, part = '' }: DerivedSurface) => `${element} ${part}`;
  const at = derived.findIndex((one) => keyOf(one) === open);
  const shown = derived[at];
  return (
    <View className="gap-1">
      <View className="flex-row flex-wrap gap-2">
        {derived.map((one, index) => {
          const { name, geometry } = one;
          const row = rows[index];
          const area = measure(
            row?.geometry.override ? { ...geometry, override: row.geometry.override } : geometry,
          );
          return (
            <Pressable
              key={keyOf(one)}
              role="button"
              onPress={() => setOpen(keyOf(one))}
              className="min-h-[72px] min-w-[47%] flex-1 rounded-2xl border border-rule bg-sheet px-4 py-2"
            >
              <Words size={14} colour="ink2">
                {row?.name ?? name}
              </Words>
              <Words size={22} weight="digits-bold">
                {area.ok ? showText(area.value.net, 'area', system) : '–'}
              </Words>
              {row?.geometry.override ? (
                <Words size={14} colour="caution">
                  put in by hand
                </Words>
              ) : null}
              <Words className="sr-only">How it was worked out</Words>
            </Pressable>
          );
        })}
      </View>
      {onApart ? (
        <View className="mt-2">
          <TickRow
            role="checkbox"
            label="Each wall by itself"
            note="For a wall in another colour or coating; slopes of the ceiling too."
            on={apart}
            onPress={() => onApart(!apart)}
          />
        </View>
      ) : null}
      {place.skipped.map((element) => (
        <View key={element} className="flex-row items-center gap-2">
          <Words colour="ink2" className="min-w-0 flex-1">
            {`${SKIPPED[element]} not painted here`}
          </Words>
          <Button label="Paint after all" kind="quiet" onPress={() => onSkip(element, false)} />
        </View>
      ))}
      {shown ? (
        <Arithmetic
          derived={shown}
          row={rows[at]}
          onSkip={
            shown.part === undefined
              ? () => {
                  setOpen(undefined);
                  onSkip(shown.element, true);
                }
              : undefined
          }
          onClose={() => setOpen(undefined)}
        />
      ) : null}
    </View>
  );
}

const SKIPPED: Readonly<Record<Element, string>> = {
  wall: 'Walls',
  ceiling: 'Ceiling',
  door: 'Doors',
  cabinet: 'Cabinets and shelves',
  trim: 'Trim',
  edge: 'Soffit, fascia, gutters',
  spindles: 'Spindles and rails',
  'lapped-fence': 'Closed fence',
  'open-fence': 'Open fence',
};

/** How an area was worked out, line by line. */
function Arithmetic({
  derived,
  row,
  onSkip,
  onClose,
}: {
  derived: DerivedSurface;
  row: Surface | undefined;
  /** Missing for one wall of several: what is not painted is said of all of them. */
  onSkip: (() => void) | undefined;
  onClose: () => void;
}) {
  const router = useRouter();
  return (
    <Sheet title={row?.name ?? derived.name} onClose={onClose}>
      <AreaLines
        geometry={
          row?.geometry.override ? { ...derived.geometry, override: row.geometry.override } : derived.geometry
        }
        kind={row?.kind}
      />
      {row ? (
        <Button
          label="Its set-up and coating"
          kind="primary"
          onPress={() => {
            onClose();
            router.navigate(`/jobs/${row.jobId}/surfaces/${row.id}`);
          }}
        />
      ) : null}
      {onSkip ? <Button label="Not painted in this job" onPress={onSkip} /> : null}
    </Sheet>
  );
}
