import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { createConfig, lint } from '@redocly/openapi-core';
import spectral from '@stoplight/spectral-core';
import rulesets from '@stoplight/spectral-rulesets';
import { bundled } from './lib/bundled.mjs';
import { ROOT } from './lib/paths.mjs';
import { main, say } from './lib/say.mjs';

/** `npm run lint:api`: the OpenAPI document by two linters, with all that they recommend. */
await main(async () => {
  const { openApiDocument } = await bundled(
    'openapi',
    "export { openApiDocument } from '@fine-spray/contract/openapi';",
  );
  const text = JSON.stringify(openApiDocument(), null, 1);
  const file = path.join(ROOT, '.build/openapi.json');
  writeFileSync(file, text);

  const one = new spectral.Spectral();
  one.setRuleset({ extends: [[rulesets.oas, 'recommended']], rules: {} });
  const found = (await one.run(text)).map(
    ({ code, path: at, message }) => `${code} at ${at.join('.')}: ${message}`,
  );

  const config = await createConfig({ extends: ['recommended'] });
  const more = (await lint({ ref: file, config })).map(
    ({ ruleId, location, message }) => `${ruleId} at ${location[0]?.pointer ?? ''}: ${message}`,
  );
  for (const said of [...found, ...more]) say(said);
  if (found.length + more.length > 0) process.exitCode = 1;
});
