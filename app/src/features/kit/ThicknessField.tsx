import type { CoatingFields } from '@fine-spray/contract';
import { SHEET_LIMITS, coatingInput, showText, type CupId, type SheetViscosity } from '@fine-spray/core';
import { useState } from 'react';
import { Choice } from '@/ui/choice';
import { QuantityField } from '@/ui/field';
import { Segmented } from '@/ui/segmented';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { SheetBox } from './SheetFields';

/** In which words a sheet gives the thickness of a paint. */
const WAYS = [
  { value: 'none', label: 'Not given' },
  { value: 'KU', label: 'KU' },
  { value: 'cP', label: 'cP' },
  { value: 'cup', label: 'Cup' },
] as const;
type Way = (typeof WAYS)[number]['value'];

const READINGS = {
  KU: { label: 'Krebs units', kind: 'count', bounds: SHEET_LIMITS.krebs },
  cP: { label: 'Centipoise, or mPa·s', kind: 'count', bounds: { min: 5, max: 50_000 } },
  cup: { label: 'Seconds of the cup', kind: 'time', bounds: { min: 1, max: 1000 } },
} as const;

/** How thick the sheet says the paint is, in the sheet's own words, and what that is as viscosity. */
export function ThicknessField({
  coating,
  cups,
  error,
  onChange,
  onInvalid,
}: {
  readonly coating: CoatingFields;
  readonly cups: readonly { readonly value: CupId; readonly label: string }[];
  readonly error: string | undefined;
  readonly onChange: (viscosity: SheetViscosity | undefined) => void;
  readonly onInvalid: (message: string | undefined) => void;
}) {
  const { system } = useUnits();
  const said = coating.sheet.viscosity;
  const [way, setWay] = useState<Way>(said?.as ?? 'none');
  const [cup, setCup] = useState<CupId>(said?.as === 'cup' ? said.cup : 'iso-4');
  const low = coatingInput(coating, 'viscosityLowShear');
  const choose = (next: Way) => {
    onInvalid(undefined);
    setWay(next);
    // Nothing is said until a number is typed.
    onChange(undefined);
  };
  const reading = (value: number): SheetViscosity =>
    way === 'cup' ? { as: 'cup', cup, value } : { as: way === 'cP' ? 'cP' : 'KU', value };
  const instead = coating.overrides.viscosityLowShear ? ' The viscosity typed below stands over it.' : '';
  return (
    <SheetBox
      given={said !== undefined}
      says={
        said === undefined
          ? 'Not given: as this kind of coating usually is'
          : `Taken as ${showText(low.value, 'viscosity', system)} at 100 1/s, 23 °C, give or take a quarter.${instead}`
      }
    >
      <Words colour="ink2">Thickness as the sheet gives it</Words>
      <Segmented label="Thickness as the sheet gives it" value={way} options={WAYS} onChange={choose} />
      {way === 'cup' ? (
        <Choice
          label="Which cup"
          value={cup}
          options={cups}
          onChange={(next) => {
            setCup(next);
            if (said) onChange({ as: 'cup', cup: next, value: said.value });
          }}
        />
      ) : null}
      {way === 'none' ? null : (
        <QuantityField
          key={way}
          {...READINGS[way]}
          value={said?.value}
          error={error}
          onChange={(value) => onChange(reading(value))}
          onInvalid={onInvalid}
        />
      )}
    </SheetBox>
  );
}
