/** What a page asks of the service worker: to keep another page before it is needed, or to forget all of them. */
export type Asked = { do: 'keep'; path: string } | { do: 'forget' }

/** Where the service worker keeps pages as they were last seen, by their path. */
export const PAGES = 'yperos-pages'
