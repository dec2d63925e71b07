import { describe, expect, it } from 'vitest'
import { refusal } from './guard'

const ask = (headers: Record<string, string>, method = 'GET', path = '/', localAddress = '127.0.0.1') =>
  refusal({ method, path, headers, localAddress }, ['bench.example'])?.status ?? null

describe('who may ask', () => {
  it('by the names of this machine, by the address that was reached, and by names that were given', () => {
    for (const host of ['localhost:3000', '127.0.0.1', '[::1]:3000', 'LOCALHOST', 'bench.example:80'])
      expect(ask({ host }), host).toBeNull()
    expect(ask({ host: '192.168.1.7:3000' }, 'GET', '/', '::ffff:192.168.1.7')).toBeNull()
  })
  it('a name bent to this machine is no name of it; nor is another address, nor none', () => {
    for (const host of ['evil.example', 'localhost.evil.example:3000', '192.168.1.7:3000', ''])
      expect(ask({ host }), host).toBe(421)
    expect(refusal({ method: 'GET', path: '/', headers: {}, localAddress: undefined }, [])?.status).toBe(421)
  })
  it('a page of another origin, of another port, or of none is refused; its own is not', () => {
    const host = 'localhost:3000'
    expect(ask({ host, origin: 'http://localhost:3000' }, 'POST', '/api/assess')).toBeNull()
    for (const origin of [
      'http://evil.example',
      'http://localhost:3001',
      'null',
      'http://localhost:3000.evil.example',
    ])
      expect(ask({ host, origin }, 'POST', '/api/assess'), origin).toBe(403)
  })
  it('each address takes its methods, and says which', () => {
    const host = 'localhost'
    expect(
      refusal({ method: 'GET', path: '/api/assess?x', headers: { host }, localAddress: '' }, []),
    ).toMatchObject({
      status: 405,
      allow: 'POST',
    })
    expect(refusal({ method: 'DELETE', path: '/', headers: { host }, localAddress: '' }, [])).toMatchObject({
      status: 405,
      allow: 'GET, HEAD',
    })
    expect(ask({ host }, 'HEAD', '/api/health')).toBeNull()
  })
})
