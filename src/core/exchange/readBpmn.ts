/** Any BPMN 2.0 process as a figure: gateways that only part or join are drawn as what they do, others are questions; lanes and
 *  pools say who acts; an expanded sub-process becomes a figure of its own, held by its step. */
import { MAX_NODE_TEXT, type Figure, type FigureLink, type FigureNode, type NodeRole } from '../figure'
import { FIGURE_NS } from './bpmn'
import { figureOfFlat } from './flat'
import { below, elements, named, textOf, xmlOf, type XmlElement } from './xml'

/** The process and, behind it, those that its steps hold; empty where it is no BPMN. Throws `UnsoundXml`. */
export function figuresOfBpmn(text: string): Figure[] {
  const root = xmlOf(text)
  if (root.name !== 'definitions' || !root.namespace.includes('BPMN')) return []
  const written = own(root)
  if (written) return [written]
  const processes = named(root, 'process')
  if (processes.length === 0) return []
  const reading = new Reading(root)
  for (const p of processes) reading.process(p, reading.poolOf(p))
  return [reading.figure(title(root, processes)), ...reading.insets]
}

const title = (root: XmlElement, processes: readonly XmlElement[]): string => {
  const pools = [...below(root)].filter((e) => e.name === 'participant')
  const names = [...processes, ...(pools.length === 1 ? pools : [])].map((p) => p.attributes['name'] ?? '')
  return names.find((x) => x !== '') ?? ''
}

function own(root: XmlElement): Figure | null {
  const found = [...below(root)].filter((e) => e.namespace === FIGURE_NS)
  const rows = (name: string) => found.filter((e) => e.name === name).map((e) => e.attributes)
  const [figure] = rows('figure')
  return figure ? figureOfFlat({ figure, nodes: rows('node'), links: rows('link') }) : null
}

const EVENTS: Readonly<Record<string, NodeRole>> = { startEvent: 'start', endEvent: 'end' }
const STEP = /(?:[tT]ask|callActivity|subProcess|transaction|adHocSubProcess|intermediate(?:Catch|Throw)Event)$/
const GATEWAY = /Gateway$/

type Node = { readonly node: FigureNode; readonly gateway: string | null }

class Reading {
  readonly insets: Figure[] = []
  private readonly nodes = new Map<string, Node>()
  private readonly links: { from: string; to: string; text: string; role: 'next' | 'beside' }[] = []
  private readonly pools: ReadonlyMap<string, string>

  constructor(private readonly root: XmlElement) {
    const participants = [...below(root)].filter((e) => e.name === 'participant')
    this.pools = new Map(participants.map((p) => [p.attributes['processRef'] ?? '', p.attributes['name'] ?? '']))
  }

  /** Who acts where no lane says it: the pool, where there are several. */
  poolOf(process: XmlElement): string {
    return this.pools.size > 1 ? (this.pools.get(process.attributes['id'] ?? '') ?? '') : ''
  }

  process(p: XmlElement, pool: string): void {
    const actors = actorsOf(p)
    for (const e of elements(p)) this.element(e, actors.get(e.attributes['id'] ?? '') ?? pool)
    for (const e of elements(p)) if (e.name === 'boundaryEvent') this.boundary(e)
    for (const e of [...elements(p), ...named(this.root, 'collaboration').flatMap(elements)]) this.flow(e)
    this.annotations(p)
  }

  private element(e: XmlElement, actor: string): void {
    const role = EVENTS[e.name] ?? (GATEWAY.test(e.name) ? 'question' : STEP.test(e.name) ? 'step' : null)
    const id = e.attributes['id']
    if (!role || !id || this.nodes.has(id)) return
    const about = named(e, 'documentation').map(textOf).join('\n').trim()
    const inset = /ubProcess$|transaction/.test(e.name) ? this.inset(e) : null
    this.nodes.set(id, {
      gateway: GATEWAY.test(e.name) ? e.name : null,
      node: {
        ...{ id, role, text: words(e.attributes['name'] ?? '') || eventWords(e), order: this.nodes.size, source: [] },
        ...(actor ? { actor: words(actor) } : {}),
        ...(about ? { detail: about.slice(0, MAX_NODE_TEXT) } : {}),
        ...(inset ? { inset } : {}),
      },
    })
  }

  /** What stands inside an expanded sub-process; null for one that is closed. */
  private inset(e: XmlElement): string | null {
    const inner = new Reading(this.root)
    inner.process(e, '')
    if (inner.nodes.size === 0) return null
    const figure = {
      ...inner.figure(e.attributes['name'] ?? ''),
      id: `inset-${e.attributes['id'] ?? this.insets.length}`.slice(0, 64),
    }
    this.insets.push(figure, ...inner.insets)
    return figure.id
  }

