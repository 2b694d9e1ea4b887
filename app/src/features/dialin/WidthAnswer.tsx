import { FAN_WIDTH_LIMITS, quantity, readWidth, type Seen } from '@fine-spray/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { FieldError, QuantityField } from '@/ui/field';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { SEEN_WORDS } from './PatternTile';

/** Another way to answer: the width of the fan by a tape. It offers, the painter takes. */
export function WidthAnswer({
  expected,
  onTake,
}: {
  expected: number;
  onTake: (seen: Seen, width: number) => void;
}) {
  const { system } = useUnits();
  const [width, setWidth] = useState(expected);
  const [touched, setTouched] = useState(false);
  const reading = readWidth(quantity(width), quantity(expected), system);
  return (
    <View className="gap-2">
      <QuantityField
        label="Fan on the card, edge to edge"
        kind="fanWidth"
        value={width}
        bounds={FAN_WIDTH_LIMITS}
        onChange={(value) => {
          setWidth(value);
          setTouched(true);
        }}
      />
      {touched && !reading.ok ? <FieldError message={reading.message} /> : null}
      {touched && reading.ok ? (
        <>
          <Words>{reading.value.words}</Words>
          {reading.value.offers ? (
            <Button
              label={`Take it as: ${SEEN_WORDS[reading.value.offers].name.toLowerCase()}`}
              onPress={() => reading.ok && reading.value.offers && onTake(reading.value.offers, width)}
            />
          ) : null}
        </>
      ) : null}
    </View>
  );
}
