const { createHash } = require('node:crypto');
const { readFileSync } = require('node:fs');
const { transformSync, version } = require('esbuild');

const LOADERS = { ts: 'ts', js: 'js', mjs: 'js' };
const own = readFileSync(__filename);

/** Jest's transform for what needs no Babel (core, contract, server, docs): types away, modules as Node requires them. */
module.exports = {
  getCacheKey: (source, file, { instrument }) =>
    createHash('sha256')
      .update(own)
      .update(version)
      .update(`${file}\0${instrument}\0`)
      .update(source)
      .digest('hex'),
  process(source, file) {
    const { code, map } = transformSync(source, {
      loader: LOADERS[file.split('.').pop()],
      format: 'cjs',
      target: 'node20',
      sourcefile: file,
      sourcemap: 'external',
      supported: { 'dynamic-import': false },
    });
    return { code, map };
  },
};
