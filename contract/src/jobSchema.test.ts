import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import addFormats from 'ajv-formats';
import Ajv2020 from 'ajv/dist/2020';
import { JOB_FILE_VERSION, jobFile, kitFile } from '.';
import { readJob } from './formats';
import { JOB_MEMBERS } from './jobMembers';
import { JOB_SCHEMA_PATH, jobFileSchema } from './jobSchema';

const ROOT = path.join(__dirname, '../..');
const OLDER = path.join(__dirname, 'formats/older');
const json = (file: string): unknown => JSON.parse(readFileSync(path.join(ROOT, file), 'utf8'));
const DEMO = ['tern-boathouse', 'kiln-house', 'orchard-row-3'].map((name) => `demo/${name}.job.json`);

/** A validator that refuses a schema it does not understand to the last word. */
function validator() {
  const ajv = new Ajv2020({ strict: true, strictTypes: true, allErrors: true });
  addFormats(ajv);
  return ajv;
}

describe('the published schema of a job file', () => {
  const schema = jobFileSchema();

  it('is the one in the docs', () => {
    expect(json('docs/schema/job.schema.json')).toEqual(JSON.parse(JSON.stringify(schema)));
  });

  it('says what each member is, and of no other', () => {
    const found = new Set<string>();
    const walk = (node: unknown, at: string): void => {
      if (Array.isArray(node)) node.forEach((one) => walk(one, at));
      else if (typeof node === 'object' && node !== null)
        for (const [key, inner] of Object.entries(node) as [string, unknown][]) {
          if (key === 'properties')
            for (const [name, member] of Object.entries(inner as Record<string, object>)) {
              const here = (at === '' ? name : `${at}.${name}`).replace('geometry.pieces[].', 'geometry.');
              found.add(here);
              expect(member).toHaveProperty('description', JOB_MEMBERS[here]);
              walk(member, here);
            }
          else walk(inner, key === 'items' ? `${at}[]` : at);
        }
    };
    walk(schema, '');
    expect([...found].sort()).toEqual(Object.keys(JOB_MEMBERS).sort());
  });

  it('is understood by a strict validator, by its address, and takes the files of the demo', () => {
    const address = 'https://spray.example.org';
    const ajv = validator();
    ajv.addSchema(jobFileSchema(address));
    const check = ajv.getSchema(`${address}${JOB_SCHEMA_PATH}`);
    for (const file of DEMO) {
      expect(check?.(json(file))).toBe(true);
      expect(check?.errors ?? []).toEqual([]);
    }
  });

  it.each([
    ['a member nobody knows', { more: 1 }],
    ['another version', { version: 1 }],
    ['a job without a name', { job: {} }],
    ['surfaces that are none', { surfaces: 'many' }],
  ])('refuses %s, as the program does', (_what, change) => {
    const file = { ...(json(DEMO[1] ?? '') as object), ...change };
    expect(validator().compile(schema)(file)).toBe(false);
    expect(jobFile.safeParse(file).success).toBe(false);
  });
});

describe('a job file of an older program', () => {
  const kit = kitFile.parse(json('demo/millrace.kit.json'));
  const fit = {
    coatings: kit.coatings,
    sprayerIds: kit.sprayers.map(({ id }) => id),
    hoseIds: kit.hoses.map(({ id }) => id),
  };

  it.each(readdirSync(OLDER))('%s, as it was written then, is opened with all it says', (name) => {
    const bytes = readFileSync(path.join(OLDER, name));
    const written = JSON.parse(bytes.toString('utf8')) as { version: number; surfaces: object[] };
    expect(written.version).toBeLessThan(JOB_FILE_VERSION);
    const read = readJob(bytes, fit);
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    expect(read.notes).toEqual([]);
    expect(read.value).toMatchObject({ ...written, version: JOB_FILE_VERSION });
    expect(validator().compile(jobFileSchema())(read.value)).toBe(true);
  });

  it('has what a member is filled in with only where it is missing', () => {
    const old = JSON.parse(readFileSync(path.join(OLDER, 'kiln-house.first.job.json'), 'utf8')) as {
      surfaces: object[];
    };
    const wrong = { ...old, places: 'none', surfaces: [...old.surfaces, 'one'] };
    const read = readJob(new TextEncoder().encode(JSON.stringify(wrong)), fit);
    expect(read.ok ? [] : read.issues.map(({ column }) => column)).toEqual([
      'places',
      `surfaces.${old.surfaces.length}`,
    ]);
  });
});
