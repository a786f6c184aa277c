/** Where the web server writes the address a request came from; what a sender writes there himself is overwritten. */
export const ADDRESS_HEADER = 'x-yperos-address'

/** The address a request came from; empty where no web server of ours took it in. */
export const addressOfSender = (request: Request): string => request.headers.get(ADDRESS_HEADER) ?? ''

/** True for a request from this very machine. */
export const isLoopback = (address: string): boolean => address === '::1' || address.startsWith('127.')
