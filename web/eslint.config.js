import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

export default ts.config(
  { ignores: ['dist/**', 'node_modules/**', 'src/engine/wasm_exec.js', 'vite.config.ts', 'brotli.js', 'eslint.config.js'] },
  ...ts.configs.recommended,
  ...vue.configs['flat/essential'],
  {
    files: ['src/**/*.vue'],
    languageOptions: { parserOptions: { parser: ts.parser } }
  },
  { rules: { '@typescript-eslint/no-explicit-any': 'error', 'no-undef': 'off', 'vue/multi-word-component-names': 'off' } }
)
