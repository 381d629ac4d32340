import vue from '@vitejs/plugin-vue'
import { BootstrapVueNextResolver } from 'bootstrap-vue-next/resolvers'
import Components from 'unplugin-vue-components/vite'
import { defineConfig } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'
import { brotliOnce } from './brotli.js'
import { icons } from './icons.js'

export default defineConfig({
  plugins: [
    vue(),
    icons(),
    Components({ resolvers: [BootstrapVueNextResolver()], dirs: [], dts: false }),
    // Browsers take brotli over HTTPS and from this machine, and gzip otherwise.
    compression({
      algorithms: ['gzip', defineAlgorithm(brotliOnce, {})],
      filename: (id, { algorithm }) => `${id}.${algorithm === 'gzip' ? 'gz' : 'br'}`,
      include: /\.(js|css|wasm|svg|html|ttf)$/
    })
  ],
  build: { target: 'es2022', chunkSizeWarningLimit: 1500, assetsInlineLimit: 0 },
  worker: { format: 'es' },
  css: { preprocessorOptions: { scss: { silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'], quietDeps: true } } }
})
