import js from '@eslint/js';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

// The house: a room imports the ground floor and the rooms that serve many, never another room.
const GROUND = ['quantity', 'field', 'job', 'notes', 'finding', 'facts', 'study'];
// Serving rooms that stand on the ground floor alone, and those that use some of these.
const PLAIN = [
  'circuit',
  'conductors',
  'contacts',
  'cutoff',
  'drawing',
  'insulation',
  'lines',
  'mechanics',
  'parts',
  'rails',
  'reversing',
  'scan',
  'signal',
  'supply',
  'world',
];
const SERVING = ['capture', ...PLAIN, 'panel', 'standin', 'ways'];
const ROOMS = ['wish', 'probe', 'thumb', 'board', 'feed', 'guard', 'sense', 'act', 'routine', 'try', 'pack'];

const forbid = (files, regex, message) => ({
  files,
  ignores: ['**/*.spec.ts'],
  rules: { 'no-restricted-imports': ['error', { patterns: [{ regex, message }] }] },
});
const list = (names) => `(${names.join('|')})`;

const boundaries = [
  forbid(['core/quantity/*.ts'], '^\\.\\./', 'quantity is the lowest stone; it imports nothing of the house'),
  forbid(['core/field/*.ts'], '^\\.\\./(?!quantity$)', 'field stands on quantity alone'),
  forbid(['core/job/**/*.ts'], '^\\.\\./(?!quantity$|field$)', 'job stands on quantity and field'),
  forbid(
    ['core/job/versions/*.ts'],
    '^\\.\\./',
    'a step between versions holds its own values: it must not follow what today begins with',
  ),
  forbid(['core/notes/*.ts'], '^\\.\\./(?!quantity$|job$)', 'notes stand on quantity and job'),
  forbid(['core/finding/*.ts'], '^\\.\\./(?!quantity$|job$)', 'finding stands on quantity and job'),
  forbid(['core/facts/*.ts'], '^\\.\\./(?!quantity$|job$|finding$)', 'facts stand on quantity, job and finding'),
  forbid(['core/study/*.ts'], '^\\.\\./(?!finding$)', 'a study is known by its findings alone'),
  forbid(['core/capture/*.ts'], '^\\.\\./', 'capture reads files and stands on nothing of the house'),
  ...PLAIN.map((room) =>
    forbid(
      [`core/${room}/*.ts`],
      `^\\.\\./(?!${list([...GROUND, 'capture'])}$)`,
      `${room} stands on the ground floor and may read captures`,
    ),
  ),
  forbid(
    ['core/ways/*.ts'],
    `^\\.\\./(?!${list([...GROUND, ...PLAIN])}$)`,
    'ways stand on the ground floor and the plain serving rooms',
  ),
  forbid(
    ['core/panel/*.ts'],
    `^\\.\\./(?!${list([...GROUND, 'lines', 'reversing'])}$)`,
    'panel stands on the ground floor, lines and reversing',
  ),
  forbid(
    ['core/wiring/*.ts'],
    `^\\.\\./(?!${list([...GROUND, 'lines', 'panel', 'parts', 'supply', 'ways'])}$)`,
    'wiring stands on lines, panel, parts, supply and ways; only the roof knows it',
  ),
  forbid(
    ['core/standin/*.ts'],
    `^\\.\\./(?!${list([...GROUND, 'circuit'])}$)`,
    'standin stands on the ground floor and circuit',
  ),
  ...ROOMS.map((room) =>
    forbid(
      [`core/${room}/*.ts`],
      `^\\.\\./(?!${list([...GROUND, ...SERVING])}$)`,
      `${room} may import the ground floor and the serving rooms through their index; nothing of another room`,
    ),
  ),
  forbid(['core/assess.ts'], '^\\./[^/]+/', 'enter a room by its index'),
  ...ROOMS.map((room) =>
    forbid(
      [`app/rooms/${room}/*.ts`],
      `(^\\.\\./(?!\\.\\.)|rooms/(?!${room}/)|\\.\\./shell/|\\.\\./shelf/|core/${list(ROOMS.filter((r) => r !== room))}$)`,
      'a room of the app knows its own files, its own room of the core and those that serve many, the bench, the kit and ui',
    ),
  ),
  forbid(
    ['app/kit/*.ts'],
    '^\\.\\./(?!\\.\\./core/(quantity|field)$)',
    'the kit stands on Material and on what core says of numbers and fields',
  ),
  forbid(['app/ui/*.ts'], '\\.\\./(rooms|shell|shelf)/', 'ui is below the rooms and the frame'),
  forbid(['app/workers/*.ts'], '^\\.\\./(?!\\.\\./core/)', 'a worker knows the core alone'),
  forbid(['app/store/*.ts'], '\\.\\./(rooms|shell|shelf|ui|kit)/', 'the store is below everything that is seen'),
];

export default tseslint.config(
  { ignores: ['dist/', 'node_modules/', '.angular/', 'test-results/', 'playwright-report/'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    files: ['**/*.ts'],
    processor: angular.processInlineTemplates,
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off', // indexes are checked by the compiler's strict settings and by the tests
      '@typescript-eslint/no-invalid-void-type': 'off',
      '@typescript-eslint/no-extraneous-class': 'off', // Angular components may be only their template
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'max-lines': ['error', { max: 320, skipBlankLines: true, skipComments: true }],
      // The formatter leaves long strings and comments alone; nobody reads a line of more than this.
      'max-len': ['error', { code: 140, ignoreUrls: true }],
      eqeqeq: 'error',
    },
  },
  {
    // The core has neither clock nor chance nor a world outside: the same job gives the same answer everywhere.
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.spec.ts', 'core/testing/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: "MemberExpression[object.name='Math'][property.name='random']", message: 'chance is passed in' },
        { selector: "MemberExpression[object.name='Date'][property.name='now']", message: 'the time is passed in' },
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'the time is passed in' },
        { selector: 'ImportDeclaration[source.value=/^node:/]', message: 'the core does no input and no output' },
      ],
      'no-restricted-globals': [
        'error',
        'fetch',
        'setTimeout',
        'setInterval',
        'process',
        'window',
        'document',
        'crypto',
        'performance',
      ],
    },
  },
  { files: ['app/**/*.ts'], extends: [...angular.configs.tsRecommended] },
  {
    files: ['app/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
  },
  {
    // Whatever is typed, chosen, ticked or pressed goes through the kit on Material; only the kit meets the browser's own controls.
    files: ['app/**/*.html'],
    ignores: ['app/kit/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'Element[name=/^(select|textarea|progress|datalist)$/]', message: 'take a field of app/kit' },
        {
          selector: "Element[name='input']:not(:has(TextAttribute[name='matInput']))",
          message: 'take a field of app/kit',
        },
        {
          selector:
            "Element[name='button']:not(:has(TextAttribute[name=/^(matButton|gtRow|mat-menu-item|mat-tab-link)$/]))",
          message: 'take matButton with gtAction, or gtRow',
        },
      ],
    },
  },
  {
    files: ['scripts/**/*.mjs', '*.config.{js,ts}'],
    languageOptions: { globals: { Buffer: 'readonly', process: 'readonly', console: 'readonly', URL: 'readonly' } },
  },
  ...boundaries,
);
