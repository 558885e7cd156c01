'use client'

import { rename, type Edit } from '@/core/document'
import { nodesInOrder, type Figure } from '@/core/figure'
import type { Selected } from './selection'

/** The nodes as rows, for those who think in rows: words and who acts. */
export function NodeTable({
  figure,
  apply,
  selected,
  onSelect,
}: {
  figure: Figure
  apply: (edit: Edit) => void
  selected: Selected
  onSelect: (s: Selected) => void
}) {
  const second = figure.kind === 'points' ? ('detail' as const) : ('actor' as const)
  return (
    <table className="w-full text-[13px]">
      <thead>
        <tr className="text-left text-quiet">
          <th scope="col" className="px-3 py-1 font-normal">
            Words
          </th>
          <th scope="col" className="px-1 py-1 font-normal">
            {second === 'actor' ? 'Who' : 'Detail'}
          </th>
        </tr>
      </thead>
      <tbody>
        {nodesInOrder(figure).map((n) => (
          <tr
            key={n.id}
            className={`border-t border-rule ${selected?.id === n.id ? 'bg-needle-wash' : ''}`}
            onFocus={() => onSelect({ kind: 'node', id: n.id })}
          >
            <td className="pl-2">
              <Cell label={`Words of “${n.text}”`} value={n.text} onChange={(text) => apply(rename(n.id, text))} />
            </td>
            <td className="w-[38%] pr-2">
              <Cell
                label={`${second === 'actor' ? 'Who does' : 'Detail of'} “${n.text}”`}
                value={n[second] ?? ''}
                onChange={(v) => apply({ do: 'setNode', id: n.id, set: { [second]: v || null } })}
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function Cell({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <input
      key={value}
      aria-label={label}
      defaultValue={value}
      className="w-full bg-transparent px-1 py-1.5"
      onBlur={(e) => e.target.value.trim() !== value && onChange(e.target.value.trim())}
      onKeyDown={(e) => {
        if (e.key === 'Enter') e.currentTarget.blur()
        if (e.key === 'Escape') {
          e.currentTarget.value = value
          e.currentTarget.blur()
        }
        e.stopPropagation()
      }}
    />
  )
}
