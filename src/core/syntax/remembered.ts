/** What was made for a key, made once; all is forgotten when there are more than `most`. */
export function remembered<V>(most: number): (key: string, make: () => V) => V {
  const kept = new Map<string, V>()
  return (key, make) => {
    const known = kept.get(key)
    if (known !== undefined) return known
    if (kept.size >= most) kept.clear()
    const made = make()
    kept.set(key, made)
    return made
  }
}
