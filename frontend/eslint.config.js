import { defineConfigWithVueTs, vueTsConfigs } from '@vue/eslint-config-typescript'
import vue from 'eslint-plugin-vue'

export default defineConfigWithVueTs(
  { ignores: ['dist', 'src/api/schema.ts', 'src/components.d.ts'] },
  vue.configs['flat/recommended'],
  vueTsConfigs.recommended,
  {
    rules: {
      'vue/no-static-inline-styles': 'error', // the content security policy blocks them
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/multi-word-component-names': 'off',
    },
  },
)
