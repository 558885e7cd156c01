'use client'

import { useCallback, useEffect, useState } from 'react'
import { z } from 'zod/mini'
import { useNotice } from '../chrome/Notice'
import { Sheet } from '../chrome/Sheet'
import { Tick } from '../chrome/Tick'
import { ask, send } from '../send'
import { useWords } from '../words/words'
import { said } from '@/core/words'

const scopes = {
  read: said('Read texts as figures'),
  draw: said('Draw figures as files'),
  convert: said('Convert files'),
} as const
type Scope = keyof typeof scopes
const scopeNames = Object.keys(scopes) as Scope[]

const listSchema = z.object({
  tokens: z.array(
    z.object({
      ...{ id: z.string(), name: z.string(), scopes: z.array(z.enum(['read', 'draw', 'convert'])) },
      usedAt: z.nullable(z.string()),
    }),
  ),
})
type Token = z.infer<typeof listSchema>['tokens'][number]

/** Tokens for programs: made, listed with what they are allowed, taken back. */
export function Access({ onClose }: { readonly onClose: () => void }) {
  const t = useWords()
  const tell = useNotice()
  const [tokens, setTokens] = useState<readonly Token[]>([])
  const [secret, setSecret] = useState<string | null>(null)
  const look = useCallback(async () => {
    const answer = await ask('GET', '/api/tokens')
    const list = 'problem' in answer ? null : listSchema.safeParse(answer.json)
    if (list?.success) setTokens(list.data.tokens)
  }, [])
  useEffect(() => {
    const first = setTimeout(() => void look(), 0)
    return () => clearTimeout(first)
  }, [look])
  const takeBack = async (id: string) => {
    const problem = await send('DELETE', `/api/tokens/${id}`)
    if (problem) tell(problem)
    await look()
  }
  return (
    <Sheet
      title={t('Access for programs')}
      hint={t('A program with a token may do what the token allows, in your name.')}
      size="max-h-full max-w-[760px]"
      onClose={onClose}
    >
      <div className="flex flex-col gap-4 overflow-auto p-5">
        <p className="text-[13px] text-quiet">
          {t('What there is to ask stands in')}{' '}
          <a className="text-sea underline" href="/api/v1/openapi.json">
            {t('the description')}
          </a>
          .
        </p>
        <NewToken
          onMade={(made) => {
            setSecret(made)
            void look()
          }}
        />
        {secret && (
          <label className="text-[13px] text-quiet">
            {t('The token, shown this once')}
            <input className="field mt-0.5 font-mono" readOnly value={secret} onFocus={(e) => e.target.select()} />
          </label>
        )}
        <List tokens={tokens} onTakeBack={(id) => void takeBack(id)} />
      </div>
    </Sheet>
  )
}

type ListProps = { readonly tokens: readonly Token[]; readonly onTakeBack: (id: string) => void }

const List = ({ tokens, onTakeBack }: ListProps) => {
  const t = useWords()
  return (
    <ul aria-label={t('Tokens')} className="flex flex-col gap-1.5">
      {tokens.map((token) => (
        <li key={token.id} className="flex items-center gap-3 rounded border border-rule px-3 py-1.5 text-[13px]">
          <span className="min-w-0 flex-1">
            <span className="font-medium">{token.name}</span>
            <span className="block text-quiet">
              {token.scopes.map((s) => t(scopes[s])).join(' · ')}
              {!token.usedAt && ` · ${t('not used yet')}`}
            </span>
          </span>
          <button type="button" className="button" onClick={() => onTakeBack(token.id)}>
            {t('Take it back')}
          </button>
        </li>
      ))}
    </ul>
  )
}

function NewToken({ onMade }: { readonly onMade: (secret: string) => void }) {
  const t = useWords()
  const tell = useNotice()
  const [name, setName] = useState('')
  const [allowed, setAllowed] = useState<ReadonlySet<Scope>>(new Set(scopeNames))
  const make = async () => {
    const answer = await ask('POST', '/api/tokens', { name, scopes: [...allowed] })
    if ('problem' in answer) return tell(answer.problem)
    setName('')
    onMade((answer.json as { readonly secret: string }).secret)
  }
  const toggle = (scope: Scope, on: boolean) =>
    setAllowed(new Set(scopeNames.filter((s) => (s === scope ? on : allowed.has(s)))))
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="mb-1 text-[13px] text-quiet">{t('A new token')}</legend>
      <input
        className="field"
        aria-label={t('What it is for')}
        placeholder={t('Handbook pages, built every night')}
        maxLength={80}
        value={name}
        onChange={(e) => setName(e.target.value)}
      />
      <div className="flex flex-wrap gap-4">
        {scopeNames.map((s) => (
          <Tick key={s} on={allowed.has(s)} says={t(scopes[s])} onChange={(on) => toggle(s, on)} />
        ))}
      </div>
      <button
        type="button"
        className="button self-start"
        disabled={name.trim() === '' || allowed.size === 0}
        onClick={() => void make()}
      >
        {t('Make the token')}
      </button>
    </fieldset>
  )
}
