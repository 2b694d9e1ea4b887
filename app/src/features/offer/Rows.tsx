import Plus from 'lucide-react-native/icons/plus';
import Trash from 'lucide-react-native/icons/trash';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Button, IconButton } from '@/ui/button';
import { Words } from '@/ui/text';

export interface RowsProps<Row> {
  readonly title: string;
  readonly note: string;
  readonly rows: readonly Row[];
  /** Of one row, for the button that takes it out: "Remove the step Begin". */
  readonly nameOf: (row: Row, index: number) => string;
  readonly addLabel: string;
  readonly empty: Row;
  readonly most: number;
  readonly onChange: (rows: Row[], step: string) => void;
  readonly children: (row: Row, index: number, put: (part: Partial<Row>) => void) => ReactNode;
}

/** A few rows of fields, each to be taken out, with a button that adds one. */
export function Rows<Row extends object>({
  title,
  note,
  rows,
  nameOf,
  addLabel,
  empty,
  most,
  onChange,
  children,
}: RowsProps<Row>) {
  return (
    <View className="gap-2" role="group" aria-label={title}>
      <Words size={18} weight="bold" heading={2}>
        {title}
      </Words>
      <Words colour="ink2">{note}</Words>
      {rows.map((row, index) => (
        <View key={index} className="flex-row items-start gap-2 rounded-2xl border border-rule p-3">
          <View className="min-w-0 flex-1 gap-2">
            {children(row, index, (part) =>
              onChange(
                rows.map((one, at) => (at === index ? { ...one, ...part } : one)),
                `${title} ${index} ${Object.keys(part).join(' ')}`,
              ),
            )}
          </View>
          <IconButton
            icon={Trash}
            name={`Remove ${nameOf(row, index)}`}
            onPress={() =>
              onChange(
                rows.filter((_one, at) => at !== index),
                `${title} without ${index} of ${rows.length}`,
              )
            }
          />
        </View>
      ))}
      {rows.length < most ? (
        <Button
          label={addLabel}
          icon={Plus}
          className="self-start"
          onPress={() => onChange([...rows, empty], `${title} and ${rows.length}`)}
        />
      ) : null}
    </View>
  );
}
