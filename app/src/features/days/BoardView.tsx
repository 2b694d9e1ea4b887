import type { ScheduleFields } from '@fine-spray/contract';
import type { SitePlanFound } from '@fine-spray/contract/planning';
import { format } from 'date-fns/format';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import {
  PanResponder,
  ScrollView,
  View,
  type NativeSyntheticEvent,
  type NativeScrollEvent,
} from 'react-native';
import Svg, { G, Line, Rect, Text as SvgText } from 'react-native-svg';
import { Button } from '@/ui/button';
import { Segmented } from '@/ui/segmented';
import { Words } from '@/ui/text';
import { DryingRibbon } from '@/ui/drying';
import { useTheme } from '@/ui/theme/theme';
import { boardOf, draggedRow, draggedTo, xOf, type Block } from './boardScale';
import { clockText, dayText, midnightOf, momentOf, shortMoment } from './schedule';

const DAY = 1440;
const HEAD = 44;
const ROW = 64;
const BLOCK = 36;
const NAMES = 112;
const ZOOMS = [8, 14, 24, 40] as const;
/** What is drawn beyond what is in sight, px. */
const MARGIN = 600;

const BY = [
  { value: 'people', label: 'By people' },
  { value: 'rooms', label: 'By rooms' },
] as const;

interface Acts {
  readonly open: (task: string) => void;
  /** Holds a task at a time, on somebody where that was changed. */
  readonly move: (task: string, start: number | undefined, person: number | undefined) => void;
}

/** The plan as a board to scale in time: blocks are moved by hand or with keys. */
export function BoardView({
  fields,
  planned,
  mayPlan,
  onOpen,
  onMove,
}: {
  fields: ScheduleFields;
  planned: SitePlanFound;
  mayPlan: boolean;
  onOpen: Acts['open'];
  onMove: Acts['move'];
}) {
  const { palette } = useTheme();
  const [by, setBy] = useState<'people' | 'rooms'>('people');
  const [zoom, setZoom] = useState(2);
  const [seen, setSeen] = useState({ x: 0, width: 1200 });
  const perHour = ZOOMS[zoom] ?? 14;
  const crew = useMemo(() => fields.crew.map(({ name }) => name), [fields.crew]);
  const board = useMemo(() => boardOf(planned, by, crew), [planned, by, crew]);
  const first = useMemo(() => midnightOf(fields), [fields]);
  const [from, to] = board.days;
  const width = (to - from + 1) * 24 * perHour;
  const height = HEAD + board.rows.length * ROW;
  const pinned = useMemo(() => new Set(fields.pins.map(({ task }) => task)), [fields.pins]);
  const x = (minute: number) => xOf(minute, from, perHour);
  const inSight = (a: number, b: number) => x(b) > seen.x - MARGIN && x(a) < seen.x + seen.width + MARGIN;
  const follow = ({ nativeEvent }: NativeSyntheticEvent<NativeScrollEvent>) => {
    const { contentOffset, layoutMeasurement } = nativeEvent;
    // What is drawn is changed half a margin at a time: a board that is scrolled is not drawn anew each frame.
    setSeen((now) =>
      Math.abs(now.x - contentOffset.x) > MARGIN / 2 || Math.abs(now.width - layoutMeasurement.width) > 40
        ? { x: contentOffset.x, width: layoutMeasurement.width }
        : now,
    );
  };
  const scroller = useRef<ScrollView>(null);
  // It opens on the day that is now, or on the first that has work.
  const begins = Math.max(planned.times.from, from * DAY + fields.hours.from);
  const opensAt = Math.max(0, xOf(Math.floor(begins / DAY) * DAY + fields.hours.from, from, perHour) - 24);
  const opened = useRef<number>(undefined);
  useEffect(() => {
    // With another scale the same day is looked at.
    if (opened.current === perHour) return;
    opened.current = perHour;
    scroller.current?.scrollTo({ x: opensAt, animated: false });
  }, [opensAt, perHour]);
  // The same for as long as the board is there: blocks that stay in sight are not drawn again while it is scrolled.
  const acts = useRef({ onOpen, onMove });
  acts.current = { onOpen, onMove };
  const [{ open, move }] = useState<Acts>(() => ({
    open: (task) => acts.current.onOpen(task),
    move: (...held) => acts.current.onMove(...held),
  }));
  return (
    <View className="gap-2 rounded-2xl border border-rule bg-sheet p-3" testID="board">
      <View className="flex-row flex-wrap items-center gap-2">
        <View className="w-[260px]">
          <Segmented label="Rows of the board" value={by} options={BY} onChange={setBy} />
        </View>
        <Button label="Closer" disabled={zoom === ZOOMS.length - 1} onPress={() => setZoom(zoom + 1)} />
        <Button label="Farther" disabled={zoom === 0} onPress={() => setZoom(zoom - 1)} />
        <Words size={14} colour="ink2" className="min-w-[240px] flex-1">
          {mayPlan
            ? 'Drag a task to hold it there, or move it with the arrow keys: left and right a quarter of an hour, with shift a day.'
            : 'Leads and owners move tasks.'}
        </Words>
      </View>
      <View className="flex-row">
        <View style={{ width: NAMES, paddingTop: HEAD }}>
          {board.rows.map((name) => (
            <View key={name} style={{ height: ROW }} className="justify-center border-t border-rule pr-2">
              <Words weight="semi" size={14} numberOfLines={2}>
                {name}
              </Words>
            </View>
          ))}
        </View>
        <ScrollView
          ref={scroller}
          horizontal
          tabIndex={0}
          className="flex-1"
          scrollEventThrottle={16}
          onScroll={follow}
          onLayout={({ nativeEvent }) => setSeen((now) => ({ ...now, width: nativeEvent.layout.width }))}
          aria-label="Board of the days"
        >
          <View style={{ width, height }}>
            <Svg width={width} height={height} aria-hidden>
              <DryingRibbon id="drying" />
              <Grid
                {...{ from, to, first, perHour, height, width }}
                hours={fields.hours}
                rows={board.rows.length}
              />
              {board.ribbons
                .filter((one) => inSight(one.from, one.to))
                .map(({ row, from: wet, to: dry, task }) => (
                  <Rect
                    key={task}
                    x={x(wet)}
                    y={HEAD + row * ROW + ROW - 14}
                    width={Math.max(2, x(dry) - x(wet))}
                    height={7}
                    rx={3}
                    fill="url(#drying)"
                  />
                ))}
              {board.blocks
                .filter(({ one, setUpFrom }) => setUpFrom !== undefined && inSight(setUpFrom, one.start))
                .map(({ row, one, setUpFrom = one.start }) => (
                  <Rect
                    key={`${row} ${one.task}`}
                    x={x(setUpFrom)}
                    y={HEAD + row * ROW + 14}
                    width={Math.max(1, x(one.start) - x(setUpFrom))}
                    height={BLOCK - 12}
                    fill="none"
                    stroke={palette.ink2}
                    strokeDasharray="3 3"
                  />
                ))}
            </Svg>
            {board.blocks
              .filter((block) => inSight(block.from, block.to))
              .map((block) => (
                <BlockView
                  key={`${block.row} ${block.from} ${block.one.task}`}
                  {...{ block, mayPlan, perHour }}
                  isPinned={pinned.has(block.one.task)}
                  left={x(block.from)}
                  width={Math.max(6, x(block.to) - x(block.from))}
                  rows={by === 'people' ? board.rows.length : 0}
                  says={`${block.task.name}, ${shortMoment(first, block.one.start)} to ${clockText(first, block.one.end)}`}
                  onOpen={open}
                  onMove={move}
                />
              ))}
          </View>
        </ScrollView>
      </View>
      <Words size={14} colour="ink2">
        Blocks are work, dashed is set-up before it; by rooms the ribbon under a coat is how long it dries,
        from wet to when the next may come.
      </Words>
    </View>
  );
}

