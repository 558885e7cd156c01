import { Refusal, bytesOf, folioRoute } from '@/server/answer'
import { ownIconFrom } from '@/server/ownIcons'
import { MOST_BYTES, pictureFrom } from '@/server/pictures'
import { keepUpload } from '@/server/uploads'

export const dynamic = 'force-dynamic'

/** Takes a picture in; out: its hash and size, for a node to hold. `?as=icon` for one that stands beside words. */
export const POST = folioRoute('edit', 'picture', async ({ folio, request }) => {
  const bytes = await bytesOf(request, MOST_BYTES, () => ({ code: 'picture-too-heavy', limit: MOST_BYTES }))
  const asIcon = new URL(request.url).searchParams.get('as') === 'icon'
  const icon = asIcon ? await ownIconFrom(bytes) : null
  if (icon && 'code' in icon) throw new Refusal(icon)
  const picture = icon?.picture ?? (await pictureFrom(bytes))
  if ('code' in picture) throw new Refusal(picture)
  const problem = await keepUpload(folio, 'image', { ...picture, name: null })
  if (problem) throw new Refusal(problem)
  const { hash, width, height } = picture
  return Response.json({ hash, width, height, stencil: icon?.stencil ?? false }, { status: 201 })
})
