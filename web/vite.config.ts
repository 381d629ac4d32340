import vue from '@vitejs/plugin-vue'
import { BootstrapVueNextResolver } from 'bootstrap-vue-next/resolvers'
import Components from 'unplugin-vue-components/vite'
import { defineConfig } from 'vite'
import { compression } from 'vite-plugin-compression2'

export default defineConfig({
  plugins: [
    vue(),
    Components({ resolvers: [BootstrapVueNextResolver()], dirs: [], dts: false }),
    compression({ algorithms: ['gzip'], include: /\.(js|css|wasm|svg|html|ttf)$/ })
  ],
  build: { target: 'es2022', chunkSizeWarningLimit: 1500, assetsInlineLimit: 0 },
  worker: { format: 'es' },
  css: { preprocessorOptions: { scss: { silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'], quietDeps: true } } }
})
