/** What must hold of the parts of an office file (ISO/IEC 29500-2, packages; 29500-1 for what the parts say). */
import { unzipSync } from 'fflate'
import path from 'node:path/posix'
import { below, elements, xmlOf, type XmlElement } from '../src/core/exchange'

/** After ISO/IEC 29500-1: elements in the order in which their parent asks for them. */
const ORDER: Readonly<Record<string, readonly string[]>> = {
  sp: ['nvSpPr', 'spPr', 'style', 'txBody'],
  cxnSp: ['nvCxnSpPr', 'spPr', 'style'],
  pic: ['nvPicPr', 'blipFill', 'spPr', 'style'],
  spPr: ['xfrm', 'custGeom', 'prstGeom', 'noFill', 'solidFill', 'ln', 'effectLst'],
  custGeom: ['avLst', 'gdLst', 'ahLst', 'cxnLst', 'rect', 'pathLst'],
  ln: ['noFill', 'solidFill', 'prstDash', 'custDash', 'round', 'miter', 'headEnd', 'tailEnd'],
  rPr: ['ln', 'noFill', 'solidFill', 'latin', 'ea', 'cs', 'sym'],
  pPr: ['lnSpc', 'spcBef', 'spcAft', 'buNone', 'buChar'],
  txBody: ['bodyPr', 'lstStyle', 'p'],
  cSld: ['bg', 'spTree', 'custDataLst', 'controls'],
  presentation: ['sldMasterIdLst', 'notesMasterIdLst', 'handoutMasterIdLst', 'sldIdLst', 'sldSz', 'notesSz'],
}
const SITES: Readonly<Record<string, number>> = { rect: 4, roundRect: 4, diamond: 4, ellipse: 8 }

/** What is wrong, in words; and what was looked at. */
export function officeFaults(file: Uint8Array): { faults: string[]; connectors: number; glued: number } {
  const parts = unzipSync(file)
  const names = new Set(Object.keys(parts))
  const faults: string[] = []
  let [connectors, glued] = [0, 0]
  const types = xmlOf(text(parts['[Content_Types].xml']))
  const defaults = new Set(elements(types).map((t) => t.attributes['Extension']))
  const overrides = new Set(elements(types).flatMap((t) => t.attributes['PartName'] ?? []))
  for (const o of overrides) if (!names.has(o.slice(1))) faults.push(`a type for ${o}, which is not there`)
  for (const name of names) {
    if (name !== '[Content_Types].xml' && !overrides.has(`/${name}`) && !defaults.has(name.split('.').at(-1)))
      faults.push(`${name} has no type`)
    if (!/\.(?:xml|rels)$/.test(name)) continue
    const root = xmlOf(text(parts[name]))
    if (name.endsWith('.rels')) faults.push(...relationFaults(name, root, names))
    if (!/^ppt\/slides\/slide\d+\.xml$/.test(name)) continue
    const found = slideFaults(root)
    faults.push(...found.faults.map((f) => `${name}: ${f}`))
    connectors += found.connectors
    glued += found.glued
  }
  return { faults, connectors, glued }
}

const text = (bytes: Uint8Array | undefined): string => new TextDecoder().decode(bytes)

function relationFaults(name: string, root: XmlElement, names: ReadonlySet<string>): string[] {
  const folder = path.dirname(path.dirname(name))
  return elements(root).flatMap((r) => {
    if (r.attributes['TargetMode'] === 'External') return [`${name} leads outside`]
    const target = path.normalize(path.join(folder, r.attributes['Target'] ?? ''))
    return names.has(target.replace(/^\//, '')) ? [] : [`${name} names ${target}, which is not there`]
  })
}

function slideFaults(root: XmlElement): { faults: string[]; connectors: number; glued: number } {
  const faults: string[] = []
  const all = [...below(root)]
  const ids = all.filter((e) => e.name === 'cNvPr').map((e) => e.attributes['id'])
  if (new Set(ids).size !== ids.length) faults.push('an id twice')
  const sites = new Map<string, number>()
  for (const sp of all.filter((e) => e.name === 'sp')) {
    const inner = [...below(sp)]
    const id = inner.find((e) => e.name === 'cNvPr')?.attributes['id'] ?? ''
    const preset = inner.find((e) => e.name === 'prstGeom')?.attributes['prst']
    sites.set(id, preset ? (SITES[preset] ?? 0) : inner.filter((e) => e.name === 'cxn').length)
  }
  for (const e of all) {
    const order = ORDER[e.name]
    if (order) {
      const at = elements(e).map((c) => order.indexOf(c.name))
      if (at.includes(-1)) faults.push(`${e.name} holds ${elements(e)[at.indexOf(-1)]?.name}`)
      if (at.some((v, i) => i > 0 && v < (at[i - 1] ?? 0))) faults.push(`${e.name} in disorder`)
    }
    for (const key of ['x', 'y', 'cx', 'cy', 'w', 'h'])
      if (
        e.name !== 'pos' &&
        e.name !== 'rect' &&
        e.attributes[key] !== undefined &&
        !/^-?\d+$|^(?:sm|med|lg)$/.test(e.attributes[key])
      )
        faults.push(`${e.name} ${key}=${e.attributes[key]}`)
  }
  const lines = all.filter((e) => e.name === 'cxnSp')
  let glued = 0
  for (const c of lines) {
    const ends = [...below(c)].filter((e) => e.name === 'stCxn' || e.name === 'endCxn')
    if (ends.length === 2) glued++
    for (const end of ends) {
      const { id = '', idx = '' } = end.attributes
      const count = sites.get(id)
      if (count === undefined) faults.push(`glued to ${id}, which is no shape`)
      else if (Number(idx) >= count) faults.push(`glued to site ${idx} of ${count}`)
    }
  }
  return { faults, connectors: lines.length, glued }
}
