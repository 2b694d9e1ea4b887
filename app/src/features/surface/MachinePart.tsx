import type { Kit, SetupJob } from '@fine-spray/contract/planning';
import type { TipFamily } from '@fine-spray/core';
import { LineChoice } from '@/features/kit';
import { Words } from '@/ui/text';
import { Group } from './Group';
import { TipField } from './TipField';
import type { PartProps } from './WhatPart';

export type LineChange = { readonly sprayerId: string } | { readonly hoseIds: string[] };

/** By which machine: sprayer and hoses, and the tip. */
export function MachinePart({
  surface,
  job,
  kit,
  bestTip,
  errors,
  onChange,
  onLine,
  onInvalid,
}: PartProps & {
  readonly job: SetupJob;
  readonly kit: Kit;
  readonly bestTip: { readonly family: TipFamily; readonly code: string };
  /** Another sprayer or other hoses; nothing where this person may not change them. */
  readonly onLine: ((change: LineChange) => void) | undefined;
}) {
  return (
    <>
      <Group title="Tip">
        <TipField
          chosen={surface.tip}
          best={bestTip}
          error={errors['tip'] ?? errors['tip.code']}
          onChange={(tip) => onChange({ tip })}
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
