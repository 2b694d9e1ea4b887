import {
  containerText,
  counted,
  orificeDiameter,
  rangeBeside,
  pressuresAre,
  show,
  showRange,
  showText,
  wearLine,
  type Explained,
  type SetupCard,
  type TipAdvice,
  type UnitSystem,
} from '@fine-spray/core';
import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { STEP_TITLES } from '@/features/cautions';
import { Button } from '@/ui/button';
import { CautionBox, CautionList } from '@/ui/caution';
import { BigNumber } from '@/ui/number';
import { useSoonAfter } from '@/ui/soonAfter';
import { Words, type Colour } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { FilmSection } from './FilmSection';
import { Scene } from './Scene';
import { familyName, laterStroke, strokeText } from './words';

/** The parts of the card that explain themselves when tapped. */
export type CardPart = {
  [Part in keyof SetupCard]: SetupCard[Part] extends Explained ? Part : never;
}[keyof SetupCard];

export interface SetupCardViewProps {
  readonly card: SetupCard;
  readonly coats: number;
  readonly hoseText: string;
  /** The coating has values from its data sheet. */
  readonly fromDataSheet: readonly string[];
  readonly onOpen: (part: CardPart) => void;
  readonly onPickTip?: (advice: TipAdvice) => void;
  /** A sentence why the card shows the last good set-up, while an input is refused. */
  readonly stale?: string | undefined;
}

function Cell({
  label,
  colour = 'ink2',
  onPress,
  children,
}: {
  label: string;
  colour?: Colour;
  onPress: () => void;
  children: ReactNode;
}) {
  return (
    <Pressable
      role="button"
      onPress={onPress}
      className="min-h-[56px] flex-1 basis-[140px] gap-0.5 rounded-xl p-2 hover:bg-identity-tint"
    >
      <Words size={14} weight="semi" colour={colour}>
        {label}
      </Words>
      {children}
      <Why />
    </Pressable>
  );
}

/** Said to those who do not see that a number can be tapped. */
const Why = () => <Words className="sr-only">Why this number</Words>;

/** Pressure where to start and where to stop, in both unit systems. */
function PressureCell({
  label,
  number,
  onPress,
}: {
  label: string;
  number: { start: number; stop: number };
  onPress: () => void;
}) {
  const { system } = useUnits();
  const [digits = '', unit = ''] = showRange(number.start, number.stop, 'pressure', system).split(' ');
  return (
    <Cell label={label} onPress={onPress}>
      <View className="flex-row items-baseline gap-1">
        <Words size={digits.length > 8 ? 18 : 22} weight="digits-bold">
          {digits}
        </Words>
        <Words weight="semi">{unit}</Words>
      </View>
      <Words size={14} colour="ink2">
        {rangeBeside(number.start, number.stop, 'pressure', system)}
      </Words>
    </Cell>
  );
}

const Rule = () => <View className="h-px bg-rule" />;

/** What the parts of a card are shown from: `open` opens a number. */
interface PartProps {
  readonly card: SetupCard;
  readonly open: (part: CardPart) => () => void;
}

