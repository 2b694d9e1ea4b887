import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { setupCard } from '@fine-spray/core/setup';
import { EXAMPLES } from './examples';
import {
  ALL_OPERATIONS,
  RESOURCES,
  fieldProblems,
  id,
  jobFile,
  kitFile,
  line,
  logFile,
  logFileOf,
  setupRequest,
  surfaceFields,
  tipChoice,
  whatIsWrong,
  type Surface,
} from '.';

const DEMO = path.resolve(__dirname, '../../demo');
const read = (name: string): unknown => JSON.parse(readFileSync(path.join(DEMO, name), 'utf8'));
const jobs = readdirSync(DEMO).filter((name) => name.endsWith('.job.json'));
const stamps = { version: 1, createdAt: '2026-01-01T00:00:00Z', updatedAt: '2026-01-01T00:00:00Z' };

describe('the log as a file', () => {
  it('has what an entry says and who wrote it by initials, and is read again', () => {
    const { entries } = logFile.parse(read('millrace.log.json'));
    const stored = entries.slice(0, 5).map((one) => ({ ...one, ...stamps, personId: one.id }));
    const file = logFileOf(stored);
    expect(logFile.parse(JSON.parse(JSON.stringify(file)))).toEqual({
      format: 'fine-spray-log',
      version: 1,
      entries: entries.slice(0, 5),
    });
  });
});

describe('the demo files', () => {
  const kit = kitFile.parse(read('millrace.kit.json'));

  it.each(jobs)('%s is read and written as it is', (name) => {
    const file = jobFile.parse(read(name));
    expect(JSON.parse(JSON.stringify(file))).toEqual(read(name));
  });

  it.each(jobs)('every surface of %s has a set-up card', (name) => {
    const { job, surfaces } = jobFile.parse(read(name));
    const sprayer = kit.sprayers.find(({ id }) => id === job.sprayerId);
    if (!sprayer) throw new Error('no sprayer');
    const refused = surfaces.flatMap((surface) => {
      const coating = kit.coatings.find(({ id }) => id === surface.coatingId);
      if (!coating) throw new Error('no coating');
      const hoses = kit.hoses
        .filter(({ id }) => job.hoseIds.includes(id))
        .map((hose) => ({ ...hose, ...stamps }));
      const rack = kit.tips.map((tip) => ({ ...tip, ...stamps }));
      const result = setupCard(
        setupRequest({ surface, coating, sprayer: { ...sprayer, ...stamps }, hoses, lift: job.lift, rack }),
      );
      return result.ok ? [] : [`${surface.name}: ${result.message}`];
    });
    expect(refused).toEqual([]);
  });

  it('refuses a surface that belongs to another job', () => {
    const file = read('kiln-house.job.json') as { surfaces: Surface[] };
    const [first] = file.surfaces;
    if (first) first.jobId = '01930000-0000-7000-8000-00000000dead';
    const result = jobFile.safeParse(file);
    expect(result.error && fieldProblems(result.error)).toEqual([
      expect.objectContaining({ field: 'surfaces.0.jobId', message: 'This surface belongs to another job.' }),
    ]);
  });
});

describe('text', () => {
  const name = line('Name', 5);
  it('counts an emoji as one character and trims', () => {
    expect(name.parse('  🎨🎨🎨🎨🎨 ')).toBe('🎨🎨🎨🎨🎨');
    expect(name.safeParse('🎨🎨🎨🎨🎨🎨').success).toBe(false);
  });

  it.each([
    ['', 'Name is missing.'],
    ['   ', 'Name is missing.'],
    ['abcdef', 'Name is too long: 5 characters at most.'],
    ['a\nb', 'Name must be on one line.'],
    ['a\u0007', 'Name has characters that cannot be shown.'],
    ['a\ud83c', 'Name has characters that cannot be shown.'],
    ['\udfa8b', 'Name has characters that cannot be shown.'],
    [undefined, 'Name is missing.'],
  ])('refuses %j with a sentence', (value, message) => {
    expect(name.safeParse(value).error?.issues[0]?.message).toBe(message);
  });
});

describe('an id', () => {
  it('is in lower case however it was written, so that one row has one name', () => {
    expect(id.parse('01930000-0000-7000-8000-00000000ABCD')).toBe('01930000-0000-7000-8000-00000000abcd');
    expect(id.safeParse('01930000').success).toBe(false);
  });
});

describe('a tip', () => {
  it('is refused at its code with the reason of the core', () => {
    const result = tipChoice.safeParse({ family: 'wide', code: '515' });
    expect(result.error && fieldProblems(result.error)).toEqual([
      {
        field: 'code',
        code: 'tip.family',
        message: '515 is not made as a wide tip. It exists as standard or low-pressure or fine-finish.',
      },
    ]);
  });
});

describe('a surface', () => {
  it('names each field that is wrong', () => {
    const result = surfaceFields.safeParse({});
    const fields = result.error ? fieldProblems(result.error).map(({ field }) => field) : [];
    expect(fields).toEqual(expect.arrayContaining(['jobId', 'name', 'geometry', 'coatingId', 'coats']));
  });
});

describe('why a stored row cannot be read', () => {
  it('is a sentence with its field in words', () => {
    const [sprayer] = kitFile.parse(read('millrace.kit.json')).sprayers;
    const wrong = (extra: object) => {
      const { error } = RESOURCES.sprayers.row.safeParse({ ...sprayer, ...stamps, ...extra });
      return error && whatIsWrong(error);
    };
    expect(wrong({})).toBeUndefined();
    expect(wrong({ maxPressure: -1 })).toMatch(/^\S.*\. \(Field: max pressure\.\)$/);
  });
});

describe('examples of the API', () => {
  it.each(ALL_OPERATIONS.map(({ name }) => name))('%s has them, as its schemas want them', (name) => {
    const operation = ALL_OPERATIONS.find((one) => one.name === name);
    const { body, answer } = EXAMPLES[name] ?? {};
    const wrong = [operation?.body?.safeParse(body).error, operation?.answer?.safeParse(answer).error].filter(
      Boolean,
    );
    expect(wrong).toEqual([]);
  });
});
