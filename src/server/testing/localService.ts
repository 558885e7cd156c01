/** A small service on loopback that answers as told, for tests of what talks to configured services. */
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'

export type Answering = (request: IncomingMessage, body: string, response: ServerResponse) => void

export type LocalService = { readonly url: string; readonly close: () => Promise<void> }

export async function localService(answer: Answering): Promise<LocalService> {
  const server = createServer((request, response) => {
    let body = ''
    request.on('data', (c: Buffer) => (body += c.toString()))
    request.on('end', () => answer(request, body, response))
  })
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/asked`,
    close: async () => {
      server.closeAllConnections()
      await new Promise((done) => server.close(done))
    },
  }
}

export async function withService<T>(answer: Answering, run: (url: string) => Promise<T>): Promise<T> {
  const service = await localService(answer)
  try {
    return await run(service.url)
  } finally {
    await service.close()
  }
}
