import { useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';

/** Ways side by side at most: a fourth does not fit a phone. */
const MOST = 3;

export interface Way {
  readonly id: string;
  readonly name: string;
}

/** Two or three ways of doing the same, chosen from a list, each in a column. */
export function SideBySide<One extends Way>({
  title,
  lead,
  ways,
  note,
  column,
  onClose,
}: {
  title: string;
  lead: string;
  ways: readonly One[];
  /** What holds for all columns. */
  note: string;
  column: (way: One) => ReactNode;
  onClose: () => void;
}) {
  const [chosen, setChosen] = useState<readonly string[]>(() => ways.slice(0, 2).map(({ id }) => id));
  const toggle = (id: string) =>
    setChosen((now) => (now.includes(id) ? now.filter((one) => one !== id) : [...now, id].slice(-MOST)));
  return (
    <Sheet title={title} onClose={onClose}>
      <Words colour="ink2">{`${lead} Choose two or three.`}</Words>
      <View className="flex-row flex-wrap gap-2">
        {ways.map(({ id, name }) => {
          const on = chosen.includes(id);
          return (
            <Pressable
              key={id}
              role="checkbox"
              aria-checked={on}
              onPress={() => toggle(id)}
              className={`min-h-[48px] flex-grow justify-center rounded-xl border-2 px-4 ${on ? 'border-identity bg-identity-tint' : 'border-rule bg-sheet'}`}
            >
              <Words weight={on ? 'bold' : 'regular'}>{name}</Words>
            </Pressable>
          );
        })}
      </View>
      <View className="flex-row gap-2">{ways.filter(({ id }) => chosen.includes(id)).map(column)}</View>
      <Words size={14} colour="ink2">
        {note}
      </Words>
    </Sheet>
  );
}

/** A number of a column; the first is the largest. */
export interface ColumnNumber {
  readonly name: string;
  readonly text: string;
}

/** One way: its name, what it is, and its numbers in the order they stand in every column. */
export function Column({
  name,
  about,
  failed,
  numbers,
  children,
}: {
  name: string;
  about: string;
  /** Why there are no numbers. */
  failed?: string | undefined;
  numbers: readonly ColumnNumber[];
  children?: ReactNode;
}) {
  return (
    <View
      role="group"
      aria-label={name}
      className="min-w-0 flex-1 gap-2 rounded-2xl border border-rule bg-sheet p-2"
    >
      {/* Two lines for every name, so that the numbers of all columns stand level */}
      <Words weight="bold" numberOfLines={2} className="min-h-[48px]">
        {name}
      </Words>
      {failed === undefined ? null : <Words colour="danger">{failed}</Words>}
      {numbers.map((number, index) => (
        <View key={number.name}>
          <Words size={14} colour="ink2">
            {number.name}
          </Words>
          <Words weight="bold" size={index === 0 ? 22 : 16} numberOfLines={1}>
            {number.text}
          </Words>
        </View>
      ))}
      <Words size={14} colour="ink2">
        {about}
      </Words>
      {children}
    </View>
  );
}
