const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);
const ENGLISH_ONLY = path.join(__dirname, 'zod-locales.js');

// Zod's index brings forty languages along; our sentences are in the schemas, so English is enough.
config.resolver.resolveRequest = (context, moduleName, platform) => {
  if (moduleName === '../locales/index.js' && /[\\/]zod[\\/]/.test(context.originModulePath)) {
    return { type: 'sourceFile', filePath: ENGLISH_ONLY };
  }
  return context.resolveRequest(context, moduleName, platform);
};

module.exports = withNativeWind(config, { input: './global.css' });
