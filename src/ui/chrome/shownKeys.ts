/** Keys as a person reads them. */
export const shownKeys = (keys: string): string =>
  keys
    .replace('Mod', 'Ctrl')
    .replace('Shift+?', '?')
    .replace('ArrowUp', '↑')
    .replace('ArrowDown', '↓')
    .replace('ArrowRight', '→')
    .replace('ArrowLeft', '←')
