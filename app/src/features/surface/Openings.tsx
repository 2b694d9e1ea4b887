import {
  COUNT_LIMIT,
  OPENING_KINDS,
  OPENING_LIMITS,
  USUAL_OPENINGS,
  type Opening,
  type OpeningKind,
} from '@fine-spray/core';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { newId } from '@/data/newId';
import { QuantityField } from '@/ui/field';
import { Stepper } from '@/ui/stepper';
import { Words } from '@/ui/text';
import { OPENING_WORDS } from './labels';

export interface OpeningsProps {
  /** What can be added; what is there of another kind stays. */
  readonly kinds: readonly OpeningKind[];
  readonly openings: readonly Opening[];
  readonly errors: Readonly<Record<string, string | undefined>>;
  readonly onChange: (openings: Opening[]) => void;
  readonly onInvalid: (field: string, message: string | undefined) => void;
}

/** Doors and windows by count, each group with a size that can be changed. Zero of them takes the group away. */
export function Openings({ kinds, openings, errors, onChange, onInvalid }: OpeningsProps) {
  const setCount = (index: number, count: number) =>
    onChange(count === 0 ? openings.filter((_opening, at) => at !== index) : replace(index, { count }));
  const replace = (index: number, change: Partial<Opening>) =>
    openings.map((opening, at) => (at === index ? { ...opening, ...change } : opening));
  const add = (kind: OpeningKind) =>
    onChange([...openings, { id: newId(), kind, count: 1, ...USUAL_OPENINGS[kind] }]);

  return (
    <View className="gap-2">
      {OPENING_KINDS.filter(
        (kind) => kinds.includes(kind) || openings.some((opening) => opening.kind === kind),
      ).map((kind) => {
        const groups = openings
          .map((opening, index) => ({ opening, index }))
          .filter(({ opening }) => opening.kind === kind);
        const words = OPENING_WORDS[kind];
        return (
          <View key={kind} className="gap-2 rounded-2xl border border-rule p-3">
            {groups.length === 0 ? (
              <Row label={words.many}>
                <Stepper label={words.many} value={0} min={0} max={COUNT_LIMIT} onChange={() => add(kind)} />
              </Row>
            ) : null}
            {groups.map(({ opening, index }, nth) => {
              const at = `geometry.openings.${index}`;
              const label = nth === 0 ? words.many : `${words.many}, size ${nth + 1}`;
              return (
                <View key={opening.id} className="gap-2">
                  <Row label={label}>
                    <Stepper
                      label={label}
                      value={opening.count}
                      min={0}
                      max={COUNT_LIMIT}
                      onChange={(count) => setCount(index, count)}
                    />
                  </Row>
                  <View className="flex-row gap-2">
                    {(['width', 'height'] as const).map((side) => (
                      <View key={side} className="min-w-0 flex-1">
                        <QuantityField
                          label={`${words.one} ${side}`}
                          kind="size"
                          value={opening[side]}
                          bounds={OPENING_LIMITS}
                          error={errors[`${at}.${side}`]}
                          onChange={(value) => onChange(replace(index, { [side]: value }))}
                          onInvalid={(message) => onInvalid(`${opening.id}.${side}`, message)}
                        />
                      </View>
                    ))}
                  </View>
                </View>
              );
            })}
          </View>
        );
      })}
    </View>
  );
}

function Row({ label, children }: { label: string; children: ReactNode }) {
  return (
    <View className="flex-row items-center justify-between gap-3">
      <Words weight="semi">{label}</Words>
      {children}
    </View>
  );
}
