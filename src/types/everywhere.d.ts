/** What every host of the core has, browser, worker and Node alike: no more than is used. */
declare class TextEncoder {
  encode(text: string): Uint8Array
}
declare class TextDecoder {
  decode(bytes: Uint8Array): string
}
declare function atob(text: string): string
declare namespace WebAssembly {
  class Module {
    constructor(bytes: Uint8Array)
  }
  class Instance {
    constructor(module: Module)
    readonly exports: Record<string, unknown>
  }
  class Memory {
    readonly buffer: ArrayBuffer
    grow(pages: number): number
  }
}
