import vue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'
import { drawn } from './eslint.native-controls.mjs'

/** Drawings that the borrower's page shows too: it says its own words in its own languages. */
const spokenByBorrowers = ['CellDrawing', 'PeepholePicture', 'PencilMark', 'StepDrawing', 'MiddleOfView'].map(
  (name) => `web/src/shared/drawings/${name}.vue`,
)
const signs = [
  ...'·–—−+×±≈→←↑↓●○✓…:;,.()[]/|%°′″“”‘’&?#0123456789',
  '≡',
  'mm',
  'kg',
  'cm',
  'g',
  'm',
  'h',
  's',
  'f',
  'N',
  'S',
  'E',
  'W',
  'PDF',
]

/** Days and hours in one place. */
const saidByDates = [
  ...['toLocaleDateString', 'toLocaleTimeString'].map((name) => ({
    selector: `CallExpression[callee.property.name="${name}"]`,
    message: 'Days and hours are said by shared/dates.ts, in the branch’s own zone.',
  })),
  {
    selector: 'MemberExpression[object.name="Intl"][property.name="DateTimeFormat"]',
    message: 'Days and hours are said by shared/dates.ts, in the branch’s own zone.',
  },
]
/** Four words and more in a row are a sentence for somebody; an Error's are for whoever reads the log. */
const sentences = ['Literal[value=/', 'TemplateLiteral > TemplateElement[value.raw=/'].map((node) => ({
  selector: `:not(NewExpression) > ${node}(^|[^-:.\\[\\w])(?!binoculum)[A-Za-z’]{2,} [a-z’]{2,} [a-z’]{2,} [a-z’]{2,}/]`,
  message: 'What a room says stands in its words.en.ts, and is taken from there by its key.',
}))

export default tseslint.config(
  { ignores: ['**/dist/**', '**/dist-server/**', '.data/**', '.cache/**', 'web/components.d.ts', 'e2e/results/**'] },
  ...tseslint.configs.recommended,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: tseslint.parser, extraFileExtensions: ['.vue'] } },
  },
  // What a tool loads with `require`.
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
  {
    rules: {
      eqeqeq: 'error',
      'no-eval': 'error',
      'no-implied-eval': 'error',
      'no-new-func': 'error',
      'vue/no-v-html': 'error',
      'no-restricted-syntax': [
        'error',
        { selector: 'ThrowStatement > Literal', message: 'Throw an Error with name and value, never a string.' },
        { selector: 'ExportAllDeclaration', message: 'An index lists its names.' },
      ],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      // Prettier owns the layout.
      'vue/html-indent': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/multi-word-component-names': 'off',
      'vue/require-default-prop': 'off',
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/src/testing/**'],
    rules: {
      'no-restricted-globals': ['error', 'process', 'window', 'document', 'console', 'fetch'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Core has no randomness of its own.' },
        { object: 'Date', property: 'now', message: 'Core has no clock: pass the instant in.' },
      ],
    },
  },
  {
    // One type check for pages and their tests knows the names of both; a page has neither.
    files: ['web/src/**/*.{ts,vue}'],
    ignores: ['**/*.test.ts', 'web/src/testing/**'],
    rules: {
      'no-restricted-globals': [
        'error',
        ...['process', 'Buffer', 'require', 'global', 'describe', 'it', 'test', 'expect', 'jest'],
      ],
      'no-restricted-imports': ['error', { patterns: ['node:*', '@jest/*'] }],
    },
  },
  {
    files: ['e2e/**/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...['Literal', 'TemplateElement'].map((text) => ({
          // A dot that begins a class, not one inside an attribute's value.
          selector: `CallExpression[callee.property.name=/^(locator|waitForSelector)$/] > ${text}[value=/(^|[\\s>])[a-z0-9-]*\\.[a-z]/]`,
          message: 'A class says how a thing looks: find it by role and name, or by what it stands for.',
        })),
      ],
    },
  },
  {
    files: ['web/src/areas/**/*.vue'],
    ignores: Object.keys(drawn),
    rules: {
      'vue/no-restricted-html-elements': [
        'error',
        ...['button', 'input', 'select', 'textarea', 'table', 'dialog'].map((element) => ({
          element,
          message: `Rooms use the library’s controls, not <${element}>: see eslint.native-controls.mjs.`,
        })),
      ],
    },
  },
  {
    // What a room says stands in its `words.en.ts`: here only names, signs and units.
    files: ['web/src/areas/**/*.vue', 'web/src/shared/**/*.vue'],
    ignores: spokenByBorrowers,
    rules: {
      'vue/no-bare-strings-in-template': [
        'error',
        {
          allowlist: signs,
          attributes: {
            '/.+/': ['title', 'aria-label', 'placeholder', 'alt', 'label', 'description', 'content', 'text', 'words'],
          },
          directives: [],
        },
      ],
    },
  },
  {
    files: ['web/src/**/*.{ts,vue}'],
    ignores: ['web/src/shared/dates.ts', 'web/src/**/*.test.ts'],
    rules: {
      'no-restricted-syntax': ['error', ...saidByDates],
    },
  },
  {
    files: ['web/src/areas/**/*.{ts,vue}', 'web/src/shared/**/*.{ts,vue}'],
    ignores: ['web/src/shared/dates.ts', '**/words.en.ts', '**/*.test.ts', ...spokenByBorrowers],
    rules: {
      'no-restricted-syntax': ['error', ...saidByDates, ...sentences],
      'vue/no-restricted-syntax': ['error', ...sentences],
    },
  },
)
