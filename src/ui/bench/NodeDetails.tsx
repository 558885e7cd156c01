'use client'

import { faultSentence, fieldsOf, isFault, isInside, nestSet, setsOf, suits, type Field } from '@/core/document'
import { crossLinks, nodesInOrder, type Figure, type FigureNode, roleNames } from '@/core/figure'
import { Quote, Row, Text } from './DetailFields'
import { IconPicker } from './IconPicker'
import { InsetDetails } from './InsetDetails'
import { PictureDetails } from './PictureDetails'
import { newId } from './newId'
import type { Work } from './work'
import { useWords } from '../words/words'

/** Rays go out from one concept only where all are joined to it: the backbone of a map in one part has a link less than nodes. */
const hangsTogether = (figure: Figure): boolean =>
  Object.keys(figure.links).length - crossLinks(figure).size === Object.keys(figure.nodes).length - 1

/** Links stand in the figure and in the table; here are too few words' width for them. */
const ELSEWHERE: readonly string[] = ['next']

/** A selected node, field by field: where its words came from, what it says, whether it is held. */
export function NodeDetails({ work }: { work: Work }) {
  const t = useWords()
  const { figure, selected, apply, actions } = work
  const node = figure.nodes[selected?.id ?? '']
  if (!node) return null
  const fields = fieldsOf(figure).filter((f) => !ELSEWHERE.includes(f.id) && suits(figure, f, node))
  return (
    <>
      <h2 className="font-semibold first-letter:uppercase">{t(roleNames[node.role])}</h2>
      <Quote figure={figure} source={node.source} />
      {fields.map((field) => (
        <Row key={field.id} label={t(field.label)}>
          <FieldInput work={work} field={field} node={node} />
        </Row>
      ))}
      {figure.kind === 'process' && (
        <div className="flex flex-wrap gap-2">
          {node.role === 'question' && (
            <button type="button" className="button" onClick={actions.addBranch}>
              {t('Add an answer')}
            </button>
          )}
          {(node.role === 'question' || node.role === 'step') && (
            <button type="button" className="button" onClick={actions.askOrTell}>
              {node.role === 'question' ? t('Make it a step') : t('Make it a question')}
            </button>
          )}
        </div>
      )}
      {(figure.kind === 'process' || figure.kind === 'concept') && <LinkTo work={work} node={node} />}
      {figure.kind === 'concept' && figure.focus !== node.id && hangsTogether(figure) && (
        <button
          type="button"
          className="button self-start"
          onClick={() => apply({ do: 'setFigure', set: { focus: node.id, arrangement: 'rays' } })}
        >
          {t('Put it in the middle')}
        </button>
      )}
      {node.role === 'set' && <Inside work={work} node={node} />}
      <div className="flex flex-wrap gap-x-4 gap-y-2">
        <PictureDetails key={`picture ${node.id}`} work={work} node={node} />
        <InsetDetails key={node.id} work={work} node={node} />
      </div>
      <IconPicker key={`icon ${node.id}`} work={work} id={node.id} />
      <Held work={work} held={node.held !== undefined} />
    </>
  )
}

function FieldInput({ work, field, node }: { work: Work; field: Field; node: FigureNode }) {
  const t = useWords()
  const { figure, apply, tell } = work
  const value = field.read(figure, node)
  const write = (words: string) => {
    const written = field.write(figure, node, words, newId)
    if (isFault(written)) tell(t('{written} Nothing was changed.', { written: faultSentence(written) }))
    else apply(written)
  }
  const choices = field.choices?.(figure)
  if (!choices)
    return (
      <Text
        key={`${node.id} ${value}`}
        label={field.id === 'text' ? t('Words of the selected node') : t(field.says)}
        value={value}
        {...(field.hint === undefined ? {} : { hint: t(field.hint) })}
        onChange={write}
      />
    )
  return (
    <select aria-label={t(field.says)} className="field" value={value} onChange={(e) => write(e.target.value)}>
      {choices.map((c) => (
        <option key={c} value={c}>
          {field.called?.[c] ? t(field.called[c]) : c}
        </option>
      ))}
    </select>
  )
}

function LinkTo({ work, node }: { work: Work; node: FigureNode }) {
  const t = useWords()
  const { figure, actions } = work
  return (
    <Row label={t('Link to')}>
      <select
        data-link-to
        aria-label={t('Link to another node')}
        className="field"
        value=""
        onChange={(e) => e.target.value && actions.connectTo(e.target.value)}
      >
        <option value="">{t('choose …')}</option>
        {nodesInOrder(figure)
          .filter((n) => n.id !== node.id)
          .map((n) => (
            <option key={n.id} value={n.id}>
              {n.text}
            </option>
          ))}
      </select>
    </Row>
  )
}

/** Puts a set inside another: whatever lies in it then lies in the other, too. */
function Inside({ work, node }: { work: Work; node: FigureNode }) {
  const t = useWords()
  const { figure, apply } = work
  const others = setsOf(figure).filter((o) => o.id !== node.id)
  const around = others.find((o) => isInside(figure, node.id, o.id))?.id ?? ''
  return (
    <Row label={t('Inside')}>
      <select
        aria-label={t('The set that this one lies inside')}
        className="field"
        value={around}
        onChange={(e) => e.target.value && apply(nestSet(figure, node.id, e.target.value))}
      >
        <option value="">{t('none')}</option>
        {others.map((o) => (
          <option key={o.id} value={o.id}>
            {o.text}
          </option>
        ))}
      </select>
    </Row>
  )
}

function Held({ work, held }: { work: Work; held: boolean }) {
  const t = useWords()
  return (
    <>
      {held ? (
        <p className="text-[13px] text-quiet">
          {t('Held where you placed it.')}{' '}
          <button type="button" className="text-button" onClick={work.actions.release}>
            {t('Release it')}
          </button>
        </p>
      ) : (
        <p className="text-[13px] text-quiet">
          {work.figure.kind === 'venn'
            ? t('Drag it into another region to move it there.')
            : t('Drag it to hold it in place, or pull a ring.')}
        </p>
      )}
    </>
  )
}
