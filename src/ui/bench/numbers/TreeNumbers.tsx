'use client'

/** A hierarchy summed from its leaves. */
import { treeSums } from '@/core/reckon'
import { useWords } from '../../words/words'
import { nodeParts } from '../selection'
import type { Work } from '../work'
import { useAmount, usePercent } from './amounts'

export function TreeNumbers({ work }: { readonly work: Work }) {
  const t = useWords()
  const { figure } = work.shared
  const sums = treeSums(figure)
  const [amount, percent] = [useAmount(sums?.unit ?? ''), usePercent()]
  if (!sums) return <p className="text-[13px] text-quiet">{t('It goes in a circle: nothing can be summed up.')}</p>
  return (
    <>
      <p className="text-[13px] text-quiet">
        {t('{depth, plural, one {One level} other {# levels}}; at most {span} below one.', {
          depth: sums.depth,
          span: sums.span,
        })}
      </p>
      <table className="w-full text-[13px]">
        <thead className="text-quiet">
          <tr>
            <th scope="col" className="text-left font-normal">
              {t('Item')}
            </th>
            <th scope="col" className="text-right font-normal">
              {t('sum')}
            </th>
            <th scope="col" className="text-right font-normal">
              {t('share')}
            </th>
            <th scope="col" className="text-right font-normal">
              {t('below')}
            </th>
          </tr>
        </thead>
        <tbody>
          {sums.rows.map((r) => (
            <tr key={r.id} className="border-t border-rule">
              <th scope="row" className="py-1 pr-2 text-left font-normal" style={{ paddingLeft: r.level * 10 }}>
                <button
                  type="button"
                  className="text-left hover:text-sea"
                  onClick={() => work.select(nodeParts([r.id]))}
                >
                  {figure.nodes[r.id]?.text}
                </button>
              </th>
              <td className="py-1 text-right whitespace-nowrap">{amount(r.sum)}</td>
              <td className="py-1 pl-2 text-right">{percent(r.share)}</td>
              <td className="py-1 pl-2 text-right">{r.below > 0 ? r.below : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
