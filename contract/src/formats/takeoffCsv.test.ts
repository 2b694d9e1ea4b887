import { readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import { of } from '@fine-spray/core/units';
import { jobFile, kitFile, type JobFile } from '..';
import { csvOf, guarded, isFormula, unguarded } from './csv';
import { TAKEOFF_COLUMNS, asCopy, jobFileOf, readJob, readTakeoff, writeJob, takeoffSheet } from '.';

const DEMO = path.join(__dirname, '../../../demo');
const read = (name: string): unknown => JSON.parse(readFileSync(path.join(DEMO, name), 'utf8'));
const kit = kitFile.parse(read('millrace.kit.json'));
const JOBS = ['tern-boathouse', 'kiln-house', 'orchard-row-3'] as const;
const job = (name: string): JobFile => jobFile.parse(read(`${name}.job.json`));

let made = 0;
const newId = () => `00000000-0000-7000-8000-${String((made += 1)).padStart(12, '0')}`;
const bytes = (text: string) => new TextEncoder().encode(text);
const context = { coatings: kit.coatings, newId };
const take = (text: string | Uint8Array) =>
  readTakeoff(typeof text === 'string' ? bytes(text) : text, context);
function taken(text: string | Uint8Array) {
  const result = take(text);
  if (!result.ok) throw new Error(JSON.stringify(result.issues));
  return result;
}
function refused(text: string | Uint8Array) {
  const result = take(text);
  if (result.ok) throw new Error('was taken');
  return result.issues;
}

describe('a demo job', () => {
  it.each(JOBS)('%s comes back from CSV as it was', (name) => {
    const file = job(name);
    const text = csvOf(takeoffSheet(file.surfaces, kit.coatings));
    const back = readTakeoff(bytes(text), { ...context, placeIds: new Set(file.places.map(({ id }) => id)) });
    expect(back.ok && back.value.map(({ id, fields }) => ({ id, jobId: file.job.id, ...fields }))).toEqual(
      file.surfaces,
    );
    expect(text.split('\r\n')[0]).toContain('Width (m)');
  });

  it('keeps from where a ceiling is seen, and which wall of its room each is', () => {
    const file = job('tern-boathouse');
    const surfaces = file.surfaces.map((surface) =>
      surface.name === 'Vaulted ceiling, north slope' && surface.geometry.shape === 'pieces'
        ? {
            ...surface,
            geometry: {
              ...surface.geometry,
              pieces: surface.geometry.pieces.map((piece) => ({ ...piece, seenFrom: { x: 4.8, y: -1.25 } })),
            },
          }
        : surface,
    );
    const text = csvOf(takeoffSheet(surfaces, kit.coatings));
    const places = { ...context, placeIds: new Set(file.places.map(({ id }) => id)) };
    const back = readTakeoff(bytes(text), places);
    expect(back.ok && back.value.map(({ fields }) => fields.geometry)).toEqual(
      surfaces.map(({ geometry }) => geometry),
    );
    const parts = back.ok ? back.value.slice(0, 5).map(({ fields }) => fields.part) : [];
    expect(parts).toEqual(['Wall 1', 'Wall 2', 'Wall 3', 'Wall 4', 'Ceiling, slope 1']);
    // In a job without that room each is on its own.
    expect(taken(text).value.map(({ fields: { placeId, part } }) => [placeId, part])).toEqual(
      surfaces.map(() => [null, '']),
    );
    expect(refused(text.replace('4.8 -1.25', '4.8'))).toMatchObject([
      { column: 'Seen from (m)', message: expect.stringMatching(/"4.8" is no place/) as string },
    ]);
  });

  it('a size changed in the rows of what is counted stands: they are pieces then', () => {
    const file = job('tern-boathouse');
    const text = csvOf(
      takeoffSheet(
        file.surfaces.filter(({ name }) => name === 'Six panel doors, first side'),
        kit.coatings,
      ),
    );
    const geometryOf = (of: string) => taken(of).value[0]?.fields.geometry;
    expect(geometryOf(text)).toMatchObject({ shape: 'item', item: 'door', faces: 1, count: 6 });
    expect(geometryOf(text.replace(',0.86,2.04,', ',0.9,2.04,'))).toMatchObject({
      pieces: [{ width: 0.9, height: 2.04, count: 6 }],
    });
    expect(refused(text.replace('door; width', 'dor; width'))).toMatchObject([
      { column: 'Counted as (m)', message: expect.stringMatching(/nothing that can be counted/) as string },
    ]);
  });

  it.each(JOBS)('%s comes back from JSON as it was', (name) => {
    const file = job(name);
    const back = readJob(bytes(writeJob(file)), {
      coatings: kit.coatings,
      sprayerIds: kit.sprayers.map(({ id }) => id),
      hoseIds: kit.hoses.map(({ id }) => id),
    });
    expect(back).toEqual({ ok: true, value: file, notes: [] });
  });
});

describe('a job file', () => {
  const file = job('orchard-row-3');
  const fit = {
    coatings: kit.coatings,
    sprayerIds: kit.sprayers.map(({ id }) => id),
    hoseIds: kit.hoses.map(({ id }) => id),
  };
  const say = (change: object, context_ = fit) => {
    const result = readJob(bytes(JSON.stringify({ ...file, ...change })), context_);
    return result.ok
      ? result.notes.join(' ')
      : result.issues.map(({ column, message }) => `${column}: ${message}`).join(' ');
  };

  it('is written from stored rows without what the server adds', () => {
    const row = { version: 3, createdAt: '2026-01-01T00:00:00Z', updatedAt: '2026-01-01T00:00:00Z' };
    const again = jobFileOf(
      { ...file.job, ...row, surfaceCount: 9 },
      file.places.map((place) => ({ ...place, ...row })),
      file.surfaces.map((surface) => ({ ...surface, ...row })),
      kit.coatings.map((coating) => ({ ...coating, ...row })),
    );
    expect(again).toEqual(file);
  });

  it('is refused with a sentence when it is of another version, another format, or no JSON', () => {
    expect(say({ version: 3 })).toMatch(/of version 3; this program reads up to version 2\. Update/);
    for (const version of [0, -1, 1.5]) expect(say({ version })).toMatch(/There is no such version/);
    expect(say({ format: 'something' })).toMatch(/no job of Fine Spray/);
    const deep = `{"format":"fine-spray-job","version":1,"x":${'['.repeat(1_000_000)}`;
    expect(readJob(bytes(deep), fit)).toMatchObject({
      ok: false,
      issues: [{ message: 'The file is nested too deep for a job.' }],
    });
    // Brackets in a text are no nesting.
    expect(readJob(bytes(`{"a":"${'['.repeat(100)}\\"["}`), fit)).toMatchObject({
      issues: [{ message: expect.stringContaining('This is no job') as string }],
    });
    expect(readJob(bytes('{'), fit)).toEqual({
      ok: false,
      issues: [{ row: 0, message: 'The file is not readable as JSON.' }],
    });
    expect(say({ surfaces: [{ ...file.surfaces[0], coats: 0 }] })).toMatch(/surfaces.0.coats: Coats must be/);
    expect(say({ places: [] })).toMatch(/surfaces.0.placeId: .*not in the file/);
  });

  it('is fitted to another kit: by name, by kind of coating, or refused where there is nothing like it', () => {
    const other = kit.coatings.map((coating, index) => ({
      ...coating,
      id: newId(),
      name: index === 0 ? 'Our matt' : coating.name,
    }));
    expect(say({}, { ...fit, coatings: other })).toContain('becomes your "Our matt"');
    expect(say({}, { ...fit, coatings: [] })).toMatch(/Your kit has nothing like/);
    expect(say({}, { ...fit, sprayerIds: ['x'], hoseIds: [] })).toMatch(
      /first one takes its place.*A hose of it/,
    );
    expect(say({}, { ...fit, sprayerIds: [] })).toMatch(/no sprayer yet/);
  });

  it('is copied under ids of its own, places and surfaces still together', () => {
    const copy = asCopy(file, newId);
    const ids = (of: JobFile) => [
      of.job.id,
      ...of.places.map(({ id }) => id),
      ...of.surfaces.map(({ id }) => id),
    ];
    expect(ids(copy).filter((id) => ids(file).includes(id))).toEqual([]);
    expect(jobFile.safeParse(copy).success).toBe(true);
    expect(copy.surfaces.filter(({ placeId }) => placeId !== null).length).toBe(
      file.surfaces.filter(({ placeId }) => placeId !== null).length,
    );
  });
});

const HEADER = 'Room,Surface,Width (m),Height (m)';

describe('a take-off typed by hand', () => {
  it('needs room, surface, width and height; the rest is usual', () => {
    const [first, second] = taken(`${HEADER}\r\nHall,North wall,4,2.5\r\nHall,Ceiling,4,3\r\n`).value;
    expect(first?.fields).toMatchObject({
      room: 'Hall',
      name: 'North wall',
      element: 'wall',
      coats: 2,
      geometry: { shape: 'rectangle', width: 4, height: 2.5, count: 1, openings: [] },
    });
    expect(kit.coatings.find(({ id }) => id === first?.fields.coatingId)?.archetype).toBe('wall-matt');
    expect(second?.row).toBe(3);
  });

  it('reads pieces by their names, openings, layers and tips as words', () => {
    const text = [
      'Room;Surface;Part;Piece;Width (m);Height (m);Openings (m);Coating;Under;Tip',
      'Hall;Walls;North;Wall;4,5;2,5;1 door 0.9 x 2.1; ceiling flat, water-borne;;standard 517',
    ].join('\n');
    const good = text.replace(
      ' ceiling flat, water-borne;;',
      'ceiling flat, water-borne;"prime: 1 x ""Board primer-sealer, water-borne""";',
    );
    const [surface] = taken(good).value;
    expect(surface?.fields.geometry).toMatchObject({
      shape: 'pieces',
      pieces: [
        { name: 'North', width: 4.5, openings: [{ kind: 'door', width: 0.9, height: 2.1, count: 1 }] },
      ],
    });
    expect(surface?.fields.under).toEqual([expect.objectContaining({ role: 'prime', coats: 1, share: 1 })]);
    expect(surface?.fields.tip).toEqual({ family: 'standard', code: '517' });
  });

  it('reads lengths in the unit of their column, or in their own', () => {
    const size = (column: string, cell: string) => {
      const [one] = taken(`Surface,${column},Height (m)\n"A","${cell}",2`).value;
      return one?.fields.geometry.shape === 'rectangle' ? one.fields.geometry.width : NaN;
    };
    expect(size('Width (cm)', '400')).toBeCloseTo(4, 12);
    expect(size('Width (ft)', '10')).toBeCloseTo(of(10, 'ft'), 12);
    expect(size('Width (m)', '12 ft')).toBeCloseTo(of(12, 'ft'), 12);
    expect(size('Width [ft]', "8' 6 in")).toBeCloseTo(of(8.5, 'ft'), 12);
    expect(size('width', '4,2')).toBeCloseTo(4.2, 12);
  });

  it('comes the same from a spreadsheet program: mark, semicolons, empty rows and columns, quoted cells', () => {
    const plain = taken(`${HEADER}\nHall,Wall,4,2.5\n`).value.map(({ fields }) => fields);
    for (const text of [
      `\uFEFF${HEADER}\r\nHall,Wall,4,2.5\r\n`,
      `sep=;\r\n${HEADER.replace(/,/g, ';')}\r\nHall;Wall;4;2,5\r\n`,
      `${HEADER.replace(/,/g, '\t')}\nHall\tWall\t4\t2.5\n`,
      `${HEADER},,\r\n"Hall","Wall","4","2.5",,\r\n,,,,,\r\n\r\n`,
      `${HEADER}\rHall,Wall,4,2.5\r`,
    ]) {
      expect(taken(text).value.map(({ fields }) => fields)).toEqual(plain);
    }
    const wide = new Uint8Array([
      0xff,
      0xfe,
      ...Array.from(`${HEADER}\nHall,Wall,4,2.5\n`).flatMap((one) => [one.charCodeAt(0), 0]),
    ]);
    expect(taken(wide).value.map(({ fields }) => fields)).toEqual(plain);
  });

  it('notes columns it does not know', () => {
    expect(taken(`${HEADER},Mood\nHall,Wall,4,2.5,blue`).notes).toEqual(['Not known and left out: Mood.']);
  });
});

describe('a damaged file is refused, by row and column', () => {
  const row = (cells: string, header = HEADER) => `${header}\n${cells}`;
  const many = (rows: number) => `${HEADER}\n${'Hall,Wall,4,2.5\n'.repeat(rows)}`;
  const cases: readonly [string, string | Uint8Array, { row: number; column?: string }, RegExp][] = [
    ['nothing in it', '', { row: 0 }, /empty/],
    ['only blanks', ' \n \n', { row: 0 }, /empty/],
    ['a header and no rows', HEADER, { row: 0 }, /no rows/],
    ['no header', 'Hall,Wall,4,2.5', { row: 0 }, /no column "Surface", "Width", "Height"/],
    ['no width', 'Room,Surface,Height (m)\nHall,Wall,2', { row: 0 }, /no column "Width"/],
    [
      'a column twice',
      row('A,B,4,2,5', `${HEADER},Width (ft)`),
      { row: 1, column: 'Width (ft)' },
      /two columns "Width"/,
    ],
    [
      'a unit that is none',
      row('A,B,4,2', 'Room,Surface,Width (stone),Height (m)'),
      { row: 1, column: 'Width (stone)' },
      /no unit/,
    ],
    [
      'wrong separators in a row',
      row('Hall;Wall;4;2.5'),
      { row: 2, column: 'Width (m)' },
      /Width is missing/,
    ],
    ['more cells than columns', row('Hall,Wall,4,2.5,9'), { row: 2 }, /5 cells and the header 4/],
    ['a decimal comma between commas', row('Hall,Wall,4,5,2,5'), { row: 2 }, /6 cells/],
    ['a quote never closed', row('"Hall,Wall,4,2.5'), { row: 2 }, /never closed/],
    ['a quote inside a cell', row('"Ha"ll,Wall,4,2.5'), { row: 2 }, /quotation mark/],
    [
      'bytes that are no text',
      new Uint8Array([...bytes(`${HEADER}\nK`), 0xfc, 0, ...bytes('che,W,4,2')]),
      { row: 0 },
      /no text file/,
    ],
    ['a file that is no text', new Uint8Array([80, 75, 3, 4, 0, 0, 0, 0]), { row: 0 }, /no text file/],
    ['a formula in a name', row('Hall,=1+1,4,2.5'), { row: 2, column: 'Surface' }, /begins like a formula/],
    ['a formula with @', row('@SUM(A1),Wall,4,2.5'), { row: 2, column: 'Room' }, /begins like a formula/],
    ['a formula in a number', row('Hall,Wall,=2+2,2.5'), { row: 2, column: 'Width (m)' }, /not a number/],
    ['a number that is none', row('Hall,Wall,wide,2.5'), { row: 2, column: 'Width (m)' }, /not a number/],
    [
      'thousands in a number',
      row('Hall,Wall,"1,234.5",2.5'),
      { row: 2, column: 'Width (m)' },
      /must be between 0.02 m and 100 m/,
    ],
    [
      'a unit of another kind',
      row('Hall,Wall,3 bar,2.5'),
      { row: 2, column: 'Width (m)' },
      /unit that does not fit/,
    ],
    ['a size of nothing', row('Hall,Wall,0,2.5'), { row: 2, column: 'Width (m)' }, /Width must be between/],
    [
      'a size below nothing',
      row('Hall,Wall,-4,2.5'),
      { row: 2, column: 'Width (m)' },
      /Width must be between/,
    ],
    ['a size of a town', row('Hall,Wall,4e9,2.5'), { row: 2, column: 'Width (m)' }, /Width/],
    ['no name', row('Hall,,4,2.5'), { row: 2, column: 'Surface' }, /name is missing/],
    ['a name without end', row(`Hall,${'x'.repeat(500)},4,2.5`), { row: 2, column: 'Surface' }, /too long/],
    [
      'a piece that is none',
      row('Hall,Wall,4,2.5,roof', `${HEADER},Piece`),
      { row: 2, column: 'Piece' },
      /not one of: wall/,
    ],
    [
      'a material that is none',
      row('Hall,Wall,4,2.5,glass', `${HEADER},Material`),
      { row: 2, column: 'Material' },
      /not one of/,
    ],
    [
      'a coating not in the kit',
      row('Hall,Wall,4,2.5,Gold', `${HEADER},Coating`),
      { row: 2, column: 'Coating' },
      /not in your kit/,
    ],
    [
      'half a coat',
      row('Hall,Wall,4,2.5,1.5', `${HEADER},Coats`),
      { row: 2, column: 'Coats' },
      /whole number/,
    ],
    [
      'thinning over half',
      row('Hall,Wall,4,2.5,80', `${HEADER},Thinning (%)`),
      { row: 2, column: 'Thinning (%)' },
      /between 0 and 50 %/,
    ],
    [
      'an opening that is none',
      row('Hall,Wall,4,2.5,two windows', `${HEADER},Openings (m)`),
      { row: 2, column: 'Openings (m)' },
      /no opening/,
    ],
    [
      'an opening larger than the wall',
      row('Hall,Wall,4,2.5,1 door 5 x 2', `${HEADER},Openings (m)`),
      { row: 2, column: 'Openings (m)' },
      /wider than/,
    ],
    [
      'a gable lower than its eaves',
      row('Hall,Wall,4,2.5,gable,2', `${HEADER},Shape,Ridge (m)`),
      { row: 2, column: 'Ridge (m)' },
      /ridge must be/i,
    ],
    [
      'an outline that crosses itself',
      row('Hall,Wall,,,outline,0 0; 4 4; 4 0; 0 4', `${HEADER},Shape,Corners (m)`),
      { row: 2, column: 'Corners (m)' },
      /crosses itself/,
    ],
    [
      'an area without a reason',
      row('Hall,Wall,4,2.5,9', `${HEADER},Area instead (m²)`),
      { row: 2, column: 'Reason' },
      /Reason is missing|Say why/,
    ],
    [
      'the same id twice',
      `${HEADER},Id\nHall,Wall,4,2,x\nHall,Other,4,2,x`,
      { row: 3, column: 'Id' },
      /row 2 has the same id/,
    ],
    [
      'a layer that is none',
      row('Hall,Wall,4,2.5,undercoat', `${HEADER},Under`),
      { row: 2, column: 'Under' },
      /no layer of your kit/,
    ],
    ['a tip that is none', row('Hall,Wall,4,2.5,wide 999', `${HEADER},Tip`), { row: 2, column: 'Tip' }, /./],
    [
      'more surfaces than a job holds',
      many(1001).replace(/Wall/g, () => `Wall ${(made += 1)}`),
      { row: 0 },
      /a job holds 1,000/,
    ],
    ['a hundred thousand rows', many(100_000), { row: 0 }, /more than 20,000 rows/],
  ];

  it.each(cases)('%s', (_name, text, where, sentence) => {
    const issues = refused(text);
    const found = issues.find(({ row: at, column }) => at === where.row && column === where.column);
    expect(found ? '' : JSON.stringify(issues.slice(0, 3))).toBe('');
    expect(found?.message).toMatch(sentence);
  });

  it('in an encoding of one byte is taken, and what it was read as is said', () => {
    const file = new Uint8Array([...bytes(`${HEADER}\nK`), 0xfc, ...bytes('che,W,4,2')]);
    const { value, notes } = taken(file);
    expect(value[0]?.fields.room).toBe('Küche');
    expect(notes).toEqual([expect.stringMatching(/read as windows-1252/)]);
  });

  it('says what is wrong with every row, not with the first alone', () => {
    const issues = refused(`${HEADER}\nHall,A,0,2\nHall,B,4,2\nHall,C,4,x`);
    expect(issues.map(({ row: at }) => at)).toEqual([2, 4]);
  });

  it('never throws, whatever the bytes', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 300 }), (noise) => {
        expect(typeof take(noise).ok).toBe('boolean');
        expect(typeof take(new Uint8Array([...bytes(`${HEADER}\n`), ...noise])).ok).toBe('boolean');
      }),
    );
  });
});

