import { JUDGED, JUDGED_NAMES, type Judged } from '@fine-spray/core/record';
import { ELEMENTS, ELEMENT_DATA } from '@fine-spray/core/takeoff';
import Scale from 'lucide-react-native/icons/scale';
import { Choice } from '@/ui/choice';
import { FieldError, TextField } from '@/ui/field';
import { Words } from '@/ui/text';
import { coatOf, tipInGun } from '../defaults';
import { CoatingField, TipChoiceField } from './fields';
import { textOf, type FormProps, type WrittenKind } from './types';

const NOT_JUDGED = { value: '', label: 'Not judged' } as const;

/** A product judged by hand on the surface it was sprayed on: in five steps with words, whatever of it one has looked at. */
function TrialForm(props: FormProps) {
  const { payload, errors, onChange } = props;
  const scores = (payload['scores'] ?? {}) as Partial<Record<Judged, number>>;
  const judge = (name: Judged, step: string) => {
    const { [name]: _before, ...others } = scores;
    onChange({ scores: step === '' ? others : { ...others, [name]: Number(step) } });
  };
  return (
    <>
      <CoatingField {...props} />
      <Choice
        label="Kind of surface"
        value={textOf(payload, 'element')}
        error={errors['element']}
        options={ELEMENTS.map((value) => ({ value, label: ELEMENT_DATA[value].name }))}
        onChange={(element) => onChange({ element })}
      />
      {JUDGED_NAMES.map((name) => (
        <Choice
          key={name}
          label={JUDGED[name].name}
          value={String(scores[name] ?? '')}
          options={[
            ...JUDGED[name].steps.map((label, index) => ({ value: String(index + 1), label })),
            NOT_JUDGED,
          ]}
          onChange={(step) => judge(name, step)}
        />
      ))}
      {errors['scores'] ? <FieldError message={errors['scores']} /> : null}
      <TextField
        label="In your own words"
        value={textOf(payload, 'words')}
        error={errors['words']}
        onChange={(words) => onChange({ words })}
      />
      <TipChoiceField {...props} none />
      <Words size={14} colour="ink2">
        Paint, coats, pressure, film and time are counted from the log. Here is what only an eye tells.
      </Words>
    </>
  );
}

export const trial: WrittenKind<'trial'> = {
  tile: { label: 'Judge product', icon: Scale },
  form: TrialForm,
  first: (context) => ({
    ...(context.surface ? { coatingId: context.surface.coatingId, element: context.surface.element } : {}),
    tipId: tipInGun(context, coatOf(context))?.id ?? null,
    sprayerId: context.job?.sprayerId ?? null,
    scores: {},
    words: '',
  }),
};
