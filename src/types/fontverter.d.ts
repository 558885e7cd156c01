declare module 'fontverter' {
  export function convert(font: Uint8Array, to: 'sfnt' | 'woff' | 'woff2'): Promise<Uint8Array>
}
