'use client'

import { rename, valueIn, type Change, type Edit } from '@/core/document'
import {
  connectorForms,
  crossLinks,
  kinds,
  nodesInOrder,
  typefaces,
  type Figure,
  type FigureNode,
  type NodeRole,
} from '@/core/figure'
import type { Scene } from '@/core/scene'
import { typefaceTable } from '@/core/style'
import { useNotice } from '../chrome/Notice'
import type { Selected } from './selection'
import type { BenchActions } from './useActions'
import { Quote, Row, Text } from './DetailFields'
import { LinkDetails } from './LinkDetails'

type Props = {
  readonly figure: Figure
  readonly scene: Scene | null
  readonly selected: Selected
  readonly apply: (edit: Edit) => void
  readonly actions: BenchActions
}

/** What is selected, near the thing it changes: words, who, shape; where the words came from; whether it is held. */
export function Inspector({ figure, scene, selected, apply, actions }: Props) {
  const node = selected?.kind === 'node' ? figure.nodes[selected.id] : undefined
  const link = selected?.kind === 'link' ? figure.links[selected.id] : undefined
  return (
    <aside
      aria-label="Details"
      className="flex min-h-0 flex-col gap-4 overflow-auto border-l border-rule bg-page px-4 py-4"
    >
      {node && <NodeDetails figure={figure} node={node} apply={apply} actions={actions} />}
      {link && <LinkDetails figure={figure} scene={scene} link={link} apply={apply} />}
      {!node && !link && <FigureDetails figure={figure} scene={scene} apply={apply} actions={actions} />}
    </aside>
  )
}

/** Rays go out from one concept only where all are joined to it: the backbone of a map in one part has a link less than nodes. */
const hangsTogether = (figure: Figure): boolean =>
  Object.keys(figure.links).length - crossLinks(figure).size === Object.keys(figure.nodes).length - 1

function NodeDetails({
  figure,
  node,
  apply,
  actions,
}: {
  figure: Figure
  node: FigureNode
  apply: (edit: Edit) => void
  actions: BenchActions
}) {
  const set = (change: Change<FigureNode>) => apply({ do: 'setNode', id: node.id, set: change })
  const roles: readonly NodeRole[] = kinds[figure.kind].nodeRoles
  const tell = useNotice()
  return (
    <>
      <h2 className="font-semibold first-letter:uppercase">{node.role}</h2>
      <Quote figure={figure} source={node.source} />
      <Row label="Words">
        <Text
          key={node.id + node.text}
          label="Words of the selected node"
          value={node.text}
          onChange={(t) => apply(rename(node.id, t))}
        />
      </Row>
      {figure.kind === 'process' && node.role !== 'question' && (
        <Row label="Who">
          <Text
            key={node.id + (node.actor ?? '')}
            label="Who does it"
            value={node.actor ?? ''}
            onChange={(t) => set({ actor: t || null })}
          />
        </Row>
      )}
      {(figure.kind === 'process' || figure.kind === 'points') && (
        <Row label="Takes">
          <Text
            key={node.id + (node.duration ?? '')}
            label="How long it takes, as in 20 minutes"
            value={node.duration ?? ''}
            hint="not said"
            onChange={(t) => set({ duration: t || null })}
          />
        </Row>
      )}
      <Row label="Detail">
        <Text
          key={node.id + (node.detail ?? '')}
          label="Detail under the words"
          value={node.detail ?? ''}
          onChange={(t) => set({ detail: t || null })}
        />
      </Row>
      {figure.kind === 'decision' && node.role !== 'choice' && (
        <Row label="Value">
          <Text
            key={`${node.id} ${node.measure?.value ?? ''} ${node.measure?.unit ?? ''}`}
            label="What it brings, less than nothing for a loss"
            value={node.measure ? `${node.measure.value} ${node.measure.unit}`.trim() : ''}
            hint="none"
            onChange={(t) => {
              const measure = valueIn(t)
              if (measure === null && t !== '') tell('A value is a number, as in “-4,000 €”. Nothing was changed.')
              else set({ measure })
            }}
          />
        </Row>
      )}
      {roles.length > 1 && (
        <Row label="Is a">
          <select
            aria-label="Role of the node"
            className="field"
            value={node.role}
            onChange={(e) => set({ role: roles.find((r) => r === e.target.value) ?? node.role })}
          >
            {roles.map((r) => (
              <option key={r} value={r}>
                {r}
              </option>
            ))}
          </select>
        </Row>
      )}
      {node.role === 'question' && (
        <button type="button" className="button self-start" onClick={actions.addBranch}>
          Add an answer
        </button>
      )}
      {figure.kind === 'process' && (
        <Row label="Link to">
          <select
            aria-label="Link to another node"
            className="field"
            value=""
            onChange={(e) => e.target.value && actions.connectTo(e.target.value)}
          >
            <option value="">choose …</option>
            {nodesInOrder(figure)
              .filter((n) => n.id !== node.id)
              .map((n) => (
                <option key={n.id} value={n.id}>
                  {n.text}
                </option>
              ))}
          </select>
        </Row>
      )}
      {figure.kind === 'concept' && figure.focus !== node.id && hangsTogether(figure) && (
        <button
          type="button"
          className="button self-start"
          onClick={() => apply({ do: 'setFigure', set: { focus: node.id, arrangement: 'rays' } })}
        >
          Put it in the middle
        </button>
      )}
      {node.held ? (
        <p className="text-[13px] text-quiet">
          Held where you placed it.{' '}
          <button
            type="button"
            className="font-semibold text-sea underline underline-offset-2"
            onClick={actions.release}
          >
            Release it
          </button>
        </p>
      ) : (
        <p className="text-[13px] text-quiet">Placed by layout. Drag to hold it in place.</p>
      )}
    </>
  )
}

