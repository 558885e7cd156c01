'use client'

import { leftOut } from '@/core/document'
import { kinds } from '@/core/figure'
import { Row, Text } from './DetailFields'
import { FigureDress } from './FigureDress'
import type { Work } from './work'

/** Nothing is selected: what the figure is, what it was read from, what it leaves out. */
export function FigureDetails({ work }: { work: Work }) {
  const { figure, scene, apply, actions } = work
  const held = Object.values(figure.nodes).filter((n) => n.held).length
  return (
    <>
      <h2 className="font-semibold">{kinds[figure.kind].name}</h2>
      <Row label="Title">
        <Text
          key={figure.title}
          label="Title of the figure"
          value={figure.title}
          onChange={(title) => apply({ do: 'setFigure', set: { title } })}
        />
      </Row>
      <Around work={work} />
      <Row label="Alt text">
        <Text
          key={figure.altText ?? ''}
          label="Alt text: what the figure says, for those who cannot see it"
          value={figure.altText ?? ''}
          hint="made from the figure"
          onChange={(t) => apply({ do: 'setFigure', set: { altText: t || null } })}
        />
      </Row>
      <FigureDress work={work} />
      {held > 0 && (
        <p className="text-[13px] text-quiet">
          {held === 1 ? 'One node is' : `${held} nodes are`} held in place.{' '}
          <button type="button" className="text-button" onClick={actions.releaseAll}>
            Release {held === 1 ? 'it' : 'all'}
          </button>
        </p>
      )}
      <About work={work} />
      <p className="text-[13px] text-quiet">
        {scene ? `${scene.nodes.length} nodes, ${scene.links.length} links. ` : ''}Select a node or a link to change it;
        double-click, or just type, to change its words.
      </p>
    </>
  )
}

/** What stands above and below the picture. */
function Around({ work }: { work: Work }) {
  const { figure, apply } = work
  return (
    <>
      <label className="flex items-center gap-2 text-[13px]">
        <input
          type="checkbox"
          checked={figure.dress.titled ?? false}
          onChange={(e) => apply({ do: 'setFigure', set: { dress: { ...figure.dress, titled: e.target.checked } } })}
        />
        Show the title in the figure
      </label>
      <Row label="Caption">
        <Text
          key={`caption ${figure.caption ?? ''}`}
          label="Caption below the figure"
          value={figure.caption ?? ''}
          hint="none"
          onChange={(t) => apply({ do: 'setFigure', set: { caption: t || null } })}
        />
      </Row>
      <Row label="Source">
        <Text
          key={`source ${figure.sourceLine ?? ''}`}
          label="Source line at the foot of the figure"
          value={figure.sourceLine ?? ''}
          hint="none"
          onChange={(t) => apply({ do: 'setFigure', set: { sourceLine: t || null } })}
        />
      </Row>
    </>
  )
}

/** What it was read from and what of that it does not say. */
function About({ work }: { work: Work }) {
  const { figure } = work
  const { of, missing, runs } = leftOut(figure, work.insets.within())
  const { passage, wasRead } = figure
  if (!passage) return <p className="text-[13px] text-quiet">Made by hand, from no passage.</p>
  const words = wasRead.text.slice(passage.start, passage.end).trim()
  return (
    <div className="text-[13px] text-quiet">
      <blockquote className="border-l-2 border-rule pl-2.5 font-serif text-[14px] leading-snug">
        “{words.length > 120 ? `${words.slice(0, 120)} …` : words}”
      </blockquote>
      <p className="mt-2">
        {missing === 0
          ? 'Every word of its passage is in it.'
          : `${of - missing} of ${of} words of its passage are in it. Left out: ${runs.slice(0, 4).join(' · ')}${runs.length > 4 ? ' …' : ''}`}
      </p>
    </div>
  )
}
