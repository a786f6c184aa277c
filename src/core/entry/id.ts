import * as z from 'zod'

/** An id somebody made (UUID), in lower case as the database gives it back: another case would be another hash. */
export const Id = z.uuid().toLowerCase()
