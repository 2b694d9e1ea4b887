const { existsSync, readFileSync, statSync } = require('node:fs');
const path = require('node:path');
const { parseSync } = require('@babel/core');

/**
 * An import by way of an index goes straight to the module that has what is imported. The bundler takes a module whole: whoever imported
 * one name of an index would carry along all that the index names, and every chunk and every worker would be nearly the whole program.
 */
const SRC = path.join(__dirname, 'src');
const PACKAGES = path.join(__dirname, '..');

const isFile = (at) => existsSync(at) && statSync(at).isFile();
const asFile = (at) => [at, `${at}.ts`, `${at}.tsx`, `${at}/index.ts`, `${at}/index.tsx`].find(isFile);

const exportsOfPackage = new Map();
/** Where a subpath of one of our packages lies, by its `exports`. */
function inPackage(name, under) {
  const known =
    exportsOfPackage.get(name) ??
    JSON.parse(readFileSync(path.join(PACKAGES, name, 'package.json'), 'utf8')).exports;
  exportsOfPackage.set(name, known);
  const to = known[under] ?? known['./*']?.replace('*', under.slice(2));
  return to && asFile(path.join(PACKAGES, name, to));
}

/** The file of ours that an import names; nothing for what is not ours. */
function fileOf(specifier, from) {
  if (specifier.startsWith('.')) return asFile(path.resolve(path.dirname(from), specifier));
  if (specifier.startsWith('@/')) return asFile(path.join(SRC, specifier.slice(2)));
  const [, name, rest] = /^@fine-spray\/([^/]+)(\/.*)?$/.exec(specifier) ?? [];
  return name && inPackage(name, `.${rest ?? ''}`);
}

const exportsRead = new Map();

/** What a module exports: names of its own, names of others with where they are from, and modules it exports whole. */
function exportsOf(file) {
  const known = exportsRead.get(file);
  if (known) return known;
  const own = new Set();
  const others = new Map();
  const whole = [];
  const { program } = parseSync(readFileSync(file, 'utf8'), {
    filename: file,
    babelrc: false,
    configFile: false,
    parserOpts: { plugins: ['typescript', ...(file.endsWith('x') ? ['jsx'] : [])] },
  });
  let bare = true;
  for (const one of program.body) {
    if (one.type === 'ExportAllDeclaration') whole.push(fileOf(one.source.value, file));
    else if (one.type !== 'ExportNamedDeclaration') bare = false;
    else if (one.source) {
      const from = fileOf(one.source.value, file);
      for (const { local, exported } of one.specifiers)
        others.set(exported.name, { file: from, name: local.name });
    } else {
      bare = false;
      const { declaration } = one;
      for (const { id } of declaration?.declarations ?? (declaration ? [declaration] : []))
        if (id?.name) own.add(id.name);
      for (const { exported } of one.specifiers) own.add(exported.name);
    }
  }
  const found = { own, others, whole, bare };
  exportsRead.set(file, found);
  return found;
}

/** The module that has a name, and what it is called there; nothing where that cannot be told. */
function homeOf(file, name) {
  if (!file) return undefined;
  const { own, others, whole } = exportsOf(file);
  if (own.has(name)) return { file, name };
  const other = others.get(name);
  if (other) return homeOf(other.file, other.name) ?? (other.file ? other : undefined);
  for (const one of whole) {
    const home = homeOf(one, name);
    if (home) return home;
  }
  return undefined;
}

/** Whether a module does nothing but pass on what others export. */
const isIndex = (file) => /[\\/]index\.tsx?$/.test(file) && exportsOf(file).bare;

module.exports = ({ types: t }) => ({
  name: 'straight',
  pre({ opts, path: program }) {
    const from = opts.filename;
    if (!from || from.includes('node_modules')) return;
    const body = program.node.body.flatMap((one) => {
      if (one.type !== 'ImportDeclaration' || one.importKind === 'type' || one.specifiers.length === 0)
        return one;
      const file = fileOf(one.source.value, from);
      if (!file || !isIndex(file)) return one;
      const straight = new Map();
      const left = [];
      for (const specifier of one.specifiers) {
        const home =
          specifier.type === 'ImportSpecifier' && specifier.importKind !== 'type'
            ? homeOf(file, specifier.imported.name)
            : undefined;
        if (!home || home.file === file) left.push(specifier);
        else
          straight.set(home.file, [...(straight.get(home.file) ?? []), { ...home, local: specifier.local }]);
      }
      const types = left.every(({ importKind }) => importKind === 'type');
      return [
        ...(left.length > 0 && !types ? [t.importDeclaration(left, one.source)] : []),
        ...[...straight].map(([home, names]) => {
          const way = path.relative(path.dirname(from), home).split(path.sep).join('/');
          return t.importDeclaration(
            names.map(({ local, name }) => t.importSpecifier(local, t.identifier(name))),
            t.stringLiteral(way.startsWith('.') ? way : `./${way}`),
          );
        }),
      ];
    });
    program.node.body = body;
    program.scope.crawl();
  },
});

module.exports.exportsOf = exportsOf;
module.exports.homeOf = homeOf;
module.exports.isIndex = isIndex;
