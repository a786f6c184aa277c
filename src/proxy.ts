import { type NextRequest, NextResponse } from 'next/server'

/** Gives every page its Content-Security-Policy: scripts by nonce only, nothing from another machine. */
export function proxy(request: NextRequest): NextResponse {
  const nonce = btoa(crypto.randomUUID())
  const policy = [
    `default-src 'self'`,
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    // style attributes place the marks of the charts; they cannot run anything
    `style-src 'self' 'unsafe-inline'`,
    `worker-src 'self' blob:`,
    `img-src 'self' data: blob:`,
    `font-src 'self'`,
    `connect-src 'self'`,
    `object-src 'none'`,
    `base-uri 'none'`,
    `form-action 'self'`,
    `frame-ancestors 'none'`,
  ].join('; ')
  const headers = new Headers(request.headers)
  headers.set('x-nonce', nonce)
  headers.set('content-security-policy', policy)
  const response = NextResponse.next({ request: { headers } })
  response.headers.set('content-security-policy', policy)
  response.headers.set('x-content-type-options', 'nosniff')
  response.headers.set('referrer-policy', 'no-referrer')
  return response
}

export const config = { matcher: ['/((?!_next/static|_next/image|api/).*)'] }
