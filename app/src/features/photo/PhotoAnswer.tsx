import {
  showText,
  type CardReading,
  type FanEnds,
  type GreyPicture,
  type PicturePoint,
  type Seen,
} from '@fine-spray/core';
import Camera from 'lucide-react-native/icons/camera';
import Images from 'lucide-react-native/icons/images';
import { useEffect, useMemo, useState } from 'react';
import { Image, Pressable, View } from 'react-native';
import Svg, { Line as Rule, Path } from 'react-native-svg';
import { chosenPicture } from '@/data/deviceFiles';
import { runWorker, type StartWorker } from '@/data/worker';
import { Button } from '@/ui/button';
import { FieldError } from '@/ui/field';
import { Sheet } from '@/ui/sheet';
import { lineThrough } from '@/ui/svgPath';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';
import type { PhotoOrder, PhotoReport } from '@/workers/photo.worker';
import { MADE_UP, addressOf, decodePicture, drawMadeUp } from './pictures';

const startWorker: StartWorker = () =>
  new Worker(new URL('../../workers/photo.worker', window.location.href));

/** Confidence under which a reading is no answer, only a hint. */
const ANSWERS = 0.5;
const SAYS: Readonly<Record<string, string>> = {
  even: 'even',
  tails: 'tails',
  'heavy edges': 'heavy edges',
  split: 'split',
  'one-sided': 'one-sided',
};

/** A picture of the card, measured across the fan: an offer for the answer, never an answer by itself. */
export function PhotoAnswer({
  exponent,
  onTake,
  onClose,
  start = startWorker,
}: {
  exponent: number;
  onTake: (seen: Seen) => void;
  onClose: () => void;
  start?: StartWorker;
}) {
  const [picture, setPicture] = useState<GreyPicture>();
  const [marks, setMarks] = useState<readonly PicturePoint[]>([]);
  const [failed, setFailed] = useState<string>();
  const [report, setReport] = useState<PhotoReport>();
  const marked = useMemo((): FanEnds | undefined => {
    const [left, right] = marks;
    return left && right ? { left, right } : undefined;
  }, [marks]);
  useEffect(() => {
    if (!picture) return undefined;
    setReport(undefined);
    const order: PhotoOrder = { picture, exponent, ...(marked ? { marked } : {}) };
    return runWorker(start, order, setReport, () =>
      setFailed('The picture could not be read on this device.'),
    );
  }, [picture, marked, exponent, start]);
  function show(next: GreyPicture) {
    setMarks([]);
    setFailed(undefined);
    setPicture(next);
  }
  async function choose(from: 'camera' | 'files') {
    const file = await chosenPicture(from);
    if (!file) return;
    try {
      show(await decodePicture(new Uint8Array(await file.arrayBuffer())));
    } catch {
      setFailed('This file is not a picture this device can open. Take a photo, or choose a PNG or JPEG.');
    }
  }
  return (
    <Sheet title="Photo of the card" onClose={onClose}>
      <Words colour="ink2">
        Fill the picture with the white card, the stroke upright, both ends of the fan in it. A thin coat of a
        tinted paint reads best; a thick white one shows nothing.
      </Words>
      <View className="flex-row flex-wrap gap-2">
        <Button
          label="Take a picture"
          icon={Camera}
          kind="primary"
          className="min-h-[56px] flex-1"
          onPress={() => void choose('camera')}
        />
        <Button
          label="Choose one"
          icon={Images}
          className="min-h-[56px] flex-1"
          onPress={() => void choose('files')}
        />
      </View>
      {failed ? <FieldError message={failed} /> : null}
      {picture ? (
        <Marking
          picture={picture}
          reading={report?.ok ? report.value : undefined}
          marks={marks}
          onMark={setMarks}
        />
      ) : null}
      {picture && !report && !failed ? <Words>Reading the picture …</Words> : null}
      {report && !report.ok ? <FieldError message={report.message} /> : null}
      {report?.ok ? <Read reading={report.value} onTake={onTake} /> : null}
      <Words weight="bold" heading={3}>
        Made-up pictures to try
      </Words>
      <View className="flex-row flex-wrap gap-2">
        {MADE_UP.map((one) => (
          <Button key={one.name} label={one.name} onPress={() => show(drawMadeUp(one, exponent))} />
        ))}
      </View>
    </Sheet>
  );
}

