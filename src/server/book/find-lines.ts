import type { Find } from '@/core/book/find'
import type { FoundLine } from '@/core/views'
import type { Scope } from '../db/scope'

const LINE = `b.id, b.import_id is not null as former, b.car_id as "carId", b.at, b.ended_at as "endedAt", b.flags,
  b.visit, coalesce(j.summary ->> 'name', c.name, '') as car, coalesce(j.summary ->> 'model', c.model, '') as model,
  coalesce(j.summary ->> 'line', '') as line, coalesce(w.name, '') as whose`
const FROM = `from book_line b left join job j on j.id = b.id left join car c on c.id = b.car_id left join account w on w.id = j.whose`

type Row = Omit<FoundLine, 'at' | 'endedAt'> & { at: Date; endedAt: Date | null }

/**
 * Lines of the book, the newest first: those that have every word (each as the beginning of one) and every filter. Where
 * no line has them, those whose names are spelled nearly so.
 * @param timeZone - the shop's: its days begin there
 */
export async function findLines(
  db: Scope,
  find: Find,
  timeZone: string,
  most: number,
): Promise<{ lines: FoundLine[]; nearly: boolean }> {
  const words = find.tokens.map((t) => `'${t}':*`).join(' & ')
  const where = `b.shop_id = $1 and ($2::date is null or b.at >= $2::date::timestamp at time zone $4)
    and ($3::date is null or b.at < ($3::date + 1)::timestamp at time zone $4) and b.flags @> $5::text[]`
  const ask = async (words: string, by: string, order: string) => {
    const values = [db.shopId, find.from, find.to, timeZone, find.flags, most, ...(words === '' ? [] : [words])]
    const { rows } = await db.query<Row>(
      `select ${LINE} ${FROM} where ${where} ${by} order by ${order} limit $6`,
      values,
    )
    return rows.map((r) => ({ ...r, at: r.at.toISOString(), endedAt: r.endedAt?.toISOString() ?? null }))
  }
  const lines = await ask(words, words === '' ? '' : 'and b.words @@ $7::tsquery', 'b.at desc')
  if (lines.length > 0 || find.tokens.length === 0) return { lines, nearly: false }
  const spelled = find.tokens.join(' ')
  return {
    lines: await ask(spelled, 'and $7 <% b.names', `word_similarity($7, b.names) desc, b.at desc`),
    nearly: true,
  }
}
