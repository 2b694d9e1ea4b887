import ImageOff from 'lucide-react-native/icons/image-off';
import { useEffect, useState } from 'react';
import { Image, View } from 'react-native';
import { whyFailed } from '@/data/api';
import { pictures } from '@/data/pictures';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';

/** A picture of the log, from this device or the server; where neither has it that is said. */
export function LogPicture({
  id,
  words,
  ratio = 1,
  thumb = false,
}: {
  id: string;
  words: string;
  /** Width over height, so that nothing moves when it comes. */
  ratio?: number;
  thumb?: boolean;
}) {
  const { palette } = useTheme();
  const [url, setUrl] = useState<string>();
  const [failed, setFailed] = useState<string>();
  useEffect(() => {
    let here = true;
    pictures.urlOf(id).then(
      (found) => here && setUrl(found),
      (error: unknown) => here && setFailed(whyFailed(error)),
    );
    return () => {
      here = false;
    };
  }, [id]);
  const size = thumb ? { width: 56, height: 56 } : ({ width: '100%', aspectRatio: ratio } as const);
  return (
    <View
      style={size}
      className="items-center justify-center overflow-hidden rounded-xl border border-rule bg-ground"
    >
      {url ? (
        <Image
          source={{ uri: url }}
          accessibilityLabel={words || 'Picture without words'}
          style={{ width: '100%', height: '100%' }}
          resizeMode={thumb ? 'cover' : 'contain'}
        />
      ) : failed ? (
        <View className="items-center gap-2 p-2">
          <ImageOff size={24} color={palette.ink2} aria-label={thumb ? 'Picture is not here' : undefined} />
          {thumb ? null : (
            <Words colour="ink2" className="text-center">
              {failed}
            </Words>
          )}
        </View>
      ) : null}
    </View>
  );
}
