import { mkdirSync, readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { APP_DIST, ensureBuilt } from './lib/build.mjs';
import { bundled } from './lib/bundled.mjs';
import { freePort, runningCluster } from './lib/cluster.mjs';
import { emptyApp } from './lib/emptyApp.mjs';
import { ensureChromium, ensureNodePackages, ensurePostgres } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { started, withApplication, withHome } from './lib/started.mjs';
import { SCRIPTS } from './lib/pieces.mjs';
import { main, say, stop } from './lib/say.mjs';

/** Two frames at 60 a second: one was dropped, ms. */
const FRAMES_APART = 32;
const FRAME = 16;
/** A tap is answered at once within this, ms. */
const TAP = 100;
/** Entries of a long log. */
const LONG_LOG = 100_000;
const LOG = 10_000;
const BUILD = path.join(ROOT, '.build');

function line(what, measured, limit, unit) {
  const ratio = measured / limit;
  say(
    `${ratio <= 1 ? 'within' : 'OVER  '}  ${what}: ${measured.toFixed(2)} ${unit}, ${ratio.toFixed(2)} of ${limit.toFixed(2)}`,
  );
  return ratio <= 1;
}

/** A bench of the core, bundled as one module. */
const coreBench = (name) => bundled(name, `export * from './bench/${name}.ts';`);

/** Seconds of the deposit kernel in C, doubles, -O3; nothing where there is no compiler. */
async function inC({ columns, rows, cell, stamps: count }, { across, through }, rounds) {
  const program = path.join(BUILD, 'deposit');
  const compiled = await run('gcc', ['-O3', '-o', program, path.join(ROOT, 'bench/deposit.c'), '-lm'], {
    cwd: ROOT,
    quiet: true,
  }).catch(() => ({ code: 1 }));
  if (compiled.code !== 0) return undefined;
  const sizes = [columns, rows, cell, count, across, through, rounds].map(String);
  const { output } = await run(program, sizes, { cwd: ROOT, quiet: true });
  const [seconds, sum] = output.trim().split(' ').map(Number);
  return { seconds, sum };
}

/**
 * The deposit kernel beside C. Turn and turn about, best of each: where the machine runs at half speed for a while, it
 * must not be one of the two alone that had it so.
 */
async function kernelBesideC(kernel, stamps, results) {
  let ours = Infinity;
  let yardstick = Infinity;
  for (let turn = 0; turn < 6; turn += 1) {
    const one = stamps(12);
    const c = await inC(kernel, one, 12);
    if (c === undefined) return say('No gcc here: the deposit kernel is not compared with C.');
    if (Math.abs(one.sum / c.sum - 1) > 1e-9) stop('The C yardstick lays another film than the program.');
    ours = Math.min(ours, one.seconds);
    yardstick = Math.min(yardstick, c.seconds);
  }
  const what = `deposit kernel, ${kernel.stamps} stamps, over the same in C (${(yardstick * 1000).toFixed(2)} ms)`;
  return results.push(line(what, ours / yardstick, 4, 'times'));
}

/** The computation core: simulation against C, search, line, pass plan, live stroke. */
async function core() {
  const { KERNEL, stamps, strokes, liveMove, lineSolve, setups, housePlan, takeoff } =
    await coreBench('kernels');
  const results = [];
  await kernelBesideC(KERNEL, stamps, results);
  const { fast, slow, apart } = strokes(8);
  say(
    `        strokes laid at once: ${(fast * 1000).toFixed(2)} ms for a wall, ${(slow / fast).toFixed(0)} times as fast as stamps, films at most ${(apart * 100).toFixed(2)} % of the peak apart`,
  );
  results.push(
    line('live stroke, costliest of 200 pointer moves in any direction', liveMove(8) * 1000, 2, 'ms'),
  );
  const { liveStrokes, houseFilms } = await coreBench('practice');
  const practised = liveStrokes();
  results.push(
    line('practice: a move of a stroke on 6 x 2.6 m, runs and laps on', practised.costliest * 1000, 2, 'ms'),
    line(
      'practice: a move after a thousand strokes over one after ten',
      practised.thousand / practised.ten,
      1.25,
      'times',
    ),
  );
  const films = houseFilms();
  results.push(
    line(
      `films of ${films.surfaces} surfaces of Tern Boathouse, ${films.passes} passes, from 600 x 480 cells, one core`,
      films.seconds * 1000,
      2000,
      'ms',
    ),
  );
  const { solve, report } = lineSolve(10);
  results.push(line('line solve, two hoses and height', solve * 1e6, 50, 'μs'));
  say(`        whole line report with ranges: ${(report * 1e6).toFixed(0)} μs`);
  const { tips, cards, searches } = setups(20, 6);
  for (const [what, times] of [
    [`set-up card, ${tips} tips ranked`, cards],
    [`set-up search, ${tips} tips worked out with reasons`, searches],
  ]) {
    const at = (share) => times[Math.floor((times.length - 1) * share)];
    results.push(line(`${what}, median of ${times.length}`, at(0.5), FRAME, 'ms'));
    results.push(line(`${what}, 95th percentile`, at(0.95), FRAME, 'ms'));
  }
  const house = housePlan(8);
  results.push(line(`pass plan of 40 surfaces, ${house.passes} passes`, house.seconds * 1000, 50, 'ms'));
  const { days, estimate, followed, purchase, tipsOfJob } = await coreBench('tern');
  const { seconds, coatings, layers } = purchase(8);
  results.push(
    line(
      `purchase of Tern Boathouse, ${coatings} coatings on ${layers} layers, 20,000 draws`,
      seconds * 1000,
      250,
      'ms',
    ),
  );
  const set = tipsOfJob(6);
  results.push(
    line(
      `tips of Tern Boathouse, ${set.tips} for ${set.surfaces} surfaces, searches and all`,
      set.seconds * 1000,
      100,
      'ms',
    ),
  );
  const whole = estimate(20);
  results.push(
    line(
      `whole estimate of Tern Boathouse, ${whole.hours.toFixed(0)} h and its price by room and surface`,
      whole.seconds * 1000,
      FRAME,
      'ms',
    ),
  );
  const first = days(5, 1);
  const tried = days(2, 600);
  results.push(
    line(
      `first plan of the days of Tern Boathouse, ${first.tasks} tasks, its bound and its check`,
      first.seconds * 1000,
      300,
      'ms',
    ),
    line('the same with 600 orders tried', tried.seconds * 1000, 3000, 'ms'),
  );
  const longer = days(1, 6000);
  const next = followed(4);
  results.push(
    line(
      'how much later that ends than with ten times the orders, by the clock from the first midnight',
      (tried.finish / longer.finish - 1) * 100,
      2,
      '%',
    ),
    line(
      `that plan followed after an entry, 45 minutes late, ${next.moved} tasks moved`,
      next.seconds * 1000,
      500,
      'ms',
    ),
  );
  const { derive } = await coreBench('log');
  const derived = derive(LOG, 20);
  results.push(
    line(
      `what each of ${derived.entries} entries says, looked at once ahead of its use`,
      derived.looked * 1000,
      150,
      'ms',
    ),
    line(`everything derived from a log of ${derived.entries} entries`, derived.first * 1000, 50, 'ms'),
    line('the same when one more has been written', derived.again * 1000, 50, 'ms'),
  );
  const long = derive(LONG_LOG, 5, 'as a page has it');
  results.push(
    line(`everything derived from a log of ${long.entries} entries, first`, long.first * 1000, 500, 'ms'),
    line('the same when one more has been written, old jobs by what they leave', long.again * 1000, 50, 'ms'),
  );
  const street = takeoff(40);
  results.push(line(`take-off of ${street.surfaces} surfaces`, street.seconds * 1000, FRAME, 'ms'));
  return results;
}

/** gzip size of the scripts an export loads first, kB. */
function firstLoad(dist) {
  const folder = path.join(dist, SCRIPTS);
  const html = readFileSync(path.join(dist, 'index.html'), 'utf8');
  return readdirSync(folder)
    .filter((name) => html.includes(`src="/${SCRIPTS}/${name}"`))
    .reduce((sum, name) => sum + gzipSync(readFileSync(path.join(folder, name))).length / 1000, 0);
}

/** Script of the first load against an empty Expo Router application of the same versions. */
async function bundle() {
  const empty = firstLoad(await emptyApp());
  return [
    line(
      `script of the first load, gzip (empty application: ${empty.toFixed(0)} kB, limit 1.2 times)`,
      firstLoad(APP_DIST),
      empty * 1.2,
      'kB',
    ),
  ];
}

async function startOnce(home) {
  const running = await started(home, await freePort());
  await running.stop();
  return running.seconds;
}

const longest = (times) => Math.max(...times);
/** How many frames came so late that one was dropped. */
const over = (times) => times.filter((time) => time > FRAMES_APART).length;

/** Frames of the interface, in Chromium: at rest first, so that one sees what the machine gives. */
async function inTheBrowser(address) {
  const { frames } = await import('./lib/frames.mjs');
  const { surfaces, rest, drawing, scrolled, board } = await frames(address);
  say(
    `        frames at rest: ${rest.length}, ${over(rest)} over 32 ms, longest ${longest(rest).toFixed(0)} ms`,
  );
  return [
    line(
      `longest of ${drawing.length} frames while the purchase is drawn in its worker, the screen painted`,
      longest(drawing),
      32,
      'ms',
    ),
    line(
      `longest of ${scrolled.length} frames while ${surfaces} surfaces are scrolled`,
      longest(scrolled),
      32,
      'ms',
    ),
    line(
      `longest of ${board.times.length} frames while a board of two houses is scrolled (${over(board.times)} over 32 ms)`,
      longest(board.times),
      FRAMES_APART,
      'ms',
    ),
  ];
}

/** A wall sprayed in practice, on a phone four times slower than this machine, beside blank canvases in turns of one run. */
async function practised(address) {
  const { sprayFrames } = await import('./lib/sprayFrames.mjs');
  const { sprayed, blank } = await sprayFrames(address);
  const told = (times) => `${over(times)} of ${times.length}, longest ${longest(times).toFixed(0)} ms`;
  // One more on either side: on a quiet machine there are none.
  const ratio = (over(sprayed) + 1) / ((over(blank) + 1) * (sprayed.length / blank.length));
  return [
    line(
      `frames over 32 ms while a wall is sprayed, with runs and laps (${told(sprayed)}), over those of blank canvases (${told(blank)})`,
      ratio,
      1.25,
      'times',
    ),
  ];
}

/** Taps of a crew on site, on a phone four times slower than this machine. */
async function onSite(address) {
  const { taps } = await import('./lib/tapBench.mjs');
  const all = await taps(address);
  return all.map(({ what, time }) => line(`tap at four times slowdown: ${what}`, time, TAP, 'ms'));
}

/** A log of ten thousand entries in the browser, and the application without a server. */
async function longLog({ address, stop: stopServer }) {
  const { logOf } = await coreBench('log');
  const { logFrames } = await import('./lib/logFrames.mjs');
  const { opened, scrolled, offline } = await logFrames(address, logOf(LOG), stopServer);
  const middle = (times) => times[Math.floor(times.length / 2)];
  const start = (what, times, wanted) =>
    line(
      `start without a server, 4 times slowed, with that log kept: ${what}, median of ${times.length} (slowest ${longest(times).toFixed(2)} s)`,
      middle(times),
      wanted,
      's',
    );
  say(
    `        a job tapped on as soon as it stands there is shown after ${middle(offline.tapped).toFixed(2)} s`,
  );
  return [
    line(
      `log of ${LOG} entries, from its arrival to its first row, median of ${opened.length}`,
      middle(opened),
      300,
      'ms',
    ),
    line(
      `longest of ${scrolled.length} frames while that log is scrolled`,
      longest(scrolled),
      FRAMES_APART,
      'ms',
    ),
    start('the list of jobs as it was last seen, which takes a tap', offline.seen, 1),
    start('the list of jobs of the application', offline.own, 1.5),
  ];
}

/** The job sheet of Tern Boathouse as a client gets it: the first after a start, and the median of the next. */
async function paper(address) {
  const { items } = await (await fetch(`${address}/api/jobs`)).json();
  const { id } = items.find(({ name }) => name === 'Tern Boathouse');
  const times = [];
  for (let round = 0; round < 6; round += 1) {
    const from = performance.now();
    const response = await fetch(`${address}/api/jobs/${id}/job-sheet.pdf`);
    await response.arrayBuffer();
    if (!response.ok) throw new Error(`job-sheet.pdf: ${response.status}`);
    times.push((performance.now() - from) / 1000);
  }
  const [first, ...next] = times;
  return [
    line('job sheet of Tern Boathouse as PDF, the first after a start', first, 1.5, 's'),
    line('job sheet as PDF, slowest of the next 5', longest(next), 1.5, 's'),
  ];
}

/** What the server does beside a bare one of Express and pg with the same statements, in one run. */
async function besideBare({ address }, home) {
  const { compare, startBare } = await import('./lib/serverBench.mjs');
  const { url } = runningCluster(path.join(home, 'postgres'));
  // It sees the company table as the door does.
  const bare = await startBare(`${url}?options=-c%20fine_spray.company%3Ddoor`, await freePort());
  const { items } = await (await fetch(`${address}/api/jobs`)).json();
  const { id } = items.find(({ name }) => name === 'Tern Boathouse');
  try {
    const found = await compare(address, bare.address, `/api/jobs/${id}/surfaces`);
    const [[rate, bareRate], [sent, bareSent]] = [found.rates, found.batches];
    const times = (what, [ours, theirs]) =>
      line(
        `99th percentile of ${what} at 150 a second, over the bare server's (${theirs.toFixed(1)} ms)`,
        ours / theirs,
        2,
        'times',
      );
    return [
      line(
        `bare server's rate of single entries (${bareRate.toFixed(0)} a second) over ours (${rate.toFixed(0)})`,
        bareRate / rate,
        1 / 0.8,
        'times',
      ),
      line(
        `2,000 entries in requests of 200, over the bare server's ${bareSent.toFixed(2)} s`,
        sent / bareSent,
        1 / 0.8,
        'times',
      ),
      times('reads', found.reads),
      times('writes', found.writes),
    ];
  } finally {
    bare.stop();
  }
}

/** What one writes, and what a colleague does, between devices and server. */
async function betweenDevices({ address }) {
  const { waitingUp, live } = await import('./lib/deviceBench.mjs');
  const { median, slowest } = await live(address, 15);
  return [
    line(
      `a colleague's note in an open journal, median of 15 (slowest ${slowest.toFixed(2)} s)`,
      median,
      1,
      's',
    ),
    line(
      '10,000 entries that waited on a device, until all are sent',
      await waitingUp(address, 10_000),
      10,
      's',
    ),
  ];
}

/** The whole application: how soon it is up again, and what it does then. */
async function application(home) {
  const first = await startOnce(home);
  const times = [];
  for (let round = 0; round < 3; round += 1) times.push(await startOnce(home));
  const results = [
    line(
      `second npm start, slowest of 3 (first, with an empty data folder: ${first.toFixed(1)} s)`,
      longest(times),
      6,
      's',
    ),
  ];
  return withApplication(home, async (running) => [
    ...results,
    ...(await paper(running.address)),
    ...(await besideBare(running, home)),
    ...(await betweenDevices(running)),
    ...(await inTheBrowser(running.address)),
    ...(await practised(running.address)),
    ...(await onSite(running.address)),
    // Last: it stops the server.
    ...(await longLog(running)),
  ]);
}

await main(async () => {
  await ensureNodePackages();
  mkdirSync(BUILD, { recursive: true });
  if (process.argv.includes('--core')) {
    const results = await core();
    process.exitCode = results.every(Boolean) ? 0 : 1;
    return;
  }
  await ensurePostgres();
  await ensureChromium();
  await ensureBuilt();
  const only = Object.entries({
    '--log': (running) => longLog(running),
    '--practice': ({ address }) => practised(address),
    '--server': async (running, home) => [
      ...(await besideBare(running, home)),
      ...(await betweenDevices(running)),
    ],
  }).find(([flag]) => process.argv.includes(flag));
  const results = only
    ? await withHome((home) => withApplication(home, (running) => only[1](running, home)))
    : [...(await core()), ...(await bundle()), ...(await withHome(application))];
  process.exitCode = results.every(Boolean) ? 0 : 1;
});
