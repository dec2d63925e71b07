import tseslint from 'typescript-eslint'
import vue from 'eslint-plugin-vue'
import prettier from 'eslint-config-prettier'

/** What a folder of core/ may take in, beside itself; everything goes through the folder's index. */
const LAYERS = {
  units: [],
  document: ['units'],
  libraries: ['units', 'document'],
  geometry: ['units', 'document', 'libraries'],
  printing: ['units', 'document', 'libraries', 'geometry'],
  mass: ['units', 'document', 'libraries', 'geometry', 'printing'],
  aero: ['units', 'document', 'libraries', 'geometry'],
  structure: ['units', 'document', 'libraries', 'geometry', 'aero', 'printing'],
  demo: ['units', 'document', 'libraries'],
}
const all = [...Object.keys(LAYERS), 'assessment', 'workshop', 'study']
const outside = {
  group: [
    'vue',
    'vue/*',
    'nuxt',
    'nuxt/*',
    '#*',
    'pinia',
    'vuetify',
    'vuetify/*',
    'node:*',
    'fs',
    'path',
    'comlink',
    'dexie',
    '**/app/**',
    '**/server/**',
    '**/cli/**',
    '~/*',
  ],
  message: 'core/ is plain TypeScript: no interface, no DOM, no Node.',
}
const deep = {
  regex: `^(\\.\\./)+(core/)?(${all.filter(name => name !== 'assessment').join('|')})/(?!index$).+`,
  message: "Go through the folder's index.",
}

export default tseslint.config(
  { ignores: ['.nuxt/**', '.output/**', 'node_modules/**', 'scripts/*.tmp.ts'] },
  ...tseslint.configs.recommended,
  ...vue.configs['flat/recommended'],
  prettier,
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: tseslint.parser } } },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/require-default-prop': 'off',
      'vue/one-component-per-file': 'off',
      'vue/attributes-order': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-undef': 'off',
      'no-console': 'error',
      eqeqeq: 'error',
    },
  },
  { files: ['scripts/**', 'tests/bench/**'], rules: { 'no-console': 'off' } },
  ...Object.entries(LAYERS).map(([folder, allowed]) => ({
    files: [`core/${folder}/**/*.ts`],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            outside,
            deep,
            {
              regex: `^\\.\\./(${all.filter(name => name !== folder && !allowed.includes(name)).join('|')})(/|$)`,
              message: `core/${folder} may take in: ${allowed.join(', ') || 'nothing else'}.`,
            },
            { regex: '^\\.\\./assess$', message: 'Dependencies point towards assess, not from it.' },
          ],
        },
      ],
    },
  })),
  {
    files: ['core/*.ts', 'core/assessment/**/*.ts', 'core/workshop/**/*.ts', 'core/study/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: [outside, deep] }] },
  },
  {
    files: ['app/**/*.{ts,vue}', 'server/**/*.ts', 'cli/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { regex: `^(\\.\\./)+core/(${all.join('|')})/.+`, message: "Go through the folder's index." },
          ],
        },
      ],
    },
  },
)
