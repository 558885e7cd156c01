/** The mark of a passage: open, it reads as a figure; filled, it has one; half, the text has changed since. */
export function Ring({ state, active }: { state: 'open' | 'filled' | 'half'; active: boolean }) {
  const colour = active ? 'var(--needle)' : state === 'half' ? 'var(--brass)' : 'var(--sea)'
  return (
    <svg viewBox="0 0 16 16" width="16" height="16" aria-hidden="true" className="block">
      <circle
        cx="8"
        cy="8"
        r="6.5"
        fill={state === 'filled' ? colour : 'var(--page)'}
        stroke={colour}
        strokeWidth="2"
      />
      {state === 'half' && <path d="M8 1.5a6.5 6.5 0 0 0 0 13Z" fill={colour} />}
      {active && state === 'open' && <circle cx="8" cy="8" r="3" fill={colour} />}
    </svg>
  )
}
