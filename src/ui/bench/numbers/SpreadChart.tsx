'use client'

/** How likely it is to stay below: the line through all hundredths of what was drawn. Its words stand beside it. */
import { Area, AreaChart, CartesianGrid, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import type { Hundredths } from '@/workers/client'
import { useTime } from './amounts'

const TICK = { fill: 'var(--quiet)', fontSize: 12 }

export default function SpreadChart({ hundredths }: { readonly hundredths: Hundredths }) {
  const time = useTime()
  const points = hundredths.map((value, i) => ({ value, chance: i / 100 }))
  return (
    <div aria-hidden="true">
      <ResponsiveContainer width="100%" height={130}>
        <AreaChart accessibilityLayer={false} data={points} margin={{ left: -18, right: 12, top: 4, bottom: 0 }}>
          <CartesianGrid stroke="var(--rule)" />
          <XAxis
            type="number"
            dataKey="value"
            domain={['dataMin', 'dataMax']}
            tick={TICK}
            tickCount={4}
            tickFormatter={time}
          />
          <YAxis type="number" domain={[0, 1]} tick={TICK} tickFormatter={(x: number) => `${Math.round(x * 100)} %`} />
          <Area dataKey="chance" stroke="var(--sea)" fill="var(--sea-wash)" strokeWidth={2} isAnimationActive={false} />
          <ReferenceLine x={hundredths[50]} stroke="var(--ink)" strokeDasharray="4 3" />
        </AreaChart>
      </ResponsiveContainer>
    </div>
  )
}
