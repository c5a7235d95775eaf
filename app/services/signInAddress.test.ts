import { describe, expect, it } from 'vitest'
import { addressForOthers, returnAddress, signInAddress } from './signInAddress'

const place = { origin: 'http://mill.example:3000' }

describe('the way back after signing in', () => {
  it('leads to where one wanted to go', () => {
    expect(signInAddress({ pathname: '/plans/a1/streams', search: '?x=1' } as Location)).toBe(
      '/sign-in?to=%2Fplans%2Fa1%2Fstreams%3Fx%3D1',
    )
    expect(returnAddress('/plans/a1/streams?x=1', place as Location)).toBe('/plans/a1/streams?x=1')
  })
  it('never leads to another server, nor back to the sign-in', () => {
    for (const wanted of [
      '//elsewhere.example/x',
      'https://elsewhere.example',
      '/\\elsewhere.example',
      'javascript:alert(1)',
      'http://mill.example:3001/',
      '/sign-in?to=/x',
      ['/x'],
      undefined,
      'http://[',
    ]) {
      expect(returnAddress(wanted, place as Location), String(wanted)).toBe('/')
    }
  })
})

describe('an address for others', () => {
  const at = (hostname: string, port = '3000') =>
    ({ origin: `http://${hostname}:${port}`, protocol: 'http:', hostname, port }) as Location
  it("is the page's own where it is opened under a name that others know", () => {
    expect(addressForOthers('/read/x', 'mill.example', at('192.0.2.7'))).toBe(
      'http://192.0.2.7:3000/read/x',
    )
    expect(addressForOthers('/read/x', null, at('localhost'))).toBe('http://localhost:3000/read/x')
  })
  it('never names the computer as only itself knows it', () => {
    for (const own of ['localhost', '127.0.0.1', '[::1]'])
      expect(addressForOthers('/read/x', 'mill.example', at(own))).toBe(
        'http://mill.example:3000/read/x',
      )
    expect(addressForOthers('/read/x', 'mill.example:8080', at('localhost'))).toBe(
      'http://mill.example:8080/read/x',
    )
    expect(addressForOthers('/read/x', 'mill.example', at('localhost', ''))).toBe(
      'http://mill.example/read/x',
    )
  })
})
