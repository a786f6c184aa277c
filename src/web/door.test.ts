import { hostname } from 'node:os'
import { describe, expect, test } from 'vitest'
import { addressOf, hostsOf, listOf, turnedAway } from './door'

const HOSTS = hostsOf('127.0.0.1', 'shop.lan')
const post = (more: object) =>
  turnedAway(
    { method: 'POST', url: '/api/jobs', host: '127.0.0.1:4600', origin: undefined, fetchSite: undefined, ...more },
    HOSTS,
  )

describe('who changes something', () => {
  test('is let in from our own pages and from programs, which name no origin', () => {
    expect(post({ origin: 'http://127.0.0.1:4600', fetchSite: 'same-origin' })).toBeNull()
    expect(post({})).toBeNull()
    // a proxy with TLS in front keeps the name
    expect(post({ host: 'shop.lan', origin: 'https://shop.lan' })).toBeNull()
    expect(post({ host: 'SHOP.lan:443', origin: 'https://shop.lan:443' })).toMatchObject({ status: 403 })
    expect(post({ host: '[::1]:4600', origin: 'http://[::1]:4600' })).toBeNull()
  })

  test.each([
    ['a page on another port', { origin: 'http://127.0.0.1:9999', fetchSite: 'same-site' }],
    ['a page elsewhere', { origin: 'https://elsewhere.example' }],
    ['a page without an origin', { origin: 'null' }],
    ['what is no origin', { origin: 'nonsense' }],
    ['a form elsewhere, by the browser’s word alone', { fetchSite: 'cross-site' }],
    ['our name with another port', { origin: 'http://127.0.0.1:4601' }],
  ])('is turned away as %s', (_who, more) => {
    expect(post(more)).toMatchObject({ status: 403 })
    for (const method of ['PUT', 'PATCH', 'DELETE']) expect(post({ ...more, method })).toMatchObject({ status: 403 })
  })

  test('may be linked to from anywhere', () => {
    expect(post({ method: 'GET', origin: 'https://elsewhere.example', fetchSite: 'cross-site' })).toBeNull()
  })
})

test('a name that is not ours is no way in, not even to read', () => {
  expect(post({ method: 'GET', host: 'rebound.example' })).toMatchObject({
    status: 403,
    message: expect.stringMatching(/YPEROS_HOSTS/),
  })
  expect(post({ method: 'GET', host: undefined })).toMatchObject({ status: 403 })
  expect(post({ method: 'GET', host: 'localhost:4600' })).toBeNull()
  expect(
    turnedAway(
      { method: 'GET', url: '/', host: `${hostname()}:4600`, origin: undefined, fetchSite: undefined },
      hostsOf('0.0.0.0', ''),
    ),
  ).toBeNull()
})

test('a % that is no character is refused before anybody decodes it', () => {
  expect(post({ url: '/api/jobs/%ff/events' })).toMatchObject({ status: 400 })
  expect(post({ url: '/job/%E2%82%AC?x=%ff' })).toBeNull()
})

test('a forwarded address is believed of a proxy that was named, and of it alone', () => {
  expect(addressOf('10.0.0.7', '1.2.3.4', [])).toBe('10.0.0.7')
  expect(addressOf('::ffff:10.0.0.7', '1.2.3.4', listOf('10.0.0.9'))).toBe('10.0.0.7')
  // what stands before the proxy's own entry is anybody's word
  expect(addressOf('::ffff:10.0.0.9', 'made up, 10.0.0.44', listOf(' 10.0.0.9 '))).toBe('10.0.0.44')
  expect(addressOf('10.0.0.9', undefined, ['10.0.0.9'])).toBe('10.0.0.9')
  expect(addressOf('10.0.0.9', 'x'.repeat(9000), ['10.0.0.9']).length).toBeLessThanOrEqual(64)
})
