import { numberText } from '@fine-spray/core/units';
import { useState } from 'react';
import { FieldBox } from './field';

/** A price that may be unknown: empty is no price. What cannot be one keeps its sentence and the last good value. */
export function PriceField({
  label,
  unit,
  value,
  per = 1,
  limits,
  onChange,
}: {
  label: string;
  unit?: string;
  value: number | null;
  /** How much of what the price is stored for it is shown for: 0.3048 of a metre for a foot. */
  per?: number;
  limits: { readonly min: number; readonly max: number };
  onChange: (value: number | null) => void;
}) {
  const [typed, setTyped] = useState<string>();
  const text = typed ?? (value === null ? '' : String(Number((value * per).toPrecision(per === 1 ? 12 : 3))));
  const read = (of: string): number | null | undefined => {
    if (of.trim() === '') return null;
    const number = Number(of.trim().replace(',', '.')) / per;
    return Number.isFinite(number) && number >= limits.min && number <= limits.max ? number : undefined;
  };
  const wrong = read(text) === undefined;
  return (
    <FieldBox
      label={label}
      unit={unit}
      text={text}
      numeric
      error={
        wrong
          ? `${label} must be between ${limits.min} and ${numberText(limits.max)}. Leave it empty when you do not know it.`
          : undefined
      }
      onText={(next) => {
        setTyped(next);
        const number = read(next);
        if (number !== undefined) onChange(number);
      }}
    />
  );
}
