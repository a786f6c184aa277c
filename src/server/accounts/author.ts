/** Who records something: an account, or nobody but a name when the shop itself does. */
export type Author = { id: string | null; name: string }
