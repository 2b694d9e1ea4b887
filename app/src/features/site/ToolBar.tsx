import { useRouter, type Href } from 'expo-router';
import NotebookPen from 'lucide-react-native/icons/notebook-pen';
import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import type { LucideIcon } from 'lucide-react-native';
import { Pressable, View } from 'react-native';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { toolHref, type ToolsUnder } from './ToolRow';
import { THUMB_TOOLS, TOOLS } from './tools';

interface BarTool {
  readonly label: string;
  readonly icon: LucideIcon;
  readonly to: Href;
  readonly first?: boolean;
}

/** What is done on site with a card, fixed under the thumb. */
export function ToolBar({
  under,
  layer,
  log,
}: {
  under: ToolsUnder;
  /** Which layer, where it is not the finish. */
  layer: string | undefined;
  log: Href;
}) {
  const router = useRouter();
  const { palette } = useTheme();
  const tools: readonly BarTool[] = [
    ...THUMB_TOOLS.map((id) => ({
      label: TOOLS[id].title,
      icon: TOOLS[id].icon,
      to: toolHref(under, id, layer),
    })),
    { label: 'Write down', icon: NotebookPen, to: log, first: true },
    { label: 'Something wrong', icon: TriangleAlert, to: toolHref(under, 'gun-down', layer) },
  ];
  return (
    <View
      role="toolbar"
      aria-label="On site"
      testID="tool-bar"
      className="flex-row gap-1 border-t-2 max-[340px]:flex-wrap border-rule bg-sheet px-2 py-1"
    >
      {tools.map(({ label, icon: Icon, to, first = false }) => (
        <Pressable
          key={label}
          role="button"
          aria-label={label}
          onPress={() => router.navigate(to)}
          className={`min-h-[64px] flex-1 basis-0 max-[340px]:basis-[78px] items-center justify-center gap-0.5 rounded-xl ${first ? 'bg-identity' : ''}`}
        >
          <Icon size={22} color={palette[first ? 'on-identity' : 'ink']} aria-hidden />
          <Words
            size={14}
            weight="semi"
            colour={first ? 'on-identity' : 'ink'}
            className="text-center leading-4"
          >
            {label}
          </Words>
        </Pressable>
      ))}
    </View>
  );
}
