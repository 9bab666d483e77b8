import vue from '@vitejs/plugin-vue'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import components from 'unplugin-vue-components/vite'
import { loadEnv, type Plugin } from 'vite'
import { defineConfig } from 'vitest/config'

/** Tells the service worker, which is built beside the application, what has been built. */
const tellKeeper: Plugin = {
  name: 'tell-keeper',
  generateBundle(_, bundle) {
    const keeper = bundle['sw.js']
    if (keeper?.type !== 'chunk') throw new Error('the service worker was not built')
    const built = Object.keys(bundle).filter((file) => file.startsWith('assets/'))
    keeper.code = keeper.code.replace('self.BUILT', JSON.stringify(built.map((file) => `/static/${file}`)))
  },
}

export default defineConfig(({ command, mode }) => ({
  base: command === 'serve' ? '/' : '/static/',
  plugins: [
    vue(),
    components({ dirs: [], resolvers: [ElementPlusResolver()], dts: 'src/components.d.ts' }),
    tellKeeper,
  ],
  // of vue-i18n only what is used: no options API, no components of its own, no hooks for developer tools
  define: { __VUE_I18N_LEGACY_API__: false, __VUE_I18N_FULL_INSTALL__: false, __INTLIFY_PROD_DEVTOOLS__: false },
  resolve: { alias: { '@': new URL('./src', import.meta.url).pathname } },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 700,
    rolldownOptions: {
      input: { index: 'index.html', sw: 'src/keeper.ts' },
      output: { entryFileNames: ({ name }) => (name === 'sw' ? 'sw.js' : 'assets/[name]-[hash].js') },
    },
  },
  // A minute a test: a busy machine draws a long list slowly, and none is there to measure time.
  test: { setupFiles: ['src/testing/setup.ts'], testTimeout: 60_000, server: { deps: { inline: ['element-plus'] } } },
  server: { proxy: { '/api': `http://127.0.0.1:${loadEnv(mode, '.', 'WEB_').WEB_PORT ?? '8470'}` } },
}))
