import { changes, openStreams } from './changes'
import { slicesSince } from './folioDocument'
import { log } from './log'

const BEAT_MS = 10_000

/** The event stream of a folio: `id` is the sequence, `data` the update in base64; `ready` says that all there is has been
 *  sent. Notices carry no data; rows are read, so that nothing is missed however notices come. */
export function folioEvents(folio: string, since: number, signal: AbortSignal): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder()
  let close = () => {}
  return new ReadableStream<Uint8Array>({
    async start(controller) {
      let last = since
      let busy = false
      let again = false
      let open = true
      let stopListening = () => {}
      const send = (text: string) => open && controller.enqueue(encoder.encode(text))
      const beat = setInterval(() => send(': beat\n\n'), BEAT_MS)
      close = () => {
        if (!open) return
        open = false
        clearInterval(beat)
        stopListening()
        openStreams().delete(close)
        controller.close()
      }
      const sendNew = async () => {
        again = true
        if (busy) return
        busy = true
        while (again && open) {
          again = false
          for (const s of await slicesSince(folio, last)) {
            send(`id: ${s.sequence}\ndata: ${Buffer.from(s.data).toString('base64')}\n\n`)
            last = s.sequence
          }
        }
        busy = false
      }
      const tell = () =>
        void sendNew().catch((error: unknown) => {
          log.warn({ folio, error: String(error) }, 'event stream ended')
          close()
        })
      openStreams().add(close)
      signal.addEventListener('abort', close)
      try {
        send('retry: 500\n\n')
        stopListening = await changes().listen(folio, tell)
        await sendNew()
        send(`event: ready\ndata: ${last}\n\n`)
      } catch (error) {
        log.warn({ folio, error: String(error) }, 'event stream could not begin')
        close()
      }
    },
    cancel: () => close(),
  })
}
