import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { createConfig, lint } from '@redocly/openapi-core';
import spectral from '@stoplight/spectral-core';
import rulesets from '@stoplight/spectral-rulesets';
import openapiTS, { astToString } from 'openapi-typescript';
import ts from 'typescript';
import { bundled } from './lib/bundled.mjs';
import { ROOT } from './lib/paths.mjs';
import { main, say } from './lib/say.mjs';

/** What somebody writes against the API, with the types that a generator makes of its document. */
const CLIENT = `import type { components, operations, paths } from './schema';

type Body<Path extends keyof paths, Method extends keyof paths[Path]> = paths[Path][Method] extends {
  requestBody: { content: { 'application/json': infer Content } };
}
  ? Content
  : never;
type Answer<Path extends keyof paths, Method extends keyof paths[Path]> = paths[Path][Method] extends {
  responses: { 200: { content: { 'application/json': infer Content } } };
}
  ? Content
  : never;

export async function jobs(): Promise<Answer<'/api/jobs', 'get'>['items']> {
  const response = await fetch('/api/jobs');
  return ((await response.json()) as Answer<'/api/jobs', 'get'>).items;
}

export async function put(id: string, hose: Body<'/api/hoses/{id}', 'put'>): Promise<number> {
  const response = await fetch('/api/hoses/' + id, { method: 'PUT', body: JSON.stringify(hose) });
  const stored = (await response.json()) as Answer<'/api/hoses/{id}', 'put'>;
  const { length, version }: { length: number; version: number } = stored;
  return length + version;
}

// @ts-expect-error a hose has a length
export const short: Body<'/api/hoses/{id}', 'put'> = { name: 'Short', version: 0 };

// @ts-expect-error there is no such address
export type Nowhere = Answer<'/api/nowhere', 'get'>;

export type Job = components['schemas']['Job'];
export const all: (keyof operations)[] = [];
`;

/** Types of a client, made of the document, and what the compiler says of them and of a client that uses them. */
async function clientProblems(document) {
  const folder = path.join(ROOT, '.build/api');
  mkdirSync(folder, { recursive: true });
  const files = { 'schema.ts': astToString(await openapiTS(document)), 'client.ts': CLIENT };
  for (const [name, text] of Object.entries(files)) writeFileSync(path.join(folder, name), text);
  const program = ts.createProgram(
    Object.keys(files).map((name) => path.join(folder, name)),
    {
      ...{ strict: true, noEmit: true, exactOptionalPropertyTypes: true, types: [] },
      ...{ target: ts.ScriptTarget.ES2022, module: ts.ModuleKind.ESNext },
      ...{ moduleResolution: ts.ModuleResolutionKind.Bundler, lib: ['lib.es2022.d.ts', 'lib.dom.d.ts'] },
    },
  );
  return ts
    .getPreEmitDiagnostics(program)
    .map(
      ({ file, messageText }) =>
        `${path.basename(file?.fileName ?? '')}: ${ts.flattenDiagnosticMessageText(messageText, ' ')}`,
    );
}

/**
 * `npm run lint:api`: the OpenAPI document by two linters, with all that they recommend, and by a generator of clients whose types are
 * compiled with one that uses them.
 */
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
  const client = await clientProblems(JSON.parse(text));
  const all = [...found, ...more, ...client];
  for (const said of all) say(said);
  if (all.length > 0) process.exitCode = 1;
});
