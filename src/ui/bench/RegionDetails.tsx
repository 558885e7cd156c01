'use client'

import { regionsOf, rename } from '@/core/document'
import { regionName } from './gestures'
import type { Work } from './work'
import { Text } from './DetailFields'
import { PickPicture } from './PictureDetails'

/** A region of a Venn diagram as a place: what lies in it, and room for more. */
export function RegionDetails({ work }: { work: Work }) {
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
      <h2 className="font-semibold first-letter:uppercase">{name}</h2>
      {(found?.members ?? []).length === 0 && (
        <p className="text-[13px] text-quiet">
          Nothing yet. What is true {(region ?? []).length === 0 ? 'of none of the sets' : name} belongs here.
        </p>
      )}
      {found?.members.map((m) => (
        <Text
          key={`${m.id} ${m.text}`}
          label={`Words of “${m.text}”`}
          value={m.text}
          onChange={(t) => apply(rename(m.id, t))}
        />
      ))}
      <button type="button" className="button self-start" onClick={() => actions.addMember(region ?? [])}>
        Add a member here
      </button>
      <PickPicture says="Put a picture here" onFile={(file) => work.pictures.intoRegion(region ?? [], file)} />
      {found?.sets.map((s) => (
        <button
          key={s.id}
          type="button"
          className="text-button self-start"
          onClick={() => select([{ kind: 'node', id: s.id }])}
        >
          Select the set “{s.text}”
        </button>
      ))}
    </>
  )
}
