'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import Link from 'next/link'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { STEP_NAMES } from '@/core/job/steps'
import { W } from '@/core/language/screen/day'
import { PickField, TextField } from '../form/bound'
import { useSending } from '../form/use-sending'
import { localTimeIn } from '../format'
import { isMovable } from './lanes'
import type { Lane, Piece } from './lanes-of'
import { moment } from './moments'

type Props = {
  lane: Lane
  people: Readonly<Record<string, string>>
  mayPlan: boolean
  clock: (ms: number) => string
  timeZone: string
  onDone: () => void
}

/**
 * Everything of a lane that is not over, one under the other: what is too narrow for a finger on the axis is reached
 * here.
 */
export function LanePieces({ lane, people, mayPlan, clock, timeZone, onDone }: Props) {
  const [moving, setMoving] = useState<string | null>(null)
  const pieces = lane.pieces.filter((p) => p.state !== 'done').sort((a, b) => a.fromMs - b.fromMs)
  if (pieces.length === 0) return <p className="mt-3 text-body">{W.nothingIsPlannedHere}</p>
  return (
    <ul aria-label={W.whatDoes(lane.name)} className="mt-3 border-t border-rule">
      {pieces.map((piece) => (
        <li key={piece.id} className="border-b border-rule py-1">
          <div className="flex min-h-11 items-center gap-3 text-body">
            <b className="w-[92px] shrink-0 font-semibold">
              {clock(piece.fromMs)}–{clock(piece.toMs)}
            </b>
            <span className="min-w-0 grow">
              {piece.pinnedBy
                ? W.pieceSetBy(piece.name, STEP_NAMES[piece.step].toLowerCase(), piece.pinnedBy)
                : W.pieceOf(piece.name, STEP_NAMES[piece.step].toLowerCase())}
            </span>
            {mayPlan && lane.kind === 'person' && isMovable(piece, lane) && (
              <button
                type="button"
                className="plain-button"
                aria-expanded={moving === piece.id}
                onClick={() => setMoving(moving === piece.id ? null : piece.id)}
              >
                {W.setItsTime}
              </button>
            )}
            {piece.jobId && (
              <Link className="plain-button inline-flex items-center" href={`/job/${piece.jobId}`}>
                {W.open}
              </Link>
            )}
          </div>
          {moving === piece.id && <SetForm piece={piece} people={people} timeZone={timeZone} onDone={onDone} />}
        </li>
      ))}
    </ul>
  )
}

/** A piece put to a time and into hands, typed instead of dragged. */
function SetForm({
  piece,
  people,
  timeZone,
  onDone,
}: Pick<Props, 'people' | 'timeZone' | 'onDone'> & { piece: Piece }) {
  const schema = z.strictObject({ from: moment(timeZone), person: z.string().min(1, W.whoDoesIt) })
  const form = useForm({
    resolver: zodResolver(schema),
    defaultValues: { from: localTimeIn(timeZone)(piece.fromMs), person: piece.person ?? '' },
  })
  const { post, busy, said } = useSending(form, '/api/day')
  return (
    <form
      aria-label={W.set2(piece.name, piece.step)}
      noValidate
      className="grid grid-cols-[1fr_1fr_auto] items-end gap-x-3 pb-2 max-sm:grid-cols-1"
      onSubmit={form.handleSubmit(async ({ from, person }) => {
        if (await post({ what: 'pin', car: piece.car, step: piece.step, person, rig: null, from })) onDone()
      })}
    >
      <TextField control={form.control} name="from" label={W.beginsAt} type="datetime-local" />
      <PickField control={form.control} name="person" label={W.by} options={people} />
      <button type="submit" className="plain-button bg-sheet font-semibold" disabled={busy}>
        {W.setIt}
      </button>
      {said && (
        <p role="alert" className="col-span-full text-small font-semibold text-leak">
          {said}
        </p>
      )}
    </form>
  )
}
