type Props = { readonly on: boolean; readonly says: string; readonly onChange: (on: boolean) => void }

/** Yes or no, with what it is about. */
export const Tick = ({ on, says, onChange }: Props) => (
  <label className="flex items-center gap-2 text-[13px]">
    <input type="checkbox" checked={on} onChange={(e) => onChange(e.target.checked)} />
    {says}
  </label>
)
