import path from 'node:path';
import { JOB_SCHEMA_PATH, jobFileSchema } from '@fine-spray/contract/jobSchema';
import { openApiDocument } from '@fine-spray/contract/openapi';
import { Router } from 'express';
import { originOf } from './parameters';

/** What shows the document, in its package. */
export const DOCS_SCRIPT = 'openapi-explorer/dist/browser/openapi-explorer.min.js';
const SCRIPT = 'openapi-explorer.min.js';
/** The page: the document beside what reads it, both from here. */
const PAGE = `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Fine Spray: interface for programs</title>
<link rel="icon" href="data:,">
<script type="module" src="/api/docs/${SCRIPT}"></script>
<style>
html, body { margin: 0; height: 100%; }
openapi-explorer { --font-regular: system-ui, sans-serif; --font-mono: ui-monospace, monospace; }
</style>
</head>
<body>
<openapi-explorer spec-url="/api/openapi.json" hide-server-selection hide-authentication collapse table
  bg-color="#fdfcf6" text-color="#16181d" header-bg-color="#fdfcf6" primary-color="#6d1a55" secondary-color="#6d1a55"
  nav-bg-color="#f2eee3" nav-text-color="#16181d" nav-hover-bg-color="#e6dfd0" nav-hover-text-color="#16181d" nav-accent-color="#6d1a55">
<p slot="overview"></p>
</openapi-explorer>
<noscript>The document itself: <a href="/api/openapi.json">/api/openapi.json</a></noscript>
</body>
</html>
`;

/**
 * What the API and a job file are, for programs and for people who write them: the OpenAPI document with a page that shows it,
 * and the schema of a job file under the address that is its `$id`.
 * @param file where what shows it lies (`DOCS_SCRIPT`)
 */
export function docsRoutes(file: string, publicUrl: string | undefined): Router {
  const router = Router();
  const document = JSON.stringify(openApiDocument());
  router.get('/api/openapi.json', (_request, response) => {
    response.type('application/json').send(document);
  });
  let schema: ReturnType<typeof jobFileSchema> | undefined;
  router.get(JOB_SCHEMA_PATH, (request, response) => {
    schema ??= jobFileSchema();
    const $id = `${originOf(request, publicUrl)}${JOB_SCHEMA_PATH}`;
    response.type('application/schema+json').send(JSON.stringify({ ...schema, $id }));
  });
  router.get('/api/docs', (_request, response) => {
    response.type('text/html').send(PAGE);
  });
  router.get(`/api/docs/${SCRIPT}`, (_request, response) => {
    response.sendFile(SCRIPT, { root: path.dirname(file) });
  });
  return router;
}
