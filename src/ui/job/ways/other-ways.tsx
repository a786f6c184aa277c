'use client'

import { turnsOf } from '@/core/call/turns'
import type { Live, WayOut } from '@/core/call/types'
import { endingsOf, leakAhead, mayPark } from '@/core/call/ways-out'
import { searchNow } from '@/core/job/search'
import { currentHold, type JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-ways'
import { Fold } from '../../form/fold'
import { Popup } from '../../frame/popup'
import { useSay } from '../../units'
import type { Deeds } from '../use-deeds'
import { AcceptLeak } from './accept-leak'
import { CloseJob } from './close-job'
import { EndSearch } from './end-search'
import { ParkCar } from './park-car'
import { TurnBack } from './turn-back'

type Props = { at: WayOut | null; onClose: () => void; state: JobState; live: Live; deeds: Deeds }

/**
 * Everything but the next step: back, stop here, charge knowingly, end it. Each says what it costs before it is done.
 */
export function OtherWays({ at, onClose, state, live, deeds }: Props) {
  const say = useSay(state.opened.place.barometerPa)
  const turns = turnsOf(state, say)
  const ahead = state.step === 'hold' && currentHold(state)?.ended ? leakAhead(state, say) : null
  const endings = endingsOf(state, say)
  const done = { deeds, onDone: onClose }
  return (
    <Popup open={at !== null} onOpenChange={(open) => !open && onClose()} title={W.anotherWay} width="tall">
      <div className="mt-2 min-h-0 flex-1 overflow-y-auto">
        {searchNow(state) && (
          <Fold title={W.endTheSearchForThe} first={at === 'search'} className="border-t border-rule">
            <EndSearch {...done} />
          </Fold>
        )}
        {turns.length > 0 && (
          <Fold title={W.backToAnEarlierStep} first={at === 'back'} className="border-t border-rule">
            <TurnBack turns={turns} state={state} {...done} />
          </Fold>
        )}
        {ahead && (
          <Fold title={W.chargeItAlthoughItLeaks} first={at === 'accept'} className="border-t border-rule">
            <AcceptLeak ahead={ahead} {...done} />
          </Fold>
        )}
        {mayPark(state) && (
          <Fold title={W.leaveItUnderVacuumAnd} first={at === 'park'} className="border-t border-rule">
            <ParkCar state={state} live={live} {...done} />
          </Fold>
        )}
        {endings.length > 0 && (
          <Fold title={W.endThisJobHere} first={at === 'close'} className="border-t border-rule">
            <CloseJob endings={endings} {...done} />
          </Fold>
        )}
      </div>
    </Popup>
  )
}
