/** “£1,200”, “−£40”, “12 min”: signs of money that stand before their number do. */
export function withUnit(number: string, unit: string): string {
  const [, sign, more = ''] = /^([£$¥])\s*(.*)$/u.exec(unit) ?? []
  if (sign === undefined) return `${number} ${unit}`.trim()
  return `${number.replace(/^[-−]?/u, (minus) => minus + sign)} ${more}`.trim()
}
