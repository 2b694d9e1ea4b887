import type { LoggedPicture } from '@fine-spray/contract/log';
import { View } from 'react-native';
import { Words } from '@/ui/text';
import { LogPicture } from './LogPicture';

/** A picture of an entry as large as the screen is, with its words. */
export function PictureEntry({ picture: { payload } }: { picture: LoggedPicture }) {
  return (
    <View className="gap-1">
      <LogPicture id={payload.pictureId} words={payload.words} ratio={payload.width / payload.height} />
      {payload.words ? <Words>{payload.words}</Words> : null}
    </View>
  );
}
