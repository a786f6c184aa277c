import * as z from 'zod'
import type { BookLine } from '@/core/book/book-line'
import { FormerLine, formerVisit } from '@/core/book/former'
import { joined, tokensOf } from '@/core/book/tokens'
import { Id } from '@/core/entry/id'
import { text } from '@/core/entry/text'
import { OIL_UNREAD } from '@/core/job/events'
import { W } from '@/core/language/server/book'
import type { ImportView } from '@/core/views'
import type { UserScope } from '../accounts/user-scope'
import { inTransaction, type Scope, type TxScope } from '../db/scope'
import { AppError, notFound } from '../errors'
import { logShop } from '../shop/shop-log'
import { writeLine } from './keep-line'

/** Lines of one request: with a long note each they stay below what a request may hold. */
export const LINES_AT_ONCE = 400

/** A part of a file that is brought in; every part names the same import. */
export const FormerPart = z.strictObject({
  id: Id,
  fileName: text(200),
  /** lines of the whole file */
  of: z.number().int().min(1).max(200_000),
  lines: z.array(FormerLine).min(1).max(LINES_AT_ONCE),
})

/** Free volume of a car nobody measured, L (assumed: one evaporator). */
const VOLUME_L = 2.5
/** What a car of a file is charged to where no line says it, g (assumed). */
const USUAL_G = 500
const TOLERANCE_G = 25

/**
 * Brings in a part of a file of a former life: cars it names are known from then on, its lines stand in the book, none
 * in the ledger. Sent twice it is stored once.
 * @throws AppError `conflict` where a line is in the book by another import
 */
export async function importFormer(scope: UserScope, part: z.infer<typeof FormerPart>): Promise<{ stored: number }> {
  return inTransaction(scope, async (tx) => {
    const { rows } = await tx.query<{ withdrawn: boolean }>(
      `insert into import (id, shop_id, file_name, lines, by_account, by_name) values ($1, $2, $3, $4, $5, $6)
       on conflict (id) do update set lines = excluded.lines where import.shop_id = excluded.shop_id
         returning withdrawn_at is not null as withdrawn`,
      [part.id, tx.shopId, part.fileName, part.of, scope.user.id, scope.user.name],
    )
    if (!rows[0]) throw new AppError('conflict', W.thisImportIsAnotherShops)
    if (rows[0].withdrawn) throw new AppError('conflict', W.thisImportWasWithdrawnBring)
    await refuseDoubled(tx, part)
    let stored = 0
    for (const line of part.lines) if (await storeLine(tx, part.id, line)) stored++
    return { stored }
  })
}

async function refuseDoubled(tx: TxScope, { id, lines }: z.infer<typeof FormerPart>): Promise<void> {
  const { rows } = await tx.query<{ id: string; file: string }>(
    `select b.id, i.file_name as file from book_line b join import i on i.id = b.import_id
      where b.id = any($1::uuid[]) and b.import_id <> $2 limit 1`,
    [lines.map((l) => l.id), id],
  )
  const doubled = rows[0]
  if (!doubled) return
  const at = lines.findIndex((l) => l.id === doubled.id)
  const reason = W.isInTheBookBy(lines[at]?.car ?? '', lines[at]?.day ?? '', doubled.file)
  throw new AppError('conflict', reason, [{ path: `lines[${at}]`, reason }])
}

async function storeLine(tx: TxScope, importId: string, line: FormerLine): Promise<boolean> {
  const { rows: there } = await tx.query('select 1 from book_line where id = $1 and shop_id = $2', [line.id, tx.shopId])
  if (there.length > 0) return false
  const at = `${line.day}T12:00:00.000Z`
  const car = await carOf(tx, importId, line, at)
  const visit = formerVisit(line, at, { leastG: car.lowG - car.toleranceG, labelG: car.lowG })
  const said = [line.car, line.plate, line.note, line.refrigerant].flatMap(tokensOf)
  const book: BookLine = {
    at,
    endedAt: at,
    visit,
    flags: ['former', ...(line.verdict === null ? [] : [verdictFlag(line.verdict)])],
    tokens: [...new Set([...said, ...joined(line.plate)])],
  }
  await writeLine(tx, { id: line.id, carId: car.id, importId }, book, [line.car, line.plate])
  return true
}

