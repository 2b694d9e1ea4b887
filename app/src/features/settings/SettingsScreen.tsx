import { PRECEDENCE_NOTE } from '@fine-spray/core';
import { useRouter } from 'expo-router';
import Calculator from 'lucide-react-native/icons/calculator';
import Users from 'lucide-react-native/icons/users';
import { View } from 'react-native';
import { useMay } from '@/data/may';
import { useCompany } from '@/data/resources';
import { WhoWrites } from '@/features/people';
import { NoticeSwitch } from '@/features/reminders';
import { CsvStyleChoice } from '@/features/tables';
import { Button } from '@/ui/button';
import { Labelled } from '@/ui/field';
import { Screen } from '@/ui/screen';
import { Segmented } from '@/ui/segmented';
import { Words } from '@/ui/text';
import { CompanyFile } from './CompanyFile';
import { CompanyPanel, OtherCompanies, StandIns } from './CompanyPanel';
import { useTheme } from '@/ui/theme/theme';
import { TickRow } from '@/ui/tickRow';
import { useUnits } from '@/ui/units';
import { useHearsHere, useVoiceSwitch } from '@/ui/voice';

/** Units, theme, and what this program is not. */
export function SettingsScreen() {
  const { system, setSystem } = useUnits();
  const { choice, setChoice } = useTheme();
  const company = useCompany();
  const seesMoney = useMay('money');
  const router = useRouter();
  return (
    <Screen title="Settings" above={company.data?.name}>
      <Labelled label="Units" note="The other system stands small beside them. This device remembers it.">
        <Segmented
          label="Units"
          value={system}
          onChange={setSystem}
          options={[
            { value: 'metric', label: 'Metric' },
            { value: 'us', label: 'US' },
          ]}
        />
      </Labelled>
      <Labelled label="Theme">
        <Segmented
          label="Theme"
          value={choice}
          onChange={setChoice}
          options={[
            { value: 'system', label: 'Same as the device' },
            { value: 'light', label: 'Light' },
            { value: 'dark', label: 'Dark' },
          ]}
        />
      </Labelled>
      <CsvStyleChoice />
      {company.data ? <CompanyPanel key={company.data.version} company={company.data} /> : null}
      <OtherCompanies />
      {company.data ? <CompanyFile company={company.data} /> : null}
      {company.data ? <StandIns company={company.data} /> : null}
      <NoticeSwitch />
      <VoiceSwitch />
      <WhoWrites label="Who uses this device" />
      <Button label="People" icon={Users} onPress={() => router.navigate('/people')} />
      {seesMoney ? (
        <Button label="Rates and prices" icon={Calculator} onPress={() => router.navigate('/book')} />
      ) : null}
      <View className="gap-2 rounded-2xl border border-rule bg-sheet p-4">
        <Words weight="bold" heading={2}>
          What the numbers are
        </Words>
        <Words>
          Worked out from physics and working defaults. Tap any number to see its formula, inputs and range. A
          data sheet value or your own measurement is trusted more than a default.
        </Words>
        <Words weight="semi">{PRECEDENCE_NOTE}</Words>
      </View>
    </Screen>
  );
}

/** Answers by voice, where the device itself hears; else nothing is offered. */
function VoiceSwitch() {
  const [on, set] = useVoiceSwitch();
  if (useHearsHere() !== true) return null;
  return (
    <TickRow
      label="Answers by voice"
      note="One word at a time while dialling in and timing a cup: the hands stay free. Heard on this device; nothing leaves it."
      on={on === 'on'}
      onPress={() => set(on === 'on' ? 'off' : 'on')}
    />
  );
}
