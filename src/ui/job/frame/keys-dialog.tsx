import type { CallButton } from '@/core/call/types'
import { W } from '@/core/language/screen/job-frame'
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
    ['Z', W.alarmSeen],
    ['X', W.alarmPutOff],
    ['+', W.chartCloser],
    ['-', W.chartFarther],
    ['A', W.allReadingsAndEvents],
    ['?', W.theseKeys],
  ]
  return (
    <Popup open={open} onOpenChange={onOpenChange} title={W.keys} width="narrow">
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