/** Days, hours and rows behind the blocks. */
const Grid = memo(function Grid({
  from,
  to,
  first,
  hours,
  perHour,
  width,
  height,
  rows,
}: {
  /** First and last day. */
  from: number;
  to: number;
  /** When the first day begins. */
  first: Date;
  hours: ScheduleFields['hours'];
  perHour: number;
  width: number;
  height: number;
  rows: number;
}) {
  const { palette } = useTheme();
  const x = (minute: number) => xOf(minute, from, perHour);
  const days = Array.from({ length: to - from + 1 }, (_unused, index) => from + index);
  const ticks = Array.from(
    { length: perHour < 12 ? 0 : Math.floor((hours.to - hours.from) / 120) + 1 },
    (_unused, index) => hours.from + index * 120,
  );
  const off = { y: HEAD, height: height - HEAD, fill: palette.rule, opacity: 0.35 };
  return (
    <>
      {days.map((day) => {
        const [begins, ends] = [x(day * DAY), x((day + 1) * DAY)];
        const [opens, closes] = [x(day * DAY + hours.from), x(day * DAY + hours.to)];
        return (
          <G key={day}>
            <Rect x={begins} width={opens - begins} {...off} />
            <Rect x={closes} width={ends - closes} {...off} />
            <Line x1={begins} x2={begins} y1={0} y2={height} stroke={palette.rule} />
            <SvgText x={opens + 2} y={18} fill={palette.ink} fontSize={14} fontFamily="Next600">
              {perHour < 12 ? format(momentOf(first, day * DAY), 'EEE d') : dayText(first, day)}
            </SvgText>
            {ticks.map((minute) => (
              <G key={minute}>
                <Line
                  x1={x(day * DAY + minute)}
                  x2={x(day * DAY + minute)}
                  y1={HEAD - 6}
                  y2={height}
                  stroke={palette.rule}
                  strokeDasharray="2 4"
                />
                <SvgText
                  x={x(day * DAY + minute) + 2}
                  y={HEAD - 10}
                  fill={palette.ink2}
                  fontSize={12}
                  fontFamily="Mono500"
                >
                  {Math.floor(minute / 60)}
                </SvgText>
              </G>
            ))}
          </G>
        );
      })}
      {Array.from({ length: rows }, (_unused, row) => (
        <Line key={row} x1={0} x2={width} y1={HEAD + row * ROW} y2={HEAD + row * ROW} stroke={palette.rule} />
      ))}
    </>
  );
});

