/** Automatic styles: the same properties get the same name. */
export type Family = 'graphic' | 'paragraph' | 'text' | 'drawing-page'
const PREFIX: Readonly<Record<Family, string>> = { graphic: 'g', paragraph: 'p', text: 't', 'drawing-page': 'd' }

export type Styles = {
  /** The name of a style with these properties, given as XML. */
  readonly named: (family: Family, properties: string) => string
  readonly xml: () => string
}

export function createStyles(): Styles {
  const names = new Map<string, string>()
  return {
    named: (family, properties) => {
      const key = `${family} ${properties}`
      const name = names.get(key) ?? `${PREFIX[family]}${names.size + 1}`
      names.set(key, name)
      return name
    },
    xml: () =>
      [...names]
        .map(([key, name]) => {
          const at = key.indexOf(' ')
          return `<style:style style:name="${name}" style:family="${key.slice(0, at)}">${key.slice(at + 1)}</style:style>`
        })
        .join(''),
  }
}

/** `a="1" b="2"`, without what is not said. */
export const attributes = (list: Readonly<Record<string, string | number | null>>): string =>
  Object.entries(list)
    .flatMap(([name, value]) => (value === null ? [] : [` ${name}="${value}"`]))
    .join('')
