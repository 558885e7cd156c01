'use client'

import { ask } from '../send'
import { Gate, GateProblem } from './Gate'
import { safePath } from './safePath'
import { useForm } from './useForm'
import { goTo } from './goTo'
import { useWords } from '../words/words'

/** An invitation, taken up with the account that one is signed in with. */
export function TakeUp({ token, by, as }: { token: string; by: string; as: string }) {
  const t = useWords()
  const { problem, busy, onSubmit } = useForm(async () => {
    const answer = await ask('POST', `/api/invitations/${token}`, {})
    if ('problem' in answer) return answer
    goTo(safePath((answer.json as { readonly to: string }).to))
    return null
  })
  return (
    <Gate title={t('An invitation')} hint={t('{by} invites you. You take it up as {as}.', { by, as })}>
      <GateProblem says={problem} />
      <form onSubmit={onSubmit}>
        <button type="submit" className="button-primary w-full justify-center" disabled={busy}>
          {t('Take it up')}
        </button>
      </form>
    </Gate>
  )
}
