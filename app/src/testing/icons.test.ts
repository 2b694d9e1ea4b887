import { existsSync, readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';

const SOURCES = path.resolve(__dirname, '..');
const ICONS = path.resolve(__dirname, '../../../node_modules/lucide-react-native/dist/esm/icons');

it('every icon that is imported is one of the package: its types know none by name', () => {
  const wanted = readdirSync(SOURCES, { recursive: true })
    .map(String)
    .filter((file) => file.endsWith('.tsx') || file.endsWith('.ts'))
    .flatMap((file) =>
      [
        ...readFileSync(path.join(SOURCES, file), 'utf8').matchAll(
          /'lucide-react-native\/icons\/([a-z0-9-]+)'/g,
        ),
      ].map(([, icon]) => icon ?? ''),
    );
  expect(wanted.length).toBeGreaterThan(20);
  expect(wanted.filter((icon) => !existsSync(path.join(ICONS, `${icon}.mjs`)))).toEqual([]);
});
