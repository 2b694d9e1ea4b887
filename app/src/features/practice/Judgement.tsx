import { MARK_NAMES, MARK_REASONS, markText, type PracticeTarget } from '@fine-spray/core/practice';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { FilmPicture, Legend, shownBands } from '@/features/film';
import { Panel } from '@/ui/panel';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { meanOf } from './words';
import type { Judgement as Judged } from '@/workers/practice.worker';

/** Worth saying, points. */
const COSTS = 0.5;

/** How what was sprayed went: points, the one thing to change first, the film, and what cost what. */
export function Judgement({
  target,
  judgement,
  before,
}: {
  target: PracticeTarget;
  judgement: Judged;
  /** Points of the last ones on this piece. */
  before: readonly number[];
}) {
  const { system } = useUnits();
  const [open, setOpen] = useState<string>();
  const { points, marks, wanted, usual, advice, looks, film } = judgement;
  return (
    <>
      <View testID="practice-points">
        <Words size={14} weight="semi" colour="wet">
          By the film, of 100
        </Words>
        <Words size={64} weight="digits-bold" colour="wet">
          {String(Math.round(points))}
        </Words>
        <Words colour="ink2">
          {`A usual hand: ${Math.round(usual)}.${before.length > 0 ? ` Your last ${before.length === 1 ? 'one' : before.length}: ${Math.round(meanOf(before))}.` : ''}`}
        </Words>
      </View>
      <Panel title="Change first" testID="practice-advice">
        <Words size={18} weight="semi">
          {advice}
        </Words>
      </Panel>
      <FilmPicture wall={target.wall} film={film} passes={false} />
      <Words testID="practice-looks">{looks}</Words>
      <Legend bands={shownBands(film)} />
      <Panel title="What it cost">
        <View>
          {marks.map(({ of, value, planned, costs }) => (
            <Pressable
              key={of}
              role="button"
              aria-expanded={open === of}
              onPress={() => setOpen(open === of ? undefined : of)}
              className="min-h-[48px] justify-center border-b border-rule py-1"
            >
              <View className="flex-row items-baseline justify-between gap-3">
                <Words className="min-w-0 flex-1" weight={costs > COSTS ? 'semi' : 'regular'}>
                  {MARK_NAMES[of]}
                </Words>
                <Words>{markText({ of, value }, wanted, system)}</Words>
                <Words className="w-[72px] text-right" weight={costs > COSTS ? 'bold' : 'regular'}>
                  {costs > COSTS ? `−${Math.round(costs)}` : 'right'}
                </Words>
              </View>
              {open === of ? (
                <Words size={14} colour="ink2">
                  {`${MARK_REASONS[of]} Planned passes: ${markText({ of, value: planned }, wanted, system)}.`}
                </Words>
              ) : null}
            </Pressable>
          ))}
        </View>
      </Panel>
    </>
  );
}