const verdictFlag = (verdict: NonNullable<FormerLine['verdict']>) =>
  verdict === 'leak-and-damp' ? ('leak' as const) : verdict

type Car = { id: string; lowG: number; toleranceG: number }

/** The car a line names, as the shop knows it; made where it does not. */
async function carOf(tx: TxScope, importId: string, line: FormerLine, at: string): Promise<Car> {
  const { rows } = await tx.query<Car>(
    `select id, (label ->> 'lowG')::float8 as "lowG", (label ->> 'toleranceG')::float8 as "toleranceG" from car
      where shop_id = $1 and lower(name) = lower($2) and (plate = '' or $3 = '' or lower(plate) = lower($3))
      order by (lower(plate) = lower($3)) desc, seen_at desc limit 1`,
    [tx.shopId, line.car, line.plate],
  )
  if (rows[0]) return rows[0]
  const lowG = Math.round(line.chargedG ?? USUAL_G)
  const label = {
    refrigerant: line.refrigerant,
    lowG,
    highG: lowG,
    typed: W.gByAFile(lowG),
    toleranceG: TOLERANCE_G,
    oilKind: OIL_UNREAD,
    oilMl: null,
    source: 'manual',
  }
  const { rows: made } = await tx.query<{ id: string }>(
    `insert into car (shop_id, name, plate, label, volume_l, seen_at, import_id)
        values ($1, $2, $3, $4, $5, $6, $7) returning id`,
    [tx.shopId, line.car, line.plate, JSON.stringify(label), VOLUME_L, at, importId],
  )
  return { id: made[0]?.id ?? '', lowG, toleranceG: TOLERANCE_G }
}

/** Files that were brought in, the newest first. */
export async function selectImports(db: Scope): Promise<ImportView[]> {
  const { rows } = await db.query<Omit<ImportView, 'at'> & { at: Date }>(
    `select i.id, i.file_name as "fileName", i.lines, i.by_name as by, i.stored_at as at, i.withdrawn_by as withdrawn,
       (select count(*)::int from book_line b where b.import_id = i.id and b.shop_id = i.shop_id) as stored
       from import i where i.shop_id = $1 order by i.stored_at desc limit 100`,
    [db.shopId],
  )
  return rows.map((r) => ({ ...r, at: r.at.toISOString() }))
}

/** Takes a file out of the book again, with the cars only it named; the shop's log says who did. Twice is once. */
export async function withdrawImport(scope: UserScope, id: string): Promise<void> {
  await inTransaction(scope, async (tx) => {
    const { rows } = await tx.query<{ fileName: string; withdrawn: boolean }>(
      `select file_name as "fileName", withdrawn_at is not null as withdrawn from import where id = $1
          and shop_id = $2 for update`,
      [id, tx.shopId],
    )
    if (!rows[0]) throw notFound(W.thisImport)
    if (rows[0].withdrawn) return
    const { rowCount } = await tx.query('delete from book_line where import_id = $1 and shop_id = $2', [id, tx.shopId])
    await tx.query(
      `delete from car c where c.import_id = $1 and c.shop_id = $2
        and not exists (select 1 from job j where j.car_id = c.id) and not exists (select 1
          from book_line b where b.car_id = c.id)`,
      [id, tx.shopId],
    )
    await tx.query('update import set withdrawn_at = now(), withdrawn_by = $3 where id = $1 and shop_id = $2', [
      id,
      tx.shopId,
      scope.user.name,
    ])
    await logShop(tx, scope.user.name, 'import-withdrawn', `${rows[0].fileName}, ${rowCount} lines`)
  })
}
