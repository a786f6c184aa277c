import { expect, test } from 'vitest'
import type { JobEvent } from '@/core/job/events'
import { foldJob } from '@/core/job/reduce'
import { recordPicture } from '@/core/record/picture'
import { OPENING } from '@/core/tests/opening'
import { USUAL_UNITS } from '@/core/units/shown'
import { certificateApart } from './certificate'

const AT = '2026-03-01T08:00:00.000Z'
const event = (id: string, kind: string, payload: object): JobEvent =>
  ({ id, kind, payload, happenedAt: AT, storedAt: AT, by: 'Zoë Ångström' }) as never

async function pagesOf(events: readonly JobEvent[]): Promise<string[]> {
  const pdf = await certificateApart({
    events,
    picture: recordPicture(foldJob(events), []),
    head: 'a'.repeat(64),
    shopName: 'Cerro Lumen',
    timeZone: 'UTC',
    fingerprint: 'b'.repeat(64),
    checkUrl: `http://shop.lan/check#head=${'a'.repeat(64)}`,
    units: USUAL_UNITS,
  })
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs')
  const read = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise
  return Promise.all(
    Array.from({ length: read.numPages }, async (_, i) => {
      const { items } = await (await read.getPage(i + 1)).getTextContent()
      return items.map((item) => ('str' in item ? item.str : '')).join(' ')
    }),
  )
}

test('a job of hardly anything has its two pages, says that it is a draft, and spells what its font has no letter for', async () => {
  const events = [event('1', 'job-opened', OPENING), event('2', 'noted', { text: 'gauge → pump − 3 ≤ 5 日本 …' })]
  const pages = await pagesOf(events)
  expect(pages).toHaveLength(2)
  expect(pages[0]).toContain('NOT SIGNED')
  expect(pages[0]).toContain('Nothing was pulled or held')
  expect(pages[0]).toContain('a'.repeat(64))
  expect(pages[1]).toContain('gauge > pump – 3 at most 5 ?? ...')
  expect(pages[1]).toContain('Zoë Ångström')
})

test('a long log goes over as many pages as it needs, each with its number', async () => {
  const notes = Array.from({ length: 150 }, (_, i) => event(`n${i}`, 'noted', { text: `note number ${i}` }))
  const pages = await pagesOf([event('1', 'job-opened', OPENING), ...notes])
  expect(pages.length).toBeGreaterThan(3)
  expect(pages.at(-1)).toContain(`page ${pages.length} of ${pages.length}`)
  expect(pages.join(' ')).toContain('note number 149')
})
