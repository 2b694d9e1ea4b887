import { parseSync, traverse } from '@babel/core';
import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';

const SRC = __dirname;
const screens = readdirSync(SRC, { recursive: true })
  .map(String)
  .filter((file) => /\.tsx$/.test(file) && !/\.test\.tsx$/.test(file));

const REGISTERED = /\b(?:cssInterop|remapProps)\((\w+),/g;
const inList = readFileSync(path.join(SRC, '../nativewind-components.js'), 'utf8');

/** Components that a file registers itself. */
const registeredIn = (code: string) => [...code.matchAll(REGISTERED)].map(([, name = '']) => name);

/** Components of React Native that a file gives classes to. */
function classedIn(file: string, code: string): readonly string[] {
  const tree = parseSync(code, {
    filename: file,
    babelrc: false,
    configFile: false,
    parserOpts: { plugins: ['typescript', 'jsx'] },
  });
  if (!tree) throw new Error(`${file} cannot be read`);
  const native = new Set<string>();
  const classed = new Set<string>();
  traverse(tree, {
    ImportDeclaration({ node }) {
      if (node.source.value === 'react-native')
        for (const { local } of node.specifiers) native.add(local.name);
    },
    JSXOpeningElement({ node: { name, attributes } }) {
      const classes = attributes.some(
        (one) =>
          one.type === 'JSXAttribute' &&
          typeof one.name.name === 'string' &&
          /(^c|C)lassName$/.test(one.name.name),
      );
      if (classes && name.type === 'JSXIdentifier' && native.has(name.name)) classed.add(name.name);
    },
  });
  return [...classed];
}

describe('components of React Native that are given classes', () => {
  const [, listed = ''] = /for \(const component of \[([^\]]*)\]\)/.exec(inList) ?? [];
  const everywhere = new Set([...listed.split(',').map((name) => name.trim()), ...registeredIn(inList)]);

  it('are the ones that take them', () => {
    const found = screens.flatMap((file) => {
      const code = readFileSync(path.join(SRC, file), 'utf8');
      const here = new Set(registeredIn(code));
      return classedIn(file, code).map((name) => ({
        file,
        name,
        takes: everywhere.has(name) || here.has(name),
      }));
    });
    expect(found.filter(({ takes }) => !takes)).toEqual([]);
    // What is looked for is found at all.
    expect(new Set(found.map(({ name }) => name))).toEqual(
      new Set(['FlatList', 'Image', 'Pressable', 'ScrollView', 'Text', 'TextInput', 'View']),
    );
  });
});
