import { OWN_CUP, type Company, type Entry, type RecordPaperOptions } from '@fine-spray/contract';
import { logNames, viscosityLines, type NamedRows, type ViscosityLine } from '@fine-spray/contract/log';
import { offsetIn } from '@fine-spray/contract/zone';
import { CUPS } from '@fine-spray/core/coating';
import { showWritten, type UnitSystem } from '@fine-spray/core/units';
import { writeCompany } from './head';
import type { Paper } from './page';

/** The rows a record of viscosity is printed from. */
export interface ViscosityRows extends NamedRows {
  readonly company: Company;
  readonly entries: readonly Entry[];
}

/** What an old check does not say. */
const NOT_SAID = 'not said';

/** The record of viscosity as people keep it on paper: a table for each coating, a line for each check. */
export function writeViscosityRecord(
  paper: Paper,
  rows: ViscosityRows,
  { units, zone, from, until }: RecordPaperOptions,
): void {
  const lines = viscosityLines(rows.entries, logNames(rows), offsetIn(zone)).filter(
    ({ date }) => (from === undefined || date >= from) && (until === undefined || date <= until),
  );
  writeCompany(paper, rows.company);
  paper.title('Record of viscosity');
  paper.text([from && `From ${from}`, until && `until ${until}`].filter(Boolean).join(' '));
  paper.space(8);
  if (lines.length === 0) paper.text('No paint was checked in this time.');
  const coatings = [...new Set(lines.map(({ coating }) => coating))];
  for (const coating of coatings) {
    paper.heading(coating);
    paper.table(
      [
        { title: 'Date', share: 2.1 },
        { title: 'Time', share: 1.2 },
        { title: 'Batch', share: 1.8 },
        { title: 'Container', share: 1.8 },
        { title: 'Shift', share: 1.8 },
        { title: 'Who', share: 1.1 },
        { title: 'Paint', share: 1.3, align: 'right' },
        { title: 'Before', share: 1.4, align: 'right' },
        { title: 'Added', share: 2.6 },
        { title: 'After', share: 1.4, align: 'right' },
      ],
      lines.filter((line) => line.coating === coating).map((line) => cells(line, units)),
    );
  }
  const cups = [...new Set(lines.map(({ payload }) => payload.cup))];
  if (cups.length > 0)
    paper.text(
      `Cups: ${cups.map((cup) => (cup === OWN_CUP ? 'own cup' : CUPS[cup].name)).join(', ')}. Cup times are means.`,
    );
}

function cells(
  { who, date, time, before, after, payload }: ViscosityLine,
  units: UnitSystem,
): readonly string[] {
  const { batch, newContainer, shift, temperature, added, addedWhat } = payload;
  const seconds = (value: number) => showWritten(value, 'time', units);
  return [
    date,
    time,
    batch || NOT_SAID,
    newContainer ? 'new' : 'opened',
    shift,
    who || NOT_SAID,
    showWritten(temperature, 'temperature', units),
    seconds(before),
    added > 0 ? `${showWritten(added, 'millilitres', units)} ${addedWhat}`.trim() : 'nothing',
    after === undefined ? '' : seconds(after),
  ];
}
