import { knobPlaces, placeWordsOf } from '@fine-spray/core';
import { Choice } from '@/ui/choice';

/** Where the knob stands: at a mark, or between two. */
export function KnobPlaceChoice({
  label,
  marks,
  place,
  error,
  onChange,
}: {
  label: string;
  marks: readonly string[];
  place: number | undefined;
  error?: string | undefined;
  onChange: (place: number | undefined) => void;
}) {
  return (
    <Choice
      label={label}
      value={place === undefined ? '' : String(place)}
      options={[
        { value: '', label: 'Not read' },
        ...knobPlaces(marks).map((one) => ({ value: String(one), label: placeWordsOf(marks, one) })),
      ]}
      error={error}
      onChange={(chosen) => onChange(chosen === '' ? undefined : Number(chosen))}
    />
  );
}
