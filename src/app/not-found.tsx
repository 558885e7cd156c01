import Link from 'next/link'
import { tellHere } from '@/server/words/here'

export default async function NotFound() {
  const t = await tellHere()
  return (
    <main className="mx-auto flex max-w-[36rem] flex-1 flex-col justify-center gap-4 px-6">
      <h1 className="font-serif text-[30px] font-semibold">{t('Off the chart')}</h1>
      <p className="text-quiet">
        {t('There is no page at this address. The folio may have been deleted, or the link may be cut short.')}
      </p>
      <p>
        <Link href="/" className="button">
          {t('Go to the shelf')}
        </Link>
      </p>
    </main>
  )
}
