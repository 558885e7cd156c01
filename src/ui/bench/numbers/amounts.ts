'use client'

import { useMemo } from 'react'
import { withUnit } from '@/core/quantity'
import { useLanguage } from '../../words/words'

/** Amounts with their unit, in the language of the interface. */
export function useAmount(unit: string): (x: number) => string {
  const language = useLanguage()
  return useMemo(() => {
    const numbers = new Intl.NumberFormat(
      language,
      unit === '%' ? { maximumFractionDigits: 1 } : { maximumSignificantDigits: 7 },
    )
    return (x: number) => withUnit(numbers.format(x), unit)
  }, [language, unit])
}

const [HOURS, DAYS] = [120, 48 * 60]

/** Minutes as one says them: in minutes, hours or days. */
export function useTime(): (minutes: number) => string {
  const language = useLanguage()
  return useMemo(() => {
    const told = (unit: string) =>
      new Intl.NumberFormat(language, { style: 'unit', unit, unitDisplay: 'short', maximumSignificantDigits: 3 })
    const [minutes, hours, days] = ['minute', 'hour', 'day'].map(told)
    return (x) =>
      (x < HOURS ? minutes?.format(x) : x < DAYS ? hours?.format(x / 60) : days?.format(x / 1440)) ?? String(x)
  }, [language])
}

/** Numbers without a unit, to so many digits behind the point. */
export function useNumber(digits: number): (x: number) => string {
  const language = useLanguage()
  return useMemo(() => {
    const numbers = new Intl.NumberFormat(language, { maximumFractionDigits: digits })
    return (x) => numbers.format(x)
  }, [language, digits])
}

export function usePercent(): (part: number) => string {
  const language = useLanguage()
  return useMemo(() => {
    const numbers = new Intl.NumberFormat(language, { style: 'percent', maximumFractionDigits: 1 })
    return (x) => numbers.format(x)
  }, [language])
}
