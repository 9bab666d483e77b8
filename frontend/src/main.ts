import '@fontsource/atkinson-hyperlegible/400.css'
import '@fontsource/atkinson-hyperlegible/700.css'
import 'element-plus/theme-chalk/base.css'
import 'element-plus/theme-chalk/dark/css-vars.css'
import 'element-plus/theme-chalk/el-message.css'
import './styles/theme.css'
import './styles/picture.css'
import './styles/base.css'
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import { Refused } from './api/client'
import App from './App.vue'
import { keepOffline } from './logic/offline'
import { router } from './router'
import { words } from './words'

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 20_000,
      retry: (times, error) => !(error instanceof Refused) && times < 2,
      refetchOnWindowFocus: false,
    },
  },
})
const app = createApp(App).use(router).use(words).use(VueQueryPlugin, { queryClient: queries })
// Mounted once the address is known: before that a signed-out page would forget where it was going.
void router
  .isReady()
  .catch(() => undefined) // a page that can't be fetched is said by the application itself
  .then(() => app.mount('#app'))

window.addEventListener('load', () => void keepOffline().catch(() => undefined))
