import type { CoatingFields } from '@fine-spray/contract';
import { COATING_PROPERTIES, SHEET, coatingInput, showRange, type CoatingProperty } from '@fine-spray/core';
import { QuantityField } from '@/ui/field';
import { useUnits } from '@/ui/units';
import { SheetBox } from './SheetFields';

/** One property of a coating, with what it stands on: typed from the sheet, turned from what the sheet says otherwise, or a working default. */
export function PropertyField({
  coating,
  property,
  error,
  onChange,
  onInvalid,
}: {
  readonly coating: CoatingFields;
  readonly property: CoatingProperty;
  readonly error: string | undefined;
  readonly onChange: (overrides: CoatingFields['overrides']) => void;
  readonly onInvalid: (field: string, message: string | undefined) => void;
}) {
  const { system } = useUnits();
  const { overrides } = coating;
  const input = coatingInput(coating, property);
  const own = overrides[property];
  const range = input.low < input.high ? `, ${showRange(input.low, input.high, input.kind, system)}` : '';
  return (
    <SheetBox
      given={input.basis !== 'default'}
      says={`${input.basis === 'default' ? 'Working default' : input.source}${range}`}
      onClear={
        own
          ? () => {
              const { [property]: _gone, ...others } = overrides;
              onChange(others);
            }
          : undefined
      }
    >
      <QuantityField
        label={COATING_PROPERTIES[property].label}
        kind={input.kind}
        value={input.value}
        bounds={COATING_PROPERTIES[property].bounds}
        error={error}
        onChange={(value) =>
          onChange({
            ...overrides,
            [property]: { value, basis: 'data-sheet', source: own?.source ?? SHEET },
          })
        }
        onInvalid={(message) => onInvalid(property, message)}
      />
    </SheetBox>
  );
}
