import type { Offer, OfferFigures } from '@fine-spray/contract';
import { offerLines, writeOffer } from '@fine-spray/contract/formats';
import Download from 'lucide-react-native/icons/download';
import { View } from 'react-native';
import { fileName, saveFile } from '@/data/deviceFiles';
import { SheetButton } from '@/features/paper';
import { Button } from '@/ui/button';
import { offerName } from './words';

/** An offer on paper, and as a table. */
export function OfferFiles({
  offer,
  figures,
  jobName,
}: {
  offer: Offer;
  figures: OfferFigures | undefined;
  jobName: string;
}) {
  const name = offerName(offer);
  return (
    <View className="flex-row flex-wrap gap-2">
      <SheetButton name={name} of={jobName} address={`/api/offers/${offer.id}/offer.pdf`} />
      <Button
        label={`${name}, CSV`}
        icon={Download}
        disabled={!figures}
        onPress={() => {
          if (figures)
            saveFile(
              fileName(`${jobName} ${name}`, 'csv'),
              'text/csv',
              writeOffer(offerLines(offer, figures, jobName), figures.currency),
            );
        }}
      />
    </View>
  );
}
