import type { LookFields } from '@/core/figure'

let copied: LookFields = {}

/** The look that was copied last on this page, for this and other figures. */
export const copyLook = (look: LookFields): void => {
  copied = look
}
export const copiedLook = (): LookFields => copied
