/** `series`: the so-manieth colour that tells things apart; `share`: between the least and the greatest value; `role`: as its
 *  role has it. */
export type Hue =
  | { readonly by: 'role' }
  | { readonly by: 'series'; readonly index: number }
  | { readonly by: 'share'; readonly share: number }