/** How far a finger moves before it is a drag, px. */
const DRAG = 6;

const BlockView = memo(function Block({
  block: { row, one, task },
  mayPlan,
  perHour,
  isPinned,
  left,
  width,
  rows,
  says,
  onOpen,
  onMove,
}: {
  block: Block;
  mayPlan: boolean;
  perHour: number;
  isPinned: boolean;
  left: number;
  width: number;
  /** Rows that stand for people; none where they are rooms. */
  rows: number;
  says: string;
  onOpen: Acts['open'];
  onMove: Acts['move'];
}) {
  const [drag, setDrag] = useState<{ dx: number; dy: number }>();
  const movable = mayPlan && !task.running;
  const now = useRef({ row, one, rows, perHour, movable, onOpen, onMove });
  now.current = { row, one, rows, perHour, movable, onOpen, onMove };
  const [responder] = useState(() =>
    PanResponder.create({
      onStartShouldSetPanResponder: () => true,
      onMoveShouldSetPanResponder: () => true,
      onPanResponderTerminationRequest: () => false,
      onPanResponderMove: (_event, { dx, dy }) => {
        if (now.current.movable && Math.hypot(dx, dy) > DRAG) setDrag({ dx, dy });
      },
      onPanResponderRelease: (_event, { dx, dy }) => {
        setDrag(undefined);
        const at = now.current;
        if (Math.hypot(dx, dy) <= DRAG) {
          at.onOpen(at.one.task);
          return;
        }
        if (!at.movable) return;
        const start = draggedTo(at.one.start, dx, at.perHour);
        const person = at.rows > 0 ? draggedRow(at.row, dy, ROW, at.rows) : at.row;
        const isElsewhere = Math.abs(dx) > DRAG && start !== at.one.start;
        if (isElsewhere || person !== at.row)
          at.onMove(
            at.one.task,
            isElsewhere ? start : undefined,
            at.rows > 0 && person !== at.row ? person : undefined,
          );
      },
      onPanResponderTerminate: () => setDrag(undefined),
    }),
  );
  const keys = (event: { readonly key: string; readonly shiftKey?: boolean; preventDefault: () => void }) => {
    const by = event.shiftKey ? DAY : 15;
    if (event.key === 'Enter') onOpen(one.task);
    else if (!movable) return;
    else if (event.key === 'ArrowLeft') onMove(one.task, one.start - by, undefined);
    else if (event.key === 'ArrowRight') onMove(one.task, one.start + by, undefined);
    else if (event.key === 'ArrowUp' && rows > 0 && row > 0) onMove(one.task, undefined, row - 1);
    else if (event.key === 'ArrowDown' && rows > 0 && row < rows - 1) onMove(one.task, undefined, row + 1);
    else return;
    event.preventDefault();
  };
  const web = { onKeyDown: keys } as object;
  return (
    <View
      role="button"
      tabIndex={0}
      aria-label={`${says}${isPinned ? ', held' : ''}`}
      {...web}
      {...responder.panHandlers}
      style={{
        position: 'absolute',
        left: left + (drag?.dx ?? 0),
        top: HEAD + row * ROW + 8 + (drag && rows > 0 ? drag.dy : 0),
        width,
        height: BLOCK,
      }}
      className={`justify-center overflow-hidden rounded-md border px-1 ${
        task.kind === 'spray' ? 'border-identity bg-identity-tint' : 'border-ink2 bg-ground'
      } ${isPinned ? 'border-2' : ''} ${drag ? 'opacity-70' : ''}`}
      testID="block"
    >
      {width > 44 ? (
        <Words size={14} numberOfLines={1} weight={task.kind === 'spray' ? 'semi' : 'regular'}>
          {rows > 0 ? task.name : task.name.slice(task.room.length + 2)}
        </Words>
      ) : null}
    </View>
  );
});
