/** Stands in the browser for what packages name in branches that only Node takes: "module" in harfbuzzjs, "buffer" in lib0. */
const absent = (): never => {
  throw new Error('this is there in Node only')
}
export const createRequire = absent
export const Buffer = { from: absent, isBuffer: (): boolean => false }
