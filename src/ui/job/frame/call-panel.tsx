'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRouter } from 'next/navigation'
import { AlertDialog } from 'radix-ui'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import type { Ask, Call, CallButton, WayOut } from '@/core/call/types'
import { W } from '@/core/language/screen/job-frame'
import { TextField } from '../../form/bound'
import { Field } from '../../form/field'
import { MainButton } from '../../form/main-button'
import { Refused } from '../../form/refused'
import { Triangle } from '../../form/sign'
import { ActionBar, AT_THE_FOOT, PanelFoot, SidePanel } from '../../frame/side-panel'
import { useHotkeys } from '../../hooks/use-hotkeys'
import { useForms } from '../forms/forms'
import { PAD_ID } from '../readings/type-reading'
import type { Deeds } from '../use-deeds'
import { KeysDialog } from './keys-dialog'

/** Brings the pad into sight and the cursor into it. */
function goToPad(): void {
  const pad = document.getElementById(PAD_ID)
  pad?.scrollIntoView({ block: 'center' })
  pad?.querySelector('input')?.focus({ preventScroll: true })
}

type Props = {
  call: Call
  deeds: Deeds
  jobId: string
  maySign: boolean
  onTrail: () => void
  /** opens the sheet of other ways; missing where there is none */
  onWay?: ((at: WayOut) => void) | undefined
}

/** The one voice of the screen: how sure, what, why, what it proves, and where the hand goes next. */
export function CallPanel({ call, deeds, jobId, maySign, onTrail, onWay }: Props) {
  const router = useRouter()
  const forms = useForms()
  const [keysOpen, setKeysOpen] = useState(false)
  const [asking, setAsking] = useState<Ask | null>(null)
  const [earlier, setEarlier] = useState('')
  const typed = Number(earlier.replace(',', '.'))
  const earlierMin = Number.isFinite(typed) ? Math.max(0, typed) : 0
  const press = (button: CallButton) => {
    if (deeds.busy) return
    if (button.ask) {
      setAsking(button.ask)
      return
    }
    const does = button.does
    if (does.do === 'record') {
      deeds.record(does.deeds, earlierMin)
      setEarlier('')
    }
    if (does.do === 'go') router.push(does.to === 'board' ? '/board' : `/job/${jobId}/record`)
    if (does.do === 'send') void forms.submit(does.form, deeds)
    if (does.do === 'type') goToPad()
    if (does.do === 'way') onWay?.(does.at)
    if (does.do === 'judge') void deeds.endHold()
  }
  const buttons = [call.action, ...call.plain]
  useHotkeys({
    ...Object.fromEntries(
      deeds.pending.length > 0 || asking ? [] : buttons.map((b) => [b.key.toLowerCase(), () => press(b)]),
    ),
    a: onTrail,
    ...(onWay && { w: () => onWay('back') }),
    '?': () => setKeysOpen(true),
  })
  const trainee = call.form === 'sign' && !maySign
  return (
    <SidePanel label={W.theCall} above={128} first>
      {deeds.pending.length > 0 ? (
        <CautionAsk deeds={deeds} />
      ) : asking ? (
        <ReasonAsk ask={asking} deeds={deeds} onDone={() => setAsking(null)} />
      ) : (
        <>
          <div className="flex justify-between text-small text-ink-2">
            <span>{W.theCall}</span>
            <b className="font-semibold text-ink">{call.sure}</b>
          </div>
          <div aria-live="polite">
            <h2 className="mt-1 text-call font-semibold leading-[1.1] max-sm:sr-only">{call.sentence}</h2>
            {call.figure && (
              <p className="mt-2 flex items-end gap-2.5" suppressHydrationWarning>
                <span
                  className={
                    `figure font-semibold whitespace-nowrap max-sm:text-fig-l ` +
                    `${call.figure.text.length > 7 ? 'text-fig-l' : 'text-fig-xl'}`
                  }
                >
                  {call.figure.text}
                </span>
                <span className="pb-1 text-lead font-medium leading-tight">{call.figure.caption}</span>
              </p>
            )}
          </div>
          <div className="mt-3 space-y-1.5 text-lead leading-snug">
            {call.why.map((line) => (
              <p key={line}>{line}</p>
            ))}
          </div>
          {call.proves && (
            <section className="mt-3 border-t border-rule pt-3">
              <h3 className="text-small font-semibold">{call.proves.title}</h3>
              <p className="text-small leading-snug">{call.proves.text}</p>
            </section>
          )}
          <Watch lines={call.watch} />
          <PanelFoot barred>
            <ActionBar said={call.sentence} figure={call.figure?.text}>
              <Refused className="mb-2 text-small">{trainee ? W.aTraineeRunsJobsA : deeds.refused}</Refused>
              <MainButton disabled={deeds.busy || trainee} onClick={() => press(call.action)}>
                <span>
                  {call.action.label}
                  {earlierMin > 0 && (
                    <small className="block text-small font-medium">{W.doneMinAgoLogged(earlier)}</small>
                  )}
                  {call.action.sub && <small className="block text-small font-medium">{call.action.sub}</small>}
                </span>
                <span className="key max-sm:hidden">{call.action.key}</span>
              </MainButton>
            </ActionBar>
            {/* the row keeps its height when it is empty: the button above must not move under a finger */}
            <div className="mt-2.5 flex min-h-[46px] gap-2.5 *:flex-1">
              {call.plain.map((button) => (
                <button
                  key={button.label}
                  type="button"
                  disabled={deeds.busy}
                  className="plain-button flex items-center justify-between gap-2 text-body leading-tight"
                  onClick={() => press(button)}
                >
                  {button.label} <span className="key max-sm:hidden">{button.key}</span>
                </button>
              ))}
            </div>
            <p className="mt-2 min-h-[22px] text-small leading-snug text-ink-2 max-sm:hidden">{call.after}</p>
            <div className="flex flex-wrap items-center justify-between gap-x-3">
              {onWay && (
                <button
                  type="button"
                  className="flex min-h-11 items-center gap-2 text-small underline underline-offset-4"
                  onClick={() => onWay('back')}
                >
                  {W.anotherWay}
                  <span className="key max-sm:hidden">W</span>
                </button>
              )}
              {call.action.does.do === 'record' && <DoneEarlier minutes={earlier} onChange={setEarlier} />}
            </div>
          </PanelFoot>
        </>
      )}
      <KeysDialog open={keysOpen} onOpenChange={setKeysOpen} buttons={buttons} />
    </SidePanel>
  )
}

