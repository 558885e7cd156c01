import { Refusal, route } from '@/server/answer'

const nothing = route('work', 'page', async () => {
  throw new Refusal({ code: 'not-found', what: 'address' })
})
export { nothing as DELETE, nothing as GET, nothing as PATCH, nothing as POST, nothing as PUT }
