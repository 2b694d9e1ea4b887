import { PRICE_LIMITS, USUAL_BOOK, type Coating } from '@fine-spray/contract';
import { of } from '@fine-spray/core';
import Plus from 'lucide-react-native/icons/plus';
import { View } from 'react-native';
import { useMay } from '@/data/may';
import { useCompany } from '@/data/resources';
import { Button } from '@/ui/button';
import { QuantityField } from '@/ui/field';
import { PriceField } from '@/ui/priceField';
import { Words } from '@/ui/text';

type Container = Coating['containers'][number];

/** Sizes a container may have, m³. */
const SIZES = { min: 1e-4, max: 1 } as const;
const MOST = 8;

/** A size that is not in the list yet: one of the usual, or larger than all. */
function nextSize(containers: readonly Container[]): number {
  const usual = [5, 10, 2.5, 1, 15, 20].map((litres) => of(litres, 'L'));
  const free = usual.find((size) => containers.every((one) => Math.abs(one.size - size) > SIZES.min));
  return free ?? Math.min(SIZES.max, Math.max(...containers.map(({ size }) => size)) * 2);
}

/** The containers a coating is sold in, each with its price. */
export function Containers({
  containers,
  errorAt,
  onChange,
  onInvalid,
}: {
  containers: readonly Container[];
  /** A sentence at a field of what is stored. */
  errorAt: (field: string) => string | undefined;
  onChange: (containers: Container[]) => void;
  onInvalid: (field: string, message: string | undefined) => void;
}) {
  const { data: company } = useCompany();
  const money = useMay('money');
  const currency = company?.book?.currency ?? USUAL_BOOK.currency;
  const replace = (index: number, change: Partial<Container>) =>
    onChange(containers.map((one, at) => (at === index ? { ...one, ...change } : one)));
  return (
    <View className="gap-2 rounded-2xl border border-rule bg-sheet p-4">
      <Words weight="bold" heading={2}>
        Sold in
      </Words>
      {containers.map(({ size, price }, index) => (
        <View key={index} className="gap-1 border-b border-rule pb-2">
          <View className="flex-row gap-2">
            <View className="min-w-0 flex-1">
              <QuantityField
                label={`Container ${index + 1}`}
                kind="volume"
                value={size}
                bounds={SIZES}
                error={errorAt(`containers.${index}.size`)}
                onChange={(next) => replace(index, { size: next })}
                onInvalid={(message) => onInvalid(`container ${index}`, message)}
              />
            </View>
            {money ? (
              <View className="min-w-0 flex-1">
                <PriceField
                  label={`Price ${index + 1}`}
                  unit={currency}
                  value={price}
                  limits={PRICE_LIMITS}
                  onChange={(next) => replace(index, { price: next })}
                />
              </View>
            ) : null}
          </View>
          {containers.length > 1 ? (
            <Button
              label="Not sold any more"
              kind="quiet"
              className="self-end"
              onPress={() => onChange(containers.filter((_one, at) => at !== index))}
            />
          ) : null}
        </View>
      ))}
      <Button
        label="Another size"
        icon={Plus}
        disabled={containers.length >= MOST}
        onPress={() => onChange([...containers, { size: nextSize(containers), price: null }])}
      />
    </View>
  );
}
