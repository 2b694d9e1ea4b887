import { useRouter, type Href } from 'expo-router';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { Words } from '@/ui/text';
import type { Site } from './context';
import { OTHER_TOOLS, TOOLS, type ToolId } from './tools';

/** Where the tools of a set-up stand: under its surface, or under the set-up without a job. */
export type ToolsUnder = '/set-up' | `/jobs/${string}/surfaces/${string}`;

/** Where the tools of a site stand. */
export const toolsUnder = ({ jobId, surfaceId }: Pick<Site, 'jobId' | 'surfaceId'>): ToolsUnder =>
  jobId !== null && surfaceId !== null ? `/jobs/${jobId}/surfaces/${surfaceId}` : '/set-up';

/** The address of a tool of a set-up; of one of its layers, where it is not the finish. */
export const toolHref = (under: ToolsUnder, tool: ToolId, layer: string | undefined): Href =>
  layer === undefined ? `${under}/${tool}` : `${under}/${tool}?layer=${encodeURIComponent(layer)}`;

/** The ways from a card to what is asked for now and then; what is done all day is in the bar at the thumb. */
export function ToolRow({
  under,
  layer,
}: {
  under: ToolsUnder;
  /** Which layer, where it is not the finish. */
  layer: string | undefined;
}) {
  const router = useRouter();
  return (
    <View className="gap-2" role="group" aria-label="More for this set-up">
      <Words weight="bold" heading={2}>
        More for this set-up
      </Words>
      <View className="flex-row flex-wrap gap-2">
        {OTHER_TOOLS.map((tool) => (
          <Button
            key={tool}
            label={TOOLS[tool].title}
            icon={TOOLS[tool].icon}
            className="min-h-[56px] flex-grow"
            onPress={() => router.navigate(toolHref(under, tool, layer))}
          />
        ))}
      </View>
    </View>
  );
}
