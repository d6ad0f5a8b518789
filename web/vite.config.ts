import { fileURLToPath } from 'node:url'
import unocss from '@unocss/vite'
import vue from '@vitejs/plugin-vue'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import components from 'unplugin-vue-components/vite'
import { defineConfig } from 'vite'

/** Three pages: the rooms, and the borrower's guide and lesson, which the server also renders by the build of `entry-server`. */
export default defineConfig(({ isSsrBuild }) => ({
  plugins: [
    vue(),
    unocss(fileURLToPath(new URL('uno.config.ts', import.meta.url))),
    components({ resolvers: [ElementPlusResolver()], dirs: [], dts: 'components.d.ts' }),
  ],
  resolve: { conditions: ['@binoculum/source', 'module', isSsrBuild ? 'node' : 'browser', 'import', 'default'] },
  // What of the translations' package is not used.
  define: {
    __VUE_I18N_FULL_INSTALL__: false,
    __VUE_I18N_LEGACY_API__: false,
    __INTLIFY_PROD_DEVTOOLS__: false,
    __INTLIFY_DROP_MESSAGE_COMPILER__: false,
  },
  worker: { format: 'es' },
  ssr: { noExternal: true },
  build: isSsrBuild
    ? { target: 'node20', outDir: 'dist-server', copyPublicDir: false }
    : {
        target: 'es2022',
        manifest: true,
        chunkSizeWarningLimit: 700,
        assetsInlineLimit: 0,
        rollupOptions: {
          input: {
            index: 'index.html',
            borrower: 'src/borrower/entry-client.ts',
            lesson: 'src/borrower/lesson/entry-client.ts',
          },
        },
      },
  server: {
    host: '127.0.0.1',
    port: 8461,
    proxy: { '/api': 'http://127.0.0.1:8460', '/g/': 'http://127.0.0.1:8460', '/l/': 'http://127.0.0.1:8460' },
  },
}))
