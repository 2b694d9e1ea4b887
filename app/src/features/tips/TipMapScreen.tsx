import {
  DEFAULT_SCHOOLS,
  FAMILY_DATA,
  NOMINAL_DISTANCE,
  TIP_FAMILIES,
  fanReadings,
  searchSetups,
  showText,
  tipMap,
  type Fit,
  type Schools,
  type TipCell,
  type TipFamily,
  type TipMap,
} from '@fine-spray/core';
import { useMemo, useRef, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import type { Site } from '@/features/site';
import { Button } from '@/ui/button';
import { Labelled } from '@/ui/field';
import { Panel } from '@/ui/panel';
import { Segmented } from '@/ui/segmented';
import { ErrorState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** How a fit is told apart without colour: a sign, a line, a word. */
const LOOKS: Readonly<Record<Fit, { readonly sign: string; readonly word: string; readonly box: string }>> = {
  best: { sign: '★', word: 'best', box: 'border-identity bg-identity border-4' },
  good: { sign: '●●', word: 'good', box: 'border-identity bg-identity-tint border-2' },
  fair: { sign: '●', word: 'fair', box: 'border-rule bg-sheet border-2' },
  poor: { sign: '–', word: 'poor', box: 'border-rule bg-ground border-2 border-dashed' },
  refused: { sign: '×', word: 'not with this line', box: 'border-transparent bg-transparent border' },
};
const FITS_SHOWN: readonly Fit[] = ['best', 'good', 'fair', 'poor', 'refused'];
const SIDE = 56;

/** Tips as a map: fan across, orifice down. A tap tells why, another fits it. */
export function TipMapScreen({ site }: { site: Site }) {
  const { system } = useUnits();
  const [schools, setSchools] = useState(DEFAULT_SCHOOLS);
  const found = useMemo(
    () => searchSetups({ ...site.request, chosenTip: undefined, schools }, system),
    [site.request, system, schools],
  );
  const first = site.card.ok ? site.card.value.tip.candidate.tip.family : 'standard';
  const [family, setFamily] = useState<TipFamily>(first);
  const [open, setOpen] = useState<TipCell>();
  if (!found.ok) return <ErrorState title="No map for this" text={found.message} />;
  const map = tipMap(found.value, family);
  const now = site.card.ok ? site.card.value.tip : undefined;
  const chosen = open ?? (now ? map.cell(now.candidate.tip.fan, now.candidate.tip.orificeThou) : undefined);
  return (
    <View className="gap-4">
      {chosen ? <ChosenTip site={site} chosen={chosen} family={family} /> : null}
      <Segmented
        label="Family"
        value={family}
        options={TIP_FAMILIES.map((value) => ({ value, label: FAMILY_DATA[value].name }))}
        onChange={(value) => {
          setFamily(value);
          setOpen(undefined);
        }}
      />
      {map.orifices.length === 0 ? (
        <Words>No tips of this family.</Words>
      ) : (
        <TipGrid map={map} chosen={chosen} onOpen={setOpen} />
      )}
      <View className="flex-row flex-wrap gap-x-4 gap-y-1">
        {FITS_SHOWN.map((fit) => (
          <Words key={fit} size={14}>{`${LOOKS[fit].sign} ${LOOKS[fit].word}`}</Words>
        ))}
      </View>
      <Panel title="Schools">
        <SchoolChoice label="Gun distance" name="distance" schools={schools} onChange={setSchools} />
        <SchoolChoice label="Build" name="build" schools={schools} onChange={setSchools} />
        <SchoolChoice label="Overlap" name="overlap" schools={schools} onChange={setSchools} />
        <SchoolChoice
          label="Fan width from the code"
          name="fanWidth"
          schools={schools}
          onChange={setSchools}
        />
        {chosen ? <Widths fan={chosen.tip.fan} /> : null}
        <Words size={14} colour="ink2">
          The first of each is the default: small work sprayed closer runs sooner, a full coat on a wall is
          nearer its sag limit, the lap with the smaller variation of film wins, and the wall shows the
          doubled figure for common fans. This changes the map only.
        </Words>
      </Panel>
    </View>
  );
}

/** A tip of the map: how it fits and why, and the way to fit it. */
function ChosenTip({ site, chosen, family }: { site: Site; chosen: TipCell; family: TipFamily }) {
  const { system } = useUnits();
  const card = site.card.ok ? site.card.value : undefined;
  const now = card?.tip;
  const isOnCard = now !== undefined && chosen.code === now.code && family === now.candidate.tip.family;
  return (
    <Panel testID="tip-chosen">
      <View className="flex-row flex-wrap items-end gap-4">
        <Words size={64} weight="digits-bold">
          {chosen.code}
        </Words>
        <View className="min-w-0 flex-1">
          <Words size={18} weight="bold">{`${LOOKS[chosen.fit].sign} ${LOOKS[chosen.fit].word}`}</Words>
          <Words>{chosen.reason}</Words>
        </View>
      </View>
      {chosen.option ? (
        <Words colour="ink2">{`${showText(isOnCard && card ? card.gunPressure.value : chosen.option.candidate.gunPressure, 'pressure', system)} at the gun, ${showText(chosen.option.candidate.gunSpeed, 'speed', system)}, ${chosen.option.mesh} mesh, ${chosen.option.seal.name.toLowerCase()}, ${chosen.option.finish} finish.`}</Words>
      ) : null}
      {chosen.option && isOnCard ? (
        <Words weight="semi">On the card now.</Words>
      ) : chosen.option ? (
        <Button
          label={`Make ${chosen.code} the card`}
          kind="primary"
          onPress={() => site.setTip(chosen.tip)}
        />
      ) : null}
    </Panel>
  );
}

/** Where the arrow keys lead on the map: along the fans, along the orifices. */
const STEPS: Readonly<Record<string, readonly [fans: number, orifices: number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};

/** The next tip from one on in a direction, over places where none is made; nothing at the edge. */
export function nextOnMap(
  map: Pick<TipMap, 'fans' | 'orifices' | 'cell'>,
  { tip }: Pick<TipCell, 'tip'>,
  key: string,
): TipCell | undefined {
  const step = STEPS[key];
  if (!step) return undefined;
  let [column, row] = [map.fans.indexOf(tip.fan), map.orifices.indexOf(tip.orificeThou)];
  for (;;) {
    column += step[0];
    row += step[1];
    const [fan, orifice] = [map.fans[column], map.orifices[row]];
    if (fan === undefined || orifice === undefined) return undefined;
    const cell = map.cell(fan, orifice);
    if (cell) return cell;
  }
}

/** The map itself: fan across, orifice down. One stop of the tab key; inside it the arrows lead on. */
function TipGrid({
  map,
  chosen,
  onOpen,
}: {
  map: TipMap;
  chosen: TipCell | undefined;
  onOpen: (cell: TipCell) => void;
}) {
  const scroller = useRef<ScrollView>(null);
  const cells = useRef(new Map<string, { focus: () => void }>());
  const [last, setLast] = useState<string>();
  const all = map.orifices.flatMap((orifice) => map.fans.flatMap((fan) => map.cell(fan, orifice) ?? []));
  const stop = (all.find(({ code }) => code === last) ?? chosen ?? all[0])?.code;
  return (
    <ScrollView
      ref={scroller}
      onLayout={({ nativeEvent }) => {
        // What is on the card stands in sight, not at the end of a scroll.
        const column = chosen ? map.fans.indexOf(chosen.tip.fan) : 0;
        const left = (column + 2) * (SIDE + 4) - nativeEvent.layout.width;
        if (left > 0) scroller.current?.scrollTo({ x: left, animated: false });
      }}
      horizontal
      aria-label="Tip map: fan across, orifice down"
      testID="tip-map"
    >
      <View className="gap-1">
        <View className="flex-row gap-1">
          <Cell head="thou" />
          {map.fans.map((fan) => (
            <Cell key={fan} head={`fan ${fan}`} />
          ))}
        </View>
        {map.orifices.map((orifice) => (
          <View key={orifice} className="flex-row gap-1">
            <Cell head={String(orifice).padStart(2, '0')} />
            {map.fans.map((fan) => {
              const cell = map.cell(fan, orifice);
              if (!cell) return <Cell key={fan} head="" />;
              const { sign, word, box } = LOOKS[cell.fit];
              const picked = cell === chosen || cell.code === chosen?.code;
              const keys = {
                onKeyDown: (event: { key: string; preventDefault: () => void }) => {
                  const next = nextOnMap(map, cell, event.key);
                  if (!next) return;
                  event.preventDefault();
                  setLast(next.code);
                  cells.current.get(next.code)?.focus();
                },
              } as object;
              return (
                <Pressable
                  key={fan}
                  ref={(one: unknown) => {
                    if (one) cells.current.set(cell.code, one as { focus: () => void });
                    else cells.current.delete(cell.code);
                  }}
                  role="button"
                  tabIndex={cell.code === stop ? 0 : -1}
                  {...keys}
                  aria-label={`${cell.code}, ${word}`}
                  aria-pressed={picked}
                  onPress={() => {
                    setLast(cell.code);
                    onOpen(cell);
                  }}
                  style={{ width: SIDE, height: SIDE }}
                  className={`items-center justify-center rounded-lg ${box} ${picked ? 'outline outline-2 outline-ink' : ''}`}
                >
                  <Words
                    size={14}
                    weight="bold"
                    colour={cell.fit === 'best' ? 'on-identity' : cell.fit === 'refused' ? 'ink2' : 'ink'}
                  >
                    {sign}
                  </Words>
                  <Words size={14} weight="digits" colour={cell.fit === 'best' ? 'on-identity' : 'ink2'}>
                    {cell.code}
                  </Words>
                </Pressable>
              );
            })}
          </View>
        ))}
      </View>
    </ScrollView>
  );
}

/** How wide a fan is by each school. */
function Widths({ fan }: { fan: number }) {
  const { system } = useUnits();
  const readings = fanReadings(fan, NOMINAL_DISTANCE, system);
  if (!readings.ok) return null;
  return (
    <View testID="fan-by-school">
      <Words weight="semi">{`Fan ${fan} at ${showText(NOMINAL_DISTANCE, 'distance', system)} from the wall`}</Words>
      {readings.value.map(({ school, width, divergence = 0 }) => (
        <Words key={school}>
          {`${SCHOOL_WORDS.fanWidth[school]}: ${width ? showText(width.value, 'fanWidth', system) : 'makes no sense for this fan'}${Math.abs(divergence) < 0.005 ? '' : `, ${Math.abs(Math.round(divergence * 100))} % ${divergence > 0 ? 'wider' : 'narrower'}`}`}
        </Words>
      ))}
    </View>
  );
}

/** What the crew may hold with, in few words; the first is the default. */
const SCHOOL_WORDS: { readonly [Name in keyof Schools]: Readonly<Record<Schools[Name], string>> } = {
  distance: { 'one distance': 'One everywhere', closer: 'Closer on small work' },
  build: { lighter: 'Lighter coats', full: 'Full coats' },
  overlap: { 'smaller variation': 'Most even', 'one half': 'One half', 'one third': 'One third' },
  fanWidth: {
    'double inches': 'Doubled, in',
    'five centimetres': 'Times five, cm',
    'spray angle': 'As an angle',
  },
};

function SchoolChoice<Name extends keyof Schools>({
  label,
  name,
  schools,
  onChange,
}: {
  label: string;
  name: Name;
  schools: Schools;
  onChange: (schools: Schools) => void;
}) {
  const words = SCHOOL_WORDS[name];
  return (
    <Labelled label={label}>
      <Segmented
        label={label}
        value={schools[name]}
        options={(Object.keys(words) as Schools[Name][]).map((value) => ({ value, label: words[value] }))}
        onChange={(value) => onChange({ ...schools, [name]: value })}
      />
    </Labelled>
  );
}

const Cell = ({ head }: { head: string }) => (
  <View style={{ width: SIDE, minHeight: 28 }} className="items-center justify-center">
    <Words size={14} colour="ink2">
      {head}
    </Words>
  </View>
);
