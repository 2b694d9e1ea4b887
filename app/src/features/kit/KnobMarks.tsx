import { KNOB_MARKS } from '@fine-spray/contract';
import Plus from 'lucide-react-native/icons/plus';
import Trash from 'lucide-react-native/icons/trash';
import { View } from 'react-native';
import { Button, IconButton } from '@/ui/button';
import { FieldError, Labelled, TextField } from '@/ui/field';
import { Words } from '@/ui/text';
import { USUAL_MARKS } from './forms';

/** What a crew calls the marks of a knob, lowest first: one of the usual sets to begin with, or names of their own. */
export function KnobMarks({
  label,
  marks,
  error,
  onChange,
}: {
  label: string;
  marks: readonly string[];
  error?: string | undefined;
  onChange: (marks: readonly string[]) => void;
}) {
  const change = (index: number, mark: string) =>
    onChange(marks.map((other, at) => (at === index ? mark : other)));
  return (
    <Labelled label={label}>
      {marks.length === 0 ? (
        <Words size={14} colour="ink2">
          Name what is on the knob, or choose what comes near: the marks can be called otherwise after.
        </Words>
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        {Object.entries(USUAL_MARKS).map(([name, usual]) => (
          <Button key={name} label={name} onPress={() => onChange(usual)} />
        ))}
      </View>
      {marks.map((mark, index) => (
        <View key={index} className="flex-row items-end gap-2">
          <View className="min-w-0 flex-1">
            <TextField label={`Mark ${index + 1}`} value={mark} onChange={(next) => change(index, next)} />
          </View>
          <IconButton
            icon={Trash}
            name={`Take mark ${index + 1} out`}
            onPress={() => onChange(marks.filter((_mark, at) => at !== index))}
          />
        </View>
      ))}
      {marks.length > 0 && marks.length < KNOB_MARKS ? (
        <Button label="Another mark" icon={Plus} kind="quiet" onPress={() => onChange([...marks, ''])} />
      ) : null}
      {error ? <FieldError message={error} /> : null}
    </Labelled>
  );
}
