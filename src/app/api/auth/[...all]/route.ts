import { authRoute } from '@/server/people/authRoute'

export const dynamic = 'force-dynamic'

export { authRoute as GET, authRoute as POST }
