/** BPMN 2.0 (OMG, formal/2011-01-03; ISO/IEC 19510) with diagram interchange. Steps are tasks, questions exclusive gateways, who
 *  acts a lane; what BPMN does not say of a node stands in an extension element of our own. */
import { escaped } from '../formats'
import { bottom, right, union, type Box, type Point } from '../geometry'
import type { Figure, FigureNode } from '../figure'
import type { Scene } from '../scene'
import { flatFigure, type Flat } from './flat'

const NS = {
  bpmn: 'http://www.omg.org/spec/BPMN/20100524/MODEL',
  bpmndi: 'http://www.omg.org/spec/BPMN/20100524/DI',
  dc: 'http://www.omg.org/spec/DD/20100524/DC',
  di: 'http://www.omg.org/spec/DD/20100524/DI',
  f: 'urn:idle-compass:figure',
} as const
export const FIGURE_NS = NS.f

/** What a role is called there. */
const ELEMENTS: Readonly<Record<string, string>> = {
  start: 'startEvent',
  step: 'task',
  question: 'exclusiveGateway',
  end: 'endEvent',
  connector: 'intermediateThrowEvent',
}

/** Ids are XML names there: every other sign becomes its number. */
export const xmlId = (id: string): string =>
  `n_${id.replace(/[^A-Za-z0-9]/g, (c) => `_${c.charCodeAt(0).toString(16)}_`)}`
const quoted = (words: string): string => escaped(words).replace(/\n/g, '&#10;').replace(/\t/g, '&#9;')

/** Only of processes; `scene` is the figure as drawn, in lanes where somebody acts. */
export function bpmnOf(figure: Figure, scene: Scene): string {
  const { figure: head, nodes, links } = flatFigure(figure)
  const lanes = lanesOf(figure)
  const own = (row: Flat, tag: string) =>
    `<bpmn:extensionElements><f:${tag}${Object.entries(row)
      .map(([name, words]) => ` ${name}="${quoted(words)}"`)
      .join('')}/></bpmn:extensionElements>`
  const laneSet =
    lanes.length === 0
      ? ''
      : `<bpmn:laneSet id="lanes">${lanes
          .map(
            (l, i) =>
              `<bpmn:lane id="lane_${i}" name="${quoted(l.name)}">${l.nodes.map((n) => `<bpmn:flowNodeRef>${xmlId(n)}</bpmn:flowNodeRef>`).join('')}</bpmn:lane>`,
          )
          .join('')}</bpmn:laneSet>`
  const elements = nodes.map((n) => {
    const id = n['id'] ?? ''
    const tag = n['inset'] === undefined ? (ELEMENTS[n['role'] ?? ''] ?? 'task') : 'callActivity'
    const flows = (end: 'from' | 'to', name: string) =>
      links
        .filter((l) => l[end] === id && l['role'] !== 'beside')
        .map((l) => `<bpmn:${name}>${xmlId(l['id'] ?? '')}</bpmn:${name}>`)
        .join('')
    const about = n['detail'] === undefined ? '' : `<bpmn:documentation>${escaped(n['detail'])}</bpmn:documentation>`
    return `<bpmn:${tag} id="${xmlId(id)}" name="${quoted(n['text'] ?? '')}">${about}${own(n, 'node')}${flows('to', 'incoming')}${flows('from', 'outgoing')}</bpmn:${tag}>`
  })
  const flow = (l: Flat) => {
    const ends = `sourceRef="${xmlId(l['from'] ?? '')}" targetRef="${xmlId(l['to'] ?? '')}"`
    if (l['role'] === 'beside')
      return `<bpmn:association id="${xmlId(l['id'] ?? '')}" ${ends}>${own(l, 'link')}</bpmn:association>`
    const name = l['text'] === undefined ? '' : ` name="${quoted(l['text'])}"`
    return `<bpmn:sequenceFlow id="${xmlId(l['id'] ?? '')}"${name} ${ends}>${own(l, 'link')}</bpmn:sequenceFlow>`
  }
  const isBeside = (l: Flat) => l['role'] === 'beside'
  const pool =
    lanes.length === 0
      ? ''
      : `<bpmn:collaboration id="pools"><bpmn:participant id="pool" name="${quoted(figure.title)}" processRef="process"/></bpmn:collaboration>\n`
  return `<?xml version="1.0" encoding="UTF-8"?>
<bpmn:definitions ${Object.entries(NS)
    .map(([prefix, uri]) => `xmlns:${prefix}="${uri}"`)
    .join(' ')} id="definitions" targetNamespace="${NS.f}" exporter="Idle Compass">
${pool}<bpmn:process id="process" name="${quoted(figure.title)}" isExecutable="false">
${own(head, 'figure')}${laneSet}
${[...elements, ...links.filter((l) => !isBeside(l)).map(flow), ...links.filter(isBeside).map(flow)].join('\n')}
</bpmn:process>
${diagram(figure, scene, lanes)}
</bpmn:definitions>
`
}

