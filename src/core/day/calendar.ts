import { type Minutes, SAME_MIN } from './day'

/** When one person, rig or scale is taken, in order of time. */
export class Calendar {
  private readonly from: Minutes[] = []
  private readonly to: Minutes[] = []

  /** A copy, so that a day is laid out again from what always stands. */
  copy(): Calendar {
    const made = new Calendar()
    made.from.push(...this.from)
    made.to.push(...this.to)
    return made
  }

  take(from: Minutes, to: Minutes): void {
    let at = this.from.length
    while (at > 0 && (this.from[at - 1] as number) > from) at--
    this.from.splice(at, 0, from)
    this.to.splice(at, 0, to)
  }

  /** The earliest moment from `since` on at which it is free for so long. */
  freeFrom(since: Minutes, length: Minutes): Minutes {
    let start = since
    for (let i = this.first(since); i < this.from.length; i++) {
      if ((this.from[i] as number) >= start + length - SAME_MIN) return start
      start = Math.max(start, this.to[i] as number)
    }
    return start
  }

  /** Until when it is free from a moment on; the moment itself where it is taken then. */
  freeUntil(moment: Minutes): Minutes {
    for (let i = this.first(moment); i < this.from.length; i++) {
      if ((this.to[i] as number) <= moment + SAME_MIN) continue
      return Math.max(moment, this.from[i] as number)
    }
    return Number.POSITIVE_INFINITY
  }

  /** The end of what it is taken by from a moment on. */
  takenUntil(moment: Minutes): Minutes {
    for (let i = this.first(moment); i < this.from.length; i++)
      if ((this.to[i] as number) > moment + SAME_MIN) return this.to[i] as number
    return moment
  }

  /**
   * The first entry that may reach beyond a moment: entries of one thing do not overlap, so their ends are in order.
   */
  private first(moment: Minutes): number {
    let [low, high] = [0, this.to.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if ((this.to[middle] as number) <= moment) low = middle + 1
      else high = middle
    }
    return low
  }
}
