import localFont from 'next/font/local'

/** Shipped with the application: the files come from Node packages, nothing is fetched at build or run time. */
export const sans = localFont({
  src: [
    {
      path: '../../node_modules/@fontsource-variable/hanken-grotesk/files/hanken-grotesk-latin-wght-normal.woff2',
      weight: '100 900',
      style: 'normal',
    },
  ],
  variable: '--font-interface',
  display: 'swap',
})
export const serif = localFont({
  src: [
    {
      path: '../../node_modules/@fontsource-variable/literata/files/literata-latin-wght-normal.woff2',
      weight: '200 900',
      style: 'normal',
    },
    {
      path: '../../node_modules/@fontsource-variable/literata/files/literata-latin-wght-italic.woff2',
      weight: '200 900',
      style: 'italic',
    },
  ],
  variable: '--font-manuscript',
  display: 'swap',
})