describe('text that a spreadsheet program would run', () => {
  it('is written with an apostrophe and read back without', () => {
    const [surface] = job('orchard-row-3').surfaces.slice(-1);
    if (!surface) throw new Error('none');
    const odd = { ...surface, name: '=HYPERLINK("x")', room: "+44, the 'new' one" };
    const text = csvOf(takeoffSheet([odd], kit.coatings));
    expect(text).toContain(`"'=HYPERLINK(""x"")"`);
    expect(taken(text).value[0]?.fields).toMatchObject({ name: odd.name, room: odd.room });
  });

  it.each([
    '=1+1',
    ' =1+1',
    '\n=1+1',
    '\t@SUM(A1)',
    '＝1+1',
    '＋44',
    '－1',
    '＠x',
    "'=quoted",
    "don't",
    "'tis",
  ])('is written so that nothing runs, and read back as it was, however it begins: %j', (text) => {
    expect([isFormula(guarded(text)), unguarded(guarded(text))]).toEqual([false, text]);
    expect(guarded(text) === text).toBe(text === "don't" || text === "'tis");
  });

  it('stands in no cell of any demo job', () => {
    for (const name of JOBS) {
      const lines = csvOf(takeoffSheet(job(name).surfaces, kit.coatings)).split('\r\n');
      expect(lines.some((line) => /(^|,)"?[=+@]/.test(line))).toBe(false);
    }
    expect(Object.values(TAKEOFF_COLUMNS).length).toBe(new Set(Object.values(TAKEOFF_COLUMNS)).size);
  });
});
