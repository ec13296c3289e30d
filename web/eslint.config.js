import { defineConfigWithVueTs, vueTsConfigs } from '@vue/eslint-config-typescript'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'

/** The rooms of the front end: app knows features, features know ui and api; each is entered by the front door. */
const outOfTheFolder = { group: ['../*'], message: 'Another folder is named from the top: @/…' }
const throughTheWall = { group: ['@/features/*/*'], message: 'A feature is entered by its index.' }
const frame = { group: ['@/app/*'], message: 'The frame knows the features, not the other way round.' }
const features = { group: ['@/features/*'], message: 'What features share knows none of them.' }
const screens = { group: ['@/ui/*'], message: 'Calls know no screen.' }
const knowsNot = (...patterns) => ({ 'no-restricted-imports': ['error', { patterns }] })

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
      'vue/require-prop-comment': 'error',
      ...knowsNot(outOfTheFolder, throughTheWall),
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ImportExpression[source.value=/^(\\.\\.|@\\/features\\/\\w+\\/)/]',
          message: 'A feature is entered by its index.',
        },
      ],
    },
  },
  { files: ['src/features/**'], rules: knowsNot(outOfTheFolder, throughTheWall, frame) },
  { files: ['src/ui/**'], rules: knowsNot(outOfTheFolder, frame, features) },
  { files: ['src/api/**'], rules: knowsNot(outOfTheFolder, frame, features, screens) },
)
