import Camera from 'lucide-react-native/icons/camera';
import Images from 'lucide-react-native/icons/images';
import Trash from 'lucide-react-native/icons/trash';
import { View } from 'react-native';
import { Button, IconButton } from '@/ui/button';
import { FieldError, TextField } from '@/ui/field';
import { Words } from '@/ui/text';
import { LogPicture } from './LogPicture';
import type { FormPictures } from './usePictures';

/** Pictures that go with what is written: taken or chosen, each with its words. */
export function AddPictures({ pictures }: { pictures: FormPictures }) {
  const { drafts, busy, failed, add, say, remove } = pictures;
  return (
    <View className="gap-3" testID="pictures">
      {drafts.map(({ id, words, width, height }, index) => (
        <View key={id} className="flex-row items-end gap-2">
          <LogPicture id={id} words={words} ratio={width / height} thumb />
          <View className="min-w-0 flex-1">
            <TextField
              label={`Picture ${index + 1} shows`}
              value={words}
              onChange={(next) => say(id, next)}
            />
          </View>
          <IconButton icon={Trash} name={`Take picture ${index + 1} out`} onPress={() => remove(id)} />
        </View>
      ))}
      <View className="flex-row flex-wrap gap-2">
        <Button
          label={busy ? 'Making it small …' : 'Take a picture'}
          icon={Camera}
          className="min-h-[56px] flex-1"
          disabled={busy}
          onPress={() => void add('camera')}
        />
        <Button
          label="Choose one"
          icon={Images}
          className="min-h-[56px] flex-1"
          disabled={busy}
          onPress={() => void add('files')}
        />
      </View>
      {failed ? <FieldError message={failed} /> : null}
      {drafts.length > 0 ? (
        <Words size={14} colour="ink2">
          Made small on this device; where it was taken is left out.
        </Words>
      ) : null}
    </View>
  );
}
