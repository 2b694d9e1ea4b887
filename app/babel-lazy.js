/**
 * The index of React Native for browsers reads what it names when it is asked for it, not all of it when somebody asks for one: packages
 * that take a few things from it would have a slow phone read a hundred modules before the first picture.
 */
const INDEX = /[\\/]react-native-web[\\/]dist[\\/]index\.js$/;

module.exports = ({ types: t, template }) => {
  const head = template.statement("Object.defineProperty(exports, '__esModule', { value: true });");
  const getter = template.statement(
    'Object.defineProperty(exports, NAME, { enumerable: true, get: () => require(FROM).IMPORTED });',
  );
  return {
    name: 'lazy',
    visitor: {
      Program(program, { filename }) {
        if (!filename || !INDEX.test(filename)) return;
        const getters = program.node.body.flatMap((one) => {
          if (one.type !== 'ExportNamedDeclaration' || !one.source)
            throw new Error(`${filename} does more than pass on what others export`);
          return one.specifiers.map(({ local, exported }) =>
            getter({
              NAME: t.stringLiteral(exported.name),
              FROM: t.stringLiteral(one.source.value),
              IMPORTED: t.identifier(local.name),
            }),
          );
        });
        program.node.body = [head(), ...getters];
      },
    },
  };
};
