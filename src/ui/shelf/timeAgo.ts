const UNITS = [
  ['year', 31_536_000],
  ['month', 2_592_000],
  ['week', 604_800],
  ['day', 86_400],
  ['hour', 3600],
  ['minute', 60],
] as const

/** How long ago, in the largest unit that fits: "3 days ago"; "now" below a minute. */
export function timeAgo(then: Date, now: Date, language: string): string {
  const seconds = Math.max(0, (now.getTime() - then.getTime()) / 1000)
  const unit = UNITS.find(([, length]) => seconds >= length)
  if (!unit) return new Intl.RelativeTimeFormat(language, { numeric: 'auto' }).format(0, 'second')
  return new Intl.RelativeTimeFormat(language, { numeric: 'always' }).format(-Math.floor(seconds / unit[1]), unit[0])
}
