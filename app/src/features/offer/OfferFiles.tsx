import type { Offer, OfferFigures } from '@fine-spray/contract';
import { offerLines, offerSheet } from '@fine-spray/contract/formats';
import { View } from 'react-native';
import { SheetButton } from '@/features/paper';
import { TableOut } from '@/features/tables';
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
      {figures ? (
        <TableOut
          label={name}
          file={`${jobName} ${name}`}
          make={() => offerSheet(offerLines(offer, figures, jobName), figures.currency)}
        />
      ) : null}
    </View>
  );
}
