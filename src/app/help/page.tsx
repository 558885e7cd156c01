import { redirect } from 'next/navigation'
import { guide } from '@/ui/help/guide'

export default function Page(): never {
  redirect(`/help/${guide[0]?.id ?? ''}`)
}
