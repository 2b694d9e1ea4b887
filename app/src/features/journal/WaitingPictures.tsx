import { counted } from '@fine-spray/core';
import { View } from 'react-native';
import { pictures, usePicturesHere } from '@/data/pictures';
import { LogPicture } from '@/features/pictures';
import { Button } from '@/ui/button';
import { Panel } from '@/ui/panel';
import { Words } from '@/ui/text';

/** Pictures on their way, and those the server did not take, with why. */
export function WaitingPictures() {
  const { waiting, full } = usePicturesHere();
  if (waiting.length === 0) return null;
  const going = waiting.filter(({ refused }) => refused === undefined);
  return (
    <Panel title="Pictures">
      {full ? (
        <Words weight="semi" colour="caution">
          This device has no room for them: keep this page open until they are sent.
        </Words>
      ) : null}
      {going.length > 0 ? (
        <>
          <Words>{`${counted(going.length, 'picture')} ${going.length === 1 ? 'goes' : 'go'} up as soon as the server is reached.`}</Words>
          <Button label="Try now" className="min-h-[56px]" onPress={() => void pictures.again()} />
        </>
      ) : null}
      {waiting.map(({ id, refused }) =>
        refused === undefined ? null : (
          <View key={id} className="gap-2">
            <View className="flex-row items-center gap-3">
              <LogPicture id={id} words="Picture that was not taken" thumb />
              <Words weight="semi" className="min-w-0 flex-1">
                {refused}
              </Words>
            </View>
            <View className="flex-row flex-wrap gap-2">
              <Button label="Send it again" onPress={() => void pictures.sendAgain(id)} />
              <Button label="Drop it" onPress={() => void pictures.drop([id])} />
            </View>
          </View>
        ),
      )}
    </Panel>
  );
}
