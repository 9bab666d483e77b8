import { createI18n } from 'vue-i18n'
import en from './en.json'

/**
 * What screens say, key by key: another language is another file beside en.json. New words go here at once, old ones when
 * their view changes; what the library says is data, and comes from the server. See docs/decisions/0019-languages.md.
 */
export const words = createI18n<[typeof en], 'en', false>({
  legacy: false,
  locale: 'en',
  fallbackLocale: 'en',
  messages: { en },
})

declare module 'vue-i18n' {
  export interface DefineLocaleMessage {
    choice: (typeof en)['choice']
    rungs: (typeof en)['rungs']
  }
}
