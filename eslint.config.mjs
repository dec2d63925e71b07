import { readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import tseslint from 'typescript-eslint'
import vue from 'eslint-plugin-vue'
import prettier from 'eslint-config-prettier'

/**
 * The rooms of core/ and what each may take in beside itself, in the order of the flow. A name stands for the
 * room and for the rooms inside it. Whatever is taken in comes through a room's index.
 */
const KERNELS = [
  'units',
  'document',
  'libraries',
  'geometry',
  'printing',
  'mass',
  'aero',
  'structure',
  'toss',
  'power',
  'memo',
]
const DESIGN = [...KERNELS, 'assess', 'assessment', 'change']
const ROOMS = {
  units: [],
  document: ['units'],
  'document/merge': ['units', 'document/schema'],
  'document/schema': ['units', 'document/limits'],
  libraries: ['units', 'document'],
  geometry: ['units', 'document', 'libraries'],
  printing: ['units', 'document', 'libraries', 'geometry', 'memo'],
  'printing/machine-file': ['units', 'document', 'libraries', 'geometry'],
  'printing/machine-check': ['units', 'document', 'libraries', 'geometry'],
  mass: ['units', 'document', 'libraries', 'geometry', 'printing'],
  aero: ['units', 'document', 'libraries', 'geometry'],
  structure: ['units', 'document', 'libraries', 'geometry', 'aero', 'printing', 'memo'],
  toss: ['units'],
  power: ['units', 'geometry', 'aero'],
  demo: ['units', 'document', 'libraries'],
  'assessment/report': KERNELS,
  'assessment/resolve': [...KERNELS, 'assessment/report'],
  'assessment/print': [...KERNELS, 'assessment/report', 'assessment/resolve'],
  'assessment/ledger': [...KERNELS, 'assessment/report', 'assessment/resolve', 'assessment/print'],
  'assessment/flight': [...KERNELS, 'assessment/report', 'assessment/resolve'],
  'assessment/strength': [...KERNELS, 'assessment/report', 'assessment/resolve', 'assessment/flight'],
  'assessment/build': [...KERNELS, 'assessment/report', 'assessment/resolve'],
  'assessment/power': [...KERNELS, 'assessment/report', 'assessment/resolve'],
  'assessment/travel': [...KERNELS, 'assessment/report', 'assessment/resolve'],
  'assessment/findings': [
    ...KERNELS,
    'assessment/report',
    'assessment/resolve',
    'assessment/flight',
    'assessment/power',
    'assessment/build',
  ],
  change: [...KERNELS, 'assess'],
  'workshop/balance': DESIGN,
  'workshop/spine': DESIGN,
  'workshop/print-room': DESIGN,
  'workshop/go-on': [...DESIGN, 'workshop/print-room'],
  'workshop/export': [...DESIGN, 'workshop/print-room'],
  'workshop/advice': DESIGN,
  'workshop/build': [...DESIGN, 'workshop/advice', 'workshop/spine'],
  'workshop/flat': [...DESIGN, 'workshop/build'],
  'workshop/book': [
    ...DESIGN,
    'workshop/advice',
    'workshop/build',
    'workshop/card',
    'workshop/flat',
    'workshop/print-room',
    'workshop/readiness',
    'workshop/spine',
  ],
  'workshop/drawer': DESIGN,
  'workshop/toss': DESIGN,
  'workshop/power': [...DESIGN, 'workshop/advice', 'workshop/toss'],
  'workshop/card': [...DESIGN, 'workshop/advice', 'workshop/balance', 'workshop/power', 'workshop/toss'],
  'workshop/field': [...DESIGN, 'workshop/card', 'workshop/power', 'workshop/readiness'],
  'workshop/track': [...DESIGN, 'workshop/power', 'workshop/toss'],
  'workshop/diagnosis': [...DESIGN, 'workshop/power', 'workshop/toss'],
  'workshop/repair': [...DESIGN, 'workshop/readiness', 'workshop/spine'],
  'workshop/next-mark': [
    ...DESIGN,
    'workshop/balance',
    'workshop/diagnosis',
    'workshop/repair',
    'workshop/spine',
  ],
  'workshop/readiness': [...DESIGN, 'workshop/advice'],
  begin: [...DESIGN, 'workshop/advice', 'workshop/drawer', 'workshop/spine'],
  'begin/layouts': DESIGN,
  'begin/parts': [...DESIGN, 'begin'],
  'study/nudges': DESIGN,
  'study/combinations': DESIGN,
  'study/sizes': DESIGN,
  'study/compared': [...DESIGN, 'study/nudges', 'workshop/balance'],
  // Whole aircraft, meshes and solids for tests: any room may stand behind them.
  testing: [...DESIGN, 'demo', 'workshop', 'study'],
}
/** Folders that only hold rooms, and what gathers them for everybody. */
const HALLS = ['assessment', 'workshop', 'study']

function foldersOf(path, name = '') {
  return readdirSync(path)
    .filter(item => statSync(join(path, item)).isDirectory())
    .flatMap(item => {
      const inner = name ? `${name}/${item}` : item
      return [inner, ...foldersOf(join(path, item), inner)]
    })
}
const stray = foldersOf(join(import.meta.dirname, 'core')).filter(
  name => !(name in ROOMS) && !HALLS.includes(name),
)
if (stray.length) throw new Error(`core/ has folders that no rule names: ${stray.join(', ')}`)

/** The room that an import from `folder` points at, as a pattern over what is written there. */
function outsidePatterns(room, allowed) {
  const up = '../'.repeat(room.split('/').length)
  const hall = room.includes('/') ? room.split('/')[0] : null
  const others = Object.keys(ROOMS).filter(
    name => name !== room && !room.startsWith(`${name}/`) && !name.startsWith(`${room}/`),
  )
  const may = name => allowed.some(item => item === name || name.startsWith(`${item}/`))
  const written = name =>
    hall && name.startsWith(`${hall}/`)
      ? [`${up}${name}`, `${'../'.repeat(room.split('/').length - 1)}${name.slice(hall.length + 1)}`]
      : [`${up}${name}`]
  const escape = text => text.replaceAll('.', '\\.')
  const list = names => names.flatMap(written).map(escape).join('|')
  const barred = others.filter(name => !may(name))
  return [
    {
      regex: `^(${list(others)})/(?!index$).+`,
      message: "Go through the room's index.",
    },
    ...(barred.length
      ? [
          {
            regex: `^(${list(barred)})(/index)?$`,
            message: `core/${room} may take in: ${allowed.join(', ') || 'nothing else'}.`,
          },
        ]
      : []),
    ...(allowed.includes('assess')
      ? []
      : [{ regex: `^(\\.\\./)+assess$`, message: 'Dependencies point towards assess, not from it.' }]),
  ]
}

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
const rooms = Object.keys(ROOMS).filter(name => name !== 'testing')

export default tseslint.config(
  { ignores: ['.nuxt/**', '.output/**', 'node_modules/**', 'reports/**', '.stryker-tmp/**'] },
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
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ConditionalExpression > ConditionalExpression > ConditionalExpression',
          message: 'A chain of three conditions is a small function or a table.',
        },
      ],
    },
  },
  { files: ['scripts/**', 'tests/bench/**'], rules: { 'no-console': 'off' } },
  ...Object.entries(ROOMS).map(([room, allowed]) => ({
    files: [`core/${room}/*.ts`],
    ignores: ['**/*.test.ts', 'core/testing/**'],
    rules: { 'no-restricted-imports': ['error', { patterns: [outside, ...outsidePatterns(room, allowed)] }] },
  })),
  {
    files: ['core/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: [outside] }] },
  },
  {
    files: ['app/**/*.{ts,vue}', 'server/**/*.ts', 'cli/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: `^(\\.\\./)+core/(?!(${[...rooms, 'assess'].join('|')})$)(${HALLS.concat(rooms).join('|')})(/|$)`,
              message: "Go through the room's index.",
            },
          ],
        },
      ],
    },
  },
)
