module.exports = (api) => {
  const forBrowser = api.caller((caller) => caller?.bundler === 'metro');
  return {
    presets: [['babel-preset-expo', { jsxImportSource: 'nativewind' }], 'nativewind/babel'],
    plugins: forBrowser ? [require.resolve('./babel-straight.js'), require.resolve('./babel-lazy.js')] : [],
  };
};
