import { MessageSquareText } from 'lucide-react'
import { useWords } from '../words/words'

type Props = { readonly count: number; readonly open: boolean; readonly onToggle: () => void }

/** Shows and hides the list, and says how much is open in it. */
export const RemarksButton = ({ count, open, onToggle }: Props) => {
  const t = useWords()
  return (
    <button type="button" className="button" aria-pressed={open} aria-keyshortcuts="Alt+R" onClick={onToggle}>
      <MessageSquareText size={16} aria-hidden="true" />
      {t('Remarks')}
      {count > 0 && ` (${count})`}
    </button>
  )
}
