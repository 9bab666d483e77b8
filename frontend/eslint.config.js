import { defineConfigWithVueTs, vueTsConfigs } from '@vue/eslint-config-typescript'
import prettier from 'eslint-config-prettier/flat'
import vue from 'eslint-plugin-vue'

export default defineConfigWithVueTs(
  { ignores: ['dist', 'src/api/schema.ts', 'src/components.d.ts'] },
  vue.configs['flat/recommended'],
  vueTsConfigs.recommended,
  prettier, // leaves layout to the formatter
  {
    rules: {
      'vue/no-static-inline-styles': 'error', // the content security policy blocks them
      'vue/multi-word-component-names': 'off',
    },
  },
)
