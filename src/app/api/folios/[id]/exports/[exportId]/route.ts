import { Refusal, folioRoute } from '@/server/answer'
import { dropExport, exportFile } from '@/server/exports'
import { publicationTypes } from '@/server/publish/publicationTypes'

export const dynamic = 'force-dynamic'

export const GET = folioRoute('read', 'export', async ({ folio, params }) => {
  const found = await exportFile(folio, params.exportId ?? '')
  if (!found) throw new Refusal({ code: 'not-found', what: 'file' })
  const name = `${found.name.replace(/[^\p{L}\p{N}]+/gu, '-').slice(0, 60)}.${found.format}`
  return new Response(new Uint8Array(found.file), {
    headers: {
      'content-type': publicationTypes[found.format],
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
      'cache-control': 'private, no-store',
      'content-security-policy': "default-src 'none'; sandbox",
    },
  })
})

export const DELETE = folioRoute('edit', 'export', async ({ folio, params }) => {
  if (!(await dropExport(folio, params.exportId ?? ''))) throw new Refusal({ code: 'not-found', what: 'file' })
  return new Response(null, { status: 204 })
})
