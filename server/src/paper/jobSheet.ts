import { TASKS, TASK_IDS, containerText, hoursText } from '@fine-spray/core/quantities';
import { SURFACE_KINDS, areaLines, measure } from '@fine-spray/core/takeoff';
import { showText, type UnitSystem } from '@fine-spray/core/units';
import type { Surface } from '@fine-spray/contract';
import type { Paper } from './page';
import type { PlannedJob } from './planned';
import { cautionsOf, setUpsOf, speedText, type PrintedSetUp } from './setUps';
import { writeHead } from './head';

const where = ({ room, name }: Surface) => (room === '' ? name : `${room} · ${name}`);

/** What a crew takes along: quantities in short, a set-up card for each set-up, and how the areas were worked out. */
export function writeJobSheet(paper: Paper, planned: PlannedJob): void {
  const { units } = planned.options;
  writeHead(paper, planned);
  if (planned.surfaces.length === 0) {
    paper.text('There are no surfaces in this job yet.');
    return;
  }
  writeQuantities(paper, planned);
  paper.heading('Cautions');
  for (const { title, lines } of cautionsOf(planned.layers)) {
    paper.text(title, { strong: true });
    for (const line of lines) paper.text(`· ${line}`);
  }
  paper.heading('Set-up cards');
  paper.text(
    'Begin at the lower pressure on a test card and raise it until the fan is even; stop there. Comb and gauge have the last word.',
  );
  for (const setUp of setUpsOf(planned.layers, units)) writeSetUp(paper, setUp, units);
  if (planned.unplanned.length > 0) {
    paper.heading('Without a set-up');
    for (const { surface, why } of planned.unplanned) paper.text(`${where(surface)}: ${why}`);
  }
  writeAreas(paper, planned.surfaces, units);
}

function writeQuantities(paper: Paper, { surfaces, buyings, plan, options: { units } }: PlannedJob): void {
  const net = surfaces.reduce((sum, { geometry }) => {
    const area = measure(geometry);
    return area.ok ? sum + area.value.net : sum;
  }, 0);
  const hours = (seconds: number) => hoursText(seconds, units);
  paper.heading('In short');
  paper.grid(
    [
      { label: 'Area', value: showText(net, 'area', units) },
      ...(plan
        ? [
            { label: 'Work', value: `${hours(plan.time.low)} to ${hours(plan.time.high)}` },
            {
              label: `Days with ${plan.book.people}`,
              value: `about ${plan.days}`,
              ...(plan.waiting
                ? { note: `${hours(plan.waiting.value)} of waiting between coats, at 23 °C, come on top` }
                : {}),
            },
          ]
        : []),
    ],
    3,
  );
  paper.table(
    [
      { title: 'Coating', share: 5 },
      { title: 'Likely', share: 1.5, align: 'right' },
      { title: 'Take along', share: 4, align: 'right' },
      { title: 'Spare tips', share: 1, align: 'right' },
    ],
    buyings.map(({ order, likely, purchase }) => [
      order.name,
      showText(likely, 'volume', units),
      containerText(purchase.containers, units),
      String(purchase.spares),
    ]),
  );
  if (!plan) return;
  paper.table(
    [
      { title: 'Work', share: 6 },
      { title: 'Likely', share: 1.5, align: 'right' },
      { title: 'From', share: 1.5, align: 'right' },
      { title: 'To', share: 1.5, align: 'right' },
    ],
    TASK_IDS.flatMap((task) => (plan.hours[task] ? [{ name: TASKS[task], ...plan.hours[task] }] : []))
      .filter(({ value }) => value > 0)
      .map(({ name, value, low, high }) => [name, hours(value), hours(low), hours(high)]),
  );
  paper.text(`Not counted: ${plan.notCounted.join(', ')}.`, { small: true });
}

function writeSetUp(paper: Paper, { code, lines, cells, wear, layers }: PrintedSetUp, units: UnitSystem) {
  paper.room(260);
  paper.space(10);
  paper.rule(1);
  paper.lead(code, lines);
  paper.grid(cells, 3);
  paper.text(`Wear: ${wear}.`, { small: true });
  paper.blanks(['Even at', 'Fan', 'Wet film', 'Initials']);
  paper.table(
    [
      { title: 'Surface', share: 3.6 },
      { title: 'Move the gun', share: 3.6 },
      { title: 'Net area', share: 1.3, align: 'right' },
      { title: 'Paint, all coats', share: 1.7, align: 'right' },
    ],
    layers.map(({ surface, layer, card }) => [
      layer.share === 1
        ? where(surface)
        : `${where(surface)}, ${showText(layer.share, 'percent', units)} in spots`,
      speedText(card, units),
      showText(card.area.net, 'area', units),
      showText(card.paint.value, 'volume', units),
    ]),
  );
}

/** Areas with their arithmetic, room by room. */
function writeAreas(paper: Paper, surfaces: readonly Surface[], units: UnitSystem): void {
  const rooms = new Map<string, Surface[]>();
  for (const surface of surfaces) rooms.set(surface.room, [...(rooms.get(surface.room) ?? []), surface]);
  paper.heading('Areas and how they were worked out');
  for (const [room, inRoom] of rooms) {
    if (room !== '') paper.subheading(room);
    paper.table(
      [
        { title: 'Surface', share: 4 },
        { title: 'Worked out', share: 5 },
        { title: 'Net area', share: 1.5, align: 'right' },
      ],
      inRoom.map((surface) => [
        `${surface.name}, ${SURFACE_KINDS[surface.kind].name.toLowerCase()}`,
        arithmetic(surface, units),
        netText(surface, units),
      ]),
    );
  }
}

function arithmetic({ geometry }: Surface, units: UnitSystem): string {
  const sums = areaLines(geometry, units).map(({ name, sum, area }) =>
    area < 0 ? `less ${name.toLowerCase()} ${sum}` : `${name} ${sum}`,
  );
  const by = geometry.override ? [`put in by hand: ${geometry.override.reason}`] : [];
  return [...sums, ...by].join('\n');
}

function netText({ geometry }: Surface, units: UnitSystem): string {
  const area = measure(geometry);
  return area.ok ? showText(area.value.net, 'area', units) : '–';
}
