'use client'

import { chanceIn, reattach, renameLink, straighten, withChance } from '@/core/document'
import { kinds, linkMeanings, nodesInOrder, placesOf } from '@/core/figure'
import { Quote, Row, Text } from './DetailFields'
import type { Work } from './work'

/** A selected link: its words, what it means, its ends, and whether it is bent. */
export function LinkDetails({ work }: { work: Work }) {
  const { figure, scene, selected, apply, tell, actions } = work
  const link = figure.links[selected?.id ?? '']
  if (!link) return null
  return (
    <>
      <h2 className="font-semibold">Link</h2>
      <Quote figure={figure} source={link.source} />
      <Row label="Words">
        <Text
          key={link.id + (link.text ?? '')}
          label="Words of the link"
          value={link.text ?? ''}
          onChange={(t) => apply(renameLink(link.id, t))}
        />
      </Row>
      {kinds[figure.kind].linkRoles.length > 1 && (
        <Row label="Means">
          <select
            aria-label="What the link means"
            className="field"
            value={link.role}
            onChange={(e) =>
              apply({
                do: 'setLink',
                id: link.id,
                set: { role: kinds[figure.kind].linkRoles.find((r) => r === e.target.value) ?? link.role },
              })
            }
          >
            {kinds[figure.kind].linkRoles.map((r) => (
              <option key={r} value={r}>
                {linkMeanings[r]}
              </option>
            ))}
          </select>
        </Row>
      )}
      {figure.kind === 'decision' && (
        <Row label="Chance">
          <Text
            key={link.id + (link.probability ?? '')}
            label="Chance in percent"
            value={link.probability === undefined ? '' : `${Math.round(link.probability * 1e4) / 100}%`}
            hint="none"
            onChange={(t) => {
              const chance = chanceIn(t)
              if (chance === null && t !== '')
                tell('A chance is a number of percents from 0 to 100. Nothing was changed.')
              else apply({ do: 'setLink', id: link.id, set: withChance(link, chance) })
            }}
          />
        </Row>
      )}
      {(['from', 'to'] as const).map((end) => (
        <Row key={end} label={end === 'from' ? 'From' : 'To'}>
          <select
            aria-label={end === 'from' ? 'Leaves from' : 'Leads to'}
            className="field"
            value={link[end]}
            onChange={(e) => apply(reattach(link.id, end, e.target.value))}
          >
            {nodesInOrder(figure).map((n) => (
              <option key={n.id} value={n.id}>
                {n.text}
              </option>
            ))}
          </select>
        </Row>
      ))}
      <button type="button" className="button self-start" onClick={actions.addStep}>
        {`Insert a ${kinds[figure.kind].noun} here`}
      </button>
      <p className="text-[13px] text-quiet">
        Drag a ring at its end onto another node to attach it there.
        {scene?.bends && ' Drag a bar on it, or press Shift and an arrow key, to bend it.'}
      </p>
      {link.heldRoute && placesOf(figure) && (
        <p className="text-[13px] text-quiet">
          Bent by hand.{' '}
          <button type="button" className="text-button" onClick={() => apply(straighten(link.id))}>
            Let it find its way
          </button>
        </p>
      )}
    </>
  )
}
