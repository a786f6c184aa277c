/** What a hose or pipe is made of: how much it gives off under vacuum. */
export const LINK_KINDS = ['metal', 'barrier-new', 'rubber-old'] as const
