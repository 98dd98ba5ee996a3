import { readNewProjectQuery } from './new-project-query'

test('nothing asked is nothing begun', () => {
  expect(readNewProjectQuery({})).toEqual({
    from: null,
    like: null,
    paperIds: [],
    occasion: null,
    start: null,
  })
})
test('so many of a design, in papers', () => {
  const query = { design: 'simple-heart', pieces: '24', size: '60.5', papers: 'a,b' }
  expect(readNewProjectQuery(query)).toMatchObject({
    paperIds: ['a', 'b'],
    start: { designId: 'simple-heart', sizeMm: 60.5, made: 'batch', values: { pieces: 24 } },
  })
})
test.each([
  { design: 'simple-heart', pieces: '0', size: '60' },
  { design: 'simple-heart', pieces: '2.5', size: '60' },
  { design: 'simple-heart', pieces: '10001', size: '60' },
  { design: 'simple-heart', pieces: '4', size: '-1' },
  { design: 'simple-heart', pieces: '4', size: 'large' },
  { design: 'simple-heart', pieces: '4', size: '99999' },
  { pieces: '4', size: '60' },
])('what cannot be is not begun: %j', (query) => {
  expect(readNewProjectQuery(query).start).toBeNull()
})
test('an earlier project asked for twice is one that is not there', () => {
  expect(readNewProjectQuery({ like: ['a', 'b'] }).like).toBe('')
  expect(readNewProjectQuery({ from: 'nowhere' }).from).toBeNull()
})
