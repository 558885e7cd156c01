/** Fonts and logos that people bring into a house style: sent to the server, and put into exported files. */
import { z } from 'zod/mini'
import { ownIcon } from '@/core/icons'
import { broughtBy, type HouseStyle, type OwnFonts } from '@/core/style'
import { ask } from '../send'
import { said } from '@/core/words'
import { sayNow } from '../words/words'

type OwnFont = NonNullable<OwnFonts['body']>
export type Logo = NonNullable<HouseStyle['logo']>

const font = z.object({ hash: z.string(), name: z.string() })
const picture = z.object({ hash: z.string(), width: z.number(), height: z.number(), stencil: z.boolean() })

/** The font as the server keeps it, else the sentence that says what to do. */
export async function sendFont(folio: string, file: Blob): Promise<OwnFont | string> {
  const answer = await ask('POST', `/api/folios/${folio}/fonts`, file)
  return 'problem' in answer ? answer.problem : font.parse(answer.json)
}

export async function sendLogo(folio: string, file: Blob): Promise<Logo | string> {
  const answer = await ask('POST', `/api/folios/${folio}/pictures?as=icon`, file)
  if ('problem' in answer) return answer.problem
  const { hash, width, height, stencil } = picture.parse(answer.json)
  return { icon: `${stencil ? 'stencil' : 'own'}/${hash}`, width, height }
}

/** The files a style needs, by hash, in base64: what makes its export whole. */
export async function filesOf(style: HouseStyle): Promise<Record<string, string>> {
  const { fonts, logo } = broughtBy(style)
  const wanted = [
    ...fonts.map((hash) => ({ hash, at: `/api/fonts/${hash}` })),
    ...(logo ? [{ hash: logo, at: `/api/pictures/${logo}` }] : []),
  ]
  const files = wanted.map(async ({ hash, at }) => {
    const response = await fetch(at)
    return response.ok ? [[hash, await base64Of(await response.blob())] as const] : []
  })
  return Object.fromEntries((await Promise.all(files)).flat())
}

/** An imported style with its files sent to the server; without those that could not be taken, which are told. */
export async function takenIn(
  folio: string,
  style: HouseStyle,
  files: Readonly<Record<string, string>>,
): Promise<{ readonly style: HouseStyle; readonly problems: readonly string[] }> {
  const { fonts = {}, logo, ...rest } = style
  const problems: string[] = []
  const taken = async <T extends object>(
    hash: string,
    send: (file: Blob) => Promise<T | string>,
  ): Promise<T | null> => {
    const file = files[hash]
    const sent =
      file === undefined ? sayNow(said('The file does not hold all its fonts and pictures.')) : await send(blobOf(file))
    if (typeof sent !== 'string') return sent
    problems.push(sent)
    return null
  }
  const voices = await Promise.all(
    Object.entries(fonts).map(async ([voice, f]) => {
      const sent = await taken(f.hash, (file) => sendFont(folio, file))
      return sent ? [[voice, sent] as const] : []
    }),
  )
  const signed = logo && (await taken(ownIcon(logo.icon)?.hash ?? '', (file) => sendLogo(folio, file)))
  const own = Object.fromEntries(voices.flat())
  return {
    style: { ...rest, ...(Object.keys(own).length > 0 ? { fonts: own } : {}), ...(signed ? { logo: signed } : {}) },
    problems,
  }
}

async function base64Of(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer())
  let text = ''
  for (const byte of bytes) text += String.fromCharCode(byte)
  return btoa(text)
}
const blobOf = (base64: string): Blob => new Blob([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))])