/** The signature object: everything to set for one surface, readable at arm's length. Every number opens. */
export function SetupCardView({
  card,
  coats,
  hoseText,
  fromDataSheet,
  onOpen,
  onPickTip,
  stale,
}: SetupCardViewProps) {
  const open = (part: CardPart) => () => onOpen(part);
  const after = useSoonAfter();
  return (
    <View
      role="region"
      aria-label={`Set-up card, tip ${card.tip.code}`}
      className={`gap-3 ${stale ? 'opacity-60' : ''}`}
      testID="setup-card"
    >
      {stale ? (
        <Words
          weight="bold"
          className="rounded-xl border-2 border-dashed border-ink2 px-3 py-2"
          testID="old-card"
        >
          Old card, from before the change that was refused
        </Words>
      ) : null}
      <TipPart card={card} open={open} hoseText={hoseText} onPickTip={onPickTip} />
      {card.doubts.map(({ what, why, instead }) => (
        <CautionBox key={why} what={what} why={why} instead={instead} />
      ))}
      <View className="gap-1 rounded-2xl border border-rule bg-sheet p-2">
        <HandPart card={card} open={open} coats={coats} />
        <FilmPart card={card} open={open} />
        {after ? (
          <>
            <SmallPart card={card} open={open} />
            <ContainersPart card={card} open={open} />
          </>
        ) : null}
        {after && fromDataSheet.length > 0 ? (
          <View className="rounded-xl bg-identity-tint p-3" testID="from-data-sheet">
            <Words
              colour="identity"
              weight="semi"
            >{`From the data sheet: ${fromDataSheet.join(', ').toLowerCase()}.`}</Words>
          </View>
        ) : null}
      </View>
      {after ? (
        <>
          <BesideSheet card={card} />
          <NextBest card={card} onPickTip={onPickTip} />
          <Cautions card={card} />
        </>
      ) : null}
    </View>
  );
}

/** The tip, what its code means, why it, and the line it stands on. */
function TipPart({
  card,
  open,
  hoseText,
  onPickTip,
}: PartProps &
  Pick<SetupCardViewProps, 'hoseText'> & { onPickTip: ((advice: TipAdvice) => void) | undefined }) {
  const { system } = useUnits();
  const { tip } = card.tip.candidate;
  return (
    <View className="gap-2 rounded-2xl border border-rule bg-sheet p-4">
      <View className="flex-row flex-wrap items-center gap-x-4">
        <Pressable
          role="button"
          aria-label={`Tip ${card.tip.code}, ${familyName(tip.family)}. Why this number`}
          onPress={open('fan')}
        >
          <Words size={64} weight="digits-bold" testID="tip-code">
            {card.tip.code}
          </Words>
        </Pressable>
        <View className="min-w-[130px] flex-1">
          <Words
            size={18}
            weight="bold"
          >{`${familyName(tip.family)} tip${card.chosen ? ', your choice' : ''}`}</Words>
          <Words colour="ink2">{`fan ${tip.fan} = ${showText(card.fan.value, 'fanWidth', system)}`}</Words>
          <Words colour="ink2">{`orifice ${String(tip.orificeThou).padStart(2, '0')} = ${showText(orificeDiameter(tip), 'orifice', system)}`}</Words>
        </View>
      </View>
      {card.ours && onPickTip ? (
        <Button label={oursText(card, card.ours, system)} onPress={() => card.ours && onPickTip(card.ours)} />
      ) : null}
      <Scene card={card} hoseText={hoseText} />
    </View>
  );
}

/** "517, on your rack: 2 min more than with 617": a tip need not be bought. */
function oursText(card: SetupCard, ours: TipAdvice, system: UnitSystem): string {
  const more = ours.candidate.sprayingTime - card.tip.candidate.sprayingTime;
  const { number, unit } = show(Math.abs(more), 'trigger', system);
  const beside = number === '0' ? 'as quick as' : `${number} ${unit} ${more > 0 ? 'more' : 'less'} than with`;
  return `${ours.code}, on your rack: ${beside} ${card.tip.code}`;
}

