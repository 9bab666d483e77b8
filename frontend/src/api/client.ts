import createClient, { type Middleware } from 'openapi-fetch'
import { KEEPS_NO_KEY } from './marks'
import type { components, paths } from './schema'

export type Schemas = components['schemas']
export type Problem = Schemas['Problem']

/** The API said no, in its own words. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem,
  ) {
    super(problem.detail)
  }

  /** What is wrong with one field, or nothing. */
  at(field: string): string {
    const found = this.problem.fields.find((f) => f.field === field)
    return found ? [found.reason, found.remedy].filter(Boolean).join(' ') : ''
  }
}

/** The server could not be reached at all. */
export class Unreachable extends Error {}

function csrfToken(): string {
  return /(?:^|; )csrftoken=([^;]+)/.exec(document.cookie)?.[1] ?? ''
}

const withCsrf: Middleware = {
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-CSRFToken', csrfToken())
    return request
  },
  onError() {
    return new Unreachable(
      'Pollicor can not be reached just now. What you entered is still here; try again in a moment.',
    )
  },
}

/** Keys of writes that were sent and not yet answered, by address and body: sent again, they are done once. */
const underWay = new Map<string, string>()
const withKey: Middleware = {
  async onRequest({ request, schemaPath }) {
    if (request.method !== 'POST' || KEEPS_NO_KEY.has(schemaPath)) return request
    const what = `${request.url}\n${await request.clone().text()}`
    const key = underWay.get(what) ?? crypto.randomUUID()
    underWay.set(what, key)
    request.headers.set('Idempotency-Key', key)
    return request
  },
  onResponse({ request, response }) {
    // Once there is an answer, the next press is another write; after a fault it is the same one tried again.
    if (response.status >= 500) return
    const key = request.headers.get('Idempotency-Key')
    for (const [what, sent] of underWay) if (sent === key) underWay.delete(what)
  },
}

export const api = createClient<paths>({ baseUrl: '/' })
api.use(withCsrf, withKey)

interface Answer<T> {
  data?: T
  error?: unknown
  response: Response
}

/** The data of an answer. Throws Refused where the server refused. */
export async function unwrap<T>(promise: Promise<Answer<T>>): Promise<T> {
  const { data, error, response } = await promise
  if (!response.ok) {
    const problem = (error && typeof error === 'object' ? error : {}) as Partial<Problem>
    throw new Refused(response.status, {
      title: problem.title ?? 'Not done',
      status: response.status,
      detail: problem.detail ?? 'The server could not do that. Nothing was changed; try again.',
      fields: problem.fields ?? [],
      theirs: problem.theirs ?? null,
      yours: problem.yours ?? null,
    })
  }
  return data as T
}