type Lane = { readonly name: string; readonly nodes: readonly string[] }

function lanesOf(figure: Figure): Lane[] {
  const out = new Map<string, string[]>()
  for (const n of Object.values(figure.nodes).toSorted((a, b) => a.order - b.order)) {
    const name = n.actor ?? ''
    out.set(name, [...(out.get(name) ?? []), n.id])
  }
  return out.size === 1 && out.has('') ? [] : [...out].map(([name, nodes]) => ({ name, nodes }))
}

const POOL_NAME = 30

function diagram(figure: Figure, scene: Scene, lanes: readonly Lane[]): string {
  const boxes = new Map(scene.nodes.map((n) => [n.id, n.box]))
  const bounds = (b: Box) =>
    `<dc:Bounds x="${n(b.x)}" y="${n(b.y)}" width="${n(Math.max(1, b.width))}" height="${n(Math.max(1, b.height))}"/>`
  const shape = (id: string, b: Box, more = '') =>
    `<bpmndi:BPMNShape id="${id}_shape" bpmnElement="${id}"${more}>${bounds(b)}</bpmndi:BPMNShape>`
  const nodes = Object.values(figure.nodes).flatMap((x: FigureNode) => {
    const box = boxes.get(x.id)
    return box ? [shape(xmlId(x.id), box)] : []
  })
  const edges = scene.links.map((l) => {
    const points = l.points.map((p: Point) => `<di:waypoint x="${n(p.x)}" y="${n(p.y)}"/>`).join('')
    return `<bpmndi:BPMNEdge id="${xmlId(l.id)}_edge" bpmnElement="${xmlId(l.id)}">${points}</bpmndi:BPMNEdge>`
  })
  const stripes = laneBoxes(lanes, boxes)
  const pool = stripes.length > 0 ? union(stripes) : null
  const frames = pool
    ? [
        shape('pool', { ...pool, x: pool.x - POOL_NAME, width: pool.width + POOL_NAME }, ' isHorizontal="true"'),
        ...stripes.map((b, i) => shape(`lane_${i}`, b, ' isHorizontal="true"')),
      ]
    : []
  return `<bpmndi:BPMNDiagram id="diagram"><bpmndi:BPMNPlane id="plane" bpmnElement="${pool ? 'pools' : 'process'}">
${[...frames, ...nodes, ...edges].join('\n')}
</bpmndi:BPMNPlane></bpmndi:BPMNDiagram>`
}
const n = (v: number): number => Math.round(v * 100) / 100

const LANE_PAD = 24

/** Stripes over the whole width, from one to the next halfway between what stands in them. */
function laneBoxes(lanes: readonly Lane[], boxes: ReadonlyMap<string, Box>): Box[] {
  const extents = lanes.map((l) => {
    const own = l.nodes.flatMap((id) => boxes.get(id) ?? [])
    return own.length > 0 ? union(own) : null
  })
  const all = extents.filter((b) => b !== null)
  if (all.length === 0) return []
  const whole = union(all)
  const order = lanes.map((_, i) => i).toSorted((a, b) => (extents[a]?.y ?? 0) - (extents[b]?.y ?? 0))
  const out: Box[] = []
  order.forEach((lane, k) => {
    const [before, own, after] = [extents[order[k - 1] ?? -1], extents[lane], extents[order[k + 1] ?? -1]]
    const top = before && own ? (bottom(before) + own.y) / 2 : whole.y - LANE_PAD
    const foot = after && own ? (bottom(own) + after.y) / 2 : bottom(whole) + LANE_PAD
    out[lane] = {
      x: whole.x - 2 * LANE_PAD,
      y: top,
      width: right(whole) - whole.x + 3 * LANE_PAD,
      height: Math.max(1, foot - top),
    }
  })
  return out
}
