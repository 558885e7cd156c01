/** Icons that people brought, by the hash of their picture: `own/…` as they are, `stencil/…` in the colour of their place. */
const OWN = /^(own|stencil)\/([0-9a-f]{64})$/

export type OwnName = { readonly kind: 'own' | 'stencil'; readonly hash: string }

/** Null for the name of an icon that ships. */
export function ownIcon(name: string): OwnName | null {
  const [, kind, hash] = OWN.exec(name) ?? []
  return kind && hash ? { kind: kind as OwnName['kind'], hash } : null
}
