type Waiting<Ask, Answer> = { ask: Ask; resolve: (answer: Answer) => void; reject: (error: unknown) => void }

/** How asks share rounds. */
export type Sharing<Ask, Answer> = {
  /** answers of a round, in the order of its asks */
  answer: (asks: readonly Ask[]) => Promise<readonly Answer[]>
  /** what an ask weighs */
  weight: (ask: Ask) => number
  /** weight of one round at most; a heavier ask has a round of its own */
  most: number
  /** rounds under way at a time: with two, the next is made ready while the database works on one */
  atOnce: number
}

/**
 * Asks that come while others are being answered share the next round, which is one question to the database instead of
 * many. Whoever asks alone waits for nobody; in a round that fails each is asked by itself, so that an ask's failure is
 * its own.
 */
export class Together<Ask, Answer> {
  private waiting: Waiting<Ask, Answer>[] = []
  private busy = 0

  constructor(private readonly sharing: Sharing<Ask, Answer>) {}

  ask(ask: Ask): Promise<Answer> {
    return new Promise((resolve, reject) => {
      this.waiting.push({ ask, resolve, reject })
      if (this.busy < this.sharing.atOnce) void this.run()
    })
  }

  private async run(): Promise<void> {
    this.busy += 1
    while (this.waiting.length > 0) await this.round(this.next())
    this.busy -= 1
  }

  /** As many as one round takes, in the order they came; one always. */
  private next(): Waiting<Ask, Answer>[] {
    let weight = 0
    const end = this.waiting.findIndex(({ ask }, i) => {
      weight += this.sharing.weight(ask)
      return i > 0 && weight > this.sharing.most
    })
    return this.waiting.splice(0, end < 0 ? this.waiting.length : end)
  }

  private async round(asked: readonly Waiting<Ask, Answer>[]): Promise<void> {
    try {
      const answers = await this.sharing.answer(asked.map(({ ask }) => ask))
      for (const [i, { resolve }] of asked.entries()) resolve(answers[i] as Answer)
    } catch (error) {
      if (asked.length === 1) asked[0]?.reject(error)
      // at once: behind a database that is away nobody waits for the others' patience to end as well
      else await Promise.all(asked.map((one) => this.round([one])))
    }
  }
}
