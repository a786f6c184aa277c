/** What may be wrong with a record, for programs: a code stays what it is while the words may change. */
export type ProblemCode =
  | 'isolated-late'
  | 'valve-gas'
  | 'jump'
  | 'over-range'
  | 'gap'
  | 'no-shape'
  | 'beyond-the-air'
  | 'one-needle-moves'
  | 'off-zero'

/** Why it was judged so, for programs. */
export type ReasonCode =
  | 'no-more-than-gauge-and-gas'
  | 'bends'
  | 'straight'
  | 'bends-and-stays'
  | 'bends-leak-open'
  | 'several-fit'
  | 'needle-still'
  | 'needle-tells-more'
  | 'too-few'
  | 'stands'
