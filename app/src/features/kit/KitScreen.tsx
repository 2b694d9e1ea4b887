import type { Coating } from '@fine-spray/contract';
import { archetypeOf, sheetSays, showText } from '@fine-spray/core';
import { Link, useRouter, type Href } from 'expo-router';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import Plus from 'lucide-react-native/icons/plus';
import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useKit } from '@/data/kit';
import { useMay } from '@/data/may';
import { useList } from '@/data/resources';
import { Button } from '@/ui/button';
import { Screen } from '@/ui/screen';
import { EmptyState, ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';

function Section({
  title,
  one = '',
  empty,
  add,
  children,
}: {
  title: string;
  /** One of them, with its article. */
  one?: string;
  empty: boolean;
  /** Where a new one is made. */
  add?: Href;
  children: ReactNode;
}) {
  const router = useRouter();
  const mayChange = useMay('kit');
  return (
    <View className="gap-2">
      <Words size={18} weight="bold" heading={2}>
        {title}
      </Words>
      {empty ? (
        <EmptyState title={`No ${title.toLowerCase()} yet`} text="They come with the demo or a kit file." />
      ) : (
        <View className="rounded-2xl border border-rule bg-sheet">{children}</View>
      )}
      {add && mayChange ? (
        <Button label={`Add ${one}`} icon={Plus} onPress={() => router.navigate(add)} />
      ) : null}
    </View>
  );
}

function Line({ name, note, href }: { name: string; note: string; href: Href }) {
  const { palette } = useTheme();
  return (
    <Link href={href} asChild>
      <Pressable
        role="link"
        className="min-h-[56px] flex-row items-center gap-2 border-b border-rule px-4 py-2"
      >
        <View className="min-w-0 flex-1">
          <Words weight="semi">{name}</Words>
          <Words size={14} colour="ink2">
            {note}
          </Words>
        </View>
        <ChevronRight size={20} color={palette.ink2} aria-hidden />
      </Pressable>
    </Link>
  );
}

function CoatingLine({ coating }: { coating: Coating }) {
  const { palette } = useTheme();
  const given = sheetSays(coating).map((label) => label.toLowerCase());
  return (
    <Link href={`/kit/coatings/${coating.id}`} asChild>
      <Pressable
        role="link"
        className="min-h-[56px] flex-row items-center gap-2 border-b border-rule px-4 py-2"
      >
        <View className="min-w-0 flex-1">
          <Words weight="semi">{coating.name}</Words>
          <Words size={14} colour="ink2">
            {given.length > 0 ? `Data sheet: ${given.join(', ')}` : 'Working defaults'}
            {archetypeOf(coating.archetype).base === 'solvent' ? ' · solvent-borne' : ''}
          </Words>
        </View>
        <ChevronRight size={20} color={palette.ink2} aria-hidden />
      </Pressable>
    </Link>
  );
}

/** What the company owns: coatings with their values, sprayers, hoses, tips. */
export function KitScreen() {
  const { kit, failed, retry } = useKit();
  const { system } = useUnits();
  const gear = useList('gear').data ?? [];
  return (
    <Screen title="Kit">
      {failed ? (
        <ErrorState title="The kit cannot be read now" text={whyFailed(failed)} onRetry={retry} />
      ) : null}
      {!kit && !failed ? <Skeleton rows={5} /> : null}
      {kit ? (
        <>
          <Section title="Coatings" one="a coating" add="/kit/coatings/new" empty={kit.coatings.length === 0}>
            {kit.coatings.map((coating) => (
              <CoatingLine key={coating.id} coating={coating} />
            ))}
          </Section>
          <Section title="Sprayers" one="a sprayer" add="/kit/sprayers/new" empty={kit.sprayers.length === 0}>
            {kit.sprayers.map((sprayer) => (
              <Line
                key={sprayer.id}
                href={`/kit/sprayers/${sprayer.id}`}
                name={sprayer.name}
                note={`${sprayer.sprayerClass}, ${showText(sprayer.maxPressure, 'pressure', system)}, ${showText(sprayer.maxFlow, 'flow', system)}, orifice up to ${sprayer.largestOrificeThou} thou${sprayer.waterOnly ? ', water-borne only' : ''}`}
              />
            ))}
          </Section>
          <Section title="Hoses" one="a hose" add="/kit/hoses/new" empty={kit.hoses.length === 0}>
            {kit.hoses.map((hose) => (
              <Line
                key={hose.id}
                href={`/kit/hoses/${hose.id}`}
                name={hose.name}
                note={`${showText(hose.length, 'hoseLength', system)}, ${showText(hose.bore, 'bore', system)} inside`}
              />
            ))}
          </Section>
          <Section title="Tips" one="a tip" add="/kit/tips/new" empty={kit.tips.length === 0}>
            {kit.tips.map((tip) => (
              <Line
                key={tip.id}
                href={`/kit/tips/${tip.id}`}
                name={tip.code}
                note={[
                  tip.family,
                  `${showText(tip.litresBefore, 'volume', system)} before it was logged`,
                  tip.note,
                ]
                  .filter(Boolean)
                  .join(' · ')}
              />
            ))}
          </Section>
          <Section title="Guns, filters, gear" one="gear" add="/kit/gear/new" empty={gear.length === 0}>
            {gear.map((piece) => (
              <Line
                key={piece.id}
                href={`/kit/gear/${piece.id}`}
                name={piece.name}
                note={[
                  piece.kind,
                  piece.count > 1 ? `${piece.count} of them` : '',
                  piece.maxPressure === null
                    ? ''
                    : `rated ${showText(piece.maxPressure, 'pressure', system)}`,
                  piece.mesh === null ? '' : `${piece.mesh} mesh`,
                  piece.note,
                ]
                  .filter(Boolean)
                  .join(' · ')}
              />
            ))}
          </Section>
        </>
      ) : null}
    </Screen>
  );
}
