import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT } from './paths.mjs';

/**
 * A module of the workspaces as one that Node imports: `contents` are what it exports, in TypeScript.
 * @param name what its file in .build is called
 */
export async function bundled(name, contents) {
  // Packages may be installed by who calls this.
  const { build } = await import('esbuild');
  const outfile = path.join(ROOT, `.build/${name}.mjs`);
  await build({
    stdin: { contents, resolveDir: ROOT, loader: 'ts' },
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile,
    logLevel: 'error',
  });
  return import(pathToFileURL(outfile).href);
}
