import type { Kit, SetupJob, SetupSurface } from '@fine-spray/contract/planning';
import {
  ELEMENT_DATA,
  SURFACE_KINDS,
  coatingInput,
  counted,
  measure,
  pieceKind,
  pieceKindOf,
  show,
  showText,
  small,
  sizesAlone,
  completeSizes,
  type SetupCard,
  type UnitSystem,
} from '@fine-spray/core';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { Pressable, View } from 'react-native';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';

/** The three questions a set-up answers. */
export const QUESTIONS = { what: 'What is sprayed', with: 'With what', machine: 'By which machine' } as const;
export type Question = keyof typeof QUESTIONS;
const QUESTION_IDS = Object.keys(QUESTIONS) as Question[];

/** "9.6 × 3.2 m", "6: 0.9 × 2.1 m"; the area where it has no such sizes. */
function sizeText(geometry: SetupSurface['geometry'], system: UnitSystem): string {
  const times = (sizes: readonly number[]): string => {
    const shown = sizes.map((size) => show(size, 'size', system));
    return `${shown.map(({ number }) => number).join(' × ')} ${shown[0]?.unit ?? ''}`;
  };
  if (geometry.shape === 'item') {
    const sizes = completeSizes(geometry.item, geometry.sizes);
    const one = times(sizesAlone(geometry.item).map((name) => sizes[name]));
    return geometry.count === 1 ? one : `${geometry.count} of ${one}`;
  }
  if (geometry.shape === 'rectangle') {
    const one = times([geometry.width, geometry.height]);
    return geometry.count === 1 ? one : `${geometry.count} of ${one}`;
  }
  const area = measure(geometry, system);
  return area.ok ? showText(area.value.net, 'area', system) : 'area not known';
}

/** "16.5 m hose": all of it in series. */
export function hoseText({ hoseIds }: SetupJob, kit: Kit, system: UnitSystem): string {
  const total = hoseIds.reduce((sum, id) => sum + (kit.hoses.find((hose) => hose.id === id)?.length ?? 0), 0);
  return total === 0 ? 'no hose' : `${showText(total, 'hoseLength', system)} hose`;
}

interface Said {
  readonly line: string;
  readonly more: string;
}

/** What a card's questions are answered with now, in two short lines each. */
export function saidOf(
  surface: SetupSurface,
  job: SetupJob,
  kit: Kit,
  card: SetupCard | undefined,
  system: UnitSystem,
): Readonly<Record<Question, Said>> {
  const kind = pieceKindOf(surface);
  const coating = kit.coatings.find(({ id }) => id === surface.coatingId);
  const dry = coating ? `, ${showText(coatingInput(coating, 'dryFilm').value, 'dryFilm', system)} dry` : '';
  const under = surface.under.length > 0 ? `, over ${counted(surface.under.length, 'layer')}` : '';
  const rack = card?.tip.onRack ? 'tip on your rack' : 'tip not on your rack';
  return {
    what: {
      line: `${kind ? pieceKind(kind).name : ELEMENT_DATA[surface.element].name}, ${small(SURFACE_KINDS[surface.kind].name)}`,
      more: `${sizeText(surface.geometry, system)}, ${surface.condition}`,
    },
    with: {
      line: coating?.name ?? 'No coating',
      more: `${counted(surface.coats, 'coat')}${dry}${under}`,
    },
    machine: {
      line: `${kit.sprayers.find(({ id }) => id === job.sprayerId)?.name ?? 'No sprayer'}, ${hoseText(job, kit, system)}`,
      more: card?.chosen ? `${card.tip.code}, your choice` : rack,
    },
  };
}

/** The questions as chips with their answers: one tap opens a question where it stands. */
export function Questions({
  said,
  open,
  wrong,
  onOpen,
}: {
  readonly said: Readonly<Record<Question, Said>>;
  readonly open: Question | undefined;
  /** Questions with something that is refused. */
  readonly wrong: readonly Question[];
  readonly onOpen: (question: Question | undefined) => void;
}) {
  const { palette } = useTheme();
  return (
    <View className="flex-row flex-wrap gap-2" role="group" aria-label="Questions">
      {QUESTION_IDS.map((question) => {
        const { line, more } = said[question];
        const here = open === question;
        const Icon = here ? ChevronUp : ChevronDown;
        return (
          <Pressable
            key={question}
            role="button"
            aria-expanded={here}
            testID={`question-${question}`}
            onPress={() => onOpen(here ? undefined : question)}
            className={`min-h-[56px] flex-grow justify-between gap-0.5 rounded-xl border-2 px-3 py-1.5 ${question === 'machine' ? 'basis-full' : 'flex-1 basis-[150px]'} ${wrong.includes(question) ? 'border-danger bg-sheet' : here ? 'border-identity bg-identity-tint' : 'border-rule bg-sheet'}`}
          >
            <Words className="sr-only">{`${QUESTIONS[question]}:`}</Words>
            <Words weight="semi" numberOfLines={3}>
              {line}
            </Words>
            <View className="flex-row items-end gap-1">
              <Words size={14} colour="ink2" className="min-w-0 flex-1">
                {more}
              </Words>
              <Icon size={18} color={palette.ink2} aria-hidden />
            </View>
            {wrong.includes(question) ? <Words className="sr-only">Something is refused here</Words> : null}
          </Pressable>
        );
      })}
    </View>
  );
}
