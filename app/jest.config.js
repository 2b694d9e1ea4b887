const path = require('node:path');

module.exports = {
  displayName: 'app',
  preset: 'jest-expo',
  setupFiles: [path.join(__dirname, '../jest.setup.js')],
  testMatch: ['<rootDir>/src/**/*.test.{ts,tsx}'],
  transform: {
    '\\.[jt]sx?$': ['babel-jest', { configFile: path.join(__dirname, 'babel.config.js') }],
    '\\.mjs$': 'babel-jest',
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(.pnpm|react-native|@react-native|@react-native-community|expo|@expo|@expo-google-fonts|react-navigation|@react-navigation|standard-navigation|@fine-spray|nativewind|react-native-css-interop|lucide-react-native|react-native-svg|uuid|fast-check|pure-rand|d3-[a-z-]+|internmap|idb|fake-indexeddb|ics|nanoid|runes2|yup)[^/]*)',
  ],
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    '\\.css$': '<rootDir>/src/testing/empty.js',
    '^lucide-react-native/icons/(.*)$': path.join(
      __dirname,
      '../node_modules/lucide-react-native/dist/cjs/icons/$1.js',
    ),
  },
};
