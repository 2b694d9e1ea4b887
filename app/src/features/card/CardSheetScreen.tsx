import { PRECEDENCE_NOTE } from '@fine-spray/core';
import Download from 'lucide-react-native/icons/download';
import ImageDown from 'lucide-react-native/icons/image-down';
import Printer from 'lucide-react-native/icons/printer';
import Share2 from 'lucide-react-native/icons/share-2';
import { useState } from 'react';
import { Image, Modal, Pressable, View, useWindowDimensions } from 'react-native';
import { dayOf } from '@/data/day';
import { canShare, fileName, saveBlob, saveFile, shareFile } from '@/data/deviceFiles';
import type { Site } from '@/features/site';
import { useBackCloses } from '@/ui/backCloses';
import { Button } from '@/ui/button';
import { ErrorState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { SHEET, cardSheet } from './cardSheet';
import { addressOf, pngOf } from './picture';
import { printDrawing } from './print';

/** The set-up card as one sheet: to hold up, to print, to send. */
export function CardSheetScreen({ site }: { site: Site }) {
  const { system } = useUnits();
  const toast = useToast();
  const [large, setLarge] = useState(false);
  if (!site.card.ok) return <ErrorState title="No card to show" text={site.card.message} />;
  const card = site.card.value;
  const measured = card.dialledIn?.state === 'used' ? card.dialledIn : undefined;
  const svg = cardSheet(
    card,
    {
      surface: site.title,
      job: site.above,
      coating: site.coating.name,
      dialledInOn: measured && dayOf(measured.at),
      precedence: PRECEDENCE_NOTE,
    },
    system,
  );
  const words = `Set-up card of ${site.title}: tip ${card.tip.code}`;
  const name = fileName(`${site.title} card`, 'png');
  const png = async (take: (blob: Blob) => unknown) => {
    try {
      await take(await pngOf(svg));
    } catch {
      toast({ text: 'This device cannot make a PNG. The SVG shows the same.' });
    }
  };
  return (
    <View className="gap-4">
      <Pressable
        role="button"
        aria-label={`${words}. Show it large`}
        onPress={() => setLarge(true)}
        className="overflow-hidden rounded-2xl border border-rule"
        testID="card-sheet"
      >
        <Image
          source={{ uri: addressOf(svg) }}
          alt={words}
          style={{ width: '100%', aspectRatio: SHEET.width / SHEET.height }}
        />
      </Pressable>
      {large ? <Large svg={svg} words={words} onClose={() => setLarge(false)} /> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button
          label="Print"
          icon={Printer}
          kind="primary"
          className="flex-1"
          onPress={() => printDrawing(svg)}
        />
        {canShare('image/png') ? (
          <Button
            label="Share"
            icon={Share2}
            className="flex-1"
            onPress={() => void png((blob) => shareFile(name, words, blob))}
          />
        ) : null}
        <Button
          label="As PNG"
          icon={ImageDown}
          className="flex-1"
          onPress={() => void png((blob) => saveBlob(name, blob))}
        />
        <Button
          label="As SVG"
          icon={Download}
          className="flex-1"
          onPress={() => saveFile(fileName(`${site.title} card`, 'svg'), 'image/svg+xml', svg)}
        />
      </View>
      <Words size={14} colour="ink2">
        {measured
          ? 'Pressures are those of your dial-in, measured on this surface.'
          : 'Pressures are a range until the tip is dialled in on this surface.'}
      </Words>
    </View>
  );
}

/** The card over the whole screen, turned where the screen is upright: to be held at arm's length. */
function Large({ svg, words, onClose }: { svg: string; words: string; onClose: () => void }) {
  useBackCloses(onClose);
  const { width, height } = useWindowDimensions();
  const upright = height > width;
  const [across, down] = upright ? [height, width] : [width, height];
  const scale = Math.min(across / SHEET.width, down / SHEET.height);
  return (
    <Modal aria-label={words} visible onRequestClose={onClose} animationType="none">
      <Pressable
        role="button"
        aria-label="Close the large card"
        onPress={onClose}
        className="flex-1 items-center justify-center"
        style={{ backgroundColor: '#ffffff' }}
      >
        <Image
          source={{ uri: addressOf(svg) }}
          alt={words}
          style={{
            width: SHEET.width * scale,
            height: SHEET.height * scale,
            transform: upright ? [{ rotate: '90deg' }] : [],
          }}
        />
      </Pressable>
    </Modal>
  );
}
