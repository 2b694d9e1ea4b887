import { useRouter, type Href } from 'expo-router';
import NotebookPen from 'lucide-react-native/icons/notebook-pen';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { Words } from '@/ui/text';
import { TOOLS, TOOL_IDS } from './tools';

/** Where the tools of a set-up stand: under its surface, or under the set-up without a job. */
export type ToolsUnder = '/set-up' | `/jobs/${string}/surfaces/${string}`;

/** The ways from a card to what is done with paint in the hose. */
export function ToolRow({
  under,
  layer,
  log,
}: {
  under: ToolsUnder;
  /** Which layer, where it is not the finish. */
  layer?: string | undefined;
  log?: Href | undefined;
}) {
  const router = useRouter();
  return (
    <View className="gap-2" role="group" aria-label="On site">
      <Words weight="bold" heading={2}>
        On site
      </Words>
      <View className="flex-row flex-wrap gap-2">
        {log === undefined ? null : (
          <Button
            label="Write down"
            icon={NotebookPen}
            kind="primary"
            className="min-h-[56px] flex-grow"
            onPress={() => router.navigate(log)}
          />
        )}
        {TOOL_IDS.map((tool) => (
          <Button
            key={tool}
            label={TOOLS[tool].title}
            icon={TOOLS[tool].icon}
            kind={tool === 'dial-in' ? 'primary' : 'plain'}
            className="min-h-[56px] flex-grow"
            onPress={() =>
              router.navigate(
                layer === undefined
                  ? `${under}/${tool}`
                  : `${under}/${tool}?layer=${encodeURIComponent(layer)}`,
              )
            }
          />
        ))}
      </View>
    </View>
  );
}
