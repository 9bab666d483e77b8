/** Before any of the application is read: its client keeps the fetch it finds, so this one asks for the one of the test. */
export const network = {
  answer: (request: Request): Promise<Response> => Promise.reject(new Error(`nothing answers ${request.url}`)),
}

globalThis.fetch = ((request: Request) => network.answer(request)) as typeof fetch
