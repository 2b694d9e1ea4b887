import { mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { ROOT } from './lib/paths.mjs';

/**
 * Writes the types of the application's addresses, as Expo's development server would: a link to a route that is not there
 * is an error of types. Part of `npm run typecheck`.
 */
const require = createRequire(path.join(ROOT, 'app/package.json'));
const { getTypedRoutesDeclarationFile } = require('@expo/router-server/build/typed-routes/generate');

const folder = path.join(ROOT, 'app/src/app');
const files = readdirSync(folder, { recursive: true })
  .filter((file) => /\.tsx?$/.test(file))
  .map((file) => `./${file}`);
const context = Object.assign((file) => ({ default: () => file }), {
  keys: () => files,
  resolve: (file) => file,
  id: '0',
});

const types = path.join(ROOT, 'app/.expo/types');
mkdirSync(types, { recursive: true });
writeFileSync(path.join(types, 'router.d.ts'), getTypedRoutesDeclarationFile(context, {}));
