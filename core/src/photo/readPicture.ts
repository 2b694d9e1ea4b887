import { readPattern, type PatternFeatures, type Seen } from '../setup';
import { numberText, accept, refuse, type Result } from '../units';
import { darknessOf, type Darkness } from './light';
import type { GreyPicture } from './picture';

export interface PicturePoint {
  readonly x: number;
  readonly y: number;
}

/** The two ends of the fan, marked by hand on the picture or found in it, in its pixels. */
export interface FanEnds {
  readonly left: PicturePoint;
  readonly right: PicturePoint;
}

export interface CardReading {
  readonly ends: FanEnds;
  /** Width of the fan as a share of the picture's width. */
  readonly width: number;
  /** Darkness across the fan, 1 at its darkest, from off the fan to off the fan. */
  readonly profile: readonly number[];
  readonly features: PatternFeatures;
  readonly seen: Seen;
  /** 1 is certain; under a half is no answer. */
  readonly confidence: number;
  /** Turn of the stroke against the picture's edge, rad. */
  readonly tilt: number;
}

/** Limits of what can be read. Judgement, tried on made-up pictures with noise, tilt and uneven light. */
const LIMIT = {
  /** Pixels: fewer show nothing, more are a slip. */
  least: 60,
  most: 8000,
  /** Brightness of the card, of 255. */
  bright: 45,
  /** Darkness of the fan: against the card, and in spreads of the noise after averaging. */
  dark: 0.06,
  clear: 6,
  /** Share of the peak that still stands at the picture's edge when the fan is cut off. */
  cut: 0.35,
  /** Turn over which the ends are no longer trusted, rad. */
  tilt: 0.35,
} as const;
/** Pixels across to which a picture is brought down: enough for tails of a twentieth of the fan. */
const WORKING_WIDTH = 360;
/** How far beyond marked ends the profile reaches, as a share of the fan. */
const BEYOND = 0.15;

/** Smaller by averaging whole blocks. */
function brought({ width, height, grey }: GreyPicture): { picture: GreyPicture; scale: number } {
  const scale = Math.max(1, Math.floor(width / WORKING_WIDTH));
  if (scale === 1) return { picture: { width, height, grey }, scale };
  const [w, h] = [Math.floor(width / scale), Math.floor(height / scale)];
  const small = new Uint8ClampedArray(w * h);
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1) {
      let sum = 0;
      for (let dy = 0; dy < scale; dy += 1)
        for (let dx = 0; dx < scale; dx += 1)
          sum += grey[(y * scale + dy) * width + x * scale + dx] as number;
      small[y * w + x] = sum / (scale * scale);
    }
  return { picture: { width: w, height: h, grey: small }, scale };
}

function percentile(values: Uint8ClampedArray, share: number): number {
  const counts = new Uint32Array(256);
  for (const value of values) counts[value] = (counts[value] as number) + 1;
  let left = share * values.length;
  for (let value = 0; value < 256; value += 1) {
    left -= counts[value] as number;
    if (left <= 0) return value;
  }
  return 255;
}

/** Where the stroke lies: its middle at half height and how it leans, by the centre of darkness of each row. */
function stroke({ width, height, values, noise }: Darkness): { middle: number; slope: number } | undefined {
  const limit = 3 * noise;
  const rows: { y: number; x: number; weight: number }[] = [];
  for (let y = 0; y < height; y += 1) {
    let sum = 0;
    let moment = 0;
    for (let x = 0; x < width; x += 1) {
      const dark = values[y * width + x] as number;
      if (dark <= limit) continue;
      sum += dark;
      moment += dark * x;
    }
    if (sum > 0) rows.push({ y, x: moment / sum, weight: sum });
  }
  const total = rows.reduce((sum, { weight }) => sum + weight, 0);
  if (rows.length < height / 3 || total <= 0) return undefined;
  const meanOf = (pick: (row: (typeof rows)[number]) => number) =>
    rows.reduce((sum, row) => sum + row.weight * pick(row), 0) / total;
  const [y0, x0] = [meanOf(({ y }) => y), meanOf(({ x }) => x)];
  const spread = meanOf(({ y }) => (y - y0) ** 2);
  const slope = spread > 0 ? meanOf(({ x, y }) => (x - x0) * (y - y0)) / spread : 0;
  return { middle: x0 + slope * ((height - 1) / 2 - y0), slope };
}

/** Mean darkness by distance across from a line through a point, in bins of one pixel; NaN where the picture does not reach. */
function across(dark: Darkness, origin: PicturePoint, tilt: number, from: number, to: number): number[] {
  const size = Math.max(1, Math.round(to - from));
  const sums = new Float64Array(size);
  const counts = new Uint32Array(size);
  const [cos, sin] = [Math.cos(tilt), Math.sin(tilt)];
  const { floor } = Math;
  for (let y = 0; y < dark.height; y += 1)
    for (let x = 0; x < dark.width; x += 1) {
      const u = (x - origin.x) * cos + (y - origin.y) * sin;
      const bin = floor(u - from);
      if (bin < 0 || bin >= size) continue;
      sums[bin] = (sums[bin] as number) + (dark.values[y * dark.width + x] as number);
      counts[bin] = (counts[bin] as number) + 1;
    }
  return Array.from(sums, (sum, bin) =>
    (counts[bin] as number) > dark.height / 3 ? sum / (counts[bin] as number) : NaN,
  );
}

