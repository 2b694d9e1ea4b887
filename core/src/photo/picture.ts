import { patternProfile, type PatternShape } from '../setup';
import { normal, type Random } from '../random';

/** A picture as a camera gives it, one brightness a pixel, row by row, 0 black to 255 white. */
export interface GreyPicture {
  readonly width: number;
  readonly height: number;
  readonly grey: Uint8ClampedArray;
}

/** How a made-up picture is taken: where the fan lies, how it is held and lit. */
export interface Shot {
  readonly width: number;
  readonly height: number;
  /** Support of the fan as a share of the picture's width, and the place of its middle, 0 to 1. */
  readonly fan: number;
  readonly middle: number;
  /** Turn of the camera, rad. */
  readonly tilt: number;
  /** Brightness of the card, 0 to 1, and how much it changes from edge to edge across and down. */
  readonly light: number;
  readonly across: number;
  readonly down: number;
  /** Noise of a pixel, as a share of white. */
  readonly noise: number;
}

/** A steady hand in even light. */
export const GOOD_SHOT: Shot = {
  width: 320,
  height: 220,
  fan: 0.62,
  middle: 0.5,
  tilt: 0,
  light: 0.86,
  across: 0,
  down: 0,
  noise: 0.01,
};

/** Beer–Lambert: how fast film darkens a white card. A thin coat of a tinted paint; a thick white one shows nothing. */
const DARKENS = 1.1;
const PULSES = 3;
/** Half-widths to each side that are drawn, and places worked out in each. */
const REACH = 6;
const STEPS = 500;

/**
 * A picture of a test card with a pattern on it, drawn by the model that diagnoses: the fan across, the stroke down. The
 * same random numbers give the same picture.
 */
export function drawCardPicture(shape: PatternShape, shot: Shot, random: Random): GreyPicture {
  const { width, height, fan, middle, tilt, light, across, down, noise } = shot;
  const profile = patternProfile(shape);
  const grey = new Uint8ClampedArray(width * height);
  const half = (fan * width) / 2;
  // The film at each place across, worked out once.
  const film = Float64Array.from({ length: 2 * REACH * STEPS + 1 }, (_, index) =>
    profile(index / STEPS - REACH),
  );
  const [cos, sin] = [Math.cos(tilt), Math.sin(tilt)];
  const { exp, round } = Math;
  for (let y = 0; y < height; y += 1) {
    const along = y / height - 0.5;
    for (let x = 0; x < width; x += 1) {
      const side = x / width - 0.5;
      const [dx, dy] = [x - middle * width, y - height / 2];
      const u = dx * cos + dy * sin;
      const v = dy * cos - dx * sin;
      const swing = shape.pulse === 0 ? 1 : 1 + shape.pulse * Math.sin((2 * Math.PI * PULSES * v) / height);
      const lit = light * (1 + across * side) * (1 + down * along);
      const laid = swing * (film[round((u / half + REACH) * STEPS)] ?? 0);
      grey[y * width + x] = 255 * (lit * exp(-DARKENS * laid) + noise * normal(random));
    }
  }
  return { width, height, grey };
}
