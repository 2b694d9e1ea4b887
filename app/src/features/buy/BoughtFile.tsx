import type { BuyLine } from '@fine-spray/contract/formats';
import { checkBought, type Buying } from '@fine-spray/contract/planning';
import { chanceText, showText, type Risk } from '@fine-spray/core';
import Upload from 'lucide-react-native/icons/upload';
import { View } from 'react-native';
import { Issues, Reading, useFileReader } from '@/features/files';
import { Button } from '@/ui/button';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** Takes in a buy list as it came back from the shop, and says whether it is still enough. Nothing is stored. */
export function BoughtFile({ lines, risk }: { lines: readonly Buying[]; risk: Risk }) {
  const { chosen, choose, drop } = useFileReader('bought');
  return (
    <>
      <Button
        label="Check what was bought"
        icon={Upload}
        onPress={() => void choose('.csv,.tsv,.txt,text/csv')}
      />
      {chosen ? (
        <Sheet title="Is it enough?" onClose={drop}>
          {!chosen.result ? (
            <Reading name={chosen.name} onCancel={drop} />
          ) : chosen.result.ok ? (
            <Verdicts bought={chosen.result.value} lines={lines} risk={risk} />
          ) : (
            <Issues name={chosen.name} issues={chosen.result.issues} />
          )}
        </Sheet>
      ) : null}
    </>
  );
}

function Verdicts({
  bought,
  lines,
  risk,
}: {
  bought: readonly BuyLine[];
  lines: readonly Buying[];
  risk: Risk;
}) {
  const { system } = useUnits();
  const { checks, unknown } = checkBought(bought, lines, risk);
  const text = (volume: number) => showText(volume, 'volume', system);
  const missing = checks.filter(({ short }) => short > 0).length;
  return (
    <View className="gap-3">
      <Words size={22} weight="bold" colour={missing > 0 ? 'caution' : 'ink'}>
        {missing === 0
          ? 'Enough of every coating'
          : `${missing} of ${checks.length} coatings may not be enough`}
      </Words>
      <Words colour="ink2">What the list says was bought, against what the job wants now.</Words>
      {checks.map(({ name, bought: volume, enough, short }) => (
        <View key={name} className="gap-1 rounded-2xl border border-rule bg-sheet p-4">
          <Words weight="semi">{name}</Words>
          <Words size={18} weight="bold">
            {volume > 0 ? `${text(volume)}, enough ${chanceText(enough)}` : 'Not on the list'}
          </Words>
          {short > 0 ? <Words colour="caution">{`Short by ${text(short)} at the risk chosen.`}</Words> : null}
        </View>
      ))}
      {unknown.length > 0 ? <Words colour="ink2">{`Not for this job: ${unknown.join(', ')}.`}</Words> : null}
    </View>
  );
}
