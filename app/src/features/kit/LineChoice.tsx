import type { Kit } from '@fine-spray/contract/planning';
import { Choice } from '@/ui/choice';

const NO_HOSE = '';
/** Hoses that can be put in series here. */
const SERIES = 3;

interface LineChoiceProps {
  readonly kit: Kit;
  readonly sprayerId: string;
  readonly hoseIds: readonly string[];
  readonly onChange: (change: { sprayerId: string } | { hoseIds: string[] }) => void;
}

/** Which sprayer and which hoses in series, from the pump on. */
export function LineChoice({ kit, sprayerId, hoseIds, onChange }: LineChoiceProps) {
  const slots = [...hoseIds, NO_HOSE].slice(0, SERIES);
  return (
    <>
      <Choice
        label="Sprayer"
        value={sprayerId}
        options={kit.sprayers.map(({ id, name, sprayerClass }) => ({
          value: id,
          label: name,
          note: sprayerClass,
        }))}
        onChange={(id) => onChange({ sprayerId: id })}
      />
      {slots.map((hoseId, index) => (
        <Choice
          key={`${index} ${hoseId}`}
          label={index === 0 ? 'Hose at the pump' : `Then hose ${index + 1}`}
          value={hoseId}
          options={[
            { value: NO_HOSE, label: 'None' },
            ...kit.hoses.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(chosen) =>
            onChange({
              hoseIds: slots.map((id, at) => (at === index ? chosen : id)).filter((id) => id !== NO_HOSE),
            })
          }
        />
      ))}
    </>
  );
}
