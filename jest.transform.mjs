// Next's own transformer, with the globals that hot loops use bound once in each module: in the contexts Jest runs tests
// in, every look at a global costs some hundred times what a constant of the module does.
import next from 'next/dist/build/swc/jest-transformer.js'

const GLOBALS = 'const {Array,Infinity,JSON,Map,Math,Number,Object,Set,String}=globalThis;'

const transformer = {
  createTransformer(options) {
    const inner = next.createTransformer(options)
    return {
      ...inner,
      process(...source) {
        const made = inner.process(...source)
        return { ...made, code: GLOBALS + made.code }
      },
    }
  },
}
export default transformer
