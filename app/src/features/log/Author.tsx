import type { Entry } from '@fine-spray/contract';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { usePreferenceText } from '@/ui/preference';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Segmented } from '@/ui/segmented';
import { Words } from '@/ui/text';

/** Most who have written lately that are offered. */
const OFFERED = 5;

/** Who writes on this device. */
export function Author({ entries }: { entries: readonly Entry[] }) {
  const [author, setAuthor] = usePreferenceText('author', '');
  const [typing, setTyping] = useState(false);
  const known = useMemo(() => {
    const names = [...entries].slice(-200).map((one) => one.author);
    return [...new Set([author, ...names.reverse()].filter((one) => one !== ''))].slice(0, OFFERED);
  }, [entries, author]);
  return (
    <View className="gap-2">
      <Words colour="ink2">Who writes</Words>
      {known.length > 0 ? (
        <Segmented
          label="Who writes"
          value={author}
          options={known.map((value) => ({ value, label: value }))}
          onChange={setAuthor}
        />
      ) : null}
      {typing || known.length === 0 ? (
        <TextField label="Initials" value={author} onChange={(text) => setAuthor(text.slice(0, 40))} />
      ) : (
        <Button label="Somebody else" kind="quiet" className="self-start" onPress={() => setTyping(true)} />
      )}
    </View>
  );
}
