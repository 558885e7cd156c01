import { description } from '@/server/programs/description'

export const dynamic = 'force-dynamic'

/** What programs may ask. Open to all: it says nothing of anybody. */
export const GET = (request: Request): Response => Response.json(description(new URL(request.url).origin))
