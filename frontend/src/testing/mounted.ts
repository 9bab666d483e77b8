import { words } from '@/words'
import type { KeyName } from '@/logic/stale'
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { enableAutoUnmount, flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import { defineComponent, h, nextTick, type Component, type Plugin } from 'vue'
import { createMemoryHistory, createRouter, type Router } from 'vue-router'
import { afterEach, vi } from 'vitest'
import { network } from './setup'

enableAutoUnmount(afterEach) // what stays on the page slows every test after it

const NAMES = [
  'child',
  'stock',
  'ask',
  'bench',
  'cupboard',
  'activity',
  'run',
  'audit',
  'caseload',
  'shelf',
  'account',
  'learned',
  'day',
  'sign-in',
  'results',
  'people',
] as const

interface Around {
  queries: QueryClient
  router: Router
  plugins: (Plugin | [Plugin, ...unknown[]])[]
}

/** What a page has around it: the words, the queries with what is known already, the addresses. */
function around(known: Partial<Record<KeyName, unknown>>): Around {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } })
  for (const [key, data] of Object.entries(known) as [KeyName, unknown][]) queries.setQueryData([key], data)
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/', component: { template: '<i />' } },
      ...NAMES.map((name) => ({
        path: name === 'child' ? '/child/:childId?' : `/${name}/:rest(.*)*`,
        name,
        component: { template: '<i />' },
      })),
    ],
  })
  return { queries, router, plugins: [words, [VueQueryPlugin, { queryClient: queries }], router] }
}

/** A component on a page of its own, with the queries and the addresses it may ask for. */
export function shown(
  component: Component,
  props: Record<string, unknown>,
  known: Partial<Record<KeyName, unknown>> = {},
): VueWrapper {
  return mount(component, { props, attachTo: document.body, global: { plugins: around(known).plugins } })
}

/** What a composable returns on a page of its own, with the page, its address book and its queries. */
export async function used<T>(
  use: () => T,
  known: Partial<Record<KeyName, unknown>> = {},
  at = '/',
): Promise<{ got: T; page: VueWrapper; router: Router; queries: QueryClient }> {
  const { queries, router, plugins } = around(known)
  await router.push(at)
  let got: T
  const page = mount(
    defineComponent(() => {
      got = use()
      return () => h('i')
    }),
    { attachTo: document.body, global: { plugins } },
  )
  await flushPromises()
  return { got: got!, page, router, queries }
}

export interface Call {
  route: string
  body: unknown
}

/**
 * Answer the API's routes, as “PUT /api/visits/1”: by a value, or by a refusal with its status. Returns what was asked,
 * in order.
 */
export function answers(routes: Record<string, unknown>): Call[] {
  const calls: Call[] = []
  network.answer = async (request: Request) => {
    const route = `${request.method} ${new URL(request.url).pathname}`
    const text = await request.text()
    calls.push({ route, body: text ? JSON.parse(text) : undefined })
    const said = routes[route]
    if (said === undefined) throw new Error(`nothing answers ${route}`)
    const refused = said instanceof Refusal
    return new Response(JSON.stringify(refused ? said.problem : said), {
      status: refused ? said.problem.status : 200,
      headers: { 'Content-Type': refused ? 'application/problem+json' : 'application/json' },
    })
  }
  return calls
}

/** What the API says no with. */
export class Refusal {
  constructor(status: number, field = '', reason = 'No.', more: object = {}) {
    this.problem = {
      title: 'No',
      status,
      detail: reason,
      fields: field ? [{ field, value: '', reason, remedy: '' }] : [],
      ...more,
    }
  }
  readonly problem: { status: number } & Record<string, unknown>
}

/** The button of a name, as somebody would look for it. */
export function button(on: VueWrapper, name: string): ReturnType<VueWrapper['get']> {
  const found = on.findAll('button').find((b) => (b.attributes('aria-label') ?? b.text()).includes(name))
  if (!found) throw new Error(`no button ${name} in ${on.html()}`)
  return found
}

/** What a form's field says is wrong; Element Plus shows it a tenth of a second after it is known. */
export function fieldError(on: VueWrapper): Promise<string> {
  return vi.waitFor(() => on.get('.el-form-item__error').text())
}

/** Choose from the list of a name; the list itself is Element Plus's, and is not opened. */
export async function choose(on: VueWrapper, name: string, value: unknown): Promise<void> {
  const list = on.findAllComponents({ name: 'ElSelect' }).find((s) => s.props('ariaLabel') === name)
  if (!list) throw new Error(`no list ${name} in ${on.html()}`)
  list.vm.$emit('update:modelValue', value)
  await nextTick()
}

/** Write a number into the field of a name, and leave it. */
export async function number(on: VueWrapper, name: string, value: string): Promise<void> {
  const field = on.findAll('input').find((i) => i.attributes('aria-label') === name)
  if (!field) throw new Error(`no field ${name} in ${on.html()}`)
  await field.setValue(value)
  await field.trigger('change')
}

/** Tick a box, or take its tick away, by the words beside it. */
export async function tick(on: VueWrapper, words: string): Promise<void> {
  const box = on.findAll('label').find((l) => l.find('input[type=checkbox]').exists() && l.text().includes(words))
  if (!box) throw new Error(`no box ${words} in ${on.html()}`)
  const input = box.get<HTMLInputElement>('input[type=checkbox]')
  await input.setValue(!input.element.checked)
}
