'use client'

import { W } from '@/core/language/screen/record'

import type { ServiceLabelLine } from '@/core/record/service-label'
import { Sign } from '../form/sign'
import { ServiceLabelCard } from './service-label'

/** The label alone on its page, to print. */
export function LabelPage({
  jobId,
  lines,
  signed,
}: {
  jobId: string
  lines: readonly ServiceLabelLine[]
  signed: boolean
}) {
  return (
    <main className="px-5 py-5 print:p-0">
      <div className="no-print mb-4 flex flex-wrap items-center gap-2">
        <a className="plain-button inline-flex items-center" href={`/job/${jobId}`}>
          {W.backToTheJob}
        </a>
        <button type="button" className="plain-button" onClick={() => window.print()}>
          {W.print}
        </button>
        {!signed && (
          <p className="text-body font-medium text-caution">
            <Sign kind="caution" />
            {W.theRecordIsNotSigned}
          </p>
        )}
      </div>
      <ServiceLabelCard lines={lines} />
    </main>
  )
}
