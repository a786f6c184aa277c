import { W } from '@/core/language/screen/job-frame'
import { Strong, slot, Worded } from '../../worded'
/** Says at the head of a simulated car's page why its bench stands still: its readings will not come by themselves. */
export function BenchTroubleBar({ trouble }: { trouble: string | null }) {
  if (trouble === null) return null
  return (
    <p role="alert" className="border-b-2 border-ink bg-sheet px-5 py-2 text-lead leading-tight max-sm:px-4">
      <Worded
        words={W.putAnotherScenarioOnIt(slot('trouble'))}
        trouble={<Strong className="text-caution">{W.theBenchCannotPlay(trouble)}</Strong>}
      />
    </p>
  )
}
