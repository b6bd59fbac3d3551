import js from '@eslint/js';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';
import house from './eslint/house-law.js';

export default tseslint.config(
  { ignores: ['dist/', 'node_modules/', '.angular/', 'test-results/', 'playwright-report/'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    files: ['**/*.ts'],
    processor: angular.processInlineTemplates,
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off', // tests say what they expect to be there
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
      // What is longer or branches more says beside it why.
      complexity: ['error', 15],
      // What must be there is read through ground/lists, which says where it is missed.
      '@typescript-eslint/no-non-null-assertion': 'error',
      'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }],
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
  {
    // Lists of numbers in innermost loops are read bare: a reader there costs the tests, which run module by module, twice their time.
    files: [
      'core/engines/world/{run,controller,contacts,parts,happen,search,monitors,hands,order,rules,tiers,loops,modes}.ts',
      'core/engines/apart/ways.ts',
      'core/engines/circuit/linear.ts',
      'core/engines/net/eliminate.ts',
      'core/engines/trace/{cells,read,plain-rows,samples,levels,runs,energy,columns}.ts',
      'core/rooms/probe/inference/{posterior,information,supply,grid-estimate,particles,remainder}.ts',
      'core/rooms/feed/network.ts',
    ],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
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
    files: ['scripts/**/*.mjs', 'eslint/*.js', '*.config.{js,ts}'],
    languageOptions: { globals: { Buffer: 'readonly', process: 'readonly', console: 'readonly', URL: 'readonly' } },
  },
  { files: ['core/**/*.ts', 'app/**/*.ts'], plugins: { house }, rules: { 'house/imports': 'error' } },
);