function Read({ reading, onTake }: { reading: CardReading; onTake: (seen: Seen) => void }) {
  const { features, seen, confidence, width } = reading;
  const name = SAYS[seen] ?? seen;
  const percent = (share: number) => `${Math.round(share * 100)} %`;
  return (
    <View className="gap-2" testID="photo-reading">
      <Words size={22} weight="bold">{`Looks ${name}, ${percent(confidence)} confident`}</Words>
      <Across reading={reading} />
      <Words>{`Fan over ${percent(width)} of the picture. Tails ${features.tails.toFixed(2)} of the middle, leans ${features.skew < 0 ? 'left' : 'right'} by ${Math.abs(features.skew).toFixed(2)}, gap in the middle ${features.split.toFixed(2)}.`}</Words>
      {confidence >= ANSWERS ? (
        <Button label={`Take it as the answer: ${name}`} kind="primary" onPress={() => onTake(seen)} />
      ) : (
        <Words colour="caution">
          Too unsure to be an answer. Mark the two ends, take another picture, or go by your eye.
        </Words>
      )}
    </View>
  );
}

const CHART = { width: 320, height: 90 } as const;

/** Darkness across the fan, its ends marked. */
function Across({ reading: { profile, features } }: { reading: CardReading }) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const x = (share: number) => share * CHART.width;
  const y = (value: number) => CHART.height - value * (CHART.height - 6);
  const path = lineThrough(
    profile.map((value, index) => ({ x: x(index / (profile.length - 1)), y: y(value) })),
  );
  return (
    <View role="img" aria-label={`Film across the fan, highest ${showText(1, 'percent', system)}`}>
      <Svg
        width="100%"
        height={CHART.height}
        viewBox={`0 0 ${CHART.width} ${CHART.height}`}
        preserveAspectRatio="none"
        aria-hidden
      >
        <Path d={path} stroke={palette.wet} strokeWidth={2.5} fill="none" />
        {[features.ends.left, features.ends.right].map((end) => (
          <Rule
            key={end}
            x1={x(end)}
            x2={x(end)}
            y1={0}
            y2={CHART.height}
            stroke={palette.ink}
            strokeDasharray="4 4"
          />
        ))}
      </Svg>
    </View>
  );
}

/** The picture, to mark the two ends of the fan on: two taps; a third begins anew. */
function Marking({
  picture,
  reading,
  marks,
  onMark,
}: {
  picture: GreyPicture;
  reading: CardReading | undefined;
  marks: readonly PicturePoint[];
  onMark: (marks: readonly PicturePoint[]) => void;
}) {
  const { palette } = useTheme();
  const address = useMemo(() => addressOf(picture), [picture]);
  const [size, setSize] = useState({ width: 1, height: 1 });
  const ends = marks.length > 0 ? marks : reading ? [reading.ends.left, reading.ends.right] : [];
  return (
    <View className="gap-2">
      <Pressable
        role="button"
        aria-label="Picture of the card: tap the two ends of the fan"
        onLayout={({ nativeEvent: { layout } }) => setSize(layout)}
        style={{ aspectRatio: picture.width / picture.height }}
        onPress={({ nativeEvent: { locationX, locationY } }) => {
          const point = {
            x: (locationX / size.width) * picture.width,
            y: (locationY / size.height) * picture.height,
          };
          onMark(marks.length >= 2 ? [point] : [...marks, point]);
        }}
      >
        <Image
          source={{ uri: address }}
          className="absolute inset-0"
          style={{ width: '100%', height: '100%' }}
          alt="The card"
        />
        <View className="absolute inset-0" style={{ pointerEvents: 'none' }}>
          <Svg width="100%" height="100%" viewBox={`0 0 ${picture.width} ${picture.height}`} aria-hidden>
            {ends.map(({ x, y }, index) => (
              <Path
                key={index}
                d={`M${x} ${y - picture.height * 0.12}V${y + picture.height * 0.12}M${x - picture.width * 0.02} ${y}H${x + picture.width * 0.02}`}
                stroke={palette.identity}
                strokeWidth={picture.width / 100}
              />
            ))}
          </Svg>
        </View>
      </Pressable>
      <View className="flex-row flex-wrap items-center gap-2">
        <Words size={14} colour="ink2" className="min-w-0 flex-1">
          {marks.length === 0
            ? 'The ends were found in the picture. Tap both to mark them yourself.'
            : marks.length === 1
              ? 'Now tap the other end.'
              : 'By the ends you marked.'}
        </Words>
        {marks.length > 0 ? <Button label="Find them again" kind="quiet" onPress={() => onMark([])} /> : null}
      </View>
    </View>
  );
}
