import js from '@eslint/js';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import importX from 'eslint-plugin-import-x';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Imports run one way: core <- contract <- server, app; routes <- features <- ui, data. */
const restrict = (patterns) => ({ 'no-restricted-imports': ['error', { patterns }] });
const upward = (group, message) => ({ group, message });
const LUCIDE = {
  regex: '^lucide-react-native$',
  allowTypeImports: true,
  message: 'Import one icon by its deep path: the root brings all of them.',
};

/** What is in the first load takes parts of the core, not all of it: the bundler does not drop what is unused. */
const WHOLE_CORE = {
  regex: '^@fine-spray/core$',
  message: 'This is in the first load: import the part of the core it needs, such as @fine-spray/core/units.',
};

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      '.build/**',
      'app/.expo/**',
      'app/public/**',
      'bench/empty-app/**',
      '**/*.d.ts',
    ],
  },
  js.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    extends: [...tseslint.configs.strictTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-confusing-void-expression': 'off',
      '@typescript-eslint/no-unnecessary-condition': 'off',
      // Branding a number or naming a schema's type takes a parameter that is used once.
      '@typescript-eslint/no-unnecessary-type-parameters': 'off',
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  {
    // Nothing is imported in a circle, types included: what stands below never knows what stands on it.
    files: ['{core,contract,server,app}/src/**/*.{ts,tsx}'],
    plugins: { 'import-x': importX },
    settings: {
      'import-x/extensions': ['.ts', '.tsx'],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts', '.tsx'] },
      'import-x/external-module-folders': ['node_modules'],
      'import-x/resolver-next': [createTypeScriptImportResolver({ project: 'app/tsconfig.json' })],
    },
    rules: { 'import-x/no-cycle': ['error', { ignoreExternal: true }] },
  },
  {
    files: ['core/src/**/*.ts'],
    rules: {
      ...restrict([
        upward(['@fine-spray/*'], 'The core stands on nothing of ours.'),
        upward(
          ['react', 'react-*', 'node:*', 'knex', 'pg', 'express', 'zod'],
          'The core has no interface, no Node, no database.',
        ),
      ]),
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'Date',
        'performance',
        'setTimeout',
        'fetch',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Randomness is passed in.' },
      ],
    },
  },
  {
    files: ['contract/src/**/*.ts'],
    rules: restrict([
      upward(
        ['@fine-spray/server', '@fine-spray/app', 'react*', 'express', 'knex', 'node:*'],
        'The contract stands on the core alone.',
      ),
      WHOLE_CORE,
    ]),
  },
  {
    files: ['server/src/**/*.ts'],
    rules: restrict([
      upward(['@fine-spray/app', 'react*', 'expo*'], 'The server does not know the application.'),
    ]),
  },
  {
    files: ['app/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      '@typescript-eslint/no-restricted-imports': ['error', { patterns: [LUCIDE] }],
      ...restrict([
        upward(
          ['@fine-spray/server', '@fine-spray/contract/openapi', '@fine-spray/contract/jobSchema'],
          'The application speaks to the server over the API.',
        ),
        upward(['@/features/*/*'], 'Features know each other by their index only.'),
        upward(['@/app/*'], 'Nothing imports a route.'),
      ]),
    },
  },
  {
    // One person in twelve does not tell some colours apart, and paint covers screens: what is said is told by words and form.
    files: ['{app,core,contract}/src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...['Literal[value=', 'TemplateElement[value.raw=', 'JSXText[value='].map((start) => ({
          selector: `${start}/\\b(red|green|yellow|amber|blue|purple|pink)\\b/i]`,
          message: 'Nothing is said by a colour: say what it is, what it means, or what to do.',
        })),
      ],
    },
  },
  {
    files: ['contract/src/index.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ExportAllDeclaration',
          message:
            'Name what is exported: to export all of a file is to make all of its schemas, which a slow phone waits for.',
        },
      ],
    },
  },
  {
    // In svg, x and y are attributes of text and shapes, not deprecated styles.
    files: [
      'app/src/features/setup/{Scene,FilmSection}.tsx',
      'app/src/features/buy/Curve.tsx',
      'app/src/features/days/BoardView.tsx',
      'app/src/features/dialin/PatternTile.tsx',
      'app/src/features/line/ProfileChart.tsx',
      'app/src/features/paint/ViscosityChart.tsx',
      'app/src/features/procedure/{MachinePicture,FinishPicture,TroublePicture}.tsx',
      'app/src/features/place/{PlanDrawing,DrawPad}.tsx',
      'app/src/features/today/Rail.tsx',
      'app/src/features/passing/PassPicture.tsx',
      'app/src/features/practice/ShownPicture.tsx',
      'app/src/features/passing/TimeLine.tsx',
      'app/src/features/stands/ReachDrawing.tsx',
      'app/src/features/wear/FanChart.tsx',
    ],
    rules: { '@typescript-eslint/no-deprecated': 'off' },
  },
  {
    files: ['app/src/ui/**/*.{ts,tsx}', 'app/src/data/**/*.{ts,tsx}'],
    rules: restrict([
      upward(['@/features/*', '@/app/*'], 'ui and data stand below the features.'),
      WHOLE_CORE,
    ]),
  },
  {
    files: ['app/src/features/{home,emergency}/*.{ts,tsx}', 'app/src/features/screens.tsx'],
    rules: restrict([
      upward(['@/features/*/*', '@/app/*'], 'Features know each other by their index only.'),
      WHOLE_CORE,
    ]),
  },
  {
    // The contract's tests read the demo files.
    files: ['contract/src/**/*.test.ts', 'contract/src/testing/*.ts'],
    rules: { 'no-restricted-imports': 'off' },
  },
  {
    files: ['**/*.{js,mjs,cjs}'],
    extends: [tseslint.configs.disableTypeChecked],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        module: 'writable',
        require: 'readonly',
        __dirname: 'readonly',
        __filename: 'readonly',
        globalThis: 'readonly',
        jest: 'readonly',
        URL: 'readonly',
        setTimeout: 'readonly',
        fetch: 'readonly',
        performance: 'readonly',
        Buffer: 'readonly',
        window: 'readonly',
        document: 'readonly',
        clearTimeout: 'readonly',
        setInterval: 'readonly',
        clearInterval: 'readonly',
        AbortSignal: 'readonly',
      },
    },
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
);
