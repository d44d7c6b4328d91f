import withNuxt from './.nuxt/eslint.config.mjs'

// the configuration's own tools expect a function that Node 20 does not have yet
Object.groupBy ??= (items, keyOf) => {
  const groups = {}
  for (const item of items) (groups[keyOf(item)] ??= []).push(item)
  return groups
}

const outside = (names, message) => ({ 'no-restricted-imports': ['error', { patterns: [{ group: names, message }] }] })

export default withNuxt(
  { ignores: ['.test-data/**', '.data/**', '.data-empty/**'] },
  {
    rules: {
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/multi-word-component-names': 'off',
      'vue/attributes-order': 'off',
      'vue/require-default-prop': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/no-multiple-template-root': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/unified-signatures': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts'],
    rules: outside(
      [
        '**/app/**',
        '**/server/**',
        '**/shared/**',
        '**/demo/**',
        '**/standins/**',
        'vue',
        'nuxt*',
        '#*',
        'h3',
        'mysql2*',
        'pinia',
        'primevue*',
        'yup',
      ],
      'The core knows no one: it imports nothing but itself and small maths or date packages.',
    ),
  },
  {
    files: ['standins/**/*.ts', 'demo/**/*.ts'],
    rules: outside(['**/app/**', 'vue', 'nuxt*'], 'The outside does not know the pages.'),
  },
  {
    files: ['app/**/*.{ts,vue}'],
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['mysql2*', '**/db/pool', '**/db/clientDb', '**/standins/**', '**/demo/**'],
              message: 'A page asks the server; it does not reach into it.',
            },
          ],
        },
      ],
    },
  },
)
