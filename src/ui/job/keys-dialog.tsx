import { Dialog } from 'radix-ui'
import type { CallButton } from '@/core/call/types'

/** Every key of this screen, by `?`. */
export function KeysDialog({ open, onOpenChange, buttons }: { open: boolean; onOpenChange: (open: boolean) => void; buttons: CallButton[] }) {
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
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-10 bg-floor/60" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-20 left-1/2 z-20 w-[min(420px,calc(100vw-32px))] -translate-x-1/2 rounded border-[1.5px] border-ink bg-sheet p-5"
        >
          <Dialog.Title className="text-[20px] font-semibold">Keys</Dialog.Title>
          <dl className="mt-3 grid grid-cols-[48px_1fr] gap-y-2 text-[18px]">
            {keys.map(([key, label]) => (
              <div key={`${key}${label}`} className="contents">
                <dt>
                  <span className="key">{key}</span>
                </dt>
                <dd>{label}</dd>
              </div>
            ))}
          </dl>
          <Dialog.Close className="plain-button mt-4">Close</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
