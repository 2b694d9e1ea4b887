const { createHash } = require('node:crypto');
const { readFileSync, readdirSync } = require('node:fs');
const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);

const beside = (file) => path.join(__dirname, file);
const ZOD_UNUSED =
  /(compile|from-json-schema|to-json-schema|json-schema-processors|json-schema-generator)\.js$/;

/**
 * What is loaded instead of a module: what the script of the first load does without, and what the policy of the page forbids. Zod's index brings forty
 * languages and a schema compiler along, and the index of uuid every version of the standard.
 */
function lighter(moduleName, from) {
  if (/[\\/]node_modules[\\/]zod[\\/]/.test(from)) {
    if (moduleName === '../locales/index.js') return beside('zod-locales.js');
    if (ZOD_UNUSED.test(moduleName)) return beside('zod-unused.js');
  }
  if (moduleName === 'zod') return beside('zod-without-eval.js');
  if (moduleName === 'uuid') return beside('uuid-v7.js');
  if (moduleName === './lib/v35' && /[\\/]expo-modules-core[\\/]/.test(from)) return beside('uuid-unused.js');
  return undefined;
}

/** Files of the router that no screen of ours uses: a third of it. */
const ROUTER_UNUSED = new RegExp(
  [
    'fork/native-stack/',
    'react-navigation/(elements|bottom-tabs|native-stack)/',
    'layouts/(stack-utils|experimental-stack)/',
    'screensFeatureFlags\\.js',
    'native-tabs/',
    'views/Sitemap\\.js',
    'head/ExpoHead\\.js',
  ]
    .map((part) => `/expo-router/build/${part}`)
    .join('|'),
);

/** Files of packages, and what is loaded instead of them. */
const INSTEAD = [
  [ROUTER_UNUSED, 'router-unused.js'],
  [/\/react-native-css-interop\/dist\/runtime\/components\.js$/, 'nativewind-components.js'],
  [
    /\/react-native-safe-area-context\/lib\/module\/NativeSafeAreaProvider\.web\.js$/,
    'safe-area-unmeasured.js',
  ],
];

config.resolver.resolveRequest = (context, moduleName, platform) => {
  const sourceFile = (filePath) => ({ type: 'sourceFile', filePath });
  const instead = lighter(moduleName, context.originModulePath);
  if (instead) return sourceFile(instead);
  const found = context.resolveRequest(context, moduleName, platform);
  if (found.type !== 'sourceFile') return found;
  const file = found.filePath.replaceAll(path.sep, '/');
  const [, other] = INSTEAD.find(([which]) => which.test(file)) ?? [];
  return other ? sourceFile(beside(other)) : found;
};

/** What imports go by (`babel-straight.js`) is not in the files that import: where it changes, all of them are read anew. */
function whatIndexesSay() {
  const hash = createHash('sha256');
  // Indexes of the core export modules whole: what those have counts there.
  const counts = { src: /index\.tsx?$/, '../contract/src': /index\.ts$/, '../core/src': /\.ts$/ };
  for (const [root, which] of Object.entries(counts))
    for (const file of readdirSync(beside(root), { recursive: true }).sort())
      if (which.test(file)) hash.update(file).update(readFileSync(beside(path.join(root, file))));
  for (const plugin of ['babel-straight.js', 'babel-lazy.js']) hash.update(readFileSync(beside(plugin)));
  return hash.digest('hex');
}
config.cacheVersion = whatIndexesSay();

/** Modules that compute: they name what they use once, not each time they use it. */
const core = path.join(__dirname, '../core/src');
const computing = readdirSync(core, { recursive: true }).map((file) => [path.join(core, file), true]);

// Any other module runs when it is first used, not when a module that names it is read: most of the first load waits.
config.transformer.getTransformOptions = () =>
  Promise.resolve({
    transform: {
      experimentalImportSupport: true,
      inlineRequires: { blockList: Object.fromEntries(computing) },
      nonInlinedRequires: ['react', 'react-native', 'react/jsx-runtime', 'nativewind/jsx-runtime'],
    },
  });

module.exports = withNativeWind(config, { input: './global.css' });
