import { Choice } from '@/ui/choice';
import { FieldError } from '@/ui/field';
import { Words } from '@/ui/text';
import { abrasionOf, coatOptions, finishedOf, tipInGun, cardSpeedOf } from '../defaults';
import { textOf, type FormProps } from './types';

/** Which coat of the surface it is. */
export function CoatField({ payload, context, errors, onChange }: FormProps) {
  const options = coatOptions(context);
  const value = `${String(payload['coatingId'])} ${String(payload['coat'])}`;
  if (options.length === 0) {
    return (
      <Words colour="ink2">No coat is planned here: it is written for the coating of the surface.</Words>
    );
  }
  return (
    <Choice
      label="Coat"
      value={value}
      error={errors['coat'] ?? errors['coatingId']}
      options={options.map(({ planned, label, state }) => ({
        value: `${planned.coating} ${planned.coat}`,
        label,
        note: state === 'done' ? 'finished' : state,
      }))}
      onChange={(chosen) => {
        const found = options.find(({ planned }) => `${planned.coating} ${planned.coat}` === chosen);
        if (!found) return;
        const { coating, coat, wet } = found.planned;
        const of = { coatingId: coating, coat };
        const before = { coatingId: textOf(payload, 'coatingId'), coat: Number(payload['coat']) };
        // The tip of the card goes with the coat, one that was chosen by hand stays.
        const byCard = payload['tipId'] === (tipInGun(context, before)?.id ?? null);
        onChange({
          ...of,
          ...('trueArea' in payload ? finishedOf(context, found) : {}),
          ...('abrasion' in payload ? { abrasion: abrasionOf(context, coating) } : {}),
          ...('tipId' in payload && byCard ? { tipId: tipInGun(context, of)?.id ?? null } : {}),
          ...('cardSpeed' in payload ? { target: wet, cardSpeed: cardSpeedOf(context, of) } : {}),
        });
      }}
    />
  );
}

/** A coating of the kit. */
export function CoatingField({
  payload,
  context,
  errors,
  onChange,
  none = false,
}: FormProps & { none?: boolean }) {
  const { coatings } = context.log.kit;
  return (
    <Choice
      label="Coating"
      value={textOf(payload, 'coatingId')}
      error={errors['coatingId']}
      options={[
        ...(none ? [{ value: '', label: 'None' }] : []),
        ...coatings.map(({ id, name }) => ({ value: id, label: name })),
      ]}
      onChange={(value) => onChange({ coatingId: value === '' ? null : value })}
    />
  );
}

/** A tip of the kit; with "not said" where that may be. */
export function TipChoiceField({
  payload,
  context,
  errors,
  onChange,
  none = false,
}: FormProps & { none?: boolean }) {
  const { tips } = context.log.kit;
  if (tips.length === 0) return <FieldError message="The kit has no tips yet: add one under Kit." />;
  return (
    <Choice
      label="Tip"
      value={textOf(payload, 'tipId')}
      error={errors['tipId']}
      options={[
        ...(none ? [{ value: '', label: 'Not said' }] : []),
        ...tips.map(({ id, code, family, note }) => ({ value: id, label: `${code} ${family}`, note })),
      ]}
      onChange={(value) => {
        const row = tips.find(({ id }) => id === value);
        onChange({
          tipId: row?.id ?? null,
          ...('tip' in payload && row ? { tip: { family: row.family, code: row.code } } : {}),
        });
      }}
    />
  );
}
