import { transformFileSync } from '@babel/core';
import lazy from '../babel-lazy';

const index = require.resolve('react-native-web/dist/index.js');

describe('the index of React Native for browsers', () => {
  it('reads what it names when that is asked for, and nothing before', () => {
    const code = transformFileSync(index, { babelrc: false, configFile: false, plugins: [lazy] })?.code ?? '';
    const asked: string[] = [];
    const exports: Record<string, unknown> = {};
    const requires = (from: string) => {
      asked.push(from);
      return { default: `what ${from} has` };
    };
    // What the bundler makes of a module: a function of how to come by others, and what it exports.
    // eslint-disable-next-line @typescript-eslint/no-implied-eval -- The module itself, as it is bundled.
    (new Function('require', 'exports', code) as (require: unknown, exports: unknown) => void)(
      requires,
      exports,
    );
    expect(asked).toEqual([]);
    expect(exports['View']).toBe('what ./exports/View has');
    expect(asked).toEqual(['./exports/View']);
    expect(Object.keys(exports).length).toBeGreaterThan(60);
  });
});
