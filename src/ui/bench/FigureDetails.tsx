'use client'

import { leftOut } from '@/core/document'
import { kinds } from '@/core/figure'
import { Row, Text } from './DetailFields'
import { FigureDress } from './FigureDress'
import type { Work } from './work'
import { useWords } from '../words/words'

/** Nothing is selected: what the figure is, what it was read from, what it leaves out. */
export function FigureDetails({ work }: { work: Work }) {
  const t = useWords()
  const { figure, scene, apply, actions } = work
  const held = Object.values(figure.nodes).filter((n) => n.held).length
  return (
    <>
      <h2 className="font-semibold">{t(kinds[figure.kind].name)}</h2>
      <Row label={t('Title')}>
        <Text
          key={figure.title}
          label={t('Title of the figure')}
          value={figure.title}
          onChange={(title) => apply({ do: 'setFigure', set: { title } })}
        />
      </Row>
      <Around work={work} />
      <Row label={t('Alt text')}>
        <Text
          key={figure.altText ?? ''}
          label={t('Alt text: what the figure says, for those who cannot see it')}
          value={figure.altText ?? ''}
          hint={t('made from the figure')}
          onChange={(altText) => apply({ do: 'setFigure', set: { altText: altText || null } })}
        />
      </Row>
      <FigureDress work={work} />
      {held > 0 && (
        <p className="text-[13px] text-quiet">
          {t('{held, plural, one {One node is} other {# nodes are}} held in place.', { held })}{' '}
          <button type="button" className="text-button" onClick={actions.releaseAll}>
            {t('{held, plural, one {Release it} other {Release all}}', { held })}
          </button>
        </p>
      )}
      <About work={work} />
      <p className="text-[13px] text-quiet">
        {scene &&
          `${t('{nodes, plural, one {# node} other {# nodes}}, {links, plural, one {# link} other {# links}}', {
            nodes: scene.nodes.length,
            links: scene.links.length,
          })}. `}
        {t('Select a node or a link to change it; double-click, or just type, to change its words.')}
      </p>
    </>
  )
}

/** What stands above and below the picture. */
function Around({ work }: { work: Work }) {
  const t = useWords()
  const { figure, apply } = work
  return (
    <>
      <label className="flex items-center gap-2 text-[13px]">
        <input
          type="checkbox"
          checked={figure.dress.titled ?? false}
          onChange={(e) => apply({ do: 'setFigure', set: { dress: { ...figure.dress, titled: e.target.checked } } })}
        />
        {t('Show the title in the figure')}
      </label>
      <Row label={t('Caption')}>
        <Text
          key={`caption ${figure.caption ?? ''}`}
          label={t('Caption below the figure')}
          value={figure.caption ?? ''}
          hint={t('none')}
          onChange={(caption) => apply({ do: 'setFigure', set: { caption: caption || null } })}
        />
      </Row>
      <Row label={t('Source')}>
        <Text
          key={`source ${figure.sourceLine ?? ''}`}
          label={t('Source line at the foot of the figure')}
          value={figure.sourceLine ?? ''}
          hint={t('none')}
          onChange={(line) => apply({ do: 'setFigure', set: { sourceLine: line || null } })}
        />
      </Row>
    </>
  )
}

/** What it was read from and what of that it does not say. */
function About({ work }: { work: Work }) {
  const t = useWords()
  const { figure } = work
  const { of, missing, runs } = leftOut(figure, work.insets.within())
  const { passage, wasRead } = figure
  if (!passage) return <p className="text-[13px] text-quiet">{t('Made by hand, from no passage.')}</p>
  const words = wasRead.text.slice(passage.start, passage.end).trim()
  return (
    <div className="text-[13px] text-quiet">
      <blockquote className="border-l-2 border-rule pl-2.5 font-serif text-[14px] leading-snug">
        “{words.length > 120 ? `${words.slice(0, 120)} …` : words}”
      </blockquote>
      <p className="mt-2">
        {missing === 0
          ? t('Every word of its passage is in it.')
          : t('{held} of {of} words of its passage are in it. Left out: {runs}', {
              held: of - missing,
              of,
              runs: `${runs.slice(0, 4).join(' · ')}${runs.length > 4 ? ' …' : ''}`,
            })}
      </p>
    </div>
  )
}
