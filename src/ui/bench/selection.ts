/** What of the figure is selected on the bench. */
export type Selected = { readonly kind: 'node' | 'link'; readonly id: string } | null
