import type { Kit, SetupJob } from '@fine-spray/contract/planning';
import { LineChoice } from '@/features/kit';
import type { TipChoice } from '@/features/tips';
import { Words } from '@/ui/text';
import { Group } from './Group';
import { TipField } from './TipField';
import type { PartProps } from './WhatPart';

export type LineChange = { readonly sprayerId: string } | { readonly hoseIds: string[] };

/** By which machine: sprayer and hoses, and the tip. */
export function MachinePart({
  tip,
  job,
  kit,
  bestTip,
  errors,
  onTip,
  onLine,
  onInvalid,
}: Pick<PartProps, 'errors' | 'onInvalid'> & {
  /** Of the layer whose card is shown. */
  readonly tip: TipChoice | null;
  readonly onTip: (tip: TipChoice | null) => void;
  readonly job: SetupJob;
  readonly kit: Kit;
  readonly bestTip: TipChoice;
  /** Another sprayer or other hoses; nothing where this person may not change them. */
  readonly onLine: ((change: LineChange) => void) | undefined;
}) {
  return (
    <>
      <Group title="Tip">
        <TipField
          chosen={tip}
          best={bestTip}
          error={errors['tip'] ?? errors['tip.code']}
          onChange={onTip}
          onInvalid={(message) => onInvalid('tip', message)}
        />
      </Group>
      {onLine ? (
        <Group title="Sprayer and hoses">
          {job.id === undefined ? null : (
            <Words colour="ink2">They are the job’s: a change holds for all its surfaces.</Words>
          )}
          <LineChoice kit={kit} sprayerId={job.sprayerId} hoseIds={job.hoseIds} onChange={onLine} />
        </Group>
      ) : null}
    </>
  );
}
