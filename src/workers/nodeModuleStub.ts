/** Stands in the browser for Node's "module", which harfbuzzjs mentions in a branch that only Node takes. */
export const createRequire = (): never => {
  throw new Error('createRequire is not available in the browser')
}
