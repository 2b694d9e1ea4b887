/*
 * The deposit kernel of the film simulation in C doubles: the yardstick of `npm run bench`.
 * The same loop as core/src/simulation/deposit.ts `stamp`: weights of each axis from the share of paint below a place,
 * their outer product added to the film. Prints seconds for all stamps (best of rounds) and a sum of the film.
 * Usage: deposit columns rows cell stamps halfAcross halfThrough rounds
 */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

#define STEPS 2048
static double table[STEPS + 1];

static void fill_table(void) {
  table[0] = 0;
  for (int i = 0; i < STEPS; i++) {
    double s = -1 + 2 * (i + 0.5) / STEPS;
    table[i + 1] = table[i] + (1 - s * s);
  }
  for (int i = 0; i <= STEPS; i++) table[i] /= table[STEPS];
  table[STEPS] = 1;
}

static double across_below(double s) {
  if (s <= -1) return 0;
  if (s >= 1) return 1;
  double at = (s + 1) / 2 * STEPS;
  int i = (int)at;
  return table[i] + (at - i) * (table[i + 1] - table[i]);
}

static double through_below(double t) {
  if (t <= -1) return 0;
  if (t >= 1) return 1;
  return (2 + 3 * t - t * t * t) / 4;
}

static double now(void) {
  struct timespec t;
  clock_gettime(CLOCK_MONOTONIC, &t);
  return t.tv_sec + 1e-9 * t.tv_nsec;
}

static int weigh(double *weights, int cells, double cell, double origin, double half, double (*below)(double),
                 int *first) {
  int from = (int)floor((origin - half) / cell);
  int to = (int)floor((origin + half) / cell);
  if (from < 0) from = 0;
  if (to > cells - 1) to = cells - 1;
  double left = below((from * cell - origin) / half);
  for (int i = from; i <= to; i++) {
    double right = below(((i + 1) * cell - origin) / half);
    weights[i - from] = right - left;
    left = right;
  }
  *first = from;
  return to - from + 1;
}

int main(int argc, char **argv) {
  if (argc != 8) return 2;
  int columns = atoi(argv[1]), rows = atoi(argv[2]), stamps = atoi(argv[4]), rounds = atoi(argv[7]);
  double cell = atof(argv[3]), across = atof(argv[5]), through = atof(argv[6]);
  double *film = malloc(sizeof(double) * columns * rows);
  double *wide = malloc(sizeof(double) * columns), *high = malloc(sizeof(double) * rows);
  double best = 1e9;
  fill_table();
  for (int round = 0; round < rounds; round++) {
    memset(film, 0, sizeof(double) * columns * rows);
    double start = now();
    for (int i = 0; i < stamps; i++) {
      /* The same places as bench/kernels.ts: a walk that never repeats a sub-cell place. */
      double x = fmod(i * 0.6180339887498949, 1.0) * columns * cell;
      double y = fmod(i * 0.7548776662466927, 1.0) * rows * cell;
      int c0, r0;
      int nc = weigh(wide, columns, cell, x, through, through_below, &c0);
      int nr = weigh(high, rows, cell, y, across, across_below, &r0);
      double height = 1e-6 / (cell * cell);
      for (int r = 0; r < nr; r++) {
        double weight = height * high[r];
        double *at = film + (size_t)(r0 + r) * columns + c0;
        for (int c = 0; c < nc; c++) at[c] += weight * wide[c];
      }
    }
    double took = now() - start;
    if (took < best) best = took;
  }
  double sum = 0;
  for (int i = 0; i < columns * rows; i++) sum += film[i];
  printf("%.9f %.17g\n", best, sum);
  return 0;
}
