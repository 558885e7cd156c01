'use client'

import { Sheet } from '../chrome/Sheet'
import { Tick } from '../chrome/Tick'
import type { OpenFolio } from '../folio/useFolio'
import { OurColours } from './OurColours'
import { Preview } from './Preview'
import { StyleEditor } from './StyleEditor'
import { StyleList } from './StyleList'
import { useDressing, type Dressing } from './useDressing'
import { useWords } from '../words/words'

type Props = { readonly folio: OpenFolio; readonly onClose: () => void }

/** The whole folio in one hand: its house style, a style of one's own, and all its figures as they would look. */
export function DressFolio({ folio, onClose }: Props) {
  const t = useWords()
  const dressing = useDressing(folio, onClose)
  return (
    <Sheet
      title={t('Dress the folio')}
      hint={t('All its figures in one house style. What you set on single parts stays.')}
      size="h-full max-h-[860px] max-w-[1240px]"
      onClose={onClose}
    >
      <div className="grid min-h-0 flex-1 grid-cols-[340px_minmax(0,1fr)]">
        <div className="flex min-h-0 flex-col border-r border-rule">
          <Shown dressing={dressing} />
          <Ways dressing={dressing} />
        </div>
        <Preview figures={dressing.figures} style={dressing.shown} own={dressing.own} />
      </div>
      <Foot dressing={dressing} onClose={onClose} />
    </Sheet>
  )
}

function Shown({ dressing }: { readonly dressing: Dressing }) {
  const { pane, making, wardrobe, chosen, ofTeam } = dressing
  const own = { style: chosen, own: wardrobe.own[chosen] ?? null }
  if (pane === 'colours' && making) return <OurColours style={making.style} onChange={dressing.edit} />
  if (pane === 'parts' && making)
    return <StyleEditor folio={dressing.folio} style={making.style} onChange={dressing.edit} />
  return (
    <StyleList
      own={wardrobe.own}
      theme={wardrobe.theme}
      chosen={chosen}
      standard={dressing.standard.style}
      onStandard={(on) => void dressing.standard.set(on ? own : null)}
      team={ofTeam && { name: ofTeam.team, standard: ofTeam.style }}
      onTeam={(on) => void ofTeam?.set(on ? own : null)}
      onChoose={dressing.choose}
      onImport={dressing.takeIn}
      onRemove={dressing.remove}
    />
  )
}

/** On to making one's own, and back. */
function Ways({ dressing }: { readonly dressing: Dressing }) {
  const t = useWords()
  const { pane, startFrom, giveUp } = dressing
  const ways = [
    { when: pane !== 'choose', says: t('Back, keep nothing'), run: giveUp },
    { when: pane !== 'colours', says: t('In our colours …'), run: () => startFrom('colours') },
    { when: pane !== 'parts', says: t('Change its parts …'), run: () => startFrom('parts') },
  ]
  return (
    <div className="flex flex-wrap gap-2 border-t border-rule px-4 py-3">
      {ways
        .filter((w) => w.when)
        .map((w) => (
          <button key={w.says} type="button" className="button" onClick={w.run}>
            {w.says}
          </button>
        ))}
    </div>
  )
}

function Foot({ dressing, onClose }: { readonly dressing: Dressing; readonly onClose: () => void }) {
  const t = useWords()
  const { apart, letFollow, dress, making, style } = dressing
  return (
    <div
      role="group"
      aria-label={t('Dress or leave')}
      className="flex items-center gap-3 border-t border-rule px-5 py-3"
    >
      {apart.length > 0 && (
        <p className="text-[13px] text-quiet">
          {t(
            '{figures, plural, one {One figure has a house style of its own} other {# figures have a house style of their own}}.',
            {
              figures: apart.length,
            },
          )}{' '}
          <button type="button" className="text-button" onClick={letFollow}>
            {t('{figures, plural, one {Let it follow the folio} other {Let them follow the folio}}', {
              figures: apart.length,
            })}
          </button>
        </p>
      )}
      {dressing.figures.length > 1 && (
        <Tick on={dressing.wardrobe.most !== null} says={t('Words of one size')} onChange={dressing.oneSize} />
      )}
      {dressing.figures.length > 0 && (
        <Tick on={dressing.counted} says={t('Figures numbered')} onChange={dressing.count} />
      )}
      <button type="button" className="button ml-auto" onClick={onClose}>
        {t('Leave as it is')}
      </button>
      <button type="button" className="button-primary" onClick={dress} disabled={!style}>
        {making ? t('Save it, and dress the folio') : t('Dress the folio')}
      </button>
    </div>
  )
}
