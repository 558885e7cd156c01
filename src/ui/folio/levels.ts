/** Tops of cards that want to stand level with their passages and may not cover each other: in order, each at its wish
 *  or below the one before. */
export function levelled(cards: readonly { readonly wish: number; readonly height: number }[], gap: number): number[] {
  const order = cards.map((_, i) => i).toSorted((a, b) => (cards[a]?.wish ?? 0) - (cards[b]?.wish ?? 0) || a - b)
  const tops = cards.map(() => 0)
  let free = 0
  for (const i of order) {
    const card = cards[i] as { wish: number; height: number }
    tops[i] = Math.max(free, card.wish)
    free = (tops[i] as number) + card.height + gap
  }
  return tops
}
