const plain = (name, extra = {}) => ({
  displayName: name,
  rootDir: `${__dirname}/${name}`,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  setupFiles: [`${__dirname}/jest.setup.js`],
  transform: { '\\.(ts|js|mjs)$': `${__dirname}/scripts/jest/esbuild.cjs` },
  transformIgnorePatterns: ['/node_modules/(?!@fine-spray/|fast-check|pure-rand|uuid)'],
  ...extra,
});

module.exports = {
  projects: [
    plain('core'),
    plain('docs', { testMatch: ['<rootDir>/*.test.ts'] }),
    plain('contract'),
    plain('server', {
      globalSetup: '<rootDir>/jest.global.cjs',
      globalTeardown: '<rootDir>/jest.teardown.cjs',
    }),
    '<rootDir>/app',
  ],
};
