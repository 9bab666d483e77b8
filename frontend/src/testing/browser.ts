/** What a browser has and the tests' engine lacks: a local storage whose items are its own properties. */
export function localStorageStub(): Storage {
  const items = {} as Record<string, string>
  const hidden = (value: unknown): PropertyDescriptor => ({ value, enumerable: false })
  return Object.defineProperties(items, {
    getItem: hidden((key: string) => items[key] ?? null),
    setItem: hidden((key: string, value: string) => (items[key] = value)),
    removeItem: hidden((key: string) => delete items[key]),
    clear: hidden(() => Object.keys(items).forEach((key) => delete items[key])),
  }) as unknown as Storage
}

/** Wait until something is so: what is waited for is asked, never a time guessed. */
export async function until(so: () => boolean): Promise<void> {
  for (let n = 0; n < 400 && !so(); n += 1) await new Promise((done) => setTimeout(done, 5))
  if (!so()) throw new Error('it never came true')
}
