import type { Find } from '@/core/book/find'
import { tokensOf } from '@/core/book/tokens'
import type { FoundLine } from '@/core/views'
import type { Scope } from '../db/scope'

const LINE = `b.id, b.import_id is not null as former, b.car_id as "carId", b.at, b.ended_at as "endedAt", b.flags,
  b.visit, coalesce(j.summary ->> 'name', c.name, '') as car, coalesce(j.summary ->> 'model', c.model, '') as model,
  coalesce(j.summary ->> 'line', '') as line, coalesce(w.name, '') as whose`
const FROM = `from book_line b left join job j on j.id = b.id left join car c on c.id = b.car_id left
    join account w on w.id = j.whose`

type Row = Omit<FoundLine, 'at' | 'endedAt'> & { at: Date; endedAt: Date | null }

/**
 * Lines of the book, the newest first: those that have every word (each as the beginning of one) and every filter.
 * Where none has, those that have the names of cars and people that are spelled nearly so.
 * @param timeZone - the shop's: its days begin there
 * @returns `nearly`: the words that were looked for instead; null where they are the ones that were asked for
 */
export async function findLines(
  db: Scope,
  find: Find,
  timeZone: string,
  most: number,
): Promise<{ lines: FoundLine[]; nearly: string | null }> {
  const lines = await linesWith(db, find, timeZone, most)
  if (lines.length > 0 || find.tokens.length === 0) return { lines, nearly: null }
  const tokens: string[] = []
  for (const token of find.tokens) tokens.push((await spelledNearly(db, token)) ?? token)
  if (tokens.join() === find.tokens.join()) return { lines, nearly: null }
  const near = await linesWith(db, { ...find, tokens }, timeZone, most)
  return { lines: near, nearly: near.length > 0 ? tokens.join(' ') : null }
}

async function linesWith(db: Scope, find: Find, timeZone: string, most: number): Promise<FoundLine[]> {
  // tokens are letters and digits alone: quoted so, none is an operator of the question
  const words = find.tokens.map((t) => `'${t}':*`).join(' & ')
  const { rows } = await db.query<Row>(
    `select ${LINE} ${FROM} where b.shop_id = $1 and ($2::date is null or b.at >= $2::date::timestamp at time zone $4)
        and ($3::date is null or b.at < ($3::date + 1)::timestamp at time zone $4) and b.flags @> $5::text[]
        ${words === '' ? '' : 'and b.words @@ $7::tsquery'} order by b.at desc limit $6`,
    [db.shopId, find.from, find.to, timeZone, find.flags, most, ...(words === '' ? [] : [words])],
  )
  return rows.map((r) => ({ ...r, at: r.at.toISOString(), endedAt: r.endedAt?.toISOString() ?? null }))
}

/** Shorter words have too few trigrams to be like anything. */
const LEAST_LETTERS = 4

/** The word of a car's or a person's name that is spelled most like this; null where none is. */
async function spelledNearly(db: Scope, token: string): Promise<string | null> {
  if (token.length < LEAST_LETTERS) return null
  const { rows } = await db.query<{ word: string }>(
    `with near as (
       (select name || ' ' || plate as said from car where shop_id = $1 and $2 <% (name || ' ' || plate)
         order by word_similarity($2, name || ' ' || plate) desc limit 20)
       union all (select name from account where shop_id = $1 and $2 <% name limit 20)
     )
     select word from near, regexp_split_to_table(said, '[^[:alnum:]]+') word
       order by similarity(word, $2) desc limit 1`,
    [db.shopId, token],
  )
  return rows[0] ? (tokensOf(rows[0].word)[0] ?? null) : null
}
