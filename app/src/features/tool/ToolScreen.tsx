import { firstSetup } from '@fine-spray/contract/planning';
import { useRouter, type Href } from 'expo-router';
import type { ComponentType } from 'react';
import { useMemo } from 'react';
import { whyFailed } from '@/data/api';
import { usePlanKit } from '@/data/planKit';
import { BeatScreen } from '@/features/beat';
import { CalculatorScreen } from '@/features/calculator';
import { CardSheetScreen } from '@/features/card';
import { DialInScreen } from '@/features/dialin';
import { KnobScreen } from '@/features/knob';
import { LineScreen } from '@/features/line';
import { PaintCheckScreen } from '@/features/paint';
import { PassScreen } from '@/features/passing';
import { GunDownScreen, ProcedureScreen, WrongScreen } from '@/features/procedure';
import {
  TOOLS,
  isTool,
  toolHref,
  toolsUnder,
  useQuickSite,
  useSurfaceSite,
  type Loaded,
  type Site,
  type ToolId,
} from '@/features/site';
import { TipMapScreen } from '@/features/tips';
import { Button } from '@/ui/button';
import { fetchedLater } from '@/ui/lazy';
import { Screen } from '@/ui/screen';
import { ErrorState, Skeleton } from '@/ui/states';
import { SiteTargets } from '@/ui/target';

const SCREENS: Readonly<Record<ToolId, ComponentType<{ site: Site }>>> = {
  'start-up': ({ site }) => <ProcedureScreen site={site} kind="start-up" />,
  paint: PaintCheckScreen,
  'dial-in': DialInScreen,
  knob: KnobScreen,
  passes: PassScreen,
  beat: BeatScreen,
  try: fetchedLater(
    async () => (await import('@/features/practice')).TryScreen,
    <Skeleton rows={3} height={200} />,
  ),
  practise: fetchedLater(
    async () => (await import('@/features/practice')).PractiseSite,
    <Skeleton rows={3} height={200} />,
  ),
  'gun-down': GunDownScreen,
  wrong: WrongScreen,
  line: LineScreen,
  film: CalculatorScreen,
  tips: TipMapScreen,
  card: CardSheetScreen,
  'shut-down': ({ site }) => <ProcedureScreen site={site} kind="shut-down" />,
};

/** One of the tools on site, for a surface of a job, or for the set-up without one. */
export function ToolScreen({
  tool,
  jobId,
  surfaceId,
  layer,
}: {
  tool: string;
  jobId?: string;
  surfaceId?: string;
  layer?: string;
}) {
  return (
    <SiteTargets>
      {jobId !== undefined && surfaceId !== undefined ? (
        <OfSurface tool={tool} jobId={jobId} surfaceId={surfaceId} layer={layer} />
      ) : (
        <Quick tool={tool} />
      )}
    </SiteTargets>
  );
}

function OfSurface({
  tool,
  jobId,
  surfaceId,
  layer,
}: {
  tool: string;
  jobId: string;
  surfaceId: string;
  layer: string | undefined;
}) {
  return <Tool tool={tool} loaded={useSurfaceSite(jobId, surfaceId, layer)} backTo={`/jobs/${jobId}`} />;
}

function Quick({ tool }: { tool: string }) {
  const { kit, failed } = usePlanKit();
  const first = useMemo(() => (kit ? firstSetup(kit) : undefined), [kit]);
  return <Tool tool={tool} loaded={useQuickSite(first, kit, failed)} backTo="/set-up" />;
}

function Tool({ tool, loaded, backTo }: { tool: string; loaded: Loaded; backTo: Href }) {
  const router = useRouter();
  const title = isTool(tool) ? TOOLS[tool].title : 'Not here';
  if (!isTool(tool)) {
    return (
      <Screen title={title} backTo={backTo}>
        <ErrorState title="There is no such page" text="Go back to the surface and choose from there." />
      </Screen>
    );
  }
  if (loaded.kind !== 'ready') {
    return (
      <Screen title={title} backTo={backTo}>
        {loaded.kind === 'loading' ? <Skeleton rows={3} height={200} /> : null}
        {loaded.kind === 'failed' ? (
          <ErrorState
            title="This cannot be shown now"
            text={`${whyFailed(loaded.why)} What you have done here is kept on this device.`}
          />
        ) : null}
        {loaded.kind === 'missing' ? (
          <ErrorState
            title="Surface, coating or sprayer is missing"
            text="It may have been deleted, or another one has to be chosen in the job."
          />
        ) : null}
      </Screen>
    );
  }
  const Shown = SCREENS[tool];
  const { site } = loaded;
  return (
    <Screen
      broad
      title={title}
      // Which wall first: on a narrow screen the end is what is cut off.
      above={[site.title, site.above].filter(Boolean).join(' · ')}
      backTo={site.backTo}
    >
      <Shown site={site} />
      {tool === 'wrong' ? null : (
        <Button
          label={TOOLS.wrong.title}
          icon={TOOLS.wrong.icon}
          kind="quiet"
          className="min-h-[56px] self-start"
          onPress={() => router.navigate(toolHref(toolsUnder(site), 'wrong', undefined))}
        />
      )}
    </Screen>
  );
}
