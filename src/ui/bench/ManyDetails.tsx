'use client'

import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalDistributeCenter,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalDistributeCenter,
} from 'lucide-react'
import { align, all, distribute, fieldsOf, isFault, sameSize, type Edit, type Line } from '@/core/document'
import { Row, Text } from './DetailFields'
import { alikeTo, nodeParts, nodesIn } from './selection'
import { boxesOf } from './Stage'
import { newId } from './newId'
import type { Work } from './work'
import { useWords } from '../words/words'
import { said, type Said } from '@/core/words'

const lines: readonly { readonly line: Line; readonly says: Said; readonly Icon: typeof AlignEndVertical }[] = [
  { line: 'left', says: said('Left edges in line'), Icon: AlignStartVertical },
  { line: 'centre', says: said('Middles in line, upright'), Icon: AlignCenterVertical },
  { line: 'right', says: said('Right edges in line'), Icon: AlignEndVertical },
  { line: 'top', says: said('Top edges in line'), Icon: AlignStartHorizontal },
  { line: 'middle', says: said('Middles in line, level'), Icon: AlignCenterHorizontal },
  { line: 'bottom', says: said('Bottom edges in line'), Icon: AlignEndHorizontal },
]

/** Several parts at once: placed together, said of all of them, taken out. */
export function ManyDetails({ work }: { work: Work }) {
  const t = useWords()
  const { figure, selection, actions, select } = work
  const nodes = nodesIn(selection)
  const [first] = nodes
  return (
    <>
      <h2 className="font-semibold">{t('{n} parts', { n: selection.length })}</h2>
      {nodes.length > 1 && (
        <>
          <PlaceThem work={work} />
          <SaidOfAll work={work} />
        </>
      )}
      <div className="flex flex-wrap gap-2">
        {nodes.length === 2 && (
          <button type="button" className="button" onClick={actions.swap}>
            {t('Change places')}
          </button>
        )}
        <button type="button" className="button" onClick={actions.double}>
          {t('Double')}
        </button>
        <button type="button" className="button" onClick={actions.tidySelected}>
          {t('Tidy these')}
        </button>
        <button type="button" className="button" onClick={work.insets.make}>
          {t('Make them an inset')}
        </button>
        <button type="button" className="button" onClick={actions.removeSelected}>
          {t('Remove')}
        </button>
      </div>
      {first !== undefined &&
        alikeTo(figure, first).map((a) => (
          <button key={a.by} type="button" className="text-button self-start" onClick={() => select(nodeParts(a.ids))}>
            {t('All {n} of the same {by}', { n: a.ids.length, by: a.by })}
          </button>
        ))}
    </>
  )
}

function PlaceThem({ work }: { work: Work }) {
  const t = useWords()
  const { apply, selection } = work
  const boxes = boxesOf(work)
  const nodes = nodesIn(selection)
  return (
    <div role="group" aria-label={t('Place them')} className="flex flex-wrap gap-1">
      {lines.map(({ line, says, Icon }) => (
        <button
          key={line}
          type="button"
          className="quiet-button"
          aria-label={t(says)}
          title={t(says)}
          onClick={() => apply(align(boxes, line))}
        >
          <Icon size={16} aria-hidden="true" />
        </button>
      ))}
      <button type="button" className="quiet-button" onClick={() => apply(sameSize(boxes))}>
        {t('Same size')}
      </button>
      {nodes.length > 2 &&
        (['x', 'y'] as const).map((along) => (
          <button
            key={along}
            type="button"
            className="quiet-button"
            aria-label={along === 'x' ? t('Equal gaps, side by side') : t('Equal gaps, one below the other')}
            title={along === 'x' ? t('Equal gaps, side by side') : t('Equal gaps, one below the other')}
            onClick={() => apply(distribute(boxes, along))}
          >
            {along === 'x' ? (
              <AlignHorizontalDistributeCenter size={16} aria-hidden="true" />
            ) : (
              <AlignVerticalDistributeCenter size={16} aria-hidden="true" />
            )}
          </button>
        ))}
    </div>
  )
}

function SaidOfAll({ work }: { work: Work }) {
  const t = useWords()
  const { figure, apply, selection } = work
  const nodes = nodesIn(selection)
  const common = fieldsOf(figure).filter((f) => f.id === 'actor' || f.id === 'duration')
  return (
    <>
      {common.map((field) => (
        <Row key={field.id} label={t(field.label)}>
          <Text
            key={nodes.join()}
            label={t('{says}, for all of them', { says: field.says })}
            value=""
            hint={t('for all')}
            onChange={(words) =>
              apply(
                all(
                  ...nodes.map((id): Edit | null => {
                    const node = figure.nodes[id]
                    const written = node && field.write(figure, node, words, newId)
                    return written && !isFault(written) ? written : null
                  }),
                ),
              )
            }
          />
        </Row>
      ))}
    </>
  )
}
