'use client'

import { chanceIn, reattach, renameLink, straighten, withChance } from '@/core/document'
import { kinds, linkMeanings, nodesInOrder, placesOf } from '@/core/figure'
import { Quote, Row, Text } from './DetailFields'
import type { Work } from './work'
import { useWords } from '../words/words'
import { said } from '@/core/words'

/** A selected link: its words, what it means, its ends, and whether it is bent. */
export function LinkDetails({ work }: { work: Work }) {
  const t = useWords()
  const { figure, scene, selected, apply, tell, actions } = work
  const link = figure.links[selected?.id ?? '']
  if (!link) return null
  return (
    <>
      <h2 className="font-semibold">{t('Link')}</h2>
      <Quote figure={figure} source={link.source} />
      <Row label={t('Words')}>
        <Text
          key={link.id + (link.text ?? '')}
          label={t('Words of the link')}
          value={link.text ?? ''}
          onChange={(words) => apply(renameLink(link.id, words))}
        />
      </Row>
      {kinds[figure.kind].linkRoles.length > 1 && (
        <Row label={t('Means')}>
          <select
            aria-label={t('What the link means')}
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
                {t(linkMeanings[r])}
              </option>
            ))}
          </select>
        </Row>
      )}
      {figure.kind === 'decision' && (
        <Row label={t('Chance')}>
          <Text
            key={link.id + (link.probability ?? '')}
            label={t('Chance in percent')}
            value={link.probability === undefined ? '' : `${Math.round(link.probability * 1e4) / 100}%`}
            hint={t('none')}
            onChange={(typed) => {
              const chance = chanceIn(typed)
              if (chance === null && typed !== '')
                tell(t('A chance is a number of percents from 0 to 100. Nothing was changed.'))
              else apply({ do: 'setLink', id: link.id, set: withChance(link, chance) })
            }}
          />
        </Row>
      )}
      {(['from', 'to'] as const).map((end) => (
        <Row key={end} label={end === 'from' ? t('From') : t('To')}>
          <select
            aria-label={end === 'from' ? t('Leaves from') : t('Leads to')}
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
        {t('Insert here: {noun}', { noun: said(kinds[figure.kind].noun) })}
      </button>
      <p className="text-[13px] text-quiet">
        {t('Drag a ring at its end onto another node to attach it there.')}
        {scene?.bends && ` ${t('Drag a bar on it, or press Shift and an arrow key, to bend it.')}`}
      </p>
      {link.heldRoute && placesOf(figure) && (
        <p className="text-[13px] text-quiet">
          {t('Bent by hand.')}{' '}
          <button type="button" className="text-button" onClick={() => apply(straighten(link.id))}>
            {t('Let it find its way')}
          </button>
        </p>
      )}
    </>
  )
}