/** What the hand does: how fast the gun moves, the paint it takes, and the pressures to set. */
function HandPart({ card, open, coats }: PartProps & { coats: number }) {
  const { system } = useUnits();
  const later = laterStroke(card, system);
  return (
    <>
      <View className="flex-row flex-wrap">
        <Cell label="Move the gun" onPress={open('gunSpeed')}>
          <View className="flex-row flex-wrap items-baseline gap-x-2">
            <Words size={22} weight="semi">{`${strokeText(card, system)} in`}</Words>
            <Words size={44} weight="digits-bold" testID="stroke-time">
              {show(card.stroke.time, 'time', system).number}
              <Words size={22} weight="semi">
                {' s'}
              </Words>
            </Words>
          </View>
          <Words size={14} colour="ink2">
            {showRange(card.gunSpeed.low, card.gunSpeed.high, 'speed', system)}
          </Words>
          {later === undefined ? null : (
            <Words
              size={14}
              weight="semi"
              testID="later-stroke"
            >{`First coat: bare ground drinks. Then ${later}.`}</Words>
          )}
        </Cell>
        <Cell label={`Paint, ${counted(coats, 'coat')}`} onPress={open('paint')}>
          <View testID="paint">
            <BigNumber value={card.paint.value} kind="volume" size={44} both={false} />
          </View>
          <Words
            size={14}
            colour="ink2"
          >{`${showRange(card.paint.low, card.paint.high, 'volume', system)} · ${showText(card.area.net, 'area', system)}`}</Words>
        </Cell>
      </View>
      <Rule />
      <View className="flex-row flex-wrap">
        <PressureCell
          label={`Gun, ${pressuresAre(card)}`}
          number={card.gunPressure}
          onPress={open('gunPressure')}
        />
        <PressureCell
          label={`Pump, ${pressuresAre(card)}`}
          number={card.pumpPressure}
          onPress={open('pumpPressure')}
        />
      </View>
    </>
  );
}

/** Wet and dry film, and both as a cross-section. */
function FilmPart({ card, open }: PartProps) {
  return (
    <>
      <Rule />
      <View className="flex-row flex-wrap">
        <Cell
          label={card.passesPerCoat > 1 ? `Wet film, ${card.passesPerCoat} passes` : 'Wet film'}
          colour="wet"
          onPress={open('wetFilm')}
        >
          <View testID="wet-film">
            <BigNumber value={card.wetFilm.value} kind="wetFilm" colour="wet" />
          </View>
        </Cell>
        <Cell label="Dry film" colour="dry" onPress={open('dryFilm')}>
          <BigNumber value={card.dryFilm.value} kind="dryFilm" colour="dry" />
        </Cell>
      </View>
      <FilmSection card={card} />
    </>
  );
}

/** What is set once: filter, thinning, overlap, distance; and the limits. */
function SmallPart({ card, open }: PartProps) {
  const { system } = useUnits();
  return (
    <>
      <Rule />
      <View className="flex-row flex-wrap">
        <SmallCell
          label="Filters, gun and manifold"
          value={`${card.mesh.value} mesh`}
          onPress={open('mesh')}
        />
        <SmallCell
          label="Thin"
          value={
            card.thinningLimit.value > 0
              ? `0–${showText(card.thinningLimit.value, 'percent', system)}`
              : 'not at all'
          }
          onPress={open('thinningLimit')}
        />
        <SmallCell label="Overlap" value={card.overlap.name} onPress={open('overlap')} />
        <SmallCell
          label="Distance"
          value={showText(card.distance.value, 'distance', system)}
          onPress={open('distance')}
        />
        <SmallCell
          label="Sag limit"
          value={showText(card.sagLimit.value, 'wetFilm', system)}
          onPress={open('sagLimit')}
        />
        <SmallCell label="Flow" value={showText(card.flow.value, 'flow', system)} onPress={open('flow')} />
      </View>
    </>
  );
}

/** What to open. */
function ContainersPart({ card, open }: PartProps) {
  const { system } = useUnits();
  return (
    <>
      <Rule />
      <View className="gap-1 p-2" testID="containers">
        <Words size={14} weight="semi" colour="ink2">
          Open
        </Words>
        <Words size={18} weight="bold">
          {containerText(card.containers, system)}
        </Words>
        <Pressable role="button" onPress={open('hoseFill')} className="min-h-[24px]">
          <Words size={14} colour="ink2">
            {`With ${showText(card.hoseFill.value, 'volume', system)} that fills hose and pump. At worst: ${containerText(card.containersAtWorst, system)}.`}
          </Words>
          <Why />
        </Pressable>
      </View>
    </>
  );
}

