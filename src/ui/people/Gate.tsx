import type { ReactNode } from 'react'
import { Wordmark } from '../chrome/Wordmark'

/** The page before one is in: a sheet of paper with one thing to do. */
export const Gate = ({ title, hint, children }: { title: string; hint: ReactNode; children: ReactNode }) => (
  <main className="mx-auto flex w-full max-w-[27rem] flex-1 flex-col justify-center gap-5 px-6 py-10">
    <Wordmark />
    <div className="rounded-lg border border-rule bg-page px-7 py-6">
      <h1 className="font-serif text-[26px] leading-tight font-semibold">{title}</h1>
      <p className="mt-1 mb-5 text-quiet">{hint}</p>
      {children}
    </div>
  </main>
)

type FieldProps = {
  readonly label: string
  readonly name: string
  readonly type?: string
  readonly autoComplete?: string
  readonly hint?: string
  readonly minLength?: number
  readonly required?: boolean
  readonly defaultValue?: string
  readonly autoFocus?: boolean
}

/** A labelled field of a form, with what it wants below it. */
export const GateField = ({ label, hint, required = true, type = 'text', ...more }: FieldProps) => (
  <label className="mb-3 block">
    <span className="mb-1 block text-[14px] font-semibold">{label}</span>
    <input
      className="field"
      type={type}
      required={required}
      aria-describedby={hint ? `${more.name}-hint` : undefined}
      {...more}
    />
    {hint && (
      <span id={`${more.name}-hint`} className="mt-1 block text-[13px] text-quiet">
        {hint}
      </span>
    )}
  </label>
)

export const GateProblem = ({ says }: { says: string | null }) =>
  says && (
    <p role="alert" className="mb-3 rounded bg-needle-wash px-3 py-2 text-[14px]">
      {says}
    </p>
  )
