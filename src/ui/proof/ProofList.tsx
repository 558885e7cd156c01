'use client'

import { useId, useState } from 'react'
import type { Finding, Mend, Severity } from '@/core/proof'
import { said, type Said } from '@/core/words'
import { useWords } from '../words/words'

type Row = { readonly name: Said; readonly mark: string; readonly look: string }
const severities: Readonly<Record<Severity, Row>> = {
  error: { name: said('Wrong'), mark: '◆', look: 'text-needle' },
  warning: { name: said('Most likely wrong'), mark: '◈', look: 'text-brass-text' },
  note: { name: said('Worth a look'), mark: '◇', look: 'text-quiet' },
}

export type ProofWays = {
  readonly mayEdit: boolean
  /** What the figure is called; where only one is shown, none needs to be. */
  readonly nameOf: ((figure: string) => string) | null
  readonly onShow: (finding: Finding) => void
  readonly onMend: (mend: Mend) => void
  /** Shows what would come of it, and nothing any more. */
  readonly onTry?: (mend: Mend | null) => void
  readonly onAside: (finding: Finding, reason: string | null) => void
}

/** What is wrong, the worst first; what somebody left as it is, with the reason, below. */
export function ProofList({ findings, ...ways }: { readonly findings: readonly Finding[] | null } & ProofWays) {
  const t = useWords()
  if (findings === null) return <p className="text-[13px] text-quiet">{t('Reading the proof …')}</p>
  const open = findings.filter((f) => f.aside === null)
  const aside = findings.filter((f) => f.aside !== null)
  return (
    <>
      {open.length === 0 && (
        <p className="text-[13px] text-quiet">
          {aside.length === 0
            ? t('Nothing is wrong, as far as rules can tell.')
            : t('All that was found was set aside.')}
        </p>
      )}
      {(Object.keys(severities) as Severity[]).map((severity) => (
        <Group key={severity} severity={severity} findings={open.filter((f) => f.severity === severity)} {...ways} />
      ))}
      {aside.length > 0 && <Aside findings={aside} {...ways} />}
    </>
  )
}

type GroupProps = { readonly severity: Severity; readonly findings: readonly Finding[] } & ProofWays

function Group({ severity, findings, ...ways }: GroupProps) {
  const t = useWords()
  if (findings.length === 0) return null
  const { name, mark, look } = severities[severity]
  return (
    <section className="flex flex-col gap-2">
      <h3 className={`text-[13px] font-semibold ${look}`}>
        <span aria-hidden="true">{mark} </span>
        {t(name)} <span className="font-normal">({findings.length})</span>
      </h3>
      <ul className="flex flex-col gap-2">
        {findings.map((f) => (
          <Item key={`${f.figure} ${f.key}`} finding={f} {...ways} />
        ))}
      </ul>
    </section>
  )
}

function Item({ finding: f, ...ways }: { readonly finding: Finding } & ProofWays) {
  const t = useWords()
  const [leaving, setLeaving] = useState(false)
  const { mayEdit, nameOf, onShow, onMend, onTry, onAside } = ways
  return (
    <li className="rounded-md border border-rule p-2.5 text-[13px]">
      <p className="font-semibold">{t(said(f.name))}</p>
      <p>{t(f.says)}</p>
      {nameOf && f.figure !== null && <p className="text-quiet">{nameOf(f.figure)}</p>}
      <div className="mt-2 flex flex-wrap items-center gap-2">
        {mayEdit &&
          f.mends.map((m) => (
            <button
              key={JSON.stringify(m.says)}
              type="button"
              className="button h-auto! min-h-7 px-2! py-0.5! text-left text-[13px]!"
              onClick={() => onMend(m)}
              onPointerEnter={() => onTry?.(m)}
              onPointerLeave={() => onTry?.(null)}
              onFocus={() => onTry?.(m)}
              onBlur={() => onTry?.(null)}
            >
              {t(m.says)}
            </button>
          ))}
        {f.figure !== null && (
          <button type="button" className="quiet-button" onClick={() => onShow(f)}>
            {t('Show')}
          </button>
        )}
        {mayEdit && f.figure !== null && !leaving && (
          <button type="button" className="quiet-button" onClick={() => setLeaving(true)}>
            {t('Set aside …')}
          </button>
        )}
      </div>
      {leaving && <Reason onKeep={(reason) => onAside(f, reason)} onClose={() => setLeaving(false)} />}
    </li>
  )
}

const MAX_REASON = 300

function Reason({ onKeep, onClose }: { readonly onKeep: (reason: string) => void; readonly onClose: () => void }) {
  const t = useWords()
  const id = useId()
  const [reason, setReason] = useState('')
  return (
    <form
      className="mt-2 flex flex-col gap-1.5"
      onSubmit={(e) => {
        e.preventDefault()
        if (reason.trim()) onKeep(reason.trim())
      }}
      onKeyDown={(e) => e.key === 'Escape' && onClose()}
    >
      <label htmlFor={id} className="text-quiet">
        {t('Why it stays as it is')}
      </label>
      <input
        id={id}
        className="field"
        maxLength={MAX_REASON}
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        autoFocus
      />
      <div className="flex gap-2">
        <button type="submit" className="button h-7! px-2! text-[13px]!" disabled={!reason.trim()}>
          {t('Set aside')}
        </button>
        <button type="button" className="quiet-button" onClick={onClose}>
          {t('Cancel')}
        </button>
      </div>
    </form>
  )
}

function Aside({ findings, mayEdit, nameOf, onAside }: { readonly findings: readonly Finding[] } & ProofWays) {
  const t = useWords()
  return (
    <details className="text-[13px]">
      <summary className="cursor-pointer text-quiet">{t('Set aside ({count})', { count: findings.length })}</summary>
      <ul className="mt-2 flex flex-col gap-2">
        {findings.map((f) => (
          <li key={`${f.figure} ${f.key}`} className="border-t border-rule pt-1.5">
            <p>{t(f.says)}</p>
            <p className="text-quiet">{t('Because: {reason}', { reason: f.aside ?? '' })}</p>
            {nameOf && f.figure !== null && <p className="text-quiet">{nameOf(f.figure)}</p>}
            {mayEdit && (
              <button type="button" className="quiet-button" onClick={() => onAside(f, null)}>
                {t('Take it up again')}
              </button>
            )}
          </li>
        ))}
      </ul>
    </details>
  )
}
