import { defineConfigWithVueTs, vueTsConfigs } from '@vue/eslint-config-typescript'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'

export default defineConfigWithVueTs(
  { ignores: ['dist/**', 'target/**', 'node_modules/**', 'src/api/schema.d.ts', 'src/components.d.ts'] },
  vue.configs['flat/recommended'],
  vueTsConfigs.recommended,
  prettier,
  {
    rules: {
      // Prettier breaks lines at 120; what it cannot break is for a person to mend.
      'max-len': ['error', { code: 120, ignoreUrls: true }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'no-console': 'error',
      'vue/block-lang': ['error', { script: { lang: 'ts' } }],
      'vue/define-macros-order': ['error', { order: ['defineProps', 'defineEmits'] }],
      'vue/max-lines-per-block': ['error', { script: 250, template: 250, skipBlankLines: true }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', ignoreRestSiblings: true }],
      'vue/no-unused-refs': 'error',
      'vue/require-typed-ref': 'error',
    },
  },
)
