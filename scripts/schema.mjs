import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { bundled } from './lib/bundled.mjs';
import { ROOT } from './lib/paths.mjs';
import { main, say } from './lib/say.mjs';

/** Writes the published JSON Schema of a job file anew: `npm run schema`. A test compares it with the contract. */
await main(async () => {
  const { jobFileSchema } = await bundled(
    'schema',
    "export { jobFileSchema } from '@fine-spray/contract/jobSchema';",
  );
  const file = path.join(ROOT, 'docs/schema/job.schema.json');
  writeFileSync(file, `${JSON.stringify(jobFileSchema(), null, 2)}\n`);
  say(`Wrote ${path.relative(ROOT, file)}`);
});