function FigureDetails({
  figure,
  scene,
  apply,
  actions,
}: {
  figure: Figure
  scene: Scene | null
  apply: (edit: Edit) => void
  actions: BenchActions
}) {
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
      <Row label="Alt text">
        <Text
          key={figure.altText ?? ''}
          label="Alt text: what the figure says, for those who cannot see it"
          value={figure.altText ?? ''}
          hint="made from the figure"
          onChange={(t) => apply({ do: 'setFigure', set: { altText: t || null } })}
        />
      </Row>
      <Row label="Type">
        <select
          aria-label="Typeface of the figure"
          className="field"
          value={figure.dress.typeface}
          onChange={(e) =>
            apply({
              do: 'setFigure',
              set: { dress: { ...figure.dress, typeface: typefaces.find((t) => t === e.target.value) ?? 'grotesk' } },
            })
          }
        >
          {typefaces.map((t) => (
            <option key={t} value={t}>
              {typefaceTable[t].name}
            </option>
          ))}
        </select>
      </Row>
      {Object.keys(figure.links).length > 0 && (
        <Row label="Links">
          <select
            aria-label="Form of the connectors"
            className="field"
            value={figure.dress.connectors ?? 'rounded'}
            onChange={(e) =>
              apply({
                do: 'setFigure',
                set: { dress: { ...figure.dress, connectors: connectorForms.find((f) => f === e.target.value) } },
              })
            }
          >
            {connectorForms.map((f) => (
              <option key={f} value={f}>
                {f}
              </option>
            ))}
          </select>
        </Row>
      )}
      {held > 0 && (
        <p className="text-[13px] text-quiet">
          {held === 1 ? 'One node is' : `${held} nodes are`} held in place.{' '}
          <button
            type="button"
            className="font-semibold text-sea underline underline-offset-2"
            onClick={actions.releaseAll}
          >
            Release {held === 1 ? 'it' : 'all'}
          </button>
        </p>
      )}
      <p className="text-[13px] text-quiet">
        {scene ? `${scene.nodes.length} nodes, ${scene.links.length} links. ` : ''}Select a node or a link to change it;
        double-click to change its words.
      </p>
    </>
  )
}
