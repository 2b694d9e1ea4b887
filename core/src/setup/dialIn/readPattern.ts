import { TAILS, evenFanProfile } from '../../film';
import { accept, refuse, type Result } from '../../units';
import type { Seen } from './pattern';

/** What a film profile across the fan shows, each 0 for an even fan. */
export interface PatternFeatures {
  readonly tails: number;
  readonly edges: number;
  readonly split: number;
  readonly skew: number;
  /** Place of the ends of the fan, as shares of the length given. */
  readonly ends: { readonly left: number; readonly right: number };
}

export interface PatternReading {
  readonly features: PatternFeatures;
  /** What it most looks like, and how sure that is: 1 is certain, under a half is no answer. */
  readonly seen: Seen;
  readonly confidence: number;
}

const LEAST_POINTS = 24;
/** Film under this share of the highest is off the fan. */
const OFF = 0.08;
/** Share of the visible fan within which a steep end rises: a camera blurs it over a few points. */
const STEEP_WITHIN = 0.02;
/** Share of the support at which an even fan falls under that. */
const supportShare = (exponent: number) => Math.sqrt(1 - OFF ** (1 / exponent));

const mean = (values: readonly number[]) =>
  values.length === 0 ? 0 : values.reduce((sum, value) => sum + value, 0) / values.length;

/** Features from which each fault counts as seen. Judgement, set between an even fan and the typical patterns. */
const THRESHOLD = { tails: 0.25, edges: 0.22, split: 0.3, skew: 0.2 } as const;

/**
 * Reads a film profile across the fan, drawn by hand or measured: evenly spaced values from off the fan on the left to
 * off the fan on the right.
 * @param exponent exponent of the family's even profile, to compare with
 */
export function readPattern(measured: readonly number[], exponent: number): Result<PatternReading> {
  if (measured.length < LEAST_POINTS || !measured.every((one) => Number.isFinite(one) && one >= 0)) {
    return refuse(
      'pattern.values',
      'pattern',
      `A pattern is ${LEAST_POINTS} or more film values from end to end, none below zero.`,
    );
  }
  const most = Math.max(...measured);
  if (!(most > 0)) return refuse('pattern.empty', 'pattern', 'There is no film in this pattern.');
  const film = measured.map((one) => one / most);
  const first = film.findIndex((one) => one > OFF);
  const last = film.length - 1 - [...film].reverse().findIndex((one) => one > OFF);
  if (last - first < LEAST_POINTS / 2) {
    return refuse(
      'pattern.narrow',
      'pattern',
      'The fan is too small in this picture to be read. Come closer.',
    );
  }
  const middle = (first + last) / 2;
  const visible = (last - first + 1) / 2;
  // A fan with tails or heavy edges ends steeply: its visible part is nearly its support.
  const near = Math.max(1, Math.round(STEEP_WITHIN * (last - first)));
  const steep = Math.max(...film.slice(first, first + near + 1), ...film.slice(last - near, last + 1)) > 0.25;
  const half = visible / (steep ? 0.97 : supportShare(exponent));
  const points = film
    .map((value, index) => ({ s: (index - middle) / half, value }))
    .filter(({ s }) => Math.abs(s) < 1);
  const even = evenFanProfile(exponent);
  const between = (low: number, high: number) =>
    points.filter(({ s }) => Math.abs(s) >= low && Math.abs(s) < high);
  const shoulder = between(0.28, 0.48);
  const scale =
    mean(shoulder.map(({ value }) => value)) / Math.max(1e-9, mean(shoulder.map(({ s }) => even(s))));
  const excess = (low: number, high: number) =>
    mean(between(low, high).map(({ s, value }) => value / scale - even(s)));
  const left = mean(points.filter(({ s }) => s < 0).map(({ s, value }) => value * -s));
  const right = mean(points.filter(({ s }) => s > 0).map(({ s, value }) => value * s));
  const spread = mean(points.map(({ s, value }) => value * Math.abs(s) * Math.abs(s)));
  const place = TAILS.place;
  const features: PatternFeatures = {
    tails: Math.max(0, excess(place - 0.06, place + 0.06)) / 0.75,
    edges: Math.max(0, excess(0.6, 0.78)),
    split: Math.max(0, -excess(0, 0.12)) / even(0),
    skew: (right - left) / Math.max(1e-9, 2 * spread),
    ends: { left: first / (film.length - 1), right: last / (film.length - 1) },
  };
  return accept({ features, ...classify(features) });
}

/** The fault that stands out most against its threshold; sure when it stands well clear of the next. */
function classify({ tails, edges, split, skew }: PatternFeatures): { seen: Seen; confidence: number } {
  const strengths: readonly (readonly [Seen, number])[] = [
    ['tails', tails / THRESHOLD.tails],
    ['heavy edges', edges / THRESHOLD.edges],
    ['split', split / THRESHOLD.split],
    ['one-sided', Math.abs(skew) / THRESHOLD.skew],
  ];
  const [best, next] = [...strengths].sort((a, b) => b[1] - a[1]);
  if (!best || best[1] < 1) return { seen: 'even', confidence: Math.min(0.95, 1 - (best?.[1] ?? 0) / 2) };
  const clear = best[1] / (best[1] + Math.max(1, next?.[1] ?? 0));
  return { seen: best[0], confidence: Math.min(0.95, clear) };
}