/**
 * Reads a picture of a test card: takes uneven light off, turns it straight, averages along the stroke and reads the
 * darkness across the fan as the dial-in reads a pattern.
 * @param exponent exponent of the family's even profile
 * @param marked ends marked by hand; found in the picture where missing
 * @returns a refusal for a picture that is too dark, shows no fan, or only a part of one
 */
export function readCardPicture(whole: GreyPicture, exponent: number, marked?: FanEnds): Result<CardReading> {
  const { least, most } = LIMIT;
  const sizes = [whole.width, whole.height];
  if (
    !sizes.every((size) => Number.isInteger(size) && size >= least && size <= most) ||
    whole.grey.length !== whole.width * whole.height
  ) {
    return refuse(
      'photo.size',
      'photo',
      `A picture of a card is ${least} to ${numberText(most)} pixels wide and high.`,
    );
  }
  const { picture, scale } = brought(whole);
  if (percentile(picture.grey, 0.9) < LIMIT.bright) {
    return refuse(
      'photo.dark',
      'photo',
      'This picture is too dark to read. Take it in daylight, or with the lamp to the side of the card.',
    );
  }
  const dark = darknessOf(picture);
  const lies = marked ? lineThrough(marked, scale) : lineOf(dark);
  const noFan = () =>
    refuse(
      'photo.fan',
      'photo',
      'No fan is found in this picture. Spray one pass on a white card, fill the picture with it, the stroke upright, and mark the two ends if it still is not found.',
    );
  if (!lies) return noFan();
  const { origin, tilt, from, to } = lies;
  if (Math.abs(tilt) > LIMIT.tilt) {
    return refuse(
      'photo.tilt',
      'photo',
      'The stroke leans too far in this picture. Hold the camera so that it stands upright.',
    );
  }
  const raw = across(dark, origin, tilt, from, to);
  const first = raw.findIndex((value) => !Number.isNaN(value));
  const last = raw.length - 1 - [...raw].reverse().findIndex((value) => !Number.isNaN(value));
  const seen = raw.slice(first, last + 1).map((value) => (Number.isNaN(value) ? 0 : value));
  const smooth = seen.map((_one, index) => {
    const near = seen.slice(Math.max(0, index - 1), index + 2);
    return Math.max(0, near.reduce((sum, value) => sum + value, 0) / near.length);
  });
  const peak = Math.max(0, ...smooth);
  const noise = dark.noise / Math.sqrt(dark.height);
  if (peak < Math.max(LIMIT.dark, LIMIT.clear * noise)) return noFan();
  const edges = [smooth[0] ?? 0, smooth[smooth.length - 1] ?? 0];
  if (Math.max(...edges) > LIMIT.cut * peak) {
    return refuse(
      'photo.cut',
      'photo',
      'The fan runs out of this picture. Step back until both its ends are in it.',
    );
  }
  const profile = smooth.map((value) => value / peak);
  const pattern = readPattern(profile, exponent);
  if (!pattern.ok) return { ...pattern, field: 'photo' };
  const { features, seen: what, confidence } = pattern.value;
  const placeOf = (share: number) => from + first + share * (profile.length - 1);
  const point = (share: number): PicturePoint => ({
    x: (origin.x + placeOf(share) * Math.cos(tilt)) * scale,
    y: (origin.y + placeOf(share) * Math.sin(tilt)) * scale,
  });
  const clear = Math.min(1, peak / (4 * LIMIT.clear * noise), peak / (4 * LIMIT.dark));
  return accept({
    ends: { left: point(features.ends.left), right: point(features.ends.right) },
    width: ((features.ends.right - features.ends.left) * (profile.length - 1)) / picture.width,
    profile,
    features,
    seen: what,
    confidence: confidence * clear * (1 - Math.abs(tilt)),
    tilt,
  });
}

interface Lies {
  readonly origin: PicturePoint;
  readonly tilt: number;
  readonly from: number;
  readonly to: number;
}

/** The line across the fan by the stroke found in the picture. */
function lineOf(dark: Darkness): Lies | undefined {
  const found = stroke(dark);
  if (!found) return undefined;
  // The stroke leans by the slope, so across it the line falls by as much.
  const tilt = Math.atan(-found.slope);
  const origin = { x: found.middle, y: (dark.height - 1) / 2 };
  return { origin, tilt, from: -origin.x, to: dark.width - origin.x };
}

/** The line across the fan by its marked ends, a little beyond them. */
function lineThrough({ left, right }: FanEnds, scale: number): Lies {
  const [a, b] = left.x <= right.x ? [left, right] : [right, left];
  const origin = { x: (a.x + b.x) / 2 / scale, y: (a.y + b.y) / 2 / scale };
  const length = Math.hypot(b.x - a.x, b.y - a.y) / scale;
  const reach = length * (0.5 + BEYOND);
  return { origin, tilt: Math.atan2(b.y - a.y, b.x - a.x), from: -reach, to: reach };
}
