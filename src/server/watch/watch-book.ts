import { fillLines } from '../book/fill-lines'
import { database } from '../db/pool'

/** Looks after the book's lines: makes those that are missing, then rests until the next start. */
export class BookWatch {
  private filled = false

  async round(): Promise<number> {
    if (this.filled) return 0
    const made = await fillLines(database())
    this.filled = made === 0
    return made
  }
}
