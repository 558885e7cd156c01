/** Where to go after signing in: a path of ours, or the shelf. Anything that a browser would take for another site is none. */
export function safePath(given: string | null | undefined): string {
  if (!given || !/^\/(?![/\\])[\x21-\x7e]*$/.test(given)) return '/'
  const there = new URL(given, 'http://here.invalid')
  // Dots may have gone, and left two strokes at the front.
  const ours = there.origin === 'http://here.invalid' && !there.pathname.startsWith('//')
  return ours ? there.pathname + there.search + there.hash : '/'
}
