/** What a font that somebody brought is called in style sheets, by the hash of its bytes. By itself: the page needs no more of
 *  fonts than this. */
export const ownFamily = (hash: string): string => `Compass-Own-${hash.slice(0, 16)}`
