import { practiceTarget } from '@fine-spray/core/practice';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { toolsUnder, type Site } from '@/features/site';
import { Button } from '@/ui/button';
import { ErrorState } from '@/ui/states';
import { useUnits } from '@/ui/units';
import { Sprayed } from './SprayScreen';

/** A surface of a job, or the set-up without one, sprayed on the screen with its own card. */
export function PractiseSite({ site }: { site: Site }) {
  const { system } = useUnits();
  const router = useRouter();
  const { request, card, surfaceId, title } = site;
  const target = useMemo(
    () => (card.ok ? practiceTarget(request, card.value, system) : card),
    [request, card, system],
  );
  if (!target.ok) return <ErrorState title="Nothing to practise on yet" text={target.message} />;
  return (
    <>
      <Sprayed
        piece={surfaceId ?? 'set-up'}
        name={title}
        teaches="With the tip, speed and lap of its card. Nothing of it goes into the log."
        request={request}
        target={target.value}
        after={toolsUnder(site)}
      />
      <Button
        label="All of practice"
        kind="quiet"
        className="self-start"
        onPress={() => router.navigate('/practice')}
      />
    </>
  );
}
