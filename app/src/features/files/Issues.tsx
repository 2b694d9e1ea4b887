import type { FileIssue } from '@fine-spray/contract/formats';
import { View } from 'react-native';
import { Words } from '@/ui/text';

/** Issues shown before the rest is counted. */
const FIRST = 30;

/** What is wrong with a file, where its spreadsheet program shows it. */
export function Issues({ name, issues }: { name: string; issues: readonly FileIssue[] }) {
  const rest = issues.length - FIRST;
  return (
    <View role="alert" className="gap-2 rounded-2xl border-2 border-danger bg-sheet p-4" testID="file-issues">
      <Words weight="bold" colour="danger">
        {`${name} was not read. Nothing was changed.`}
      </Words>
      {issues.slice(0, FIRST).map(({ row, column, message }, index) => (
        <View key={index} className="border-t border-rule pt-1">
          <Words size={14} colour="ink2">
            {[row > 0 ? `Row ${row}` : undefined, column].filter(Boolean).join(', ') || 'The file'}
          </Words>
          <Words>{message}</Words>
        </View>
      ))}
      {rest > 0 ? <Words colour="ink2">{`and ${rest} more`}</Words> : null}
    </View>
  );
}
