import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

// A time that is somebody else's carries its zone: only the two modules that say whose clock it is form one.
const WHOSE = 'A time is formed in api/time.ts (or review/times.ts), which names its zone when it is not the reader’s.'
const TIMES = [
  'NewExpression[callee.object.name="Intl"][callee.property.name="DateTimeFormat"] Property[key.name=/^(hour|minute|second|timeStyle)$/]',
  'CallExpression[callee.property.name=/^(toLocaleString|toLocaleTimeString|toTimeString)$/]',
].map((selector) => ({ selector, message: WHOSE }))

export default ts.config(
  { ignores: ['dist/**', 'node_modules/**', 'src/api/schema.ts'] },
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    rules: {
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-indent': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/require-default-prop': 'off',
      'vue/first-attribute-linebreak': 'off',
      'no-restricted-syntax': ['error', ...TIMES],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  { files: ['src/api/time.ts', 'src/review/times.ts'], rules: { 'no-restricted-syntax': 'off' } },
)
