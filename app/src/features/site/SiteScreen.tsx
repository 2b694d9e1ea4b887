import type { ComponentType } from 'react';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useKit } from '@/data/kit';
import { useLog } from '@/data/log';
import { CardSheetScreen } from '@/features/card';
import { DialInScreen } from '@/features/dialin';
import { LineScreen } from '@/features/line';
import { PaintCheckScreen } from '@/features/paint';
import { ProcedureScreen } from '@/features/procedure';
import { TipMapScreen } from '@/features/tips';
import { Screen } from '@/ui/screen';
import { ErrorState, Skeleton } from '@/ui/states';
import { SiteTargets } from '@/ui/target';
import { Words } from '@/ui/text';
import { firstQuick } from './firstQuick';
import { useQuickSite, useSurfaceSite, type Loaded, type Site } from './context';
import { TOOLS, isTool, type ToolId } from './tools';

const SCREENS: Readonly<Record<ToolId, ComponentType<{ site: Site }>>> = {
  'start-up': ({ site }) => <ProcedureScreen site={site} kind="start-up" />,
  paint: PaintCheckScreen,
  'dial-in': DialInScreen,
  line: LineScreen,
  tips: TipMapScreen,
  card: CardSheetScreen,
  'shut-down': ({ site }) => <ProcedureScreen site={site} kind="shut-down" />,
};

/** One of the tools on site, for a surface of a job, or for the set-up without one. */
export function SiteScreen({ tool, jobId, surfaceId }: { tool: string; jobId?: string; surfaceId?: string }) {
  return (
    <SiteTargets>
      {jobId !== undefined && surfaceId !== undefined ? (
        <OfSurface tool={tool} jobId={jobId} surfaceId={surfaceId} />
      ) : (
        <Quick tool={tool} />
      )}
    </SiteTargets>
  );
}

function OfSurface({ tool, jobId, surfaceId }: { tool: string; jobId: string; surfaceId: string }) {
  return <Tool tool={tool} loaded={useSurfaceSite(jobId, surfaceId)} backTo={`/jobs/${jobId}`} />;
}

function Quick({ tool }: { tool: string }) {
  const { kit, failed } = useKit();
  const first = useMemo(() => (kit ? firstQuick(kit) : undefined), [kit]);
  return <Tool tool={tool} loaded={useQuickSite(first, kit, failed)} backTo="/set-up" />;
}

function Tool({ tool, loaded, backTo }: { tool: string; loaded: Loaded; backTo: string }) {
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
            text="The Fine Spray server does not answer. What you have done here is kept on this device."
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
      above={[site.above, site.title].filter(Boolean).join(' · ')}
      backTo={site.backTo}
    >
      <Unsent />
      <Shown site={site} />
    </Screen>
  );
}

/** What of the log waits on this device, said plainly. */
function Unsent() {
  const { waiting, full } = useLog();
  const refused = waiting.filter((one) => one.refused !== undefined);
  if (waiting.length === 0) return null;
  return (
    <View role="status" className="gap-1 rounded-xl bg-caution-tint p-3">
      <Words weight="semi" colour="caution">
        {full
          ? 'This device takes no more: keep this page open until it is sent.'
          : `Kept on this device, ${waiting.length} waiting to send.`}
      </Words>
      {refused.map(({ id, refused: why }) => (
        <Words key={id} size={14}>{`The server did not take one: ${why ?? ''} It is kept here.`}</Words>
      ))}
    </View>
  );
}