/** A deed that was forgotten: what is pressed next was done so many minutes ago. */
function DoneEarlier({ minutes, onChange }: { minutes: string; onChange: (text: string) => void }) {
  const [open, setOpen] = useState(false)
  if (!open && minutes === '')
    return (
      <button
        type="button"
        className="flex min-h-11 items-center text-small underline underline-offset-4"
        onClick={() => setOpen(true)}
      >
        {W.itWasDoneEarlier}
      </button>
    )
  const bad = minutes !== '' && !(Number(minutes.replace(',', '.')) >= 0)
  return (
    <Field
      label={W.doneSoManyMinutesAgo}
      value={minutes}
      onChange={onChange}
      inputMode="decimal"
      hint={W.notBeforeWhatItFollows}
      error={bad ? W.aNumberOfMinutes : undefined}
    />
  )
}

function Watch({ lines }: { lines: string[] }) {
  if (lines.length === 0) return null
  return (
    <section className="mt-3 border-t border-rule pt-3">
      <h3 className="text-small font-semibold">{W.watch}</h3>
      <ul className="mt-1 space-y-1.5 text-small leading-snug">
        {lines.map((line) => (
          <li key={line} className="flex gap-2.5">
            <Triangle />
            {line}
          </li>
        ))}
      </ul>
    </section>
  )
}

/** A question stands where the button that raised it stood. */
const ASKED = `${AT_THE_FOOT} max-sm:max-h-[85dvh] max-sm:overflow-y-auto`

/** The reason of what proves less: the record keeps it. */
const Reason = z.object({ why: z.string().trim().min(1, W.aWordOrTwoThe) })

/** Asks for the reason of what proves less, and says its price first. */
function ReasonAsk({ ask, deeds, onDone }: { ask: Ask; deeds: Deeds; onDone: () => void }) {
  const form = useForm({ resolver: zodResolver(Reason), defaultValues: { why: '' } })
  const goOn = form.handleSubmit(async ({ why }) => {
    await deeds.recordNow([{ kind: ask.kind, payload: { why } }])
    if (ask.judge) await deeds.endHold()
    onDone()
  })
  return (
    <form aria-label={ask.question} className={`flex flex-1 flex-col ${ASKED}`} onSubmit={goOn} noValidate>
      <p className="text-head font-semibold leading-tight">{ask.question}</p>
      <p className="mt-2 mb-3 text-lead leading-snug">{ask.price}</p>
      <TextField control={form.control} name="why" label={W.reason} placeholder={W.theCarIsNeededThe} />
      <div className="mt-auto pt-5">
        <MainButton onClick={onDone}>{ask.stay}</MainButton>
        <button type="submit" disabled={deeds.busy} className="plain-button mt-2.5 w-full text-left text-body">
          {ask.go}
        </button>
      </div>
    </form>
  )
}

/** Names what a deed would cost before it is recorded; nothing else can be pressed until it is answered. */
function CautionAsk({ deeds }: { deeds: Deeds }) {
  return (
    <AlertDialog.Root open onOpenChange={(open) => !open && deeds.goBack()}>
      <AlertDialog.Content className={`flex flex-1 flex-col ${ASKED}`} aria-describedby={undefined}>
        <AlertDialog.Title className="text-small font-semibold text-caution">{W.beforeYouDoThat}</AlertDialog.Title>
        {deeds.pending.map((caution) => (
          <div key={caution.code} className="mt-2 flex gap-3">
            <Triangle />
            <div>
              <p className="text-head font-semibold leading-tight">{caution.sentence}</p>
              <p className="mt-2 text-lead leading-snug">{caution.remedy}</p>
            </div>
          </div>
        ))}
        <div className="mt-auto pt-5">
          <AlertDialog.Cancel asChild>
            <MainButton>{W.goBack}</MainButton>
          </AlertDialog.Cancel>
          <button type="button" onClick={deeds.goOn} className="plain-button mt-2.5 w-full text-left text-body">
            {W.doItAllTheSame}
          </button>
        </div>
      </AlertDialog.Content>
    </AlertDialog.Root>
  )
}
