'use client'

import { regionsOf, rename } from '@/core/document'
import { regionName } from './gestures'
import type { Work } from './work'
import { Text } from './DetailFields'
import { PickPicture } from './PictureDetails'
import { useWords } from '../words/words'

/** A region of a Venn diagram as a place: what lies in it, and room for more. */
export function RegionDetails({ work }: { work: Work }) {
  const t = useWords()
  const { figure, region, actions, apply, select } = work
  const key = (region ?? []).toSorted().join()
  const found = regionsOf(figure).find(
    (r) =>
      r.sets
        .map((s) => s.id)
        .toSorted()
        .join() === key,
  )
  const name = regionName(figure, region ?? [])
  return (
    <>
      <h2 className="font-semibold">{t(name)}</h2>
      {(found?.members ?? []).length === 0 && (
        <p className="text-[13px] text-quiet">{t('Nothing yet. What lies here belongs to this region alone.')}</p>
      )}
      {found?.members.map((m) => (
        <Text
          key={`${m.id} ${m.text}`}
          label={t('Words of “{text}”', { text: m.text })}
          value={m.text}
          onChange={(words) => apply(rename(m.id, words))}
        />
      ))}
      <button type="button" className="button self-start" onClick={() => actions.addMember(region ?? [])}>
        {t('Add a member here')}
      </button>
      <PickPicture says={t('Put a picture here')} onFile={(file) => work.pictures.intoRegion(region ?? [], file)} />
      {found?.sets.map((s) => (
        <button
          key={s.id}
          type="button"
          className="text-button self-start"
          onClick={() => select([{ kind: 'node', id: s.id }])}
        >
          {t('Select the set “{text}”', { text: s.text })}
        </button>
      ))}
    </>
  )
}
