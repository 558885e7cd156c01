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

const lines: readonly { readonly line: Line; readonly says: string; readonly Icon: typeof AlignEndVertical }[] = [
  { line: 'left', says: 'Left edges in line', Icon: AlignStartVertical },
  { line: 'centre', says: 'Middles in line, upright', Icon: AlignCenterVertical },
  { line: 'right', says: 'Right edges in line', Icon: AlignEndVertical },
  { line: 'top', says: 'Top edges in line', Icon: AlignStartHorizontal },
  { line: 'middle', says: 'Middles in line, level', Icon: AlignCenterHorizontal },
  { line: 'bottom', says: 'Bottom edges in line', Icon: AlignEndHorizontal },
]

/** Several parts at once: placed together, said of all of them, taken out. */
export function ManyDetails({ work }: { work: Work }) {
  const { figure, selection, actions, select } = work
  const nodes = nodesIn(selection)
  const [first] = nodes
  return (
    <>
      <h2 className="font-semibold">{selection.length} parts</h2>
      {nodes.length > 1 && (
        <>
          <PlaceThem work={work} />
          <SaidOfAll work={work} />
        </>
      )}
      <div className="flex flex-wrap gap-2">
        {nodes.length === 2 && (
          <button type="button" className="button" onClick={actions.swap}>
            Change places
          </button>
        )}
        <button type="button" className="button" onClick={actions.double}>
          Double
        </button>
        <button type="button" className="button" onClick={actions.tidySelected}>
          Tidy these
        </button>
        <button type="button" className="button" onClick={work.insets.make}>
          Make them an inset
        </button>
        <button type="button" className="button" onClick={actions.removeSelected}>
          Remove
        </button>
      </div>
      {first !== undefined &&
        alikeTo(figure, first).map((a) => (
          <button key={a.by} type="button" className="text-button self-start" onClick={() => select(nodeParts(a.ids))}>
            All {a.ids.length} of the same {a.by}
          </button>
        ))}
    </>
  )
}

function PlaceThem({ work }: { work: Work }) {
  const { apply, selection } = work
  const boxes = boxesOf(work)
  const nodes = nodesIn(selection)
  return (
    <div role="group" aria-label="Place them" className="flex flex-wrap gap-1">
      {lines.map(({ line, says, Icon }) => (
        <button
          key={line}
          type="button"
          className="quiet-button"
          aria-label={says}
          title={says}
          onClick={() => apply(align(boxes, line))}
        >
          <Icon size={16} aria-hidden="true" />
        </button>
      ))}
      <button type="button" className="quiet-button" onClick={() => apply(sameSize(boxes))}>
        Same size
      </button>
      {nodes.length > 2 &&
        (['x', 'y'] as const).map((along) => (
          <button
            key={along}
            type="button"
            className="quiet-button"
            aria-label={along === 'x' ? 'Equal gaps, side by side' : 'Equal gaps, one below the other'}
            title={along === 'x' ? 'Equal gaps, side by side' : 'Equal gaps, one below the other'}
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
  const { figure, apply, selection } = work
  const nodes = nodesIn(selection)
  const common = fieldsOf(figure).filter((f) => f.id === 'actor' || f.id === 'duration')
  return (
    <>
      {common.map((field) => (
        <Row key={field.id} label={field.label}>
          <Text
            key={nodes.join()}
            label={`${field.says}, for all of them`}
            value=""
            hint="for all"
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
