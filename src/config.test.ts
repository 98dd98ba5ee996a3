import { isAbsolute } from 'node:path'
import { readConfig } from './config'

test('nothing set: this machine only, a folder beside the application', () => {
  const config = readConfig({})
  expect(config).toMatchObject({ port: 4680, room: false, hosts: [], frozenNowMs: null })
  expect(isAbsolute(config.dataFolder)).toBe(true)
  expect(config.databasePath.startsWith(config.dataFolder)).toBe(true)
})

test('everything set', () => {
  const config = readConfig({
    KELPFIELD_DATA: '/tmp/somewhere',
    KELPFIELD_PORT: '8080',
    KELPFIELD_ROOM: '1',
    KELPFIELD_HOSTS: ' Table.home, oyster ,',
    KELPFIELD_NOW: '2026-11-25T09:30:00Z',
  })
  expect(config).toEqual({
    dataFolder: '/tmp/somewhere',
    databasePath: '/tmp/somewhere/kelpfield.db',
    port: 8080,
    room: true,
    hosts: ['table.home', 'oyster'],
    frozenNowMs: Date.UTC(2026, 10, 25, 9, 30),
  })
})

test.each([
  [{ KELPFIELD_PORT: '0' }, 'from 1 to 65535'],
  [{ KELPFIELD_PORT: 'eighty' }, 'KELPFIELD_PORT'],
  [{ KELPFIELD_PORT: '80.5' }, 'whole number'],
  [{ KELPFIELD_ROOM: 'yes' }, 'must be 0 or 1'],
  [{ KELPFIELD_NOW: 'noon' }, 'KELPFIELD_NOW'],
])('%j is refused with what to write', (env, words) => {
  expect(() => readConfig(env)).toThrow(words)
})
