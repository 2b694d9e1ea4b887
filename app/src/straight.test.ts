import { transformSync } from '@babel/core';
import { readdirSync } from 'node:fs';
import path from 'node:path';
import straight from '../babel-straight';

const APP = path.join(__dirname, '..');
const ROOTS = ['src', '../core/src', '../contract/src'].map((root) => path.join(APP, root));
const indexes = ROOTS.flatMap((root) =>
  readdirSync(root, { recursive: true })
    .map(String)
    .filter((file) => /(^|[\\/])index\.tsx?$/.test(file))
    .map((file) => path.join(root, file)),
);

/** An import of a module of the application, as the bundler gets it. */
function bundled(code: string, filename = path.join(APP, 'src/features/some/Some.tsx')): string {
  const made = transformSync(code, {
    filename,
    babelrc: false,
    configFile: false,
    plugins: [straight],
    parserOpts: { plugins: ['typescript', 'jsx'] },
  });
  return (made?.code ?? '').replaceAll('"', "'");
}

describe('imports by way of an index', () => {
  it('go to the module that has the name, of the application, the contract and the core', () => {
    expect(
      bundled(
        "import { surfaceFields, type Job } from '@fine-spray/contract';\nimport { simulate } from '@fine-spray/core';\nimport { useQuickState as first } from '@/features/site';",
      ).split('\n'),
    ).toEqual([
      "import { surfaceFields } from '../../../../contract/src/job.ts';",
      "import { simulate } from '../../../../core/src/simulation/job.ts';",
      "import { useQuickState as first } from '../site/context.ts';",
    ]);
  });

  it('stay as they are where they name a module, a package, a whole index or types alone', () => {
    for (const code of [
      "import { whyFailed } from '@/data/api';",
      "import { useRouter } from 'expo-router';",
      "import * as units from '@fine-spray/core/units';",
      "import type { Job } from '@fine-spray/contract';",
      "import '@fine-spray/contract';",
    ])
      expect(bundled(code)).toBe(code);
  });

  it('find each name of each index in a module that is none', () => {
    expect(indexes.length).toBeGreaterThan(50);
    for (const file of indexes.filter((one) => straight.isIndex(one))) {
      const { others } = straight.exportsOf(file);
      for (const [name, { file: from }] of others) {
        const home = straight.homeOf(file, name);
        // What is passed on from a package stays where it is; everything else has its home.
        if (!from) continue;
        if (!home) throw new Error(`${name} of ${path.relative(APP, file)} has no home`);
        expect([straight.isIndex(home.file), home.file]).toEqual([false, home.file]);
      }
    }
  });
});
