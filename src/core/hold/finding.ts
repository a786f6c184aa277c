/**
 * Why a hold is judged as it is, or what is wrong with its record: a code and its figures in SI (Pa, Pa/s, s, g a
 * year). Sentences are made of it where it is read, in the reader's units (`reason-words.ts`); stored records keep it.
 */
export type Finding = { code: string; of: Record<string, number | string> }
