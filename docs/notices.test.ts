import { readFileSync } from 'node:fs';
import path from 'node:path';

const ROOT = path.join(__dirname, '..');
const json = (file: string) =>
  JSON.parse(readFileSync(path.join(ROOT, file), 'utf8')) as Record<string, Record<string, unknown>>;
const rows = new Map<string, string>(
  readFileSync(path.join(ROOT, 'THIRD-PARTY-NOTICES.md'), 'utf8')
    .split('\n')
    .flatMap((line) => {
      const [, name, version, licence] = /^\| (\S+) \| (\d\S*) \| (.+) \|$/.exec(line) ?? [];
      return name === undefined ? [] : [[`${name} ${String(version)}`, String(licence)] as const];
    }),
);

/** Licences under which something may be part of a work that is itself under MIT. */
const ALLOWED =
  /^\(?(MIT|ISC|0BSD|BSD-2-Clause|BSD-3-Clause|Apache-2\.0|Python-2\.0|PSF-2\.0|CC0-1\.0|OFL-1\.1)( (AND|OR) (MIT|CC0-1\.0|OFL-1\.1))*\)?$/;
/** Packages that say their licence by its text alone: looked at by hand. */
// png-js: the text of MIT.
const LOOKED_AT: readonly string[] = ['png-js 2.0.0'];

describe('the notices of what ships', () => {
  it('have every package that runs with the server, at the version that is installed', () => {
    const locked = json('package-lock.json')['packages'] as Record<string, { version?: string }>;
    const missing = ['server', 'contract'].flatMap((part) =>
      Object.keys(json(`${part}/package.json`)['dependencies'] ?? {})
        .filter((name) => !name.startsWith('@fine-spray/'))
        .map((name) => {
          const at = locked[`${part}/node_modules/${name}`] ?? locked[`node_modules/${name}`];
          return `${name} ${at?.version ?? 'not installed'}`;
        })
        .filter((one) => !rows.has(one)),
    );
    // npm run notices
    expect(missing).toEqual([]);
  });

  it('name no licence that ours does not go with', () => {
    expect(rows.size).toBeGreaterThan(100);
    const others = [...rows].filter(([one, licence]) => !ALLOWED.test(licence) && !LOOKED_AT.includes(one));
    expect(others).toEqual([]);
  });
});