/** The maker's advice beside what is worked out here, and why they differ. */
function BesideSheet({ card }: { card: SetupCard }) {
  if (card.besideSheet.length === 0) return null;
  return (
    <View className="gap-2 rounded-2xl border border-rule bg-sheet p-4" testID="beside-sheet">
      <View className="flex-row gap-2">
        <Words weight="bold" heading={2} className="flex-1">
          Data sheet
        </Words>
        <Words weight="bold" className="flex-1">
          Here
        </Words>
      </View>
      {card.besideSheet.map(({ what, sheet, here, why }) => (
        <View key={what} className="gap-0.5 border-t border-rule pt-2">
          <Words size={14} colour="ink2">
            {what}
          </Words>
          <View className="flex-row gap-2">
            <Words weight="semi" className="flex-1">
              {sheet}
            </Words>
            <Words weight="semi" className="flex-1">
              {here}
            </Words>
          </View>
          <Words size={14}>{why ?? 'They agree.'}</Words>
        </View>
      ))}
    </View>
  );
}

/** The tips that come next, to fit instead. */
function NextBest({
  card,
  onPickTip,
}: {
  card: SetupCard;
  onPickTip: ((advice: TipAdvice) => void) | undefined;
}) {
  return (
    <View className="gap-1 rounded-2xl border border-rule bg-sheet p-4">
      <Words weight="bold" heading={2}>
        {`Why ${card.tip.code}, and what is next best`}
      </Words>
      <Words colour="ink2" testID="tip-reason">{`${card.tip.reason}.`}</Words>
      {card.nextBest.map((advice) => (
        <Pressable
          key={`${advice.candidate.tip.family} ${advice.code}`}
          role="button"
          onPress={() => onPickTip?.(advice)}
          className="min-h-[56px] flex-row items-center gap-3 rounded-xl p-1 hover:bg-identity-tint"
        >
          <Words size={22} weight="digits-bold" className="w-16">
            {advice.code}
          </Words>
          <View className="min-w-0 flex-1">
            <Words
              weight="semi"
              size={14}
            >{`${familyName(advice.candidate.tip.family)}${advice.onRack ? ' · on your rack' : ''}`}</Words>
            <Words size={14} colour="ink2">
              {advice.reason}
            </Words>
            <Words className="sr-only">Fit it instead</Words>
          </View>
        </Pressable>
      ))}
      <Words
        size={14}
        colour="ink2"
      >{`${card.refusedTips} other tips do not work with this paint, pump and hose.`}</Words>
    </View>
  );
}

function SmallCell({ label, value, onPress }: { label: string; value: string; onPress: () => void }) {
  return (
    <Pressable
      role="button"
      onPress={onPress}
      className="min-h-[56px] min-w-[33%] p-2 hover:bg-identity-tint"
    >
      <Words size={14} colour="ink2">
        {label}
      </Words>
      <Words weight="bold">{value}</Words>
      <Why />
    </Pressable>
  );
}

/** Cautions of each step, and what to wear. */
function Cautions({ card }: { card: SetupCard }) {
  return (
    <View className="gap-2">
      <CautionList title={STEP_TITLES.prepare} cautions={card.preparing} />
      <CautionList title={STEP_TITLES.spray} cautions={card.cautions} />
      <View className="gap-1 rounded-2xl border border-rule bg-sheet p-4" testID="wear">
        <Words weight="semi" colour="ink2">
          Wear
        </Words>
        <Words weight="semi">{wearLine(card.protection)}</Words>
        {card.sheetWear === undefined ? null : (
          <Words testID="sheet-wear">{`The data sheet says: ${card.sheetWear}`}</Words>
        )}
        {card.protection
          .filter(({ worn }) => !worn)
          .map(({ code, what }) => (
            <Words key={code}>{what}</Words>
          ))}
      </View>
    </View>
  );
}
