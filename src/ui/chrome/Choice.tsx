import type { Said } from '@/core/words'
import { useSay } from '../words/words'

type Props<V extends string> = {
  readonly label: string
  readonly value: V
  /** What each value is called, in their order. */
  readonly among: Readonly<Record<V, string | Said>>
  readonly onChange: (value: V) => void
  /** The label is shown beside it, or only told. */
  readonly shown?: boolean
  readonly className?: string
}

/** One of a few values, by the platform's own list. */
export function Choice<V extends string>({ label, value, among, onChange, shown = true, className = '' }: Props<V>) {
  const say = useSay()
  const select = (
    <select
      aria-label={shown ? undefined : label}
      className={`field ${className}`}
      value={value}
      onChange={(e) => onChange(e.target.value as V)}
    >
      {(Object.keys(among) as V[]).map((v) => (
        <option key={v} value={v}>
          {say(among[v])}
        </option>
      ))}
    </select>
  )
  if (!shown) return select
  return (
    <label className="block text-[13px] text-quiet">
      {label}
      <span className="mt-0.5 block">{select}</span>
    </label>
  )
}
