import { AREA_LIMITS, measure, type AreaOverride, type SurfaceGeometry } from '@fine-spray/core';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { QuantityField, TextField } from '@/ui/field';
import { Words } from '@/ui/text';

/** An area put instead of the measured one, with its reason; and the way back. */
export function OverrideField({
  geometry,
  errors,
  onChange,
  onInvalid,
}: {
  geometry: SurfaceGeometry;
  errors: Readonly<Record<string, string | undefined>>;
  onChange: (override: AreaOverride | undefined) => void;
  onInvalid: (field: string, message: string | undefined) => void;
}) {
  const { override } = geometry;
  if (!override) {
    const { override: _none, ...measured } = geometry;
    const area = measure(measured);
    return (
      <Button
        label="Enter the area instead"
        kind="quiet"
        className="self-start"
        disabled={!area.ok}
        onPress={() => (area.ok ? onChange({ net: area.value.net, reason: 'Measured on site' }) : undefined)}
      />
    );
  }
  return (
    <View className="gap-2 rounded-2xl border border-rule p-3">
      <Words weight="semi">Area put in by hand</Words>
      <QuantityField
        label="Area to paint"
        kind="area"
        value={override.net}
        bounds={AREA_LIMITS}
        error={errors['geometry.override.net']}
        onChange={(net) => onChange({ ...override, net })}
        onInvalid={(message) => onInvalid('override', message)}
      />
      <TextField
        label="Why"
        value={override.reason}
        error={errors['geometry.override.reason']}
        onChange={(reason) => onChange({ ...override, reason })}
      />
      <Button label="Back to the measured area" kind="quiet" onPress={() => onChange(undefined)} />
    </View>
  );
}
