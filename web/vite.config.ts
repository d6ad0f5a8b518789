import vue from '@vitejs/plugin-vue'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import components from 'unplugin-vue-components/vite'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [vue(), components({ resolvers: [ElementPlusResolver()], dirs: [], dts: 'components.d.ts' })],
  resolve: { conditions: ['@binoculum/source', 'module', 'browser', 'import', 'default'] },
  worker: { format: 'es' },
  build: { target: 'es2022', manifest: true, chunkSizeWarningLimit: 700, assetsInlineLimit: 0 },
  server: { host: '127.0.0.1', port: 8461, proxy: { '/api': 'http://127.0.0.1:8460' } },
})
