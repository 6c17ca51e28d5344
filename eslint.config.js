import js from '@eslint/js'
import boundaries from 'eslint-plugin-boundaries'
import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

/** Imports go app → core and server → nothing of the others; the drawing and the kit know no screen. */
const rooms = [
  { type: 'core', pattern: 'core' },
  { type: 'screens', pattern: 'app/screens' },
  { type: 'drawing', pattern: 'app/drawing' },
  { type: 'store', pattern: 'app/store' },
  { type: 'ui', pattern: 'app/ui' },
  { type: 'words', pattern: 'app/words' },
  { type: 'workers', pattern: 'app/workers' },
  { type: 'instruments', pattern: 'app/instruments' },
  { type: 'server', pattern: 'server' },
  { type: 'e2e', pattern: 'e2e' },
]

const mayImport = (from, to) => ({
  from: { element: { type: from } },
  allow: { to: { element: { type: to } } },
})

export default tseslint.config(
  { ignores: ['dist', 'build', 'node_modules', 'test-results', '.cache'] },
  js.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    extends: [tseslint.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    plugins: { boundaries, 'react-hooks': reactHooks },
    settings: {
      'boundaries/elements': rooms,
      'import/resolver': { node: { extensions: ['.ts', '.tsx'] } },
    },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', argsIgnorePattern: '^_' }],
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          policies: [
            mayImport('core', ['core']),
            mayImport('workers', ['core', 'store']),
            mayImport('store', ['core', 'store', 'workers']),
            mayImport('instruments', ['core', 'instruments']),
            mayImport('ui', ['core', 'store', 'instruments', 'words', 'ui']),
            mayImport('words', ['core', 'store', 'ui', 'words']),
            mayImport('drawing', ['core', 'ui', 'words', 'drawing']),
            mayImport('screens', ['core', 'store', 'ui', 'words', 'drawing', 'screens']),
            mayImport('server', ['server']),
            mayImport('e2e', ['e2e']),
          ],
        },
      ],
    },
  },
  {
    files: ['**/*.test.{ts,tsx}', 'e2e/**/*.ts'],
    rules: {
      // Matchers are any, and pages are taken apart on purpose.
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/unbound-method': 'off',
    },
  },
  {
    files: ['**/*.{js,mjs}'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        document: 'readonly',
        setTimeout: 'readonly',
        performance: 'readonly',
        fetch: 'readonly',
        KeyboardEvent: 'readonly',
        requestAnimationFrame: 'readonly',
      },
    },
  },
)
