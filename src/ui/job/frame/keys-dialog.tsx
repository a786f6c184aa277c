import type { CallButton } from '@/core/call/types'
import { Popup } from '../../frame/popup'

/** Every key of this screen, by `?`. */
export function KeysDialog({
  open,
  onOpenChange,
  buttons,
}: {
  open: boolean
  onOpenChange: (open: boolean) => void
  buttons: CallButton[]
}) {
  const keys = [
    ...buttons.map((b) => [b.key, b.label]),
    ['Z', 'Alarm seen'],
    ['X', 'Alarm put off'],
    ['+', 'Chart closer'],
    ['-', 'Chart farther'],
    ['A', 'All readings and events'],
    ['?', 'These keys'],
  ]
  return (
    <Popup open={open} onOpenChange={onOpenChange} title="Keys" width="narrow">
      <dl className="mt-3 grid grid-cols-[48px_1fr] gap-y-2 text-lead">
        {keys.map(([key, label]) => (
          <div key={`${key}${label}`} className="contents">
            <dt>
              <span className="key">{key}</span>
            </dt>
            <dd>{label}</dd>
          </div>
        ))}
      </dl>
    </Popup>
  )
}