  /** What is caught at a border leads on from what it stands at. */
  private boundary(e: XmlElement): void {
    const [id, host] = [e.attributes['id'] ?? '', e.attributes['attachedToRef'] ?? '']
    this.nodes.set(id, {
      gateway: 'boundary',
      node: {
        id,
        role: 'step',
        text: words(e.attributes['name'] ?? '') || eventWords(e),
        order: this.nodes.size,
        source: [],
      },
    })
    this.links.push({ from: host, to: id, text: words(e.attributes['name'] ?? ''), role: 'next' })
  }

  private flow(e: XmlElement): void {
    if (e.name !== 'sequenceFlow' && e.name !== 'messageFlow') return
    const { sourceRef: from = '', targetRef: to = '', name = '' } = e.attributes
    const role = e.name === 'messageFlow' ? 'beside' : 'next'
    if (!this.links.some((l) => l.from === from && l.to === to && l.text === words(name)))
      this.links.push({ from, to, text: words(name), role })
  }

  /** Annotations are details of what they are tied to. */
  private annotations(p: XmlElement): void {
    const all = [...elements(p), ...named(this.root, 'collaboration').flatMap(elements)]
    const texts = new Map(
      all.filter((e) => e.name === 'textAnnotation').map((e) => [e.attributes['id'], textOf(e).trim()]),
    )
    for (const e of all) {
      if (e.name !== 'association') continue
      const { sourceRef = '', targetRef = '' } = e.attributes
      const [text, id] = texts.has(targetRef) ? [texts.get(targetRef), sourceRef] : [texts.get(sourceRef), targetRef]
      const at = this.nodes.get(id)
      if (text && at) {
        const detail = [at.node.detail, text].filter(Boolean).join('\n').slice(0, MAX_NODE_TEXT)
        this.nodes.set(id, { ...at, node: { ...at.node, detail } })
      }
    }
  }

  figure(title: string): Figure {
    this.contract()
    const ids = new Map([...this.nodes.keys()].map((id, i) => [id, `n${i}`]))
    const nodes = [...this.nodes.values()].map(({ node }) => ({ ...node, id: ids.get(node.id) ?? node.id }))
    const links = this.links.flatMap((l, i): FigureLink[] => {
      const [from, to] = [ids.get(l.from), ids.get(l.to)]
      return from && to && from !== to
        ? [{ ...{ id: `l${i}`, role: l.role, from, to, order: i, source: [] }, ...(l.text ? { text: l.text } : {}) }]
        : []
    })
    return {
      ...{ id: 'figure', kind: 'process', title: words(title), language: 'en', arrangement: '', frame: 'page-column' },
      nodes: Object.fromEntries(nodes.map((x) => [x.id, x])),
      links: Object.fromEntries(links.map((l) => [l.id, l])),
      ...{ houseStyle: '', dress: {}, passage: null, wasRead: { text: '', nodes: {}, links: {} } },
    }
  }

  /** Gateways that ask nothing: what leads in leads on. */
  private contract(): void {
    for (const [id, { gateway, node }] of [...this.nodes]) {
      const out = this.links.filter((l) => l.from === id)
      const asks = gateway !== 'parallelGateway' && gateway !== 'boundary' && out.length > 1
      if (!gateway || asks || out.length === 0) continue
      const into = this.links.filter((l) => l.to === id)
      if (into.length === 0) continue
      this.nodes.delete(id)
      const rest = this.links.filter((l) => l.from !== id && l.to !== id)
      const through = into.flatMap((a) =>
        out.map((b) => ({
          from: a.from,
          to: b.to,
          text: a.text || b.text || (gateway === 'boundary' ? node.text : ''),
          role: a.role,
        })),
      )
      this.links.splice(0, this.links.length, ...rest, ...through)
    }
  }
}

const words = (text: string): string => text.replace(/\s+/g, ' ').trim().slice(0, MAX_NODE_TEXT)

/** An event without a name is called by what it waits for. */
function eventWords(e: XmlElement): string {
  const definition = elements(e).find((x) => /EventDefinition$/.test(x.name))
  const kind = definition?.name.replace(/EventDefinition$/, '')
  if (kind) return kind.charAt(0).toUpperCase() + kind.slice(1)
  return { startEvent: 'Start', endEvent: 'End' }[e.name] ?? ''
}

function actorsOf(p: XmlElement): ReadonlyMap<string, string> {
  const out = new Map<string, string>()
  // Lanes inside lanes: the inner one says it.
  for (const lane of [...below(p)].filter((e) => e.name === 'lane'))
    for (const ref of named(lane, 'flowNodeRef')) out.set(textOf(ref).trim(), lane.attributes['name'] ?? '')
  return out
}
